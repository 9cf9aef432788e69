import { SLACK_MM, clipConvex, v2, v3, type Vec2, PARALLEL_SINE } from '../geom';
import { partOfJob, type Job, type PartOfJob } from '../job';
import { ok, refused, type LineInPlan, type Result } from '../problem';
import { heightAt } from './bands';
import { carriedOver } from './carried-over';
import { facesOf, loneBlock, type LoneBlock } from './block-roof';
import { coversOf, deadEaves, tailDepth, uncovered, withoutRegions } from './cover';
import { bordersOf, linesOf } from './edges';
import type {
  BlockRoof,
  Carrier,
  LaidOn,
  Roof,
  RoofFace,
  RoofPiece,
  RoofPlane,
  Slope,
} from './model';
import { dormerParts, type DormerParts } from './dormers';
import { gabletOver } from './gablets';
import { withNodes } from './nodes';
import { layMadeUp, layOn, withLaid } from './laid-on';
import { comesOverWalls, unsound } from './refuse';
import { saddlesOn } from './saddles';
import type { SideLine } from './side-lines';

/** Planes of one direction that part by less are one slope. mm */
const SAME_PLANE_MM = SLACK_MM.plane;

/** Gathers the planes of all blocks into slopes: sides that lie in one plane make one slope. */
const gather = (lone: readonly LoneBlock[]): { blocks: BlockRoof[]; sides: RoofPlane[][] } => {
  const sides: RoofPlane[][] = [];
  const slopeOf = (plane: RoofPlane['plane']): number => {
    const index = sides.findIndex(([first]) => {
      if (first === undefined) return false;
      const apart = v3.distance(first.plane.normal, plane.normal);
      return apart < PARALLEL_SINE && Math.abs(first.plane.offset - plane.offset) < SAME_PLANE_MM;
    });
    if (index >= 0) return index;
    sides.push([]);
    return sides.length - 1;
  };
  const blocks = lone.map((block): BlockRoof => {
    const bands = block.bands.map((own) =>
      own.map((plane): RoofPlane => {
        const slope = slopeOf(plane.plane);
        // Exactly the first one's plane, so that rounding cannot part them.
        const first = sides[slope]?.[0] ?? plane;
        const shared = { ...plane, plane: first.plane, slope };
        sides[slope]?.push(shared);
        return shared;
      }),
    );
    const planes = bands.map(([eave]) => eave ?? null);
    return { ...block, bands, planes };
  });
  return { blocks, sides };
};

/** What each block shows, and what runs on under the others' eaves. */
const pieces = (job: Job, blocks: readonly BlockRoof[]): RoofPiece[] => {
  const dead = blocks.map((block) => deadEaves(blocks, block));
  const covers = blocks.map((block) => ({ all: coversOf(block), depth: tailDepth(job, block) }));
  return blocks.flatMap((block, own) => {
    let rest = facesOf(block).flatMap((piece) => withoutRegions(piece, dead[own] ?? []));
    for (const [index, cover] of blocks.entries()) {
      if (index === own) continue;
      const { all = [], depth = 0 } = covers[index] ?? {};
      rest = rest.flatMap((piece) =>
        uncovered(piece, cover, all, index < own, depth, dead[index] ?? []),
      );
    }
    return rest;
  });
};

/** A polygon cut at one gable or wall, its edges there named for it. */
const cutAtWall = (
  { points, tags }: RoofPiece['polygon'],
  side: SideLine,
  block: string,
): RoofPiece['polygon'] | null => {
  const tag: Carrier = { of: 'wall', block, side: side.index };
  const own = tags.map((one) =>
    one.of === 'outline' && one.block === block && one.side === side.index ? tag : one,
  );
  const outside = (p: Vec2): number => -v2.dot(v2.sub(p, side.start), side.inward);
  return clipConvex({ points, tags: own }, outside, tag);
};

/** A piece without what hangs over gables, for that lies on other timbers than its own rafters; its edges there, and at walls, are where timbers end. */
const withinWalls = (piece: RoofPiece, block: BlockRoof): RoofPiece[] =>
  block.sides
    .filter(({ roof }) => roof !== 'eave' && roof !== 'high')
    .reduce<RoofPiece[]>(
      (left, side) =>
        left.flatMap((one) => {
          const polygon = cutAtWall(one.polygon, side, block.id);
          return polygon === null ? [] : [{ ...one, polygon }];
        }),
      [piece],
    );

const faceOf = ({ plane, polygon }: RoofPiece): RoofFace => ({
  block: plane.block,
  side: plane.side,
  slope: plane.slope,
  slopeRad: plane.slopeRad,
  polygon: polygon.points.map((p) => [p[0], p[1], heightAt(plane, p)] as const),
});

/** A roof as its planes come to, whether or not it can be framed. */
interface Shape {
  readonly roof: Roof;
  readonly seen: readonly RoofPiece[];
  readonly dead: ReturnType<typeof linesOf>['dead'];
}

