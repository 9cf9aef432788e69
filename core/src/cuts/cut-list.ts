import { KINDS, LISTED_KINDS, listedKind } from '../kinds';
import { type Framing } from '../frame';
import { CUT_ALIKE_MM } from '../geom';
import type { Roof } from '../roof';
import { figuresOf } from './figures';
import { group, handOf, pieceOf, type Group } from './group';
import type { CutListEntry } from './model';
import { setBackOf } from './set-back';
import { tieLevelOf } from './tie-level';
import { ridgeHeights } from './ridge-heights';

const entryOf = (roof: Roof, { pieces }: Group, mark: string): CutListEntry => {
  const [first] = pieces;
  if (first === undefined) throw new Error(`cuts: group ${mark} has no piece`);
  const { member } = first;
  const figures = figuresOf(member, first.cuts, first.reaches);
  const { theory, body, longPoint, shortPoint, tail, blank, seat, upper, drop, backing, plan } =
    figures;
  const hands = { left: 0, right: 0, plain: 0 };
  for (const piece of pieces) hands[handOf(piece)] += 1;
  return {
    mark,
    kind: listedKind(member.kind),
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
    upper:
      upper === null
        ? null
        : {
            hap: upper.hap.value,
            width: upper.width.value,
            plumbDepth: upper.plumbDepth.value,
            depthFraction: upper.depthFraction.value,
            apart: upper.apart.value,
            tail: upper.tail.value,
          },
    heights: ridgeHeights(
      roof,
      pieces.map((piece) => piece.member),
    ),
    level: tieLevelOf(roof, member),
    setBack: setBackOf(member),
    drop: drop?.value ?? null,
    ...(member.loweredMm > 0 && { lowered: member.loweredMm }),
    backing: backing === null ? null : [backing[0].value, backing[1].value],
    cuts: figures.cuts.map((cut) => cut.entry),
    members: pieces.map((piece) => piece.member.id),
  };
};

/** Reads every member, groups what is cut alike, marks and orders the lines of the list. */
export const cutLines = (
  roof: Roof,
  { members }: Pick<Framing, 'members'>,
  known: ReadonlyMap<string, string> = new Map(),
): CutListEntry[] => {
  const groups = group(members.map(pieceOf));
  return LISTED_KINDS.flatMap((kind) => {
    const own = groups
      .filter(
        ({ pieces: [first] }) => first !== undefined && listedKind(first.member.kind) === kind,
      )
      .sort(longestFirst);
    const marks = marksFor(own, KINDS[kind].letters, known);
    return own.map((one, i) => entryOf(roof, one, marks[i] ?? ''));
  });
};

/** A mark for each group of a kind: the one that its pieces had, where they had one; else the next that none had. */
const marksFor = (
  groups: readonly Group[],
  letters: string,
  known: ReadonlyMap<string, string>,
): string[] => {
  const taken = new Set<string>();
  const former = groups.map(({ pieces }) => {
    const mark = pieces.flatMap(({ member }) => known.get(member.id) ?? [])[0];
    if (mark === undefined || taken.has(mark)) return null;
    taken.add(mark);
    return mark;
  });
  // A mark that went with its pieces is not given to others.
  const had = new Set(known.values());
  let number = 0;
  return former.map((mark) => {
    if (mark !== null) return mark;
    do number += 1;
    while (had.has(`${letters}${number}`));
    return `${letters}${number}`;
  });
};

/** Long points that agree to the saw are told apart by how many there are, so that noise cannot swap their marks. */
const longestFirst = (p: Group, q: Group): number => {
  const apart = longest(q) - longest(p);
  return Math.abs(apart) > CUT_ALIKE_MM ? apart : q.pieces.length - p.pieces.length;
};

const longest = ({ pieces: [first] }: Group): number => first?.reaches.longest.length ?? 0;
