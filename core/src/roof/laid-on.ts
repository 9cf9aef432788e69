import { SLACK_MM, clipConvex, insideBy, v2, v3, type Plane, type Vec2, type Vec3 } from '../geom';
import type { Job, PartOfJob } from '../job';
import { ok, refused, type Problem, type Result } from '../problem';
import { inMm, say } from '../sentence';
import { heightAt } from './bands';
import type {
  BlockRoof,
  Carrier,
  ChalkLine,
  LaidOn,
  Roof,
  RoofEdge,
  RoofFace,
  RoofLine,
  RoofPiece,
  RoofPlane,
  Slope,
} from './model';
import { outside, roofOver } from './surface';
import { underlaidBy } from './underlaid';

const DECK: Carrier = { of: 'deck' };
/** What stands above the sheathing by less comes down on it. mm */
const ON_DECK_MM = SLACK_MM.edge;
/** A chalk line shorter than this lays nothing on. mm */
const LEAST_CHALK_MM = 300;
/** Two eaves that part by less than this plane into each other. mm */
const PLANES_IN_MM = 60;
/** How far inside a slope's edge a chalk line keeps. mm */
const WITHIN_MM = SLACK_MM.nothing;

const above = (deck: Plane, [x, y, z]: Vec3): number => z - heightAt({ plane: deck }, [x, y]);

/** What of a segment stands above the sheathing; null where none does. */
const clipped = (deck: Plane, from: Vec3, to: Vec3): readonly [Vec3, Vec3] | null => {
  const [a, b] = [above(deck, from), above(deck, to)];
  if (a <= ON_DECK_MM && b <= ON_DECK_MM) return null;
  if (a >= -ON_DECK_MM && b >= -ON_DECK_MM) return [from, to];
  const at = v3.lerp(from, to, a / (a - b));
  return a < b ? [at, to] : [from, at];
};

const clippedPiece = (deck: Plane, piece: RoofPiece): RoofPiece[] => {
  const polygon = clipConvex(
    piece.polygon,
    (p) => heightAt({ plane: deck }, p) - heightAt(piece.plane, p),
    DECK,
  );
  return polygon === null ? [] : [{ ...piece, polygon }];
};

/** A roof without what lies below a plane: its pieces, faces, edges and lines; its blocks are as they were. */
const withoutBelow = (deck: Plane, roof: Roof): Roof => {
  const nodes = [...roof.nodes];
  const lines = roof.lines.flatMap((line): RoofLine[] => {
    const kept = clipped(deck, line.from, line.to);
    if (kept === null) return [];
    const [from, to] = kept;
    const end = (p: Vec3, was: Vec3, node: number): number =>
      p === was ? node : nodes.push(p) - 1;
    return [
      {
        ...line,
        from,
        to,
        ends: [end(from, line.from, line.ends[0]), end(to, line.to, line.ends[1])],
      },
    ];
  });
  return {
    ...roof,
    slopes: roof.slopes.map((slope) => ({
      ...slope,
      pieces: slope.pieces.flatMap((piece) => clippedPiece(deck, piece)),
    })),
    faces: roof.faces.flatMap((face): RoofFace[] => {
      const plane = roof.slopes[face.slope]?.plane;
      if (plane === undefined) return [];
      const points = face.polygon.map(v3.inPlan);
      const polygon = clipConvex<null>(
        { points, tags: points.map(() => null) },
        (p) => heightAt({ plane: deck }, p) - heightAt({ plane }, p),
        null,
      );
      return polygon === null
        ? []
        : [
            {
              ...face,
              polygon: polygon.points.map((p) => [p[0], p[1], heightAt({ plane }, p)] as const),
            },
          ];
    }),
    edges: roof.edges.flatMap((edge): RoofEdge[] => {
      const kept = clipped(deck, edge.from, edge.to);
      return kept === null ? [] : [{ ...edge, from: kept[0], to: kept[1] }];
    }),
    lines,
    nodes,
  };
};

