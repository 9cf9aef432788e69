import { planeAt, SAME_POINT_MM, toWorld } from '../geom';
import { solidOf, type Framing, type Member } from '../frame';
import type { Job } from '../job';
import type { Roof, SideLine } from '../roof';
import { degrees, formatDegrees, formatLength, lengthFormat } from '../units';
import { notchPlumbDepth } from './local-cut';
import { seatOf } from './seat';

/** Something to be said about the frame. `level` caution: it can hurt somebody or spoil timber. */
export interface Remark {
  readonly level: 'caution' | 'note';
  /** A member's id. */
  readonly member: string | null;
  readonly text: string;
}

/** What remarks are made on: the job, its roof, and the frame set on it. */
interface Subject {
  readonly job: Job;
  readonly roof: Roof;
  readonly framing: Framing;
  readonly say: (mm: number) => string;
}

/** A notch deeper than this share of the rafter's depth is past the usual limit. */
const USUAL_NOTCH_SHARE = 0.25;
/** A seat narrower than this is past the usual limit for bearing, mm. */
const USUAL_BEARING_MM = 38;

const LOCAL = 'ask the local code or an engineer';

const note = (text: string, member: Member | null = null): Remark => ({
  level: 'note',
  member: member?.id ?? null,
  text,
});

const caution = (text: string, member: Member | null = null): Remark => ({
  ...note(text, member),
  level: 'caution',
});

/** The first member of each distinct make: kind, stock and slope. */
const oneOfEach = (members: readonly Member[], kinds: readonly Member['kind'][]): Member[] => {
  const seen = new Set<string>();
  return members.filter((member) => {
    const { kind, stock, plan, block } = member;
    if (!kinds.includes(kind)) return false;
    const key = [block, stock.depth, plan.slopeRad.toFixed(6)].join(' ');
    if (seen.has(key)) return false;
    seen.add(key);
    return true;
  });
};

/** A share over the usual notch in per cent, never written so short that it reads as the limit itself. */
const percentOver = (share: number): string => {
  const percent = Number((share * 100).toFixed(1));
  return percent > USUAL_NOTCH_SHARE * 100 ? `${percent} %` : `just over ${percent} %`;
};

const aboutSeats = ({ job, framing, say }: Subject): Remark[] =>
  oneOfEach(framing.members, ['common', 'king-common', 'hip-jack']).flatMap((member) => {
    const seat = seatOf(member);
    if (seat === null) {
      const [notch] = member.notches;
      return notch === undefined
        ? []
        : [
            caution(
              `the rafter's underside stands ${say(-notchPlumbDepth(member, notch))} above its plate: it has no seat. Use a deeper rafter or a lower height above plate`,
              member,
            ),
          ];
    }
    const remarks: Remark[] = [];
    const share = seat.depthFraction.value;
    const width = seat.width.value;
    if (share > USUAL_NOTCH_SHARE + SAME_POINT_MM) {
      remarks.push(
        caution(
          `the birdsmouth takes ${percentOver(share)} of the rafter's depth; the usual limit is a quarter. A deep notch splits under load: ${LOCAL}`,
          member,
        ),
      );
    }
    if (width < USUAL_BEARING_MM) {
      remarks.push(
        caution(
          `the seat bears on ${say(width)} of plate; the usual least is ${say(USUAL_BEARING_MM)}: ${LOCAL}`,
          member,
        ),
      );
    }
    const { plateWidth } = job.timber;
    if (plateWidth !== undefined && width > plateWidth + SAME_POINT_MM)
      remarks.push(note(`the seat is ${say(width - plateWidth)} wider than the plate`, member));
    return remarks;
  });

/** A hip's or valley's seat runs inward from the plate's corner; past the plates it hangs in the air. */
const aboutCorners = ({ job, framing, say }: Subject): Remark[] =>
  oneOfEach(framing.members, ['hip', 'valley']).flatMap((member) => {
    const name = member.kind;
    const remarks: Remark[] = [];
    const { eaveAngleRad } = member.plan;
    const { plateWidth } = job.timber;
    const seat = seatOf(member);
    const [notch] = member.notches;
    if (notch !== undefined && seat === null) {
      remarks.push(
        caution(
          `the ${name}'s underside stands ${say(-notchPlumbDepth(member, notch))} above the plate: it has no seat. Use a deeper ${name} or a lower height above plate`,
          member,
        ),
      );
    } else if (seat !== null && plateWidth !== undefined && eaveAngleRad !== null) {
      const over = seat.width.value - plateWidth / Math.sin(Math.max(...eaveAngleRad));
      if (over > SAME_POINT_MM) {
        remarks.push(
          caution(
            `the ${name}'s seat hangs ${say(over)} inside past the plates, unsupported. A shallower notch with the ${name} carried, a lower ${name}, deeper commons, or an engineer's detail mends it`,
            member,
          ),
        );
      }
    }
    if (name === 'hip' && job.framing.hipTop === 'none') {
      remarks.push(
        note(
          'the hip is neither dropped nor backed: its top corners stand proud of the roof planes',
          member,
        ),
      );
    }
    return remarks;
  });

