import { crossingOf, isOneTimber, planLine, type Member } from '../frame';
import { SLACK_SINE, SAME_POINT_MM, v2, v3, type Vec2 } from '../geom';
import { isRafter } from '../kinds';
import type { BlockRoof, Roof, SideLine } from '../roof';
import { markOf } from './marks';
import type { CutListEntry, RunningMarks } from './model';

type Mark = RunningMarks['at'][number];

/** A timber nearer to a tape's own direction than this, as a sine, has no mark on it. */
const ALONG = SLACK_SINE.runs;
/** A tie that ends this far from a wall's outside face does not lie on its plate. mm */
const ON_PLATE_MM = 60;

/** Where a timber's near edge crosses a line, and how wide it stands there; null where it runs along it. */
const markAt = (
  member: Member,
  from: Vec2,
  along: Vec2,
  known: (id: string) => string,
): Mark | null => {
  const found = crossingOf(member, from, along, ALONG);
  if (found === null) return null;
  const { at, wide } = found;
  return { mm: at - wide / 2, wide, mark: known(member.id), edge: 'near' };
};

const inOrder = (marks: readonly Mark[]): Mark[] => [...marks].sort((p, q) => p.mm - q.mm);

/** Timbers that stand on a wall's plate: rafters with a seat there, and ties that end over it. */
const onPlate = (block: string, side: SideLine, members: readonly Member[]): Member[] =>
  members.filter((one) => {
    if (isRafter(one)) return one.block === block && one.side === side.index;
    return planLine(one).some((p) => {
      const out = v2.sub(p, side.start);
      const u = v2.dot(out, side.along);
      const square = Math.abs(v2.dot(v2.unit(v3.inPlan(one.frame.a)), side.inward)) > 1 - ALONG;
      return (
        square &&
        Math.abs(v2.dot(out, side.inward)) < ON_PLATE_MM &&
        u > -SAME_POINT_MM &&
        u < side.lengthMm + SAME_POINT_MM
      );
    });
  });

const plateTape = (
  { id }: BlockRoof,
  side: SideLine,
  members: readonly Member[],
  known: (id: string) => string,
): RunningMarks[] => {
  const at = onPlate(id, side, members).flatMap(
    (one) => markAt(one, side.start, side.along, known) ?? [],
  );
  return at.length === 0
    ? []
    : [
        {
          on: 'plate',
          of: `${id}.${side.index}`,
          from: `the start corner of wall ${side.index + 1}, along its outside face`,
          length: side.lengthMm,
          at: inOrder(at),
        },
      ];
};

/** The wall that a point lies nearest to, of the walls of a block. */
const nearestWall = ({ sides }: BlockRoof, p: Vec2): number => {
  const off = ({ start, inward }: SideLine): number => Math.abs(v2.dot(v2.sub(p, start), inward));
  return sides.reduce((best, side) => (off(side) < off(best) ? side : best)).index;
};

/**
 * The rafters that come against each ridge, by its id, in the order of the list. A rafter knows the ridge that it leans on
 * whole, not in which of its lengths: all lengths of one have the same.
 */
const againstRidges = (
  ridges: readonly Member[],
  members: readonly Member[],
): ReadonlyMap<string, readonly Member[]> => {
  const found = new Map<string, Set<Member>>();
  for (const ridge of ridges) {
    const first = ridges.find((one) => isOneTimber(one, ridge)) ?? ridge;
    found.set(ridge.id, found.get(first.id) ?? new Set());
  }
  for (const one of members) {
    if (!isRafter(one)) continue;
    for (const { meets } of one.ends) if (meets !== null) found.get(meets)?.add(one);
  }
  return new Map([...found].map(([id, rafters]) => [id, [...rafters]]));
};

/** Two tapes a ridge: the rafters that come against its left face, and those on its right, hooked over one end. */
const ridgeTapes = (
  { blocks }: Roof,
  ridge: Member,
  rafters: readonly Member[],
  known: (id: string) => string,
): RunningMarks[] => {
  const block = blocks.find(({ id }) => id === ridge.block);
  if (block === undefined) return [];
  const [from, to] = planLine(ridge);
  const along = v2.unit(v2.sub(to, from));
  const length = v2.distance(from, to);
  const wall = nearestWall(block, from) + 1;
  return (['left', 'right'] as const).flatMap((face): RunningMarks[] => {
    const way = face === 'left' ? 1 : -1;
    const at = rafters.flatMap((one): Mark[] => {
      const off = v2.sub(v3.inPlan(one.frame.origin), from);
      if (v2.cross(along, off) * way <= 0) return [];
      const found = markAt(one, from, along, known);
      const [low, high] = found === null ? [0, 0] : [found.mm, found.mm + (found.wide ?? 0)];
      return found === null || high < SAME_POINT_MM || low > length - SAME_POINT_MM ? [] : [found];
    });
    return at.length === 0
      ? []
      : [
          {
            on: 'ridge',
            of: ridge.id,
            from: `its end by wall ${wall} of "${block.id}", along its ${face} face as seen from there`,
            length,
            at: inOrder(at),
          },
        ];
  });
};

/**
 * What is marked on plates and ridges before anything stands: the near edge of every timber, with how wide it stands
 * there, running from one named end. They are read off the members themselves.
 */
export const storyTapes = (
  roof: Roof,
  members: readonly Member[],
  lines: readonly CutListEntry[],
): RunningMarks[] => {
  const known = markOf({ cuts: { members: lines } });
  const standing = members.filter(
    (one) =>
      one.kind === 'rafter-tie' ||
      (isRafter(one) && one.notches.some(({ for: what }) => what === 'plate')),
  );
  const ridges = members.filter(({ kind }) => kind === 'ridge');
  const against = againstRidges(ridges, members);
  return [
    ...roof.blocks.flatMap((block) =>
      block.sides
        .filter(({ roof: what }) => what === 'eave')
        .flatMap((side) => plateTape(block, side, standing, known)),
    ),
    ...ridges.flatMap((ridge) => ridgeTapes(roof, ridge, against.get(ridge.id) ?? [], known)),
  ];
};
