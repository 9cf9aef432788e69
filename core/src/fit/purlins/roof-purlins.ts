import {
  boxRound,
  SLACK_SINE,
  chordOf,
  chordWithin,
  FIT_GAP_MM,
  intervals,
  planeAt,
  v2,
  v3,
  type Interval,
  type Vec2,
  type Vec3,
} from '../../geom';
import { isRafter } from '../../kinds';
import {
  heightAt,
  purlinRows,
  purlinsOn,
  underLaid,
  type PurlinRow,
  type SideLine,
  type Slope,
} from '../../roof';
import { inMm, say } from '../../sentence';
import type { Touching } from '../contact/contacts';
import { atGable } from '../roof/ends';
import { findingOn } from '../finding';
import { outFrom, type FrameOnSite } from '../frame-on-site';
import { purlinLies } from '../roof/in-place';
import type { Placed, PlacedFace } from '../contact/placed';
import { acrossOpenings } from '../openings/openings';
import { onMiddleOf } from './purlins';
import type { FitProblem } from '../report';

/** A face nearer than this to a purlin's own direction is a side or an edge of it, as a sine. */
const ALONG = SLACK_SINE.side;
/** Less of a row than this is rounding, or too short for a purlin. mm */
const LEAST_BARE_MM = 310;
/** Between two rafters less than this takes no purlin. mm */
const LEAST_GAP_MM = 65;
/** Just inside a purlin's edges. mm */
const INSIDE_MM = 5;

type Set = NonNullable<ReturnType<typeof purlinsOn>>['set'];

/** A side's rows, with the lines that they lie on. */
interface Side {
  readonly block: string;
  readonly line: SideLine;
  readonly set: Set;
  readonly rows: readonly PurlinRow[];
}

const sidesOf = ({ job, roof }: FrameOnSite): Side[] =>
  job.blocks.flatMap(({ id: block }) => {
    const own = roof.blocks.find(({ id }) => id === block);
    return (own?.sides ?? []).flatMap((line): Side[] => {
      const wanted = purlinsOn(job, block, line.index);
      if (own === undefined || wanted === null || line.roof !== 'eave') return [];
      const rows = purlinRows(roof, own, line.index, wanted.set);
      return [{ block, line, set: wanted.set, rows }];
    });
  });

/** The slopes of a side, one a pitch. */
const slopesOf = ({ roof }: FrameOnSite, { block, line }: Side): Slope[] =>
  roof.slopes.filter(({ sides }) =>
    sides.some((one) => one.block === block && one.side === line.index),
  );

/** The slope of a side that a row lies on: of its pitches the one there. */
const slopeThere = (site: FrameOnSite, side: Side, p: Vec2): Slope | null => {
  const { block, line } = side;
  const over = slopesOf(site, side).find(({ pieces }) =>
    pieces.some(
      ({ plane, polygon }) =>
        plane.block === block &&
        plane.side === line.index &&
        chordOf(polygon, p, line.along) !== null,
    ),
  );
  return over ?? null;
};

/** Along a row: how far the roof of its side reaches, of every pitch. mm */
const reachOf = (site: FrameOnSite, side: Side, row: PurlinRow): Interval[] => {
  const { block, line, set } = side;
  const from = rowStart(side, row);
  const all = intervals.unite(
    site.roof.slopes.flatMap(({ pieces }) =>
      pieces
        .filter(({ plane }) => plane.block === block && plane.side === line.index)
        .flatMap(({ polygon }): Interval[] => {
          const chord = chordOf(polygon, from, line.along);
          return chord === null ? [] : [[chord.low, chord.high]];
        }),
    ),
    1,
  );
  // Cut at the trimmers where it would cross a hole.
  const half = (set.stock.thickness / 2) * Math.cos(slopesOf(site, side)[0]?.slopeRad ?? 0);
  const slopes = slopesOf(site, side);
  const reach = [row.distance - half, row.distance + half] as const;
  const holes = slopes
    .flatMap((slope) => acrossOpenings(site, slope, line, reach))
    .map(({ along }) => along);
  const laid = slopes.flatMap((slope) =>
    set.set === 'over'
      ? [half, -half].flatMap((by) =>
          underLaid(
            site.roof,
            slope,
            v2.add(from, v2.scale(line.inward, by)),
            line.along,
            set.stock.depth / Math.cos(slope.slopeRad),
          ),
        )
      : [],
  );
  return intervals.without(all, [...holes, ...laid], 1);
};

