import { notchPlumbDepth } from '../cuts';
import { SLACK_MM, planeAt, SAME_POINT_MM, v2, v3, type Vec3 } from '../geom';
import { bellyOf, type EndCut, type Member } from '../frame';
import { KINDS } from '../kinds';
import { loweredSquare, runOfSide, type Roof } from '../roof';
import { inMm, say } from '../sentence';
import { caution, note, type Remark, type Subject } from './remark';
import { USUAL_NOTCH_SHARE } from './seats';

/** A hip's line this near a purlin's end, in plan, runs through it. mm */
const ON_LINE_MM = SLACK_MM.beside;
/** A hip that hangs this near the purlins needs no packing: rounding. mm */
const TOUCHES_MM = SLACK_MM.beside;

/** Plumb, from the point where two purlins meet up to the belly of the hip over it. mm */
const clearUnder = (hip: Member, p: Vec3): number => {
  const belly = bellyOf(hip);
  return -planeAt(belly, p) / belly.normal[2];
};

/** Hips that stay clear above the purlins that meet under them: what is packed, once for each height. */
export const aboutPurlins = ({ framing }: Subject): Remark[] => {
  const { members } = framing;
  const hips = members.filter(({ kind }) => kind === 'hip');
  const said: number[] = [];
  return members.flatMap((purlin): Remark[] => {
    const { kind, frame, axis, notches, ends } = purlin;
    if (kind !== 'under-purlin' || notches.length > 0 || !ends.some(({ name }) => name === 'side'))
      return [];
    return [0, axis.runMm].flatMap((t): Remark[] => {
      const p = v3.add(frame.origin, v3.scale(frame.a, t));
      const hip = hips.find(
        ({ frame: { origin, s } }) =>
          Math.abs(v2.dot(v2.sub(v3.inPlan(p), v3.inPlan(origin)), v3.inPlan(s))) < ON_LINE_MM,
      );
      if (hip === undefined) return [];
      const mm = clearUnder(hip, p);
      if (mm < TOUCHES_MM || said.some((one) => Math.abs(one - mm) < TOUCHES_MM)) return [];
      said.push(mm);
      return [
        note(
          'purlin-packed',
          say`the ‹hip› stays ${inMm(mm, 1)} clear, plumb, above the ‹purlins› that meet under it: pack it there`,
          purlin,
        ),
      ];
    });
  });
};

/** Whether an end is sawn in the plane of some wall's outside face. */
const isInWall = ({ blocks }: Roof, { keep: { normal, offset } }: EndCut): boolean =>
  blocks.some(({ sides }) =>
    sides.some(
      ({ start: [x, y] }) =>
        Math.abs(normal[0] * x + normal[1] * y - offset) < ON_LINE_MM && normal[2] === 0,
    ),
  );

/** Purlins that stop on their way, at the side of a timber or under an opening's trimmers: who carries that end. */
export const aboutParted = ({ roof, framing: { members } }: Subject): Remark[] => {
  const under = members.filter(({ kind }) => kind === 'under-purlin');
  const hung = under.find(({ ends }) => ends.some(({ meets }) => meets !== null));
  const cut = under.find(({ ends }) =>
    ends.some((end) => end.name === 'end cut' && end.meets === null && !isInWall(roof, end)),
  );
  return [
    ...(hung === undefined
      ? []
      : [
          caution(
            'purlin-hung',
            say`this ‹purlin› stops at the side of a timber that hangs lower than the rafters, which carries that end: hang it in a hanger of its size or stand a post under it, and let the local code or an engineer say whether that timber is strong enough`,
            hung,
          ),
        ]),
    ...(cut === undefined
      ? []
      : [
          caution(
            'purlin-cut',
            say`an opening parts this ‹purlin›, which stops under the ‹trimmers› flush with their inner faces: nothing carries that end but them. Stand a post or a strut under it, or have the ‹trimmers› made strong enough for what the ‹purlin› carried; the local code or an engineer says which`,
            cut,
          ),
        ]),
  ];
};

/** Rafters that stand under the roof by the purlins on them: rise, run and length of the roof and of the rafter. */
export const aboutLowered = ({ job, roof, framing }: Subject): Remark[] => {
  const said = new Set<string>();
  return roof.blocks.flatMap(({ id, sides, planes }) =>
    sides.flatMap((line): Remark[] => {
      const [lower, plane] = [loweredSquare(job, id, line.index), planes[line.index]];
      if (lower === 0 || plane == null) return [];
      const plumb = lower / Math.cos(plane.slopeRad);
      const run = runOfSide(roof, id, line.index);
      const rise = line.hapMm + run * plane.rise;
      const key = [plumb, run, rise].map((mm) => mm.toFixed(1)).join(' ');
      if (said.has(key)) return [];
      said.add(key);
      const rafter = framing.members.find(
        ({ block, side, kind }) =>
          block === id && side === line.index && KINDS[kind].stands === 'rafter',
      );
      return [
        note(
          'rafters-lowered',
          say`the rafters stand ${inMm(plumb, 1)} lower, plumb, than the roof: the ‹purlins›’ ${inMm(lower, 1)} measured square to the slope is that much plumb, and no less. Over a run of ${inMm(run, 1)} the roof comes to ${inMm(rise + plumb, 1)} above the ‹plate›, the rafters’ tops to ${inMm(rise, 1)}; from the ‹plate›’s level the roof rises ${inMm(rise + plumb, 1)} in ${inMm((rise + plumb) / plane.rise, 1)}, the rafter ${inMm(rise, 1)} in ${inMm(rise / plane.rise, 1)}`,
          rafter ?? null,
        ),
      ];
    }),
  );
};

/** Rafters notched over a purlin by more than is usual, where they bend most. */
export const aboutNotchedOver = ({ framing: { members } }: Subject): Remark[] => {
  const shares = members.flatMap((member) =>
    member.notches.flatMap((notch) =>
      notch.for !== 'purlin'
        ? []
        : [
            {
              member,
              share:
                (notchPlumbDepth(member, notch) * Math.cos(member.axis.slopeRad)) /
                member.stock.depth,
            },
          ],
    ),
  );
  const [first] = shares;
  if (first === undefined) return [];
  const { member, share } = shares.reduce((p, q) => (q.share > p.share ? q : p), first);
  return share <= USUAL_NOTCH_SHARE + SAME_POINT_MM
    ? []
    : [
        caution(
          'deep-notch',
          say`the birdsmouth over the ‹purlin› takes ${Math.round(share * 100)} % of the rafter’s depth, where it bends most; the usual limit is a quarter. Bevel the ‹purlin›’s top, or ask an engineer`,
          member,
        ),
      ];
};
