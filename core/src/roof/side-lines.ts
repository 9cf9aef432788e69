import { lineCrossing, v2, type Vec2 } from '../geom';
import { firstEave, wallOf, type Block, type Job, type Side } from '../job';
import { pitchRad } from '../units';

/** One side of a block's outline as a line in plan, at the plate's outside face. */
export interface SideLine {
  readonly index: number;
  /** As the job has it; or the face of a gablet, which stands on the roof and not on a wall. */
  readonly roof: Side['roof'] | 'gablet';
  readonly start: Vec2;
  readonly end: Vec2;
  /** Unit vector from start to end, counter-clockwise round the block. */
  readonly along: Vec2;
  /** Unit vector into the building. */
  readonly inward: Vec2;
  readonly lengthMm: number;
  readonly overhangMm: number;
  /** Height of this side's plate. mm */
  readonly plateMm: number;
  /** Plumb, from the plate's outside top corner to the rafter's top edge; of a high wall from its inside one. mm */
  readonly hapMm: number;
}

/** A side before the height of its rafters is known. */
type WallLine = Omit<SideLine, 'hapMm'>;

/** A point of the plan by its wall: along it from its start, and so far in from the plate's outside face. mm */
export const onSide = (
  { start, along, inward }: Pick<SideLine, 'start' | 'along' | 'inward'>,
  u: number,
  inMm: number,
): Vec2 => v2.add(v2.add(start, v2.scale(along, u)), v2.scale(inward, inMm));

/** The sides of a block in order, side i from corner i to the next, as the job has them. */
export const sideLines = (block: Block): WallLine[] =>
  block.sides.map((side, index) => {
    const { start, end, along, inward, lengthMm } = wallOf(block, index);
    return {
      index,
      roof: side.roof,
      start,
      end,
      along,
      inward,
      lengthMm,
      overhangMm: 'overhang' in side ? side.overhang : 0,
      plateMm: block.plate + (('raise' in side && side.raise) || 0),
    };
  });

/**
 * The sides with overhangs or plates worked out so that the fascias of one block meet at one height. The first eave
 * governs:
 *
 *   vary-overhang   o2 = (o1 · m1 + lower 1 − lower 2) ÷ m2
 *   raise-plate     plate 2 = plate 1 + (m2 − m1) · o1 + lower 2 − lower 1, and the same overhang
 *
 * @param lower by side, how far its rafters stand under the roof, plumb; mostly 0. mm
 */
export const levelSides = (
  block: Block,
  school: Job['framing']['levelFascia'],
  lower: (side: number) => number,
): readonly WallLine[] => {
  const lines = sideLines(block);
  const first = firstEave(block);
  if (school === undefined || first === null) return lines;
  const rise = Math.tan(pitchRad(first.side.pitch));
  const overhang = first.side.overhang;
  return lines.map((line, i): WallLine => {
    const side = block.sides[i];
    if (side?.roof !== 'eave' || side.raise !== undefined || i === first.index) return line;
    const own = Math.tan(pitchRad(side.pitch));
    const deeper = lower(i) - lower(first.index);
    return school === 'vary-overhang'
      ? { ...line, overhangMm: Math.max(0, (overhang * rise - deeper) / own) }
      : {
          ...line,
          overhangMm: overhang,
          plateMm: line.plateMm + (own - rise) * overhang + deeper,
        };
  });
};

/** Sides that were moved, with their corners found anew; null where one of them is left with nothing. */
export const joinedUp = (lines: readonly SideLine[]): SideLine[] | null => {
  const count = lines.length;
  const corners = lines.map((line, i) => {
    const before = lines[(i + count - 1) % count] ?? line;
    return lineCrossing(before.start, before.along, line.start, line.along);
  });
  const joined = lines.flatMap((line, i): SideLine[] => {
    const [start, end] = [corners[i] ?? null, corners[(i + 1) % count] ?? null];
    if (start === null || end === null) return [];
    const lengthMm = v2.dot(v2.sub(end, start), line.along);
    return lengthMm > LEAST_SIDE_MM ? [{ ...line, start, end, lengthMm }] : [];
  });
  return joined.length === count ? joined : null;
};

/** Less of a side than this is nothing. mm */
const LEAST_SIDE_MM = 300;
