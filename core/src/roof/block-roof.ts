import {
  LEVEL_RISE,
  clipConvex,
  halfSpace,
  lineCrossing,
  subtractConvex,
  v2,
  type TaggedPolygon,
  type Vec2,
} from '../geom';
import { firstEave, type Block, type Job, type Side } from '../job';
import { ok, refused, type Problem, type Result } from '../problem';
import { inMm, say } from '../sentence';
import { pitchRad } from '../units';
import { heightAt, kickAndRest, kicksOut } from './bands';
import { heightAbovePlate } from './height-above-plate';
import { unseatedHigh, withHighPlates } from './high-walls';
import type { BlockRoof, Bound, Carrier, RoofPiece, RoofPlane } from './model';
import { loweredPlumb, loweredSquare, purlinsOn } from './purlin-rows';
import { levelSides, type SideLine } from './side-lines';

type Eave = Extract<Side, { roof: 'eave' }>;
type LonePlane = Omit<RoofPlane, 'slope'>;

/**
 * The planes of one eave side, from the eave up, each starting where the one below it breaks off.
 *
 * @param hapMm of the roof, which the rafters stand `lowerMm` under, square to it
 */
const bandsOf = (
  block: Block,
  line: SideLine,
  side: Eave,
  hapMm: number,
  lowerMm: number,
): LonePlane[] => {
  const [nx, ny] = line.inward;
  let at = 0;
  let z = line.plateMm + hapMm;
  let below = 0;
  return [{ at: 0, pitch: side.pitch }, ...(side.breaks ?? [])].map((one, band) => {
    const slopeRad = pitchRad(one.pitch);
    const rise = Math.tan(slopeRad);
    z += below * (one.at - at);
    at = one.at;
    below = rise;
    const [x, y] = v2.add(line.start, v2.scale(line.inward, at));
    const roof = halfSpace([x, y, z], [-rise * nx, -rise * ny, 1]);
    const plane = { ...roof, offset: roof.offset - lowerMm };
    return { block: block.id, side: line.index, line, plane, slopeRad, rise, band };
  });
};

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
const FALLS_ALIKE = LEVEL_RISE;

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
export interface LoneBlock extends Omit<BlockRoof, 'bands' | 'planes'> {
  readonly bands: readonly (readonly LonePlane[])[];
}

/** What a block's sides enclose: their walls, and with their overhangs. */
export const enclosed = (
  id: string,
  sides: readonly SideLine[],
): Pick<BlockRoof, 'id' | 'sides' | 'grown' | 'reach' | 'walls'> => ({
  id,
  sides,
  grown: grownOutline(id, sides),
  reach: sides.map((side) => boundOf(side, side.overhangMm)),
  walls: sides.map((side) => boundOf(side, 0)),
});

/** Purlins over the rafters so deep that these would lie under their plate. */
const tooLow = (
  job: Job,
  block: Block,
  sides: readonly SideLine[],
  roofMm: number,
): Problem | null => {
  const low = sides.find(({ hapMm }) => hapMm <= 0);
  const over = low === undefined ? null : purlinsOn(job, block.id, low.index);
  return low === undefined || over === null
    ? null
    : {
        code: 'seat',
        path: ['roofPurlins', over.index, 'stock', 'depth'],
        text: say`these ‹purlins› put the rafters ${inMm(roofMm - low.hapMm, 1)}, plumb, under the roof, which stands ${inMm(roofMm, 1)} above the ‹plate›: nothing of them would be left over it; accepted is a shallower ‹purlin›, a higher seat, or "planes": "rafters"`,
      };
};

export const loneBlock = (job: Job, block: Block): Result<LoneBlock> => {
  const first = firstEave(block);
  if (first === null) throw new Error(`roof: block ${block.id} has no eave`);
  const hap = heightAbovePlate(job, pitchRad(first.side.pitch));
  if (!hap.ok) return hap;
  const lower = (side: number): number => loweredPlumb(job, block, side);
  const flat = levelSides(block, job.framing.levelFascia, lower).map((line): SideLine => ({
    ...line,
    hapMm: hap.value - lower(line.index),
  }));
  const through = tooLow(job, block, flat, hap.value);
  if (through !== null) return refused([through]);
  const bands = flat.map((line, i) => {
    const side = block.sides[i];
    return side?.roof === 'eave'
      ? bandsOf(block, line, side, hap.value, loweredSquare(job, block.id, i))
      : [];
  });
  const sides = withHighPlates(job, block, flat, bands);
  const unseated = unseatedHigh(job, block, sides, bands);
  if (unseated.length > 0) return refused(unseated);
  return ok({
    ...enclosed(block.id, sides),
    partOf: block.id,
    plateMm: block.plate,
    bands,
  });
};

type Face = TaggedPolygon<Carrier>;

/** What of a polygon lies under another plane, or over it. */
const kept = (polygon: Face, plane: RoofPlane, other: RoofPlane, over: boolean): Face[] => {
  const above = standsAbove(plane, other);
  const tag: Carrier = { of: 'slope', slope: other.slope };
  const left =
    above === null ? polygon : clipConvex(polygon, (p) => (over ? -above(p) : above(p)), tag);
  return left === null ? [] : [left];
};

/** A polygon without the part over which a plane stands above the roof of a side that kicks out at its eave. */
const underKick = (polygon: Face, plane: RoofPlane, kick: readonly RoofPlane[]): Face[] => {
  const bounds = kick.flatMap((one) => {
    const above = standsAbove(plane, one);
    const tag: Carrier = { of: 'slope', slope: one.slope };
    return above === null ? [] : [{ value: (p: Vec2) => -above(p), tag }];
  });
  return bounds.length === 0 ? [polygon] : subtractConvex(polygon, bounds, { of: 'seam' });
};

/**
 * The faces of a block standing alone: where each plane makes its own side's roof, and that is the lowest of the
 * sides'. In one convex part, but beside an eave that kicks out.
 */
export const facesOf = ({ bands, grown }: BlockRoof): RoofPiece[] =>
  bands.flatMap((own, side) =>
    own.flatMap((plane, band): RoofPiece[] => {
      const others = bands.filter((other, i) => i !== side && other[0]?.slope !== plane.slope);
      const parted = others.map(kickAndRest);
      let parts: Face[] = [grown];
      for (const beside of [own[band - 1], own[band + 1]]) {
        if (beside === undefined) continue;
        const kick = kicksOut(own) && plane.band + beside.band === 1;
        parts = parts.flatMap((part) => kept(part, plane, beside, kick));
      }
      for (const other of parted.flatMap(({ rest }) => rest))
        parts = parts.flatMap((part) => kept(part, plane, other, false));
      for (const { kick } of parted) parts = parts.flatMap((part) => underKick(part, plane, kick));
      return parts.map((polygon) => ({ plane, polygon, under: false }));
    }),
  );
