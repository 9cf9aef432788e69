import {
  chordWithin,
  flip,
  planeAt,
  SAME_POINT_MM,
  v2,
  v3,
  type Vec2,
  type Vec3,
} from '../../geom';
import { isRafter } from '../../kinds';
import { eaveSlope, roofAbout } from '../../roof';
import { facesOf } from '../joint/in-space';
import { plumbKeep } from '../member/board';
import { makeMember, axisOf, memberId, type EndCut, type Member, named } from '../member/member';
import type { Added, Pass } from '../pass';
import { heightOn, sideAt, type Site } from '../site';
import { below, CLIPPED_MM, hasRoom, slopeCut } from './lie';

/** A whole tie that turns further than this from square across, as a cosine, stops none. */
const ACROSS = Math.SQRT1_2;
/** A joist shorter than this holds no ceiling. mm */
const SHORTEST_MM = 300;

/** Where a rafter of an end wall stands on it, and which way it runs in. */
interface Footing {
  readonly rafter: Member;
  readonly foot: Vec2;
  readonly inward: Vec2;
  readonly plateMm: number;
}

/** The rafters that stand on an eave's plate square to it. */
const footings = (site: Site, before: readonly Member[]): Footing[] =>
  before.flatMap((rafter): Footing[] => {
    if (!isRafter(rafter) || rafter.side === null) return [];
    if (!rafter.notches.some((notch) => notch.for === 'plate')) return [];
    const { inward, plateMm } = sideAt(site, rafter.block, rafter.side);
    return [{ rafter, foot: v3.inPlan(rafter.frame.origin), inward, plateMm }];
  });

/** Whether a tie lies flat on a rafter. */
const lainOn = ({ frame, stock }: Member, tie: Member): boolean =>
  Math.abs(v3.dot(frame.s, tie.frame.s)) > 1 - SAME_POINT_MM &&
  Math.abs(
    Math.abs(v3.dot(v3.sub(tie.frame.origin, frame.origin), frame.s)) -
      (stock.thickness + tie.stock.thickness) / 2,
  ) < SAME_POINT_MM;

/** The first whole tie that a line in from the wall comes to, and the face of it that it comes to. */
const firstTie = (
  from: Vec3,
  inward: Vec2,
  ties: readonly Member[],
): { readonly tie: Member; readonly face: ReturnType<typeof flip>; readonly mm: number } | null => {
  const a: Vec3 = [inward[0], inward[1], 0];
  const hits = ties.flatMap((tie) => {
    if (Math.abs(v3.dot(tie.frame.s, a)) < ACROSS) return [];
    return facesOf(tie).flatMap((piece) => {
      const chord = chordWithin(piece, from, a);
      if (chord === null || chord[0] < SAME_POINT_MM) return [];
      const at = v3.add(from, v3.scale(a, chord[0]));
      const face = piece.find(
        (plane) => Math.abs(planeAt(plane, at)) < SAME_POINT_MM && v3.dot(plane.normal, a) < 0,
      );
      return face === undefined ? [] : [{ tie, face, mm: chord[0] }];
    });
  });
  return hits.reduce<(typeof hits)[number] | null>(
    (p, q) => (p === null || q.mm < p.mm ? q : p),
    null,
  );
};

/** A short joist flat on one face of its rafter, from the wall's outside face to the whole tie it is butted against. */
const joistAt = (
  site: Site,
  { rafter, foot, inward, plateMm }: Footing,
  ties: readonly Member[],
  way: 1 | -1,
  id: string,
): Member | null => {
  const stock = site.job.timber.rafterTie;
  const [tie] = ties;
  if (stock === undefined || tie === undefined || rafter.side === null) return null;
  const aside = (way * (rafter.stock.thickness + stock.thickness)) / 2;
  const start = v2.add(foot, v2.scale(v2.left(inward), aside));
  const middle: Vec3 = [start[0], start[1], plateMm + stock.depth / 2];
  const hit = firstTie(middle, inward, ties);
  if (hit === null || hit.mm < SHORTEST_MM) return null;
  const a: Vec3 = [inward[0], inward[1], 0];
  const e: Vec3 = [0, 0, 1];
  const slope = eaveSlope(site.roof, rafter.block, rafter.side);
  if (slope === undefined) return null;
  const proud = plateMm + stock.depth > heightOn(slope, start) + CLIPPED_MM;
  const ends: EndCut[] = [
    { at: 'top', name: 'end cut', keep: flip(hit.face), meets: hit.tie.id },
    { at: 'bottom', name: 'end cut', keep: plumbKeep(start, v2.scale(inward, -1)), meets: null },
    ...(proud ? [named(slopeCut('bottom', below(slope, 0)), 'clip cut')] : []),
  ];
  return makeMember({
    id,
    kind: 'rafter-tie',
    block: rafter.block,
    side: rafter.side,
    stock,
    frame: { origin: [start[0], start[1], plateMm], a, e, s: v3.cross(e, a) },
    topMm: stock.depth,
    ends,
    axis: axisOf(hit.mm, 0),
    pair: { rise: slope.rise, run: 1 },
  });
};

/** Whether a joist keeps under the roof all along, its clipped end aside: beside a corner the next slope falls over it. */
const underRoof = ({ roof }: Site, { frame, stock, axis, block }: Member): boolean =>
  [stock.depth, axis.runMm].every((t) =>
    [0.5, -0.5].every((share) => {
      const p = v3.add(
        v3.add(frame.origin, v3.scale(frame.a, t)),
        v3.scale(frame.s, share * stock.thickness),
      );
      return roofAbout(roof, v3.inPlan(p), block, null).z > p[2] + stock.depth;
    }),
  );

/**
 * Past the last whole tie, at a hip's end: short joists square to the others, one beside each rafter of the end wall that
 * has room for it, so that the wall is tied and the ceiling carried.
 */
export const shortJoists: Pass = (site, _primary, before): Added => {
  const { atHips } = site.job.rafterTies ?? {};
  if (atHips !== 'short' && atHips !== 'both') return { members: [], problems: [] };
  const ties = before.filter(({ kind }) => kind === 'rafter-tie');
  const members: Member[] = [];
  const numbers = new Map<string, number>();
  for (const footing of footings(site, before)) {
    const { rafter, foot, inward } = footing;
    const own = ties.filter(({ block }) => block === rafter.block);
    if (own.some((tie) => lainOn(rafter, tie))) continue;
    const { start, along, lengthMm } = sideAt(site, rafter.block, rafter.side ?? 0);
    const u = v2.dot(v2.sub(foot, start), along);
    // On the face that looks to the wall's middle first: further from the corner's falling slope.
    const left = v2.dot(v2.left(inward), along) > 0 === u < lengthMm / 2;
    const key = `${rafter.block} ${rafter.side}`;
    const number = numbers.get(key) ?? 0;
    const id = memberId(rafter.block, 'rafter-tie', rafter.side ?? 0, number);
    for (const way of left ? ([1, -1] as const) : ([-1, 1] as const)) {
      const joist = joistAt(site, footing, own, way, `${id}.short`);
      if (joist === null || !underRoof(site, joist)) continue;
      if (!hasRoom(site, [joist], [...before, ...members])) continue;
      members.push(joist);
      numbers.set(key, number + 1);
      break;
    }
  }
  return { members, problems: [] };
};
