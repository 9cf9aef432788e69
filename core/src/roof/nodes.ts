import { SAME_WAY_SINE, SLACK_MM, v2, v3, type Vec2, type Vec3 } from '../geom';
import type { Fold, RoofLine } from './model';

/** Two ends of lines this near in plan meet in one point. mm */
const NODE_MM = SLACK_MM.place;
/** Ends that part in height by more than this meet in plan alone: one roof passes over another. mm */
const LEVEL_MM = SLACK_MM.nothing;
/** Lines nearer to one direction than this do not cross, as a sine. */
const CROSSES = SAME_WAY_SINE;

/** Where a ridge is crossed by another, as shares of its length, in order. */
const crossingsOf = (line: Fold, others: readonly Fold[]): number[] => {
  const [a, b] = [v3.inPlan(line.from), v3.inPlan(line.to)];
  const length = v2.distance(a, b);
  const heading = v2.scale(v2.sub(b, a), 1 / length);
  const inside = (value: number, size: number): boolean =>
    value > NODE_MM && value < size - NODE_MM;
  const found = others.flatMap((other): number[] => {
    if (other.kind !== 'ridge') return [];
    const [c, d] = [v3.inPlan(other.from), v3.inPlan(other.to)];
    const along = v2.unit(v2.sub(d, c));
    const sine = v2.cross(heading, along);
    if (Math.abs(sine) < CROSSES) return [];
    const t = v2.cross(v2.sub(c, a), along) / sine;
    const u = v2.cross(v2.sub(c, a), heading) / sine;
    return inside(t, length) && inside(u, v2.distance(c, d)) ? [t / length] : [];
  });
  return found
    .sort((p, q) => p - q)
    .filter((share, k, all) => (share - (all[k - 1] ?? -Infinity)) * length > NODE_MM);
};

/** A ridge that crosses another as high is parted there, so that one of them can run through. */
const partedAtCrossings = (folds: readonly Fold[]): Fold[] =>
  folds.flatMap((fold, i): Fold[] => {
    if (fold.kind !== 'ridge') return [fold];
    const shares = [0, ...crossingsOf(fold, folds.slice(0, i)), 1];
    if (shares.length === 2) return [fold];
    const at = (share: number): Vec3 => v3.lerp(fold.from, fold.to, share);
    return shares
      .slice(1)
      .map((share, k) => ({ ...fold, from: at(shares[k] ?? 0), to: at(share) }));
  });

/** Whether a line runs through a point between its ends. */
export const runsThrough = ({ from, to }: Fold, p: Vec3): boolean => {
  const a = v3.inPlan(from);
  const length = v2.distance(a, v3.inPlan(to));
  const heading = v2.unit(v2.sub(v3.inPlan(to), a));
  const off = v2.sub(v3.inPlan(p), a);
  const along = v2.dot(off, heading);
  const z = from[2] + ((to[2] - from[2]) * along) / length;
  return (
    Math.abs(v2.cross(heading, off)) < NODE_MM &&
    along > NODE_MM &&
    along < length - NODE_MM &&
    Math.abs(z - p[2]) < LEVEL_MM
  );
};

/** Whether two points of the plan are one point of the roof. */
export const isOnePoint = (p: Vec2, q: Vec2): boolean => v2.distance(p, q) < NODE_MM;

const nodeOf = (nodes: Vec3[], p: Vec3): number => {
  const found = nodes.findIndex(
    (node) => Math.abs(node[2] - p[2]) < LEVEL_MM && isOnePoint(v3.inPlan(node), v3.inPlan(p)),
  );
  if (found >= 0) return found;
  nodes.push(p);
  return nodes.length - 1;
};

/**
 * The lines with the points in which they end and through which they run, each by its number: after this nothing needs
 * to look for a point by distance.
 */
export const withNodes = (folds: readonly Fold[]): { lines: RoofLine[]; nodes: Vec3[] } => {
  const nodes: Vec3[] = [];
  const ended = partedAtCrossings(folds).map((fold) => ({
    ...fold,
    ends: [nodeOf(nodes, fold.from), nodeOf(nodes, fold.to)] as const,
  }));
  const lines = ended.map((line) => ({
    ...line,
    through: nodes.flatMap((at, node) =>
      !line.ends.includes(node) && runsThrough(line, at) ? [node] : [],
    ),
  }));
  return { lines, nodes };
};