/** The chalk lines: where its clipped pieces come down on the sheathing, each side's in one. */
const chalkOf = ({ slopes }: Roof): ChalkLine[] => {
  const found = new Map<number, Vec3[]>();
  for (const { pieces } of slopes)
    for (const { plane, polygon } of pieces)
      for (const [i, tag] of polygon.tags.entries()) {
        if (tag.of !== 'deck') continue;
        const ends = [polygon.points[i], polygon.points[(i + 1) % polygon.points.length]];
        for (const p of ends)
          if (p !== undefined)
            found.set(plane.side, [
              ...(found.get(plane.side) ?? []),
              [p[0], p[1], heightAt(plane, p)],
            ]);
      }
  return [...found].map(([side, points]) => {
    const sorted = [...points].sort((p, q) => p[2] - q[2]);
    const [from = [0, 0, 0]] = sorted;
    return { side, from, to: sorted.at(-1) ?? from };
  });
};

/** How far inside the pieces of a slope a point lies; negative outside all of them. mm */
export const insideOf = ({ pieces }: Slope, p: Vec2): number =>
  Math.max(...pieces.map(({ polygon }) => insideBy(polygon.points, p)));

/**
 * A block's roof laid on another's sheathing: which slope it lies on, what of it stands above, and its chalk lines.
 *
 *   ridge ─────────╲ strikes the lower sheathing
 *   ▁▁▁▁▁▁▁▁▁▁▁▁▁▁▁▁╲   the lower slope runs on beneath
 */
export const layOn = (
  job: Job,
  block: string,
  part: PartOfJob,
  whole: Roof,
  below: Roof,
): Result<LaidOn> => {
  const index = job.blocks.findIndex(({ id }) => id === block);
  const problem = (path: string, text: Problem['text']): Result<LaidOn> =>
    refused([{ code: 'open-end', path: ['blocks', index, path], text }]);
  const sides = whole.blocks[0]?.sides ?? [];
  const open = sides.find(({ roof }) => roof === 'open');
  if (open === undefined)
    return problem(
      'join',
      say`"${block}" has no open end; what is laid on another roof has one, inside that roof`,
    );
  const middle = v2.scale(v2.add(open.start, open.end), 0.5);
  const under = roofOver(below, middle);
  if (under === null)
    return problem(
      `sides.${open.index}.roof`,
      say`no other roof lies under this open end; carry the block further in, or make the side a gable`,
    );
  const slope = below.slopes[under.plane.slope];
  if (slope === undefined) throw new Error('roof: a plane without a slope');
  const { normal, offset } = slope.plane;
  const deck: Plane = { normal, offset: offset + job.timber.sheathing };
  const shown = withoutBelow(deck, whole);
  const out = shown.edges.find(
    (edge) => 'side' in edge && edge.side === open.index && edge.block === block,
  );
  if (out !== undefined)
    return problem(
      `sides.${open.index}.roof`,
      say`${inMm(v2.distance(v3.inPlan(out.from), v3.inPlan(out.to)))} of this open end stands above the roof it is laid on; carry the block further in, or lower it`,
    );
  const chalk = chalkOf(shown);
  const length = ({ from, to }: ChalkLine): number => v3.distance(from, to);
  if (chalk.length === 0 || Math.max(...chalk.map(length)) < LEAST_CHALK_MM)
    return problem('join', say`"${block}" does not come down on the roof it is laid on`);
  const eave = under.plane.line;
  const past = Math.max(
    ...chalk.map(({ from }) => v2.dot(v2.sub(eave.start, v3.inPlan(from)), eave.inward)),
  );
  const lower = (past - eave.overhangMm) * under.plane.rise;
  if (lower > PLANES_IN_MM)
    return problem(
      'plate',
      say`the eaves of "${block}" come to the lower roof ${inMm(lower)} below that one's own eave, where there is no roof to lay it on; accepted is a ‹plate› so much higher, or as much less overhang`,
    );
  // It lies on one slope: past a hip, a valley or a ridge of that the chalk lines bend.
  const walls = below.blocks.find(({ id }) => id === under.plane.block)?.walls ?? [];
  const off = chalk
    .flatMap(({ from, to }) => [v3.lerp(from, to, 0.5), to])
    .find((p) => insideOf(slope, v3.inPlan(p)) < WITHIN_MM && outside(walls, v3.inPlan(p)) < 0);
  if (off !== undefined)
    return problem(
      'outline',
      say`"${block}" comes down past the edge of the slope it is laid on, over a ‹hip›, a ‹valley› or the ‹ridge›; accepted is a narrower or a lower one, or another place`,
    );
  const plateMm = whole.blocks[0]?.plateMm ?? 0;
  const platesMm = Math.max(
    -eave.overhangMm,
    (plateMm - heightAt({ plane: deck }, eave.start)) / under.plane.rise,
  );
  return ok({
    block,
    as: 'part',
    part,
    whole,
    shown,
    slope: under.plane.slope,
    wall: eave,
    platesMm,
    deck,
    chalk,
  });
};