/** The valley that runs on past a lower ridge, whose top is bevelled from there. */
const runningValley = ({ members }: Framing): Member | undefined =>
  members.find(({ bevels }) => bevels.some(({ beyond }) => beyond !== null));

/** How far the commonest corner planed off stood above the roof beside it, plumb. */
const proudBefore = (member: Member): number => {
  const square = { ...member, bevels: [] };
  const points = solidOf(square).flatMap((piece) =>
    piece.flatMap((face) => face.points.map((p) => toWorld(member.frame, p))),
  );
  return Math.max(
    0,
    ...member.bevels.flatMap(({ keep }) => points.map((p) => planeAt(keep, p) / keep.normal[2])),
  );
};

const aboutBevels = ({ framing, say }: Subject): Remark[] => {
  const planed = framing.members.filter(
    ({ kind, bevels }) => bevels.length > 0 && (kind === 'common' || kind === 'king-common'),
  );
  const common = planed.find(({ kind }) => kind === 'common');
  const king = planed.find(({ kind }) => kind === 'king-common');
  const running = runningValley(framing);
  return [
    ...(common === undefined
      ? []
      : [
          note(
            `the commons are thicker than the ridge, so the top corner of those at the hips stands ${say(proudBefore(common))} proud of the end slope: plane it off`,
            common,
          ),
        ]),
    ...(king === undefined
      ? []
      : [
          note(
            'king commons that meet at the peak reach past the side slopes: plane their upper corners off to them',
            king,
          ),
        ]),
    ...(running === undefined
      ? []
      : [
          note(
            'past the lower ridge the supporting valley runs on under one slope: bevel its top to that slope there',
            running,
          ),
        ]),
  ];
};

const aboutRidges = ({ job, roof, framing, say }: Subject): Remark[] => {
  const { members } = framing;
  const ridges = members.filter((m) => m.kind === 'ridge');
  const remarks: Remark[] = [];
  const steepest = Math.max(...roof.slopes.map(({ slopeRad }) => slopeRad));
  const plumb = job.timber.common.depth / Math.cos(steepest);
  const [first] = ridges;
  const [purlin] = members.filter(({ kind }) => kind === 'purlin');
  for (const [name, own] of [
    ['ridge', first],
    ['purlin at the break', purlin],
  ] as const) {
    if (own === undefined || own.stock.depth >= plumb - SAME_POINT_MM) continue;
    remarks.push(
      caution(
        `the ${name} is ${say(plumb - own.stock.depth)} shallower than the steepest rafters' plumb cut, which then has nothing to bear on below it`,
        own,
      ),
    );
  }
  for (const ridge of ridges) {
    if (ridge.plan.slopeRad === 0) continue;
    remarks.push(
      note(
        `this ridge slopes, because the eaves on its two sides are not parallel: it falls ${say(ridge.plan.runMm * Math.tan(ridge.plan.slopeRad))} over its length, at ${formatDegrees(degrees(ridge.plan.slopeRad))}`,
        ridge,
      ),
    );
  }
  if (job.collarTies === undefined && job.rafterTies === undefined) {
    remarks.push(
      caution(
        'no ties are given: without rafter ties, or a ridge that is a beam carried at its ends, the rafters push the walls out',
        first ?? null,
      ),
    );
  }
  return remarks;
};

const SUPPORTED =
  'the valley that runs on carries the lower ridge and the other valley: its size is for an engineer';
const AT_BREAK =
  'at a break in pitch the rafters above push on this purlin and the rafters below hold it: without a wall or posts under it, or ties across at its height, the roof folds there. Its size, and what carries it, are for an engineer';
const UNDER_GABLET =
  'the header under the gablet carries the rafters of the hip’s end, and the hips and the first pair of rafters carry it: their sizes are for an engineer';
const AT_RIDGE_END =
  'the header carries the lower ridge and both valleys, and the two rafters beside it carry the header: their sizes are for an engineer';

const BROKEN_HIP =
  'this hip breaks to a lower ridge: with that ridge and its valley it meets over no wall, and what carries the point is for an engineer';

