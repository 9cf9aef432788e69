import type { SideLine } from './side-lines';
import { SLACK_MM, edgesOf, SAME_POINT_MM, v2, v3, type Vec2, SAME_WAY_SINE } from '../geom';
import type { Job } from '../job';
import type { Path, Problem } from '../problem';
import { inMm, leastMm, say } from '../sentence';
import type { DeadLine } from './edges';
import {
  LINE_TIMBER,
  type BlockRoof,
  type Fold,
  type Roof,
  type RoofBorder,
  type RoofPiece,
  type Slope,
} from './model';
import { planesAbout } from './meetings';
import { standingWall } from './plates';
import { notYet } from './refusal';
import { hiddenBreaks, hiddenGablets, swallowed } from './refuse-hidden';
import { outside, roofOver } from './surface';

const pathOf = (job: Job, { block, side }: RoofBorder): Path => [
  'blocks',
  job.blocks.findIndex((one) => one.id === block),
  'sides',
  side,
];

/** Borders of one side are told of once. */
const keyOf = ({ block, side }: RoofBorder): string => `${block} ${side}`;

/** An open end that shows: it should lie hidden in another block's roof. */
const openEnds = (job: Job, roof: Roof, borders: readonly RoofBorder[]): Problem[] => {
  const seen = new Set<string>();
  return borders.flatMap((border) => {
    const line = roof.blocks.find(({ id }) => id === border.block)?.sides[border.side];
    if (line?.roof !== 'open' || seen.has(keyOf(border))) return [];
    seen.add(keyOf(border));
    const wide = v2.distance(v3.inPlan(border.from), v3.inPlan(border.to));
    return [
      {
        code: 'open-end',
        path: [...pathOf(job, border), 'roof'],
        text: say`${inMm(wide)} of this open end is not hidden in another block's roof; carry the block further in, or make the side a gable, an eave or a wall`,
      },
    ];
  });
};

/** How high a step stands over the roof beside it, at its higher end. mm */
const stepHeight = (roof: Roof, { block, side, from, to }: RoofBorder): number => {
  const line = roof.blocks.find(({ id }) => id === block)?.sides[side];
  const out = line === undefined ? ([0, 0] as const) : v2.scale(line.inward, -1);
  const ends = [
    { z: from[2], p: v2.add(v3.inPlan(v3.lerp(from, to, 0.01)), out) },
    { z: to[2], p: v2.add(v3.inPlan(v3.lerp(from, to, 0.99)), out) },
  ];
  return Math.max(...ends.map(({ z, p }) => z - (roofOver(roof, p)?.z ?? z)));
};

const liesOver = ({ polygon }: RoofPiece, p: Vec2): boolean =>
  edgesOf(polygon).every(({ point, inward }) => v2.dot(v2.sub(p, point), inward) >= -SAME_POINT_MM);

/** A roof edge that stands over another block's walls: the roof below it cannot be closed by rafters alone. */
const stepsOverWalls = (job: Job, roof: Roof, borders: readonly RoofBorder[]): Problem[] => {
  const seen = new Set<string>();
  return borders.flatMap((border) => {
    if (border.kind !== 'step') return [];
    const middle = v2.scale(v2.add(v3.inPlan(border.from), v3.inPlan(border.to)), 0.5);
    const below = roof.blocks.find(
      (block) => block.id !== border.block && outside(block.walls, middle) <= -1,
    );
    if (below === undefined || seen.has(keyOf(border))) return [];
    const line = roof.blocks.find(({ id }) => id === border.block)?.sides[border.side];
    if (line?.roof === 'gablet') return [];
    const within = line === undefined ? middle : v2.add(middle, line.inward);
    const runsUnder = roof.slopes.some(({ pieces }) =>
      pieces.some((piece) => piece.under && liesOver(piece, within)),
    );
    if (runsUnder || stepHeight(roof, border) <= job.timber.common.depth) return [];
    seen.add(keyOf(border));
    return [
      {
        code: 'step',
        path: pathOf(job, border),
        text: say`this edge of "${border.block}" stands above the roof of "${below.id}" and neither meets it nor clears it; change a ‹plate›, a pitch or an overhang so that the two roofs meet, or stand a rafter's depth apart`,
      },
    ];
  });
};