/** A job as what is made up on a slope starts from: its sizes and ways, none of its parts, and no ties. */
export const withoutParts = (job: Job): Job => {
  const { collarTies: _collars, rafterTies: _ties, sheathing: _sheets, ...rest } = job;
  const { levelFascia: _level, ...framing } = job.framing;
  const none = { purlins: [], roofPurlins: [], openings: [], saddles: [], dormers: [], blocks: [] };
  return { ...rest, framing, ...none, hipBraces: [] };
};

/** A made-up part, a saddle or a dormer, laid on the roof below. */
export const layMadeUp = (
  part: PartOfJob,
  as: LaidOn['as'],
  below: Roof,
  workOut: (job: Job) => Result<Roof>,
): Result<LaidOn> => {
  const [block] = part.job.blocks;
  if (block === undefined) throw new Error(`roof: a ${as} without a block`);
  const whole = workOut(part.job);
  if (!whole.ok) return refused(part.restored(whole.problems));
  const laid = layOn(part.job, block.id, part, whole.value, below);
  return laid.ok ? ok({ ...laid.value, as }) : refused(part.restored(laid.problems));
};

/** The slopes of a roof with their numbers moved on, to stand behind another's. */
const renumbered = (roof: Roof, slopes: number, nodes: number): Roof => {
  const planes = new Map<RoofPlane, RoofPlane>();
  const plane = (one: RoofPlane): RoofPlane => {
    const known = planes.get(one) ?? { ...one, slope: one.slope + slopes };
    planes.set(one, known);
    return known;
  };
  const carrier = (tag: Carrier): Carrier =>
    tag.of === 'slope' ? { ...tag, slope: tag.slope + slopes } : tag;
  const polygon = ({ points, tags }: RoofPiece['polygon']): RoofPiece['polygon'] => ({
    points,
    tags: tags.map(carrier),
  });
  const fold = <T extends { readonly slopes: readonly [number, number] }>(one: T): T => ({
    ...one,
    slopes: [one.slopes[0] + slopes, one.slopes[1] + slopes] as const,
  });
  return {
    ...roof,
    blocks: roof.blocks.map((block): BlockRoof => ({
      ...block,
      bands: block.bands.map((own) => own.map(plane)),
      planes: block.planes.map((one) => (one === null ? null : plane(one))),
      grown: polygon(block.grown),
    })),
    slopes: roof.slopes.map((slope) => ({
      ...slope,
      sides: slope.sides.map(plane),
      pieces: slope.pieces.map((piece) => ({
        ...piece,
        plane: plane(piece.plane),
        polygon: polygon(piece.polygon),
      })),
    })),
    faces: roof.faces.map((face) => ({ ...face, slope: face.slope + slopes })),
    edges: roof.edges.map((edge) =>
      'slopes' in edge ? fold(edge) : { ...edge, slope: edge.slope + slopes },
    ),
    lines: roof.lines.map((line) => ({
      ...fold(line),
      ends: [line.ends[0] + nodes, line.ends[1] + nodes] as const,
      through: line.through.map((node) => node + nodes),
    })),
  };
};

/** The roof below with what is laid on it: one roof, its blocks in the job's order. */
export const withLaid = (
  job: Job,
  below: NonNullable<Roof['under']>,
  laid: readonly LaidOn[],
): Roof => {
  const under = { ...below, roof: { ...below.roof, underlaid: laid.map(underlaidBy) } };
  const all = laid.reduce<Roof>((roof, { shown }) => {
    const own = renumbered(shown, roof.slopes.length, roof.nodes.length);
    return {
      blocks: [...roof.blocks, ...own.blocks],
      slopes: [...roof.slopes, ...own.slopes],
      faces: [...roof.faces, ...own.faces],
      edges: [...roof.edges, ...own.edges],
      lines: [...roof.lines, ...own.lines],
      nodes: [...roof.nodes, ...own.nodes],
      underlaid: [],
      laid,
      under,
    };
  }, under.roof);
  const place = ({ id }: BlockRoof): number => {
    const found = job.blocks.findIndex((block) => block.id === id);
    return found < 0 ? job.blocks.length : found;
  };
  return { ...all, blocks: [...all.blocks].sort((p, q) => place(p) - place(q)), laid, under };
};
