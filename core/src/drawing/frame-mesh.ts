import { solidOf, type Member } from '../frame';
import { toWorld, v3, type ConvexSolid, type Vec2, type Vec3 } from '../geom';
import type { Job } from '../job';
import { listedKind, type ListedKind } from '../kinds';
import { platesOf, type Roof } from '../roof';
import { boardEdges } from './board-edges';

/** A part of a longer row of numbers. */
export interface Stretch {
  readonly from: number;
  readonly to: number;
}

/** The sawn boards in their places, as flat triangles ready for a graphics card. mm, x to the right, y away, z up. */
export interface FrameMesh {
  /** Corners of all triangles, x y z each, board by board. */
  readonly corners: Float32Array;
  /** One a corner: 1 where its face is cut across the grain, 0 where it runs with it. */
  readonly endGrain: Uint8Array;
  /** Ends of all edges, x y z each, board by board. */
  readonly edges: Float32Array;
  readonly boards: readonly {
    readonly id: string;
    readonly kind: ListedKind;
    readonly mark: string;
    /** Its part of `corners`, in numbers; and of `edges`. */
    readonly corners: Stretch;
    readonly edges: Stretch;
    /** Ids of the timbers that it is cut against, or that are cut against it. */
    readonly meets: readonly string[];
    readonly middle: Vec3;
  }[];
  /** Triangles of the wall plates, of the walls a little way down, and of the roof's planes. */
  readonly plates: Float32Array;
  readonly walls: Float32Array;
  readonly planes: Float32Array;
  /** Middle of the plan. */
  readonly middle: Vec2;
  /** The longer way across the plan. mm */
  readonly size: number;
}

/** How far down walls are shown. mm */
const WALL_MM = 700;
/** A face that looks along its board by more than this, as a cosine, is cut across the grain. */
const ACROSS_GRAIN = 0.2;

const fan = (points: readonly Vec3[]): number[] => {
  const [first] = points;
  return points.slice(1, -1).flatMap((b, i) => {
    const c = points[i + 2];
    return first === undefined || c === undefined ? [] : [...first, ...b, ...c];
  });
};

/** Whether a face is cut across the grain, by its corners in its board's own coordinates. */
const acrossGrain = (points: readonly Vec3[]): boolean => {
  const [a, b, c] = points;
  if (a === undefined || b === undefined || c === undefined) return false;
  const normal = v3.cross(v3.sub(b, a), v3.sub(c, a));
  return Math.abs(normal[0]) > ACROSS_GRAIN * v3.length(normal);
};

interface Surface {
  readonly corners: readonly number[];
  readonly endGrain: readonly number[];
  readonly edges: readonly number[];
}

const surfaceOf = (member: Member): Surface => {
  const faces = solidOf(member).flatMap((piece) => piece.map(({ points }) => points));
  const place = (p: Vec3): Vec3 => toWorld(member.frame, p);
  const drawn = faces.map((points) => ({
    corners: fan(points.map(place)),
    grain: acrossGrain(points) ? 1 : 0,
  }));
  const solid: readonly ConvexSolid<unknown>[] = solidOf(member);
  return {
    corners: drawn.flatMap(({ corners }) => corners),
    endGrain: drawn.flatMap(({ corners, grain }) =>
      corners.slice(0, corners.length / 3).map(() => grain),
    ),
    edges: boardEdges(solid).flatMap(([p, q]) => [...place(p), ...place(q)]),
  };
};

/** Who is cut against whom, both ways. */
const meetings = (members: readonly Member[]): ReadonlyMap<string, readonly string[]> => {
  const found = new Map<string, Set<string>>(members.map(({ id }) => [id, new Set()]));
  for (const { id, ends, notches } of members)
    for (const { meets } of [...ends, ...notches.flatMap(({ seat, heels }) => [seat, ...heels])])
      if (meets !== null && found.has(meets)) {
        found.get(id)?.add(meets);
        found.get(meets)?.add(id);
      }
  return new Map([...found].map(([id, others]) => [id, [...others]]));
};

const prism = (outline: readonly Vec2[], low: number, high: number): number[] => {
  const at = (z: number): Vec3[] => outline.map(([x, y]) => [x, y, z]);
  const [under, over] = [at(low), at(high)];
  return [
    ...fan([...under].reverse()),
    ...fan(over),
    ...outline.flatMap((_, i) => {
      const j = (i + 1) % outline.length;
      const side = [under[i], under[j], over[j], over[i]].filter((p) => p !== undefined);
      return fan(side);
    }),
  ];
};