const rowStart = ({ line }: Side, { distance }: PurlinRow): Vec2 =>
  v2.add(line.start, v2.scale(line.inward, distance));

/** How a purlin lies: its face on the rafters or flush with them, on a row, its ends where they belong. */
const checkLies = (
  site: FrameOnSite,
  sides: readonly Side[],
  placed: Placed,
  lies: 'over' | 'between',
  touching: Touching,
): FitProblem[] => {
  const { member, mark, corners, pieces } = placed;
  const side = sides.find(
    ({ block, line }) => block === member.block && line.index === member.side,
  );
  // Of the pitches of its side, the one that it lies nearest to.
  const offs =
    side === undefined
      ? []
      : slopesOf(site, side).map((slope) => {
          const away = corners.map((p) => planeAt(slope.plane, p));
          return { slope, off: lies === 'over' ? Math.min(...away) : Math.max(...away) };
        });
  const [nearestSlope] = offs.sort((p, q) => Math.abs(p.off) - Math.abs(q.off));
  if (side === undefined || nearestSlope === undefined || side.set.set !== lies)
    return [findingOn(placed, 'misplaced', 0, say`${mark} lies where no ‹purlin› is wanted`)];
  const { slope, off } = nearestSlope;
  const found: FitProblem[] = [];
  if (Math.abs(off) > FIT_GAP_MM)
    found.push(
      findingOn(
        placed,
        off > 0 ? 'proud' : 'low',
        Math.abs(off),
        say`${mark} stands ${inMm(Math.abs(off), 1)} off the rafters’ tops`,
      ),
    );
  // Its middle, square to the slope: where the row's line would have it, on the rafters' tops.
  const up = v3.cross(slope.plane.normal, [slope.along[0], slope.along[1], 0]);
  const ups = corners.map((p) => v3.dot(p, up));
  const centre = (Math.min(...ups) + Math.max(...ups)) / 2;
  const apart = side.rows.map((row) => {
    const [x, y] = rowStart(side, row);
    return Math.abs(v3.dot([x, y, heightAt(slope, [x, y])], up) - centre);
  });
  const nearest = Math.min(...apart);
  const row = side.rows[apart.indexOf(nearest)];
  if (nearest > FIT_GAP_MM)
    found.push(
      findingOn(placed, 'misplaced', nearest, say`${mark} lies ${inMm(nearest, 1)} off its row`),
    );
  const own = touching(placed);
  const bears = (face: PlacedFace): boolean =>
    own.some((contact) => contact.face === face || contact.otherFace === face);
  const ends = pieces
    .flatMap(({ faces }) => faces)
    .filter(({ plane }) => Math.abs(v3.dot(plane.normal, member.frame.a)) > ALONG);
  for (const face of ends) {
    if (bears(face)) continue;
    if (lies === 'over' && endsFree(site, placed, face)) continue;
    if (lies === 'over' && row !== undefined && atReachEnd(site, side, row, face)) continue;
    found.push(
      findingOn(
        placed,
        'misplaced',
        0,
        lies === 'over'
          ? say`an end of ${mark} stands neither on the middle of a ‹hip› or ‹valley› nor at the roof’s edge`
          : say`an end of ${mark} comes against nothing`,
      ),
    );
  }
  return found;
};

/** Whether an end over the rafters lies where the roof ends: on a line of it, at the edge over a gable, at a wall. */
const endsFree = (site: FrameOnSite, { member }: Placed, face: PlacedFace): boolean =>
  onMiddleOf(site, face, ['hip', 'valley', 'ridge']) ||
  atGable(site, member, face) ||
  site.roof.blocks.some(({ sides }) =>
    sides.some((side) =>
      face.points.every((p) => Math.abs(outFrom(side, p) - side.overhangMm) <= FIT_GAP_MM),
    ),
  );