/** Timbers that carry others at a junction. */
const aboutLoads = ({ framing }: Subject): Remark[] => {
  const running = runningValley(framing);
  const headers = framing.members.filter(({ kind }) => kind === 'header');
  const hips = new Set(framing.members.filter(({ kind }) => kind === 'hip').map(({ id }) => id));
  const ofGablet = ({ ends }: Member): boolean =>
    ends.every(({ meets }) => meets !== null && hips.has(meets));
  const header = headers.find((one) => !ofGablet(one));
  const gablet = headers.find(ofGablet);
  const purlin = framing.members.find(({ kind }) => kind === 'purlin');
  const ridges = framing.members.filter(({ kind }) => kind === 'ridge');
  const broken = framing.members.find(
    ({ id, kind, notches }) =>
      kind === 'hip' &&
      notches.length === 0 &&
      ridges.some(({ ends }) => ends.some(({ meets }) => meets === id)),
  );
  return [
    ...(broken === undefined ? [] : [caution(BROKEN_HIP, broken)]),
    ...(running === undefined ? [] : [caution(SUPPORTED, running)]),
    ...(header === undefined ? [] : [caution(AT_RIDGE_END, header)]),
    ...(gablet === undefined ? [] : [caution(UNDER_GABLET, gablet)]),
    ...(purlin === undefined ? [] : [caution(AT_BREAK, purlin)]),
    ...(framing.leftOut.headers === 0
      ? []
      : [
          caution(
            'a lower ridge and its valleys end where no valley can run on and no rafters stand beside to carry a header: an engineer must say what carries them',
          ),
        ]),
  ];
};

const eaves = (roof: Roof): { fall: number; line: SideLine; block: string }[] =>
  roof.slopes.flatMap(({ sides }) =>
    sides.map(({ line, rise, block }) => ({
      fall: line.overhangMm * rise - line.plateMm,
      line,
      block,
    })),
  );

const aboutEaves = ({ job, roof }: Subject): Remark[] => {
  const remarks: Remark[] = [];
  const all = eaves(roof);
  const uneven = roof.blocks.some(({ id }) => {
    const falls = all.filter(({ block }) => block === id).map(({ fall }) => fall);
    return Math.max(...falls) - Math.min(...falls) > 1e-3;
  });
  if (uneven || roof.edges.some(({ kind }) => kind === 'step')) {
    remarks.push(
      note(
        'the fascias do not all meet at one height: the overhangs fall by different amounts. Level fascias (under Roof) mend it within a block',
      ),
    );
  }
  if (job.framing.tail === 'square' && all.some(({ line }) => line.overhangMm === 0))
    remarks.push(note('where there is no overhang the rafter ends plumb at the plate, not square'));
  const sides = roof.blocks.flatMap((block) => block.sides);
  if (sides.some((side) => side.roof === 'gable' && side.overhangMm > 0))
    remarks.push(
      note('the gable overhang wants barge rafters and lookouts; they are not in this list yet'),
    );
  if (sides.some((side) => side.roof === 'wall'))
    remarks.push(
      note('the rafters’ upper ends at the wall want a ledger; it is not in this list yet'),
    );
  return remarks;
};

/** Open ends that were carried on over the roof they lie in. */
const aboutOpenEnds = ({ job, roof }: Subject): Remark[] =>
  job.blocks.flatMap(({ id, sides }, i): Remark[] => {
    const carried = sides.some(
      (side, k) => side.roof === 'open' && roof.blocks[i]?.sides[k]?.roof !== 'open',
    );
    return carried
      ? [
          note(
            `the roof of "${id}" stands above the one its open end lies in: it runs on over it and comes down on the far side`,
          ),
        ]
      : [];
  });

const aboutLeftOut = ({ framing }: Subject): Remark[] => {
  const { stations, short } = framing.leftOut;
  return [
    ...(stations === 0
      ? []
      : [
          note(
            `${stations} stations left out: two rafters would stand in the same place, nearer than their thickness`,
          ),
        ]),
    ...(short === 0
      ? []
      : [
          note(
            `${short} jacks shorter than the limit are left out; the fascia and blocking carry the corner`,
          ),
        ]),
  ];
};

/** What the job asks for and this version does not frame yet. Said, so that nobody takes the list for whole. */
const notFramedYet = ({ job }: Subject): Remark[] => {
  const missing = [
    job.purlins.length > 0 ? 'purlins' : null,
    job.collarTies === undefined ? null : 'collar ties',
    job.rafterTies === undefined ? null : 'rafter ties',
  ].filter((name) => name !== null);
  return missing.length === 0
    ? []
    : [
        caution(
          `${missing.join(', ')} cannot be worked out yet and are not in this list; cut and fix them as the job asks`,
        ),
      ];
};

/** Everything worth saying about a frame, gravest first within each subject. */
export const remarksOn = (job: Job, roof: Roof, framing: Framing): Remark[] => {
  const say = (mm: number): string => formatLength(mm, lengthFormat(job.display, 1));
  const subject: Subject = { job, roof, framing, say };
  return [
    ...notFramedYet(subject),
    ...aboutLoads(subject),
    ...aboutRidges(subject),
    ...aboutCorners(subject),
    ...aboutSeats(subject),
    ...aboutBevels(subject),
    ...aboutEaves(subject),
    ...aboutOpenEnds(subject),
    ...aboutLeftOut(subject),
  ];
};
