import {
  chordOf,
  halfSpace,
  halfSpaceToLocal,
  toWorld,
  v2,
  v3,
  type HalfSpace,
  type Vec2,
  type Vec3,
} from '../../geom';
import type { Job, Stock } from '../../job';
import type { Problem } from '../../problem';
import type { Carrier, Slope } from '../../roof';
import { inMm, say, type Sentence } from '../../sentence';
import { clashing } from '../joint/in-space';
import { solidOf } from '../member/solid-of';
import { axisOf, memberId, type EndCut, type Member, type Notch } from '../member/member';
import type { Added, Pass } from '../pass';
import { runFrom, sideAt, type Site } from '../site';

type Wanted = Job['purlins'][number];

/** Parts of one level line this near are one. mm */
const NEAR_MM = 0.01;
/** A point this near a line of the roof, in plan, lies on it. mm */
const ON_LINE_MM = 0.5;
/** Less of a slope than this between two ends wants no purlin. mm */
const SHORTEST_MM = 300;

/** A stretch of level line on one slope, `t` along the side from its start. mm */
interface Stretch {
  readonly slope: Slope;
  readonly index: number;
  readonly low: number;
  readonly high: number;
  readonly lowTag: Carrier;
  readonly highTag: Carrier;
}

/** Plan distance from the plate's outside face to the highest point of a side's roof. mm */
const runOf = (site: Site, { block, side }: Wanted): number => {
  const line = sideAt(site, block, side);
  const points = site.roof.slopes.flatMap(({ pieces }) =>
    pieces
      .filter(({ plane }) => plane.block === block && plane.side === side)
      .flatMap(({ polygon }) => polygon.points),
  );
  return Math.max(0, ...points.map((p) => runFrom(line, p)));
};

/** Plan distance of the reference line from the plate's outside face. mm */
const distanceOf = (site: Site, wanted: Wanted): number =>
  typeof wanted.at === 'number' ? wanted.at * runOf(site, wanted) : wanted.at.distance;

/** The level line of a side at a distance, as far as its roof reaches. */
const stretches = (site: Site, { block, side }: Wanted, distance: number): Stretch[] => {
  const line = sideAt(site, block, side);
  const from = v2.add(line.start, v2.scale(line.inward, distance));
  return site.roof.slopes.flatMap((slope, index): Stretch[] => {
    const chords = slope.pieces
      .filter(({ plane }) => plane.block === block && plane.side === side)
      .flatMap(({ polygon }) => chordOf(polygon, from, slope.along) ?? [])
      .sort((p, q) => p.low - q.low);
    const found: { -readonly [K in keyof Stretch]: Stretch[K] }[] = [];
    for (const chord of chords) {
      const last = found.at(-1);
      if (last === undefined || chord.low > last.high + NEAR_MM)
        found.push({ slope, index, ...chord });
      else if (chord.high > last.high) [last.high, last.highTag] = [chord.high, chord.highTag];
    }
    return found.filter(({ low, high }) => high - low > SHORTEST_MM);
  });
};

/**
 * How an end is sawn: at a hip or a valley down its plumb middle plane, where the purlin of the other slope meets it; at
 * a gable along the wall's outside face; else square.
 */
const endPlane = (
  site: Site,
  { index }: Stretch,
  tag: Carrier,
  p: Vec2,
  out: Vec2,
): { readonly normal: Vec2; readonly mitre: boolean; readonly open: boolean } => {
  if (tag.of === 'slope') {
    const line = site.roof.lines.find(({ kind, slopes, from }) => {
      if (kind !== 'hip' && kind !== 'valley') return false;
      if (!slopes.includes(index) || !slopes.includes(tag.slope)) return false;
      return (
        Math.abs(v2.cross(heading(site, slopes, from), v2.sub(p, v3.inPlan(from)))) < ON_LINE_MM
      );
    });
    if (line !== undefined) {
      const aside = v2.left(heading(site, line.slopes, line.from));
      return {
        normal: v2.dot(aside, out) > 0 ? aside : v2.scale(aside, -1),
        mitre: true,
        open: false,
      };
    }
  }
  if (tag.of === 'wall') {
    const { inward } = sideAt(site, tag.block, tag.side);
    return { normal: v2.scale(inward, -1), mitre: false, open: false };
  }
  return { normal: out, mitre: false, open: true };
};

/** The plan direction of the line in which two slopes meet. */
const heading = ({ roof }: Site, slopes: readonly [number, number], from: Vec3): Vec2 => {
  const line = roof.lines.find(
    (one) => one.slopes[0] === slopes[0] && one.slopes[1] === slopes[1] && one.from === from,
  );
  if (line === undefined) throw new Error('frame: a line of the roof without its slopes');
  return v2.unit(v2.sub(v3.inPlan(line.to), v3.inPlan(line.from)));
};

