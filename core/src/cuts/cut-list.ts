import { KINDS_IN_ORDER, type Framing, type Kind } from '../frame';
import { CUT_ALIKE_MM } from '../geom';
import type { Job } from '../job';
import type { Roof } from '../roof';
import { figuresOf } from './figures';
import { group, handOf, pieceOf, type Group } from './group';
import type { CutList, CutListEntry } from './model';
import { remarksOn } from './remarks';
import { ridgeHeights } from './ridge-heights';
import { sawNotes } from './saw-notes';

/** Pencilled on the piece: letters for the kind, a number for the cut. */
const MARK_LETTERS: Readonly<Record<Kind, string>> = {
  ridge: 'R',
  purlin: 'P',
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

const entryOf = (roof: Roof, { pieces }: Group, mark: string): CutListEntry => {
  const [first] = pieces;
  if (first === undefined) throw new Error(`cuts: group ${mark} has no piece`);
  const { member } = first;
  const figures = figuresOf(member, first.cuts, first.reaches);
  const { theory, body, longPoint, shortPoint, tail, blank, seat, drop, backing, plan } = figures;
  const hands = { left: 0, right: 0, plain: 0 };
  for (const piece of pieces) hands[handOf(piece)] += 1;
  return {
    mark,
    kind: member.kind,
    block: member.block,
    side: member.side,
    count: pieces.length,
    hands,
    stock: member.stock,
    slope: figures.slope.value,
    plan: plan === null ? null : [plan[0].value, plan[1].value],
    length: {
      theory: theory.value,
      body: body.value,
      longPoint: longPoint.value,
      shortPoint: shortPoint.value,
      tail: tail.value,
      blank: blank.value,
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
    heights: ridgeHeights(
      roof,
      pieces.map((piece) => piece.member),
    ),
    drop: drop?.value ?? null,
    backing: backing === null ? null : [backing[0].value, backing[1].value],
    cuts: figures.cuts.map((cut) => cut.entry),
    members: pieces.map((piece) => piece.member.id),
  };
};

/** Reads every member, groups what is cut alike, marks and orders the list. */
export const cutList = (job: Job, roof: Roof, framing: Framing): CutList => {
  const groups = group(framing.members.map(pieceOf));
  const members = KINDS_IN_ORDER.flatMap((kind) =>
    groups
      .filter(({ pieces: [first] }) => first?.member.kind === kind)
      .sort(longestFirst)
      .map((one, i) => entryOf(roof, one, `${MARK_LETTERS[kind]}${i + 1}`)),
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