/** What of the building stands on walls: not what is laid on a slope. */
const standing = (job: Job, roof: Roof) => {
  const base =
    roof.under === null ? { job, roof } : { job: roof.under.part.job, roof: roof.under.roof };
  return [
    base,
    ...roof.laid
      .filter(({ as }) => as === 'part')
      .map(({ part, whole }) => ({ job: part.job, roof: whole })),
  ];
};

/** Whether a part stands on posts, and not on walls all round. */
const onPosts = ({ blocks }: Job, id: string): boolean =>
  blocks
    .find((block) => block.id === id)
    ?.sides.some((side) => side.roof === 'eave' && side.posts !== undefined) === true;

/** Each wall below its plate's underside, as a plain face. */
const wallsOf = (job: Job, roof: Roof): number[] =>
  standing(job, roof).flatMap((part) =>
    part.roof.blocks
      .filter(({ id, partOf }) => id === partOf && !onPosts(part.job, id))
      .flatMap(({ sides, plateMm: main }) =>
        sides
          .filter(({ roof: way }) => way === 'eave' || way === 'high' || way === 'gable')
          .flatMap(({ start, end, plateMm }): number[] => {
            const at = ([x, y]: Vec2, z: number): Vec3 => [x, y, z];
            // A raised or a high wall stands on the same ground.
            const [low, high] = [main - WALL_MM, plateMm - PLATE_SHOWN_MM];
            return fan([at(start, low), at(end, low), at(end, high), at(start, high)]);
          }),
      ),
  );

/** A wall's face ends this far under the top of its plate, so that the plate is seen. mm */
const PLATE_SHOWN_MM = 38;

const platesIn = (job: Job, roof: Roof): number[] =>
  standing(job, roof).flatMap((part) =>
    platesOf(part.job, part.roof).flatMap(({ outline, bottomMm, topMm }) =>
      prism(outline, bottomMm, topMm),
    ),
  );

const extent = (points: readonly Vec2[], axis: 0 | 1): readonly [number, number] => {
  const all = points.map((p) => p[axis]);
  return [Math.min(...all), Math.max(...all)];
};

const joined = (parts: readonly (readonly number[])[]): Float32Array => {
  const all = new Float32Array(parts.reduce((sum, { length }) => sum + length, 0));
  let from = 0;
  for (const part of parts) {
    all.set(part, from);
    from += part.length;
  }
  return all;
};

/** Sets every board, the walls and the roof's planes ready to be looked at from any side. */
export const frameMesh = (
  job: Job,
  roof: Roof,
  members: readonly Member[],
  markOf: (id: string) => string,
): FrameMesh => {
  const plan = roof.blocks.flatMap(({ grown }) => grown.points);
  const [[west, east], [south, north]] = [extent(plan, 0), extent(plan, 1)];
  const surfaces = members.map(surfaceOf);
  const met = meetings(members);
  let [corner, edge] = [0, 0];
  const boards = members.map(({ id, kind }, i) => {
    const { corners = [], edges = [] } = surfaces[i] ?? {};
    const board = {
      id,
      kind: listedKind(kind),
      mark: markOf(id),
      corners: { from: corner, to: corner + corners.length },
      edges: { from: edge, to: edge + edges.length },
      meets: met.get(id) ?? [],
      middle: middleOf(corners),
    };
    [corner, edge] = [board.corners.to, board.edges.to];
    return board;
  });
  const corners = joined(surfaces.map((one) => one.corners));
  return {
    corners,
    endGrain: Uint8Array.from(surfaces.flatMap((one) => one.endGrain)),
    edges: joined(surfaces.map((one) => one.edges)),
    boards,
    plates: Float32Array.from(platesIn(job, roof)),
    walls: Float32Array.from(wallsOf(job, roof)),
    planes: joined(roof.faces.map(({ polygon }) => fan(polygon))),
    middle: [(west + east) / 2, (south + north) / 2],
    size: Math.max(east - west, north - south),
  };
};

const middleOf = (corners: readonly number[]): Vec3 => {
  const axis = (k: number): number => {
    const own = corners.filter((_, i) => i % 3 === k);
    return own.length === 0 ? 0 : (Math.min(...own) + Math.max(...own)) / 2;
  };
  return [axis(0), axis(1), axis(2)];
};
