import { SLACK_MM, v3, type ConvexSolid, type Vec3 } from '../geom';

/** A straight edge of a sawn board. mm */
export type Edge = readonly [Vec3, Vec3];

/** Round an edge, the wood is looked for at so many places, this far off it. mm */
const PLACES = 24;
const AWAY_MM = SLACK_MM.beside;
/** As many of them in the wood as this, by half: the surface runs on there, within some 15°. */
const FLAT = PLACES / 2;
/** Points nearer than this are one. mm */
const ONE_MM = SLACK_MM.place;

interface Planed {
  readonly edges: readonly Edge[];
  readonly holds: (x: number, y: number, z: number) => boolean;
}

const planed = (piece: ConvexSolid<unknown>): Planed => {
  const faces = piece
    .map(({ points }) => points)
    .filter((points) => points.length > 2)
    .flatMap((points) => {
      const [a] = points;
      if (a === undefined) return [];
      let normal: Vec3 = [0, 0, 0];
      for (let i = 1; i + 1 < points.length; i += 1) {
        const [b, c] = [points[i], points[i + 1]];
        if (b !== undefined && c !== undefined)
          normal = v3.add(normal, v3.cross(v3.sub(b, a), v3.sub(c, a)));
      }
      return v3.length(normal) === 0 ? [] : [{ normal, offset: v3.dot(normal, a), points }];
    });
  const edges = faces.flatMap(({ points }) =>
    points.flatMap((p, i): Edge[] => {
      const q = points[(i + 1) % points.length];
      return q === undefined || v3.distance(p, q) < ONE_MM ? [] : [[p, q]];
    }),
  );
  return {
    edges,
    holds: (x, y, z) => {
      for (const { normal, offset } of faces)
        if (normal[0] * x + normal[1] * y + normal[2] * z > offset) return false;
      return true;
    },
  };
};

/** Each edge once: it stands in two faces, and where pieces part in several. */
const once = (edges: readonly Edge[]): Edge[] => {
  const found: Edge[] = [];
  const one = (p: Vec3, q: Vec3): boolean =>
    Math.abs(p[0] - q[0]) < ONE_MM &&
    Math.abs(p[1] - q[1]) < ONE_MM &&
    Math.abs(p[2] - q[2]) < ONE_MM;
  for (const [p, q] of edges)
    if (!found.some(([a, b]) => (one(a, p) && one(b, q)) || (one(a, q) && one(b, p))))
      found.push([p, q]);
  return found;
};

/** An edge in the stretches between the corners of other pieces that lie on it. */
const parted = ([p, q]: Edge, corners: readonly Vec3[]): Edge[] => {
  const way = v3.sub(q, p);
  const length2 = v3.dot(way, way);
  const ts: number[] = [];
  for (const c of corners) {
    const [x, y, z] = [c[0] - p[0], c[1] - p[1], c[2] - p[2]];
    const t = (x * way[0] + y * way[1] + z * way[2]) / length2;
    if (t <= 0 || t >= 1) continue;
    const off = Math.abs(x - t * way[0]) + Math.abs(y - t * way[1]) + Math.abs(z - t * way[2]);
    if (off < ONE_MM) ts.push(t);
  }
  ts.sort((a, b) => a - b);
  const stops = [0, ...ts, 1];
  return stops.slice(1).flatMap((t, i): Edge[] => {
    const from = stops[i] ?? 0;
    const own: Edge = [v3.lerp(p, q, from), v3.lerp(p, q, t)];
    return v3.distance(...own) < ONE_MM ? [] : [own];
  });
};

/** Whether a stretch is an edge of the whole: round it the wood is neither everywhere, nor just on one side of a flat. */
const isEdge = ([p, q]: Edge, pieces: readonly Planed[]): boolean => {
  const middle = v3.lerp(p, q, 0.5);
  const way = v3.unit(v3.sub(q, p));
  const right = v3.unit(v3.cross(way, v3.aside(way)));
  const up = v3.cross(right, way);
  let inside = 0;
  for (let k = 0; k < PLACES; k += 1) {
    // Turned a little, so that no place lies in a face.
    const turn = ((k + 0.37) * 2 * Math.PI) / PLACES;
    const [c, s] = [AWAY_MM * Math.cos(turn), AWAY_MM * Math.sin(turn)];
    const x = middle[0] + right[0] * c + up[0] * s;
    const y = middle[1] + right[1] * c + up[1] * s;
    const z = middle[2] + right[2] * c + up[2] * s;
    if (pieces.some(({ holds }) => holds(x, y, z))) inside += 1;
  }
  return inside > 0 && inside < PLACES && Math.abs(inside - FLAT) > 1;
};

/** The edges that are seen of a board in convex pieces: not those where its pieces only part. In its own coordinates. */
export const boardEdges = (solid: readonly ConvexSolid<unknown>[]): Edge[] => {
  const pieces = solid.map(planed);
  const [only, ...others] = pieces;
  if (only !== undefined && others.length === 0) return once(only.edges);
  const corners = solid.flatMap((piece) => piece.flatMap(({ points }) => points));
  const stretches = once(pieces.flatMap(({ edges }) => edges)).flatMap((edge) =>
    parted(edge, corners),
  );
  return once(stretches).filter((edge) => isEdge(edge, pieces));
};
