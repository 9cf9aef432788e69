import { clipConvex, halfSpace, LEVEL_RISE, lineCrossing, v2, v3 } from '../geom';
import type { TaggedPolygon, Vec2, Vec3 } from '../geom';
import { firstEave, type Block, type Job } from '../job';
import { ok, refused, type Result } from '../problem';
import { pitchRad } from '../units';
import { heightAbovePlate } from './height-above-plate';
import type { BlockRoof, Roof, RoofEdge, RoofFace, RoofPlane } from './model';
import { sideLines, type SideLine } from './side-lines';
import { unsupported } from './supported';

const neighbour = <T>(list: readonly T[], index: number): T => {
  const found = list[(index + list.length) % list.length];
  if (found === undefined) throw new Error(`roof: nothing at ${index} of ${list.length}`);
  return found;
};

const roofPlane = (line: SideLine, slopeRad: number, heightMm: number): RoofPlane => {
  const rise = Math.tan(slopeRad);
  const [nx, ny] = line.inward;
  const [x, y] = line.start;
  return {
    side: line.index,
    plane: halfSpace([x, y, heightMm], [-rise * nx, -rise * ny, 1]),
    slopeRad,
    rise,
  };
};

/** Height of a roof plane over a point of the plan, mm. */
const heightAt = ({ plane }: RoofPlane, [x, y]: Vec2): number =>
  (plane.offset - plane.normal[0] * x - plane.normal[1] * y) / plane.normal[2];

/** What carries an edge of a face: the outline's own side, or the plane of another side. */
interface Carrier {
  readonly of: 'outline' | 'plane';
  readonly side: number;
}

/** The outline with each side moved out by its own overhang. */
const grownOutline = (sides: readonly SideLine[]): TaggedPolygon<Carrier> => ({
  points: sides.map((line, i) => {
    const before = neighbour(sides, i - 1);
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
  tags: sides.map((line) => ({ of: 'outline', side: line.index })),
});

interface TaggedFace {
  readonly plane: RoofPlane;
  readonly polygon: TaggedPolygon<Carrier>;
}

/** The part of the grown outline where this plane is the lowest: a convex polygon, for a least of planes is concave. */
const faceOf = (
  plane: RoofPlane,
  planes: readonly RoofPlane[],
  grown: TaggedPolygon<Carrier>,
): TaggedFace | null => {
  let polygon: TaggedPolygon<Carrier> | null = grown;
  for (const other of planes) {
    if (other.side === plane.side || polygon === null) continue;
    // Divided by the steepest fall between the two, so that the value is a plan distance.
    const steepest = plane.rise + other.rise;
    polygon = clipConvex(polygon, (p) => (heightAt(plane, p) - heightAt(other, p)) / steepest, {
      of: 'plane',
      side: other.side,
    });
  }
  return polygon === null ? null : { plane, polygon };
};

const inSpace = (plane: RoofPlane, p: Vec2): Vec3 => [p[0], p[1], heightAt(plane, p)];

/** Every edge once: shared edges are taken from the face of the lower side number. */
const edgesOf = (face: TaggedFace, block: string): RoofEdge[] => {
  const edges: RoofEdge[] = [];
  const own = face.plane.side;
  for (const [i, point] of face.polygon.points.entries()) {
    const tag = neighbour(face.polygon.tags, i);
    const a = inSpace(face.plane, point);
    const b = inSpace(face.plane, neighbour(face.polygon.points, i + 1));
    if (tag.of === 'outline') {
      const kind = tag.side === own ? 'eave' : 'rake';
      edges.push({ kind, block, from: a, to: b, sides: [own, null] });
    } else if (own < tag.side) {
      const rise = b[2] - a[2];
      const level = Math.abs(rise) <= LEVEL_RISE * v3.length(v3.sub(b, a));
      const [from, to] = level || rise > 0 ? [a, b] : [b, a];
      const inOrder = tag.side === own + 1;
      edges.push({
        kind: level ? 'ridge' : 'hip',
        block,
        from,
        to,
        sides: level || inOrder ? [own, tag.side] : [tag.side, own],
      });
    }
  }
  return edges;
};

const blockRoof = (job: Job, block: Block): Result<BlockRoof> => {
  const sides = sideLines(block);
  const first = firstEave(block);
  if (first === null) throw new Error(`roof: block ${block.id} has no eave`);
  const hap = heightAbovePlate(job, pitchRad(first.side.pitch));
  if (!hap.ok) return hap;
  const planes = block.sides.map((side, i) =>
    side.roof === 'eave'
      ? roofPlane(neighbour(sides, i), pitchRad(side.pitch), block.plate + hap.value)
      : null,
  );
  const present = planes.filter((plane) => plane !== null);
  const grown = grownOutline(sides);
  const faces = present.flatMap((plane) => faceOf(plane, present, grown) ?? []);
  return ok({
    id: block.id,
    plateMm: block.plate,
    hapMm: hap.value,
    sides,
    planes,
    faces: faces.map(({ plane, polygon }): RoofFace => ({
      block: block.id,
      side: plane.side,
      slopeRad: plane.slopeRad,
      polygon: polygon.points.map((p) => inSpace(plane, p)),
    })),
    edges: faces.flatMap((face) => edgesOf(face, block.id)),
  });
};

/** Works out every face and edge of the roof. Pure: the same job gives the same roof. */
export const workOutRoof = (job: Job): Result<Roof> => {
  const problems = unsupported(job);
  if (problems.length > 0) return refused(problems);
  const blocks: BlockRoof[] = [];
  for (const block of job.blocks) {
    const roof = blockRoof(job, block);
    if (!roof.ok) return roof;
    blocks.push(roof.value);
  }
  return ok({ blocks });
};
