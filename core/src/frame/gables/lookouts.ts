import {
  chordWithin,
  halfSpace,
  intervals,
  SAME_POINT_MM,
  v2,
  v3,
  type Vec2,
  type Vec3,
} from '../../geom';
import type { Stock } from '../../job';
import { isRafter } from '../../kinds';
import { inMm, mostMm, say } from '../../sentence';
import type { Problem } from '../../problem';
import { clashing, facesOf, nearLines } from '../joint/in-space';
import { plumbFrame } from '../member/board';
import { axisOf, memberId, type EndCut, type Member, type Notch } from '../member/member';
import { sideAt, type Site } from '../site';
import type { Rake } from './rake';

/** How much of a rafter's depth a lookout laid through its top may take. */
const MOST_HOUSED = 1 / 2;

/** How lookouts carry the barge: butted between it and the gable's rafter, or laid in through its top to the next. */
const laidIn = ({ job }: Pick<Site, 'job'>): boolean => job.framing.lookouts === 'laid-in';

/** The direction up a rake's slope. */
const upOf = ({ slope }: Rake): Vec3 => plumbFrame([0, 0, 0], slope.uphill, slope.slopeRad).a;

/**
 * Where the middles of a ladder's rungs stand along a rake, from its low end, along the slope: the first flush with the
 * tail's top corner, the last clear of the peak. mm
 *
 *      ╱╲      a rung stands square to the slope: its bottom edge lies uphill of its top
 *     ╱╲ ╲╲
 *    ╱  ╲ ╲╲ peak
 */
const rungsAlong = (site: Site, { slope, low, high }: Rake, stock: Stock): number[] => {
  const length = v3.distance(low, high);
  const first = stock.thickness / 2;
  const last = length - stock.thickness / 2 - stock.depth * Math.tan(slope.slopeRad);
  return intervals.evenly(first, last, site.job.framing.spacing);
};

/**
 * Likewise of lookouts laid flat in through the rafter's top: the first its own width clear of the tail's top corner, so
 * that wood is left past it, the last clear of the ridge's board. mm
 */
const laidAlong = (site: Site, { slope, low, high }: Rake, stock: Stock): number[] => {
  const ridge = (site.job.timber.ridge?.thickness ?? 0) / 2 / Math.cos(slope.slopeRad);
  const last =
    v3.distance(low, high) -
    stock.depth / 2 -
    stock.thickness * Math.tan(slope.slopeRad) -
    Math.max(ridge, SAME_POINT_MM);
  return intervals.evenly(1.5 * stock.depth, last, site.job.framing.spacing);
};

/** A board square out from a gable, from `from` to `to` past its wall's face. mm */
const squareOut = (
  rake: Rake,
  stock: Stock,
  id: string,
  lie: { readonly origin: Vec3; readonly e: Vec3; readonly topMm: number },
  from: number,
  to: number,
  inner: string | null,
): Member => {
  const { slope, outward, border, eave } = rake;
  const a: Vec3 = [outward[0], outward[1], 0];
  const end = (at: 'top' | 'bottom', t: number, way: 1 | -1): EndCut => ({
    at,
    name: 'end cut',
    keep: halfSpace(v3.add(lie.origin, v3.scale(a, t)), v3.scale(a, way)),
    meets: at === 'bottom' ? inner : null,
  });
  return {
    id,
    kind: 'lookout',
    block: border.block,
    side: eave.side,
    stock,
    frame: {
      origin: v3.add(lie.origin, v3.scale(a, from)),
      a,
      e: lie.e,
      s: v3.cross(lie.e, a),
    },
    topMm: lie.topMm,
    ends: [end('top', to, 1), end('bottom', from, -1)],
    notches: [],
    bevels: [],
    mayStandProud: false,
    axis: axisOf(to - from, 0),
    pair: { rise: slope.rise, run: 1 },
    fold: null,
    dropMm: null,
  };
};

/** Lookouts, and the gable's rafters that are sawn again to take them. */
export interface Lookouts {
  readonly members: readonly Member[];
  readonly resawn: readonly Member[];
}

/** Where on a rake's line, over the gable's face, something stands so far along it. */
const onGable = (rake: Rake, along: number): Vec3 => {
  const out: Vec3 = [rake.outward[0], rake.outward[1], 0];
  return v3.sub(v3.add(rake.low, v3.scale(upOf(rake), along)), v3.scale(out, rake.overhangMm));
};

/** The rungs between the gable's first rafter and the barge, square to both. */
const rungAt = (rake: Rake, barge: Stock, stock: Stock, along: number, id: string): Member =>
  squareOut(
    rake,
    stock,
    id,
    { origin: onGable(rake, along), e: rake.slope.plane.normal, topMm: 0 },
    0,
    rake.overhangMm - barge.thickness,
    null,
  );

/** The rafters of a rake's slope that stand in the gable's wall, flush with its face. */
const gableRafters = (site: Site, rake: Rake, before: readonly Member[]): Member[] => {
  const { border, eave, outward } = rake;
  const { start } = sideAt(site, border.block, border.side);
  return before.filter((member) => {
    if (!isRafter(member) || member.block !== border.block || member.side !== eave.side)
      return false;
    const in2: Vec2 = v3.inPlan(v3.sub(member.frame.origin, [start[0], start[1], 0]));
    return Math.abs(v2.dot(in2, outward) + member.stock.thickness / 2) < SAME_POINT_MM;
  });
};

/** What stands at a gable: the rafters in its wall, and whatever comes near its end of the roof. */
interface AtGable {
  readonly own: readonly Member[];
  readonly inside: readonly Member[];
}

/** How many spaces in from a gable the next rafter is looked for. */
const SPACES_IN = 3;