/** Works out every face, edge and line of a roof whose blocks are framed into each other. */
const shapeOf = (job: Job): Result<Shape> => {
  const lone: LoneBlock[] = [];
  const gablets: LoneBlock[] = [];
  for (const [index, block] of job.blocks.entries()) {
    const one = loneBlock(job, block);
    if (!one.ok) return one;
    lone.push(one.value);
    const gablet = gabletOver(block, index, one.value);
    if (gablet !== null && 'code' in gablet) return refused([gablet]);
    if (gablet !== null) gablets.push(gablet);
  }
  const { blocks, sides } = gather([...carriedOver(lone), ...gablets]);
  const all = pieces(job, blocks);
  const standing = all.flatMap((piece) => {
    const block = blocks.find(({ id }) => id === piece.plane.block);
    return block === undefined ? [] : withinWalls(piece, block);
  });
  const slopes = sides.map((own, index): Slope => {
    const [first] = own;
    if (first === undefined) throw new Error('roof: a slope without a side');
    return {
      plane: first.plane,
      slopeRad: first.slopeRad,
      rise: first.rise,
      uphill: first.line.inward,
      along: first.line.along,
      sides: own,
      pieces: standing.filter((piece) => piece.plane.slope === index),
    };
  });
  const seen = all.filter((piece) => !piece.under);
  const visible = linesOf(slopes, seen);
  const roof: Roof = {
    blocks,
    slopes,
    faces: seen.map(faceOf),
    edges: [...bordersOf(blocks, seen), ...visible.lines],
    ...withNodes(
      linesOf(slopes, standing).lines.filter((fold) => comesOverWalls(blocks, slopes, fold)),
    ),
    underlaid: [],
    laid: [],
    under: null,
  };
  return ok({ roof, seen, dead: visible.dead });
};

/**
 * The roof of blocks that are framed into each other, or why no frame can be set on it.
 *
 * @param laid it is laid on another roof
 */
export const workOutFramed = (job: Job, laid: boolean): Result<Roof> => {
  const shape = shapeOf(job);
  if (!shape.ok) return shape;
  const { roof, seen, dead } = shape.value;
  const problems = unsound(job, roof, seen, dead, laid);
  return problems.length > 0 ? refused(problems) : ok(roof);
};

/** The lines of a roof in plan, but for what is laid on it: also of one that is refused, as far as its planes can be worked out. */
export const linesInPlan = (job: Job): readonly LineInPlan[] => {
  const framed = partOfJob(
    job,
    (id) => job.blocks.findIndex((one) => one.id === id && one.join === 'laid-on') <= 0,
  );
  const shape = shapeOf(framed.job);
  return shape.ok
    ? shape.value.roof.edges.map(({ from, to }) => ({
        from: v3.inPlan(from),
        to: v3.inPlan(to),
      }))
    : [];
};

/** Collar ties are the house's: a porch leans on it, and is mostly too small for any. */
const uncollared = ({ job, restored }: PartOfJob): PartOfJob => ({
  job: { ...job, collarTies: undefined },
  restored,
});

/** The part below with a hole under each dormer, whose faults are the dormer's. */
const opened = ({ job, restored }: PartOfJob, dormers: readonly DormerParts[]): PartOfJob => ({
  job: { ...job, openings: [...job.openings, ...dormers.map(({ opening }) => opening)] },
  restored: (problems) =>
    problems.flatMap((problem) => {
      const [list, number] = problem.path;
      const dormer = list === 'openings' ? Number(number) - job.openings.length : -1;
      return dormer >= 0 ? [{ ...problem, path: ['dormers', dormer] }] : restored([problem]);
    }),
});

/** Works out every face, edge and line of the roof. Pure: the same job gives the same roof. */
export const workOutRoof = (job: Job): Result<Roof> => {
  const laid = job.blocks.filter(({ join }, i) => i > 0 && join === 'laid-on');
  if (laid.length + job.saddles.length + job.dormers.length === 0) return workOutFramed(job, false);
  const ids = new Set(laid.map(({ id }) => id));
  const framed = partOfJob(job, (id) => !ids.has(id));
  const below = workOutFramed(framed.job, false);
  if (!below.ok) return refused(framed.restored(below.problems));
  const dormers = dormerParts(job, below.value);
  if (!dormers.ok) return dormers;
  const under = opened(framed, dormers.value);
  const blocks = laid.map(({ id }): Result<LaidOn> => {
    const part = uncollared(partOfJob(job, (one) => one === id));
    const whole = workOutFramed(part.job, true);
    if (!whole.ok) return refused(part.restored(whole.problems));
    return layOn(job, id, part, whole.value, below.value);
  });
  const workOut = (own: Job): Result<Roof> => workOutFramed(own, true);
  const all = [
    ...blocks,
    ...saddlesOn(job, below.value, workOut),
    ...dormers.value.map(({ part }) => layMadeUp(part, 'dormer', below.value, workOut)),
  ];
  const problems = all.flatMap((one) => (one.ok ? [] : one.problems));
  if (problems.length > 0) return refused(problems);
  const found = all.flatMap((one) => (one.ok ? [one.value] : []));
  return ok(withLaid(job, { part: under, roof: below.value }, found));
};