const endOf = (
  site: Site,
  { block, side }: Wanted,
  distance: number,
  stretch: Stretch,
  which: 'top' | 'bottom',
): ReturnType<typeof endPlane> => {
  const line = sideAt(site, block, side);
  const t = which === 'top' ? stretch.high : stretch.low;
  const from = v2.add(line.start, v2.scale(line.inward, distance));
  const { along } = stretch.slope;
  return endPlane(
    site,
    stretch,
    which === 'top' ? stretch.highTag : stretch.lowTag,
    v2.add(from, v2.scale(along, t)),
    v2.scale(along, which === 'top' ? 1 : -1),
  );
};

/** The plane that the undersides of a slope's rafters lie in. */
const underside = (site: Site, { plane }: Slope): HalfSpace => ({
  normal: plane.normal,
  offset: plane.offset - site.job.timber.common.depth,
});

const heightOf = ({ normal, offset }: HalfSpace, [x, y]: Vec2): number =>
  (offset - normal[0] * x - normal[1] * y) / normal[2];

/** The mitre is one cut with a line on each face: the trade calls the two by their own names. */
const endCuts = (at: 'top' | 'bottom', keep: HalfSpace, mitre: boolean): EndCut[] =>
  mitre
    ? [
        { at, name: 'side', keep, meets: null },
        { at, name: 'edge', keep, meets: null },
      ]
    : [{ at, name: 'end cut', keep, meets: null }];

/**
 *   canted    square to the rafters: the narrow face against their undersides, the middle of it the reference line
 *
 *      ╲  rafter           ╲  rafter
 *     ╱╲╲                  ┌╲╲
 *    ╱  ╱╲                 │ │╲
 *    ╲ ╱                   │ │
 *     ╲╱  canted           └─┘  plumb: its top bevelled to the slope, the middle of it the reference line
 */
const memberOf = (
  site: Site,
  wanted: Wanted,
  stock: Stock,
  distance: number,
  stretch: Stretch,
  id: string,
): Member => {
  const { slope, low, high } = stretch;
  const line = sideAt(site, wanted.block, wanted.side);
  const under = underside(site, slope);
  const at = (t: number): Vec2 =>
    v2.add(v2.add(line.start, v2.scale(line.inward, distance)), v2.scale(slope.along, t));
  const [x, y] = at(low);
  const a: Vec3 = [slope.along[0], slope.along[1], 0];
  const canted = wanted.set === 'canted';
  const e: Vec3 = canted ? slope.plane.normal : [0, 0, 1];
  const cuts = (which: 'top' | 'bottom'): EndCut[] => {
    const p = at(which === 'top' ? high : low);
    const { normal, mitre } = endOf(site, wanted, distance, stretch, which);
    return endCuts(which, halfSpace([p[0], p[1], 0], [normal[0], normal[1], 0]), mitre);
  };
  return {
    id,
    kind: 'purlin',
    block: wanted.block,
    side: wanted.side,
    stock,
    frame: { origin: [x, y, heightOf(under, [x, y])], a, e, s: v3.cross(e, a) },
    // A plumb one's uphill corner comes up to the rafters; the rest of its top is bevelled down from there.
    topMm: canted ? 0 : (slope.rise * stock.thickness) / 2,
    ends: [...cuts('top'), ...cuts('bottom')],
    notches: [],
    bevels: canted ? [] : [{ keep: under, beyond: null }],
    mayStandProud: false,
    underRafters: true,
    axis: axisOf(high - low, 0),
    pair: { rise: slope.rise, run: 1 },
    fold: null,
    dropMm: null,
  };
};

/**
 * The lip by which a purlin passes under a hip or a valley that hangs lower than the rafters: what stands above its
 * underside goes, from its side to the mitre on its middle. A straight-edge held under it touches its side, and so
 * finds the line half its diagonal thickness too early.
 */
const lipUnder = (purlin: Member, hip: Member): Notch => {
  const { origin, s, e } = hip.frame;
  const belly = v3.add(origin, v3.scale(e, hip.topMm - hip.stock.depth));
  const middle = v3.add(purlin.frame.origin, v3.scale(purlin.frame.a, purlin.axis.runMm / 2));
  const left = v3.dot(v3.sub(middle, origin), s) > 0;
  const face = v3.add(origin, v3.scale(s, ((left ? 1 : -1) * hip.stock.thickness) / 2));
  const at = v3.dot(purlin.frame.a, s) > 0 === left ? 'bottom' : 'top';
  return {
    seat: { at: 'seat', name: 'lip', keep: halfSpace(belly, e), meets: hip.id },
    heels: [
      {
        at: 'heel',
        name: at === 'top' ? 'lip, upper end' : 'lip, lower end',
        keep: halfSpace(face, v3.scale(s, left ? -1 : 1)),
        meets: hip.id,
      },
    ],
    opens: 'top',
    corner: v3.inPlan(face),
  };
};

/** Whether the line a hip stands on runs through one of a purlin's mitres. */
const meetsAtEnd = ({ frame, axis, ends }: Member, hip: Member): boolean =>
  [0, axis.runMm].some((t) => {
    const p = v3.add(frame.origin, v3.scale(frame.a, t));
    const off = v2.dot(v2.sub(v3.inPlan(p), v3.inPlan(hip.frame.origin)), v3.inPlan(hip.frame.s));
    return Math.abs(off) < ON_LINE_MM && ends.some(({ name }) => name === 'side');
  });