const atGable = (site: Site, rake: Rake, before: readonly Member[]): AtGable => {
  const inward: Vec3 = [-rake.outward[0], -rake.outward[1], 0];
  const { depth } = site.job.timber.common;
  const reads = [rake.low, rake.high].flatMap((p): Vec3[] => [p, [p[0], p[1], p[2] - 2 * depth]]);
  return {
    own: gableRafters(site, rake, before),
    inside: nearLines(reads, inward, [0, SPACES_IN * site.job.framing.spacing], before),
  };
};

/** The first rafter inside a gable that a line square in from its face comes to, and how far in; null where none does. */
const nextInside = (
  from: readonly Vec3[],
  outward: Vec2,
  rafters: readonly Member[],
): { readonly rafter: Member; readonly mm: number } | null => {
  const inward: Vec3 = [-outward[0], -outward[1], 0];
  const hits = from.map((p) =>
    rafters
      .flatMap((rafter) =>
        facesOf(rafter).flatMap((piece) => {
          const chord = chordWithin(piece, p, inward);
          return chord === null || chord[0] < -SAME_POINT_MM ? [] : [{ rafter, mm: chord[0] }];
        }),
      )
      .reduce((p1, q) => (q.mm < p1.mm ? q : p1), { rafter: null as Member | null, mm: Infinity }),
  );
  const [first] = hits;
  return first?.rafter == null || hits.some(({ mm }) => Math.abs(mm - first.mm) > SAME_POINT_MM)
    ? null
    : { rafter: first.rafter, mm: first.mm };
};

/** The housing through a rafter's top that a lookout lies in. */
const housing = (rake: Rake, stock: Stock, along: number, lookout: string): Notch => {
  const up = upOf(rake);
  const { normal } = rake.slope.plane;
  const on = onGable(rake, along);
  const face = (at: 'seat' | 'heel', name: string, keep: Notch['seat']['keep']): EndCut => ({
    at,
    name,
    keep,
    meets: lookout,
  });
  const side = (way: 1 | -1): Notch['seat']['keep'] =>
    halfSpace(v3.add(on, v3.scale(up, (-way * stock.depth) / 2)), v3.scale(up, way));
  return {
    for: 'housing',
    seat: face('seat', 'housing', halfSpace(v3.sub(on, v3.scale(normal, stock.thickness)), normal)),
    heels: [
      face('heel', 'housing, upper side', side(-1)),
      face('heel', 'housing, lower side', side(1)),
    ],
    opens: 'top',
    corner: v3.inPlan(on),
  };
};

/** A lookout laid flat in through the gable's rafter to the next one inside; null where none stands there, or something is in the way. */
const laidAt = (
  rake: Rake,
  barge: Stock,
  stock: Stock,
  along: number,
  id: string,
  { own, inside }: AtGable,
): { readonly lookout: Member; readonly through: Member } | null => {
  const up = upOf(rake);
  const middle = v3.sub(
    onGable(rake, along),
    v3.scale(rake.slope.plane.normal, stock.thickness / 2),
  );
  const [through] = own.filter((rafter) =>
    facesOf(rafter).some(
      (piece) => chordWithin(piece, middle, [rake.outward[0], rake.outward[1], 0]) !== null,
    ),
  );
  if (through === undefined) return null;
  const edges = [0.5, 0, -0.5].map((share) => v3.add(middle, v3.scale(up, share * stock.depth)));
  const next = nextInside(
    edges,
    rake.outward,
    inside.filter((member) => isRafter(member) && member !== through),
  );
  if (next === null) return null;
  const lookout = squareOut(
    rake,
    stock,
    id,
    { origin: middle, e: up, topMm: stock.depth / 2 },
    -next.mm,
    rake.overhangMm - barge.thickness,
    next.rafter.id,
  );
  const clear = clashing(lookout, inside).every((other) => other === through);
  return clear ? { lookout, through } : null;
};

/** Why lookouts cannot be laid in; null where they can. */
export const tooThick = (site: Site, stock: Stock): Problem | null => {
  const { depth } = site.job.timber.common;
  return laidIn(site) && stock.thickness > depth * MOST_HOUSED
    ? {
        code: 'size',
        path: 'timber.lookout.thickness',
        text: say`laid in through the ‹gable›’s rafter, ${inMm(stock.thickness)} takes more than half of its ${inMm(depth)}; accepted is at most ${mostMm(depth * MOST_HOUSED)}, or ‹lookouts› butted against it`,
      }
    : null;
};

/** The lookouts of one rake; where one cannot be laid in, it is butted like a ladder's rung. */
export const lookoutsOf = (
  site: Site,
  rake: Rake,
  barge: Stock,
  stock: Stock,
  first: number,
  before: readonly Member[],
): Lookouts => {
  const { block, side } = rake.border;
  const id = (i: number): string => memberId(block, 'lookout', side, first + i);
  if (!laidIn(site))
    return {
      members: rungsAlong(site, rake, stock).map((along, i) =>
        rungAt(rake, barge, stock, along, id(i)),
      ),
      resawn: [],
    };
  const resawn = new Map<string, Member>();
  const at = atGable(site, rake, before);
  const members = laidAlong(site, rake, stock).map((along, i): Member => {
    const laid = laidAt(rake, barge, stock, along, id(i), at);
    if (laid === null) return rungAt(rake, barge, stock, along, id(i));
    const { lookout, through } = laid;
    const now = resawn.get(through.id) ?? through;
    const notches = [...now.notches, housing(rake, stock, along, lookout.id)];
    resawn.set(through.id, { ...now, notches });
    return lookout;
  });
  return { members, resawn: [...resawn.values()] };
};