/** Points where lines meet, so near each other that the timbers on them leave no room for the one between. */
const tooShort = (job: Job, roof: Roof): Problem[] =>
  roof.lines.flatMap((line): Problem[] => {
    const common = job.timber.common.thickness;
    const own = job.timber[LINE_TIMBER[line.kind]]?.thickness ?? 0;
    // A ridge need only part the rafters that stand on its two ends.
    const least = line.kind === 'ridge' ? common : 2 * Math.max(common, own);
    const long = v2.distance(v3.inPlan(line.from), v3.inPlan(line.to));
    if (long >= least - SAME_POINT_MM) return [];
    const block = roof.slopes[line.slopes[0]]?.sides[0]?.block;
    const planes = planesAbout(roof, line);
    return [
      {
        code: 'line-too-short',
        path: ['blocks', job.blocks.findIndex(({ id }) => id === block), 'outline'],
        at: v3.inPlan(v3.lerp(line.from, line.to, 1 / 2)),
        ...(planes === null ? {} : { planes }),
        text: say`a ${line.kind === 'break' ? 'break in pitch' : line.kind} would be ${inMm(long, 1)} long, too short for the rafters at its ends; accepted is at least ${leastMm(least, 1)}, or a plan whose lines meet in one point`,
      },
    ];
  });

/**
 * Whether a fold of the roof comes in over the walls. One that does not lies in the overhang from end to end, where two
 * eaves meet at an inner corner of the plates: no timber stands on it, and the tails beside it are cut to it.
 */
export const comesOverWalls = (
  blocks: readonly BlockRoof[],
  slopes: readonly Slope[],
  { kind, from, to, slopes: beside }: Fold,
): boolean => {
  if (kind === 'ridge') return true;
  const ids = new Set(beside.flatMap((i) => slopes[i]?.sides.map(({ block }) => block)));
  const near = v3.inPlan(v3.lerp(to, from, SAME_POINT_MM / v3.distance(to, from)));
  return blocks.some(({ id, walls }) => ids.has(id) && outside(walls, near) < 0);
};

/** Eaves of two roofs nearer than this drain onto each other. mm */
const GUTTER_MM = 60;

/** A gutter is drained where a saddle stands on the slope over all of it but this, plan. mm */
const UNDRAINED_MM = 400;

/** Whether a saddle on the slope over a wall throws the water out of the gutter along it. */
const drained = ({ saddles }: Job, block: string, { index }: SideLine, lengthMm: number): boolean =>
  saddles.some(
    ({ block: id, side, along, at }) =>
      id === block &&
      side === index &&
      Math.abs(at) < GUTTER_MM &&
      along[1] - along[0] >= lengthMm - UNDRAINED_MM,
  );

/** Two eaves back to back over one line: both roofs drain into the gutter between them. */
const backToBack = (job: Job, { blocks }: Roof): Problem[] => {
  const eaves = blocks.flatMap((block) =>
    block.sides.flatMap((side) =>
      side.roof === 'eave'
        ? standingWall(blocks, block, side).map((stretch) => ({ block, side, stretch }))
        : [],
    ),
  );
  return eaves.flatMap((one, i) =>
    eaves.slice(i + 1).flatMap((other): Problem[] => {
      const { start, along, inward, overhangMm } = one.side;
      if (one.block === other.block || v2.dot(along, other.side.along) > -1 + SAME_WAY_SINE)
        return [];
      const from = v2.sub(start, v2.scale(inward, overhangMm));
      const edge = v2.sub(other.side.start, v2.scale(other.side.inward, other.side.overhangMm));
      const apart = v2.dot(v2.sub(from, edge), inward);
      const u = v2.dot(v2.sub(edge, from), along);
      const shared =
        Math.min(one.stretch[1], u - other.stretch[0]) -
        Math.max(one.stretch[0], u - other.stretch[1]);
      if (Math.abs(apart) > GUTTER_MM || shared < GUTTER_MM) return [];
      const stretch = [one, other].every(({ block, side }) => drained(job, block.id, side, shared));
      if (stretch) return [];
      return [
        notYet(
          ['blocks', blocks.indexOf(other.block), 'sides', other.side.index],
          say`the roofs of "${one.block.id}" and "${other.block.id}" stand back to back and drain into one level gutter ${inMm(shared)} long; accepted are eaves apart, valleys that fall, or a saddle on both slopes all along it`,
        ),
      ];
    }),
  );
};

