import {
  chordWithin,
  FIT_GAP_MM,
  flip,
  halfSpace,
  planeAt,
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
import {
  makeMember,
  axisOf,
  memberId,
  type EndCut,
  type Member,
  type Notch,
  type CutName,
} from '../member/member';
import { sideAt, type Site } from '../site';
import { laidAlong, onGable, rungsAlong, toBarge, upOf } from './lookout-places';
import { isSquare, laidIn, type Rake } from './rake';

/** How much of a rafter's depth a lookout laid through its top may take. */
const MOST_HOUSED = 1 / 2;

/** Where a lookout begins: how far out of the gable's face, on which plane, and on whose. */
interface InnerEnd {
  readonly fromMm: number;
  /** Square to the lookout where none is given. */
  readonly keep?: EndCut['keep'];
  readonly meets: string | null;
}

/** A board out from a gable along its slope's level, from its wall's face to the barge. mm */
const levelOut = (
  rake: Rake,
  stock: Stock,
  id: string,
  lie: { readonly origin: Vec3; readonly e: Vec3; readonly topMm: number },
  barge: Stock,
  inner: InnerEnd,
): Member => {
  const { slope, low, outward, level, border, eave } = rake;
  const a: Vec3 = [level[0], level[1], 0];
  const out: Vec3 = [outward[0], outward[1], 0];
  const start = v3.add(lie.origin, v3.scale(a, inner.fromMm));
  const atBarge = halfSpace(v3.sub(low, v3.scale(out, barge.thickness)), out);
  const within = inner.keep ?? halfSpace(start, v3.scale(a, -1));
  return makeMember({
    id,
    kind: 'lookout',
    block: border.block,
    side: eave.side,
    stock,
    frame: {
      origin: start,
      a,
      e: lie.e,
      s: v3.cross(lie.e, a),
    },
    topMm: lie.topMm,
    ends: [
      { at: 'top', name: 'end cut', keep: atBarge, meets: null },
      { at: 'bottom', name: 'end cut', keep: within, meets: inner.meets },
    ],
    axis: axisOf(toBarge(rake, barge) - inner.fromMm, 0),
    pair: { rise: slope.rise, run: 1 },
  });
};

/** What stands at a gable's end, and the gable's rafters that are sawn again to take it. */
export interface Lookouts {
  readonly members: readonly Member[];
  readonly resawn: readonly Member[];
}

/** Out of square the gable's rafter is flush with its wall at one end only: a rung comes in to whichever face it has there. */
const innerEnd = (
  rake: Rake,
  barge: Stock,
  stock: Stock,
  origin: Vec3,
  own: readonly Member[],
): InnerEnd | null => {
  const level: Vec3 = [rake.level[0], rake.level[1], 0];
  const within = v3.scale(rake.slope.plane.normal, stock.depth / 2);
  const to = toBarge(rake, barge);
  const from = v3.add(v3.sub(origin, within), v3.scale(level, to));
  const found = nextInside([from], rake.level, own);
  if (found === null) return null;
  const p = v3.sub(from, v3.scale(level, found.mm));
  // Past the plate it is trimmed along the wall.
  const cheek = found.rafter.ends.find(({ keep }) => Math.abs(planeAt(keep, p)) < SAME_POINT_MM);
  return {
    fromMm: to - found.mm,
    ...(cheek !== undefined && { keep: flip(cheek.keep) }),
    meets: null,
  };
};

/** A rung between the gable's first rafter and the barge, square to the rafter; null where none stands there. */
const rungAt = (
  rake: Rake,
  barge: Stock,
  stock: Stock,
  along: number,
  id: string,
  own: readonly Member[],
): Member | null => {
  const origin = onGable(rake, along);
  const inner = isSquare(rake)
    ? { fromMm: 0, meets: null }
    : innerEnd(rake, barge, stock, origin, own);
  const lie = { origin, e: rake.slope.plane.normal, topMm: 0 };
  return inner === null ? null : levelOut(rake, stock, id, lie, barge, inner);
};

/** The rafters of a rake's slope that stand in the gable's wall, flush with its face: at one end, where it is out of square. */
const gableRafters = (site: Site, rake: Rake, before: readonly Member[]): Member[] => {
  const { border, eave, outward, level } = rake;
  const { start } = sideAt(site, border.block, border.side);
  const own = before.filter(
    (member) => isRafter(member) && member.block === border.block && member.side === eave.side,
  );
  const out = ({ frame: { origin } }: Member): number => v2.dot(v3.inPlan(origin), level);
  const outmost = Math.max(...own.map(out));
  return own.filter((member) => {
    if (!isSquare(rake)) return outmost - out(member) < SAME_POINT_MM;
    const in2: Vec2 = v3.inPlan(v3.sub(member.frame.origin, [start[0], start[1], 0]));
    return Math.abs(v2.dot(in2, outward) + member.stock.thickness / 2) < FIT_GAP_MM;
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
  const inward: Vec3 = [-rake.level[0], -rake.level[1], 0];
  const { depth } = site.job.timber.common;
  const reads = [rake.low, rake.high].flatMap((p): Vec3[] => [p, [p[0], p[1], p[2] - 2 * depth]]);
  return {
    own: gableRafters(site, rake, before),
    inside: nearLines(reads, inward, [0, SPACES_IN * site.job.framing.spacing], before),
  };
};

/** The first rafter inside a gable that a line in from its face comes to, and how far in; null where none does. */
const nextInside = (
  from: readonly Vec3[],
  out: Vec2,
  rafters: readonly Member[],
): { readonly rafter: Member; readonly mm: number } | null => {
  const inward: Vec3 = [-out[0], -out[1], 0];
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
  return first?.rafter == null || hits.some(({ mm }) => Math.abs(mm - first.mm) > FIT_GAP_MM / 2)
    ? null
    : { rafter: first.rafter, mm: first.mm };
};

/** The housing through a rafter's top that a lookout lies in. */
const housing = (rake: Rake, stock: Stock, along: number, lookout: string): Notch => {
  const up = upOf(rake);
  const { normal } = rake.slope.plane;
  const on = onGable(rake, along);
  const face = (at: 'seat' | 'heel', name: CutName, keep: Notch['seat']['keep']): EndCut => ({
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
      (piece) => chordWithin(piece, middle, [rake.level[0], rake.level[1], 0]) !== null,
    ),
  );
  if (through === undefined) return null;
  const edges = [0.5, 0, -0.5].map((share) => v3.add(middle, v3.scale(up, share * stock.depth)));
  const next = nextInside(
    edges,
    rake.level,
    inside.filter((member) => isRafter(member) && member !== through),
  );
  if (next === null) return null;
  const lookout = levelOut(
    rake,
    stock,
    id,
    { origin: middle, e: up, topMm: stock.depth / 2 },
    barge,
    { fromMm: -next.mm, meets: next.rafter.id },
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
        path: ['timber', 'lookout', 'thickness'],
        text: say`laid in through the ‹gable›’s rafter, ${inMm(stock.thickness)} takes more than half of its ${inMm(depth)}; accepted is at most ${mostMm(depth * MOST_HOUSED)}, or ‹lookouts› butted against it`,
      }
    : null;
};

/**
 * The lookouts of one rake; where one cannot be laid in, it is butted like a ladder's rung. Null where one finds no rafter
 * to stand against.
 */
export const lookoutsOf = (
  site: Site,
  rake: Rake,
  barge: Stock,
  stock: Stock,
  first: number,
  before: readonly Member[],
): Lookouts | null => {
  const { block, side } = rake.border;
  const at = atGable(site, rake, before);
  const resawn = new Map<string, Member>();
  const places = (laidIn(site) ? laidAlong : rungsAlong)(site, rake, stock);
  const members = places.flatMap((along, i): Member[] => {
    const id = memberId(block, 'lookout', side, first + i);
    const laid = laidIn(site) ? laidAt(rake, barge, stock, along, id, at) : null;
    if (laid === null) {
      const rung = rungAt(rake, barge, stock, along, id, at.own);
      return rung === null ? [] : [rung];
    }
    const { lookout, through } = laid;
    const now = resawn.get(through.id) ?? through;
    const notches = [...now.notches, housing(rake, stock, along, lookout.id)];
    resawn.set(through.id, { ...now, notches });
    return [lookout];
  });
  return members.length < places.length ? null : { members, resawn: [...resawn.values()] };
};