/** Whether an end stands square across where the roof of its side ends along its row, and another part's goes on. */
const atReachEnd = (
  site: FrameOnSite,
  side: Side,
  row: PurlinRow,
  { points, plane }: PlacedFace,
): boolean => {
  const { along } = side.line;
  const from = rowStart(side, row);
  if (Math.abs(v3.dot(plane.normal, [along[0], along[1], 0])) < 1 - ALONG ** 2) return false;
  return reachOf(site, side, row).some((reach) =>
    reach.some((t) =>
      points.every((p) => Math.abs(v2.dot(v2.sub(v3.inPlan(p), from), along) - t) <= FIT_GAP_MM),
    ),
  );
};

/** What of the rows has no purlin: over rafters that stand under it, or between two of them. */
const bareRows = (site: FrameOnSite, sides: readonly Side[]): FitProblem[] =>
  sides.flatMap((side) =>
    side.rows.flatMap((row): FitProblem[] => {
      const from = rowStart(side, row);
      const slope = slopeThere(site, side, from);
      if (slope === null) return [];
      const a: Vec3 = [slope.along[0], slope.along[1], 0];
      const { normal } = slope.plane;
      const at = (mm: number): Vec3 =>
        v3.add([from[0], from[1], heightAt(slope, from)], v3.scale(normal, mm));
      const within = (start: Vec3, among: readonly Placed[]): Interval[] =>
        among.flatMap(({ pieces }) =>
          pieces.flatMap(({ faces }): Interval[] => {
            const chord = chordWithin(
              faces.map(({ plane }) => plane),
              start,
              a,
            );
            return chord === null ? [] : [[chord[0], chord[1]]];
          }),
        );
      const over = side.set.set === 'over';
      const reach = reachOf(site, side, row);
      // A purlin between rafters is bounded by what reaches in anywhere between its four edges.
      const { thickness, depth } = side.set.stock;
      const ends = reach.flat().map((t) => v3.add(at(0), v3.scale(a, t)));
      const near = site.index.near(boxRound(ends), thickness + depth);
      const asides = [thickness / 2 - INSIDE_MM, INSIDE_MM - thickness / 2];
      const reads = over
        ? [at(INSIDE_MM)]
        : asides.flatMap((aside) =>
            [INSIDE_MM, depth - INSIDE_MM].map((down) =>
              v3.add(at(-down), v3.scale(v3.cross(normal, a), aside)),
            ),
          );
      const held = reads.flatMap((read) => within(read, near));
      const tops = within(
        at(-INSIDE_MM),
        near.filter(({ member }) => isRafter(member)),
      );
      const bare = intervals.without(
        reach,
        intervals.unite(held, 1),
        over ? LEAST_BARE_MM : LEAST_GAP_MM,
      );
      const touches = (t: number): boolean => held.some(([p, q]) => p - 1 < t && t < q + 1);
      return bare
        .filter(([low, high]) =>
          over
            ? tops.some(([p, q]) => q > low && p < high)
            : touches(low) && touches(high) && tops.some(([p, q]) => q > low - 1 && p < high + 1),
        )
        .map(([low, high]) => {
          const p = v2.add(from, v2.scale(v3.inPlan(a), (low + high) / 2));
          return {
            members: ['purlin', 'roof'],
            ids: [],
            kind: 'missing',
            on: { block: side.block, side: side.line.index },
            mm: high - low,
            at: [p[0], p[1], heightAt(slope, p)],
            text: say`${inMm(high - low)} of a row of ‹purlins› on "${side.block}", wall ${side.line.index + 1}, has none`,
          };
        });
    }),
  );

/** How the purlins over and between the rafters lie, and where one is wanted and missing. */
export const checkRoofPurlins = (site: FrameOnSite, touching: Touching): FitProblem[] => {
  const sides = sidesOf(site);
  const own = site.members.flatMap((placed) => {
    const lies = purlinLies(site, placed);
    return lies === 'over' || lies === 'between' ? [{ placed, lies }] : [];
  });
  return [
    ...own.flatMap(({ placed, lies }) => checkLies(site, sides, placed, lies, touching)),
    ...bareRows(site, sides),
  ];
};
