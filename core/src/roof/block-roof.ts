import { clipConvex, halfSpace, lineCrossing, v2, type TaggedPolygon, type Vec2 } from '../geom';
import { firstEave, type Block, type Job } from '../job';
import { ok, type Result } from '../problem';
import { pitchRad } from '../units';
import { heightAbovePlate } from './height-above-plate';
import type { BlockRoof, Bound, Carrier, RoofPiece, RoofPlane } from './model';
import { levelSides, type SideLine } from './side-lines';

const roofPlane = (
  block: Block,
  line: SideLine,
  slopeRad: number,
  hapMm: number,
): Omit<RoofPlane, 'slope'> => {
  const rise = Math.tan(slopeRad);
  const [nx, ny] = line.inward;
  const [x, y] = line.start;
  const plane = halfSpace([x, y, line.plateMm + hapMm], [-rise * nx, -rise * ny, 1]);
  return { block: block.id, side: line.index, line, plane, slopeRad, rise };
};

/** Height of a roof plane over a point of the plan, mm. */
export const heightAt = ({ plane }: Pick<RoofPlane, 'plane'>, p: Vec2): number =>
  (plane.offset - plane.normal[0] * p[0] - plane.normal[1] * p[1]) / plane.normal[2];

/**
 * How far inside "one stands above the other" a point lies, as a plan distance; negative outside. Null where the two
 * fall alike, so that no line parts them.
 */
export const standsAbove = (
  one: Pick<RoofPlane, 'plane'>,
  other: Pick<RoofPlane, 'plane'>,
): ((p: Vec2) => number) | null => {
  const fall = (plane: RoofPlane['plane']): Vec2 => [
    plane.normal[0] / plane.normal[2],
    plane.normal[1] / plane.normal[2],
  ];
  const apart = v2.length(v2.sub(fall(one.plane), fall(other.plane)));
  if (apart < FALLS_ALIKE) return null;
  return (p) => (heightAt(one, p) - heightAt(other, p)) / apart;
};

/** Planes whose rise differs by less than this never part within a building. mm per mm */
const FALLS_ALIKE = 1e-7;

/** The outline with each side moved out by its own overhang. */
const grownOutline = (id: string, sides: readonly SideLine[]): TaggedPolygon<Carrier> => ({
  points: sides.map((line, i) => {
    const before = sides[(i + sides.length - 1) % sides.length] ?? line;
    const at = lineCrossing(
      v2.add(before.start, v2.scale(before.inward, -before.overhangMm)),
      before.along,
      v2.add(line.start, v2.scale(line.inward, -line.overhangMm)),
      line.along,
    );
    if (at === null)
      throw new Error(`roof: sides ${before.index} and ${line.index} run in one line`);
    return at;
  }),
  tags: sides.map((line) => ({ of: 'outline', block: id, side: line.index })),
});

const boundOf = ({ start, inward }: SideLine, out: number): Bound => ({
  a: -inward[0],
  b: -inward[1],
  c: out - v2.dot(start, inward),
});

/** One block by itself, its planes not yet gathered into slopes. */
export interface LoneBlock extends Omit<BlockRoof, 'planes'> {
  readonly planes: readonly (Omit<RoofPlane, 'slope'> | null)[];
}

export const loneBlock = (job: Job, block: Block): Result<LoneBlock> => {
  const sides = levelSides(block, job.framing.levelFascia);
  const first = firstEave(block);
  if (first === null) throw new Error(`roof: block ${block.id} has no eave`);
  const hap = heightAbovePlate(job, pitchRad(first.side.pitch));
  if (!hap.ok) return hap;
  return ok({
    id: block.id,
    plateMm: block.plate,
    hapMm: hap.value,
    sides,
    planes: sides.map((line, i) => {
      const side = block.sides[i];
      return side?.roof === 'eave' ? roofPlane(block, line, pitchRad(side.pitch), hap.value) : null;
    }),
    grown: grownOutline(block.id, sides),
    reach: sides.map((side) => boundOf(side, side.overhangMm)),
    walls: sides.map((side) => boundOf(side, 0)),
  });
};

/** The faces of a block standing alone: where each plane is its lowest. Convex, for a least of planes is concave. */
export const facesOf = (block: BlockRoof): RoofPiece[] => {
  const planes = block.planes.filter((plane) => plane !== null);
  return planes.flatMap((plane): RoofPiece[] => {
    let polygon: TaggedPolygon<Carrier> | null = block.grown;
    for (const other of planes) {
      if (other.slope === plane.slope || polygon === null) continue;
      const above = standsAbove(plane, other);
      const tag: Carrier = { of: 'slope', slope: other.slope };
      if (above !== null) polygon = clipConvex(polygon, above, tag);
    }
    return polygon === null ? [] : [{ plane, polygon, under: false }];
  });
};