/** A lean-to that overtops the eave it leans against by less comes to its height. mm */
const ABOVE_EAVE_MM = SLACK_MM.nothing;

/** The high side of a lean-to that stands above the roof it leans against: water would run in behind it. */
const aboveTheEave = (job: Job, roof: Roof, borders: readonly RoofBorder[]): Problem[] =>
  borders.flatMap((border): Problem[] => {
    const line = roof.blocks.find(({ id }) => id === border.block)?.sides[border.side];
    if (line?.roof !== 'wall') return [];
    const beyond = [0.01, 0.5, 0.99].map((share) => {
      const [x, y, z] = v3.lerp(border.from, border.to, share);
      const p = v2.sub([x, y], line.inward);
      const other = roof.blocks.find(
        ({ id, walls }) => id !== border.block && outside(walls, p) < 0,
      );
      const over = other === undefined ? null : roofOver({ ...roof, blocks: [other] }, p);
      return over === null ? 0 : z - over.z;
    });
    const above = Math.max(...beyond);
    if (above <= ABOVE_EAVE_MM) return [];
    return [
      {
        code: 'step',
        path: [...pathOf(job, border), 'roof'],
        text: say`the high side of "${border.block}" stands ${inMm(above)} above the roof it leans against; lower its ‹plate› or its pitch until it comes under that eave`,
      },
    ];
  });

/**
 * Roofs that are worked out but no frame can be set on, each with its place in the job.
 *
 * @param laid it is laid on another roof, which hides its open end
 */
export const unsound = (
  job: Job,
  roof: Roof,
  pieces: readonly RoofPiece[],
  dead: readonly DeadLine[],
  laid: boolean,
): Problem[] => {
  const borders = roof.edges.filter((edge): edge is RoofBorder => 'side' in edge);
  const lines = dead.map(({ kind, line }) => {
    const [left, right] = line.slopes.map((i) => roof.slopes[i]?.sides[0]);
    const long = inMm(v2.distance(v3.inPlan(line.from), v3.inPlan(line.to)));
    const path = ['blocks', job.blocks.findIndex((one) => one.id === right?.block)];
    return notYet(
      path,
      kind === 'gutter'
        ? say`the roofs of "${left?.block ?? ''}" and "${right?.block ?? ''}" fall towards each other into a level gutter ${long} long; accepted are valleys that fall`
        : say`the roofs of "${left?.block ?? ''}" and "${right?.block ?? ''}" break from one pitch into another along a level line ${long} long; accepted is a break in pitch on one side of one block, or roofs that meet in a valley or a hip`,
    );
  });
  return [
    ...lines,
    // The open end of what is laid on another roof is under that.
    ...(laid ? [] : openEnds(job, roof, borders)),
    ...stepsOverWalls(job, roof, borders),
    ...swallowed(job, roof, pieces),
    ...hiddenBreaks(roof, pieces),
    ...hiddenGablets(job, roof, borders),
    ...aboveTheEave(job, roof, borders),
    ...backToBack(job, roof),
    ...tooShort(job, roof),
  ];
};
