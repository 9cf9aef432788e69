import { KINDS_IN_ORDER, type Framing, type Kind } from '../frame';
import { CUT_ALIKE_MM } from '../geom';
import type { Job } from '../job';
import type { Roof } from '../roof';
import { degrees } from '../units';
import { readCut } from './angles';
import { boardDrawing } from './board-drawing';
import { group, handOf, shapeOf, type Group, type Piece } from './group';
import { lengthsOf, reachesOf } from './lengths';
import { localCuts } from './local-cut';
import type { CutList, CutListEntry } from './model';
import { remarksOn } from './remarks';
import { sawNotes } from './saw-notes';
import { seatOf } from './seat';
import { work, type Step, type Worked } from './working';

/** Pencilled on the piece: letters for the kind, a number for the cut. */
const MARK_LETTERS: Readonly<Record<Kind, string>> = {
  ridge: 'R',
  header: 'HD',
  common: 'C',
  'king-common': 'KC',
  hip: 'H',
  valley: 'V',
  'hip-jack': 'HJ',
  'valley-jack': 'VJ',
  'cripple-jack': 'CJ',
  fascia: 'F',
};

const dropWorking = (piece: Piece): Worked =>
  work(
    'drop',
    'half the thickness × the fall of the roof plane square off the hip in plan',
    'mm',
    [
      ['half the thickness', piece.member.stock.thickness / 2, 'mm'],
      ['fall', (piece.member.plan.dropMm ?? 0) / (piece.member.stock.thickness / 2), ''],
    ],
    (half, fall) => half * fall,
  );

const planWorking = (piece: Piece, which: 0 | 1): Worked => {
  const cosine = Math.cos(piece.member.plan.eaveAngleRad?.[which] ?? 0);
  return work(
    'plan angle to the eave',
    'acos(how far its plan line runs along the eave)',
    '°',
    [['share of its plan length along the eave', cosine, '']],
    (share) => degrees(Math.acos(Math.min(1, share))),
  );
};

const backingWorking = (piece: Piece, which: 0 | 1): Worked => {
  const cosine = Math.cos(piece.member.plan.backingRad?.[which] ?? 0);
  return work(
    'backing',
    'acos(how squarely the roof plane faces the top edge)',
    '°',
    [['roof plane’s direction along the board’s upward axis', cosine, '']],
    (share) => degrees(Math.acos(Math.min(1, share))),
  );
};

const entryOf = ({ pieces }: Group, mark: string): CutListEntry => {
  // A common with its corner planed off is cut like the others; one of those is drawn.
  const first = pieces.find((piece) => piece.member.bevels.length === 0) ?? pieces[0];
  if (first === undefined) throw new Error(`cuts: group ${mark} has no piece`);
  const { member } = first;
  const { slope, ...lengths } = lengthsOf(member, first.reaches);
  const seat = seatOf(member);
  const read = first.cuts.map((cut) => readCut(member, cut));
  const drop = member.plan.dropMm === null ? null : dropWorking(first);
  const backing =
    member.plan.backingRad === null
      ? null
      : ([backingWorking(first, 0), backingWorking(first, 1)] as const);
  const working: Record<string, readonly Step[]> = { slope: slope.steps };
  const note = (path: string, worked: Readonly<Record<string, Worked>>): void => {
    for (const [name, value] of Object.entries(worked)) working[`${path}.${name}`] = value.steps;
  };
  note('length', lengths);
  if (seat !== null) note('seat', { ...seat });
  if (drop !== null) working['drop'] = drop.steps;
  backing?.forEach((one, i) => (working[`backing.${i}`] = one.steps));
  read.forEach((cut, i) => note(`cuts.${i}`, cut.worked));
  const hands = { left: 0, right: 0, plain: 0 };
  for (const piece of pieces) hands[handOf(piece)] += 1;
  const plan =
    member.plan.eaveAngleRad === null
      ? null
      : ([planWorking(first, 0), planWorking(first, 1)] as const);
  plan?.forEach((one, i) => (working[`plan.${i}`] = one.steps));
  return {
    mark,
    kind: member.kind,
    block: member.block,
    side: member.side,
    count: pieces.length,
    hands,
    stock: member.stock,
    slope: slope.value,
    plan: plan === null ? null : [plan[0].value, plan[1].value],
    length: {
      theory: lengths.theory.value,
      body: lengths.body.value,
      longPoint: lengths.longPoint.value,
      shortPoint: lengths.shortPoint.value,
      tail: lengths.tail.value,
      blank: lengths.blank.value,
    },
    seat:
      seat === null
        ? null
        : {
            hap: seat.hap.value,
            width: seat.width.value,
            plumbDepth: seat.plumbDepth.value,
            depthFraction: seat.depthFraction.value,
          },
    drop: drop?.value ?? null,
    backing: backing === null ? null : [backing[0].value, backing[1].value],
    cuts: read.map((cut) => cut.entry),
    members: [first, ...pieces.filter((piece) => piece !== first)].map((piece) => piece.member.id),
    working,
    board: boardDrawing(member, first.cuts, handOf(first)),
  };
};

/** Reads every member, groups what is cut alike, marks and orders the list. */
export const cutList = (job: Job, roof: Roof, framing: Framing): CutList => {
  const pieces = framing.members.map((member): Piece => {
    const cuts = localCuts(member);
    const reaches = reachesOf(member, cuts);
    return { member, cuts, reaches, shape: shapeOf(member, cuts, reaches) };
  });
  const groups = group(pieces);
  const members = KINDS_IN_ORDER.flatMap((kind) =>
    groups
      .filter(({ pieces: [first] }) => first?.member.kind === kind)
      .sort(longestFirst)
      .map((one, i) => entryOf(one, `${MARK_LETTERS[kind]}${i + 1}`)),
  );
  const markOf = new Map(members.flatMap((entry) => entry.members.map((id) => [id, entry.mark])));
  const remarks = remarksOn(job, roof, framing).map(({ level, member, text }) => {
    const mark = member === null ? undefined : markOf.get(member);
    return mark === undefined ? { level, text } : { level, member: mark, text };
  });
  return {
    format: 'ogee-cutlist',
    version: 1,
    job: job.name,
    members,
    notes: [...remarks, ...sawNotes(job, members)],
  };
};

/** Long points that agree to the saw are told apart by how many there are, so that noise cannot swap their marks. */
const longestFirst = (p: Group, q: Group): number => {
  const apart = longest(q) - longest(p);
  return Math.abs(apart) > CUT_ALIKE_MM ? apart : q.pieces.length - p.pieces.length;
};

const longest = ({ pieces: [first] }: Group): number => first?.reaches.longest ?? 0;