const withLips = (purlin: Member, before: readonly Member[]): Member => {
  const lines = before.filter(
    (other) => (other.kind === 'hip' || other.kind === 'valley') && meetsAtEnd(purlin, other),
  );
  const low = clashing(purlin, lines);
  return low.length === 0
    ? purlin
    : { ...purlin, notches: low.map((hip) => lipUnder(purlin, hip)) };
};

/** A lip that leaves less than this share of a purlin's depth leaves too little to bear. */
const LEAST_UNDER_LIP = 1 / 4;

/** The most that a purlin's lips take of its depth, where they come to the side of what passes over. mm */
const deepestLip = ({ frame, notches, stock, topMm }: Member): number =>
  Math.max(
    0,
    ...notches.flatMap(({ seat, heels }) =>
      heels.flatMap((heel) => {
        const [lip, side] = [seat.keep, heel.keep].map((keep) => halfSpaceToLocal(frame, keep));
        if (lip === undefined || side === undefined) return [];
        return [stock.thickness / 2, -stock.thickness / 2].map((s) => {
          const [sa, ss, se] = side.normal;
          const [la, ls, le] = lip.normal;
          const det = sa * le - se * la;
          const e = (sa * (lip.offset - ls * s) - la * (side.offset - ss * s)) / det;
          return topMm - e;
        });
      }),
    ),
  );

/** Why a purlin cannot lie where it is wanted; null where it can. */
const amiss = (
  site: Site,
  wanted: Wanted,
  distance: number,
  stretch: Stretch,
  purlin: Member,
  before: readonly Member[],
): Sentence | null => {
  const { plateMm } = sideAt(site, wanted.block, wanted.side);
  const bevelled = wanted.set === 'plumb' ? purlin.pair.rise * purlin.stock.thickness : 0;
  if (bevelled > purlin.stock.depth / 2 + NEAR_MM)
    return say`set plumb would lose ${inMm(bevelled)} of its depth to the bevel; set it canted, or take a deeper or thinner one`;
  const low = Math.min(
    ...solidOf(purlin).flatMap((piece) =>
      piece.flatMap(({ points }) => points.map((p) => toWorld(purlin.frame, p)[2])),
    ),
  );
  if (low < plateMm) return say`would hang ${inMm(plateMm - low)} below the ‹plate›’s top`;
  if ((['top', 'bottom'] as const).some((at) => endOf(site, wanted, distance, stretch, at).open))
    return say`would end in the open, under no ‹hip› or ‹valley› and at no wall`;
  const lip = deepestLip(purlin);
  if (lip > purlin.stock.depth * (1 - LEAST_UNDER_LIP))
    return say`would lose ${inMm(lip)} of its depth to the lip under what hangs lower there; take a deeper one, or a shallower ‹hip› or ‹valley›`;
  const [other] = clashing(purlin, before);
  return other === undefined ? null : say`would stand in a ${other.kind} there`;
};

const problem = (index: number, code: Problem['code'], text: Problem['text']): Problem => ({
  code,
  path: `purlins.${index}.at`,
  text,
});

/** Purlins under the rafters, as many lengths a side as its roof has there. */
export const purlins: Pass = (site, _primary, before): Added => {
  const { purlins: wanted, timber } = site.job;
  if (wanted.length === 0) return { members: [], problems: [] };
  const stock = timber.purlin;
  if (stock === undefined)
    return {
      members: [],
      problems: [
        {
          code: 'missing-timber',
          path: 'timber.purlin',
          text: say`missing; this roof has ‹purlins›, so give their actual size as {"thickness": 75, "depth": 150}`,
        },
      ],
    };
  const members: Member[] = [];
  const problems: Problem[] = [];
  for (const [i, one] of wanted.entries()) {
    const distance = distanceOf(site, one);
    const run = runOf(site, one);
    const found = stretches(site, one, distance);
    if (found.length === 0) {
      problems.push(
        problem(
          i,
          'size',
          say`${inMm(distance)} in from the ‹plate› there is no roof of side ${one.side + 1} of "${one.block}" for a ‹purlin› to lie under; accepted is over 0 and under ${inMm(run)}`,
        ),
      );
      continue;
    }
    for (const [n, stretch] of found.entries()) {
      const id = memberId(one.block, 'purlin', one.side, i, n);
      const purlin = withLips(memberOf(site, one, stock, distance, stretch, id), before);
      const why = amiss(site, one, distance, stretch, purlin, [...before, ...members]);
      if (why === null) members.push(purlin);
      else
        problems.push(
          problem(
            i,
            'not-framed',
            say`a ‹purlin› ${inMm(distance)} in from the ‹plate› of side ${one.side + 1} of "${one.block}" ${why}; accepted is a place where it is clear of that, between the ‹plate› and the ‹ridge›`,
          ),
        );
    }
  }
  return { members, problems };
};
