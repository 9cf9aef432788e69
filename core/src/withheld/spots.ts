import { planLine, type Withheld } from '../frame';
import { v2, type Vec2 } from '../geom';
import { valueAt, type Job } from '../job';
import { onSide, type Roof } from '../roof';

const middle = ([from, to]: readonly [number, number]): number => (from + to) / 2;

const isPair = (value: unknown): value is readonly [number, number] =>
  Array.isArray(value) && value.length === 2 && value.every((one) => typeof one === 'number');

/** The middle of an opening, a dormer or a saddle, by its own figures; null for what has no place of its own. */
const spotOf = (job: Job, { blocks }: Roof, { problem: { path } }: Withheld): Vec2 | null => {
  const asked = valueAt(job, path.slice(0, 2));
  if (typeof asked !== 'object' || asked === null) return null;
  const { block, side, along, up, face, at } = asked as Readonly<Record<string, unknown>>;
  const wall = blocks.find(({ id }) => id === block)?.sides[typeof side === 'number' ? side : -1];
  const inMm = isPair(up) ? middle(up) : (face ?? at);
  return wall === undefined || !isPair(along) || typeof inMm !== 'number'
    ? null
    : onSide(wall, middle(along), inMm);
};

/** Where in plan what is withheld would stand, a spot for each that has one. mm */
export const spotsOf = (job: Job, roof: Roof, withheld: readonly Withheld[]): Vec2[] =>
  withheld.flatMap((one): Vec2[] => {
    const [piece] = one.pieces;
    if (piece === undefined) {
      const spot = spotOf(job, roof, one);
      return spot === null ? [] : [spot];
    }
    const [from, to] = planLine(piece);
    return [v2.scale(v2.add(from, to), 1 / 2)];
  });
