import { SAME_WAY_SINE, SLACK_MM, v2, v3, type Vec3 } from '../../geom';
import { eaveSlope } from '../../roof';
import { clashing } from '../joint/in-space';
import { plumbKeep } from '../member/board';
import { makeMember, axisOf, memberId, type EndCut, type Member, named } from '../member/member';
import type { Added, Pass } from '../pass';
import { sideAt, type Site } from '../site';
import { below, slopeCut } from './lie';

/** A joist further from its rafter than this is not packed out to it; nearer than the least, they touch. mm */
export const MOST_SPACER_MM = 60;
const LEAST_SPACER_MM = SLACK_MM.beside;
/** How long a spacer block is, in depths of its joist: enough for nails in two rows. */
const DEPTHS_LONG = 2;

/** A joist beside a rafter, and the gap between their faces. */
interface Beside {
  readonly joist: Member;
  readonly gapMm: number;
  /** Of the joist, from the rafter: to its left, looking up it, or to its right. */
  readonly way: 1 | -1;
}

/** The joist nearest to a rafter at its foot that runs its way, where there is a gap to pack. */
const besideOf = (rafter: Member, joists: readonly Member[]): Beside | null => {
  const heading = v2.unit(v3.inPlan(rafter.frame.a));
  const foot = v3.inPlan(rafter.frame.origin);
  const found = joists.flatMap((joist): Beside[] => {
    const { frame, axis, stock } = joist;
    if (joist.block !== rafter.block) return [];
    if (Math.abs(v2.cross(heading, v3.inPlan(frame.a))) > SAME_WAY_SINE) return [];
    const from = v2.sub(v3.inPlan(frame.origin), foot);
    const t = -v2.dot(from, v3.inPlan(frame.a));
    // It lies over this rafter's plate.
    if (t < -1 || t > axis.runMm + 1) return [];
    const off = v2.dot(from, v2.left(heading));
    const gapMm = Math.abs(off) - (rafter.stock.thickness + stock.thickness) / 2;
    return [{ joist, gapMm, way: off > 0 ? 1 : -1 }];
  });
  const nearest = found.reduce<Beside | null>(
    (p, q) => (p === null || q.gapMm < p.gapMm ? q : p),
    null,
  );
  return nearest === null || nearest.gapMm < LEAST_SPACER_MM || nearest.gapMm > MOST_SPACER_MM
    ? null
    : nearest;
};

/** A block on the plate that fills the gap, clipped to the slope as the joist is. */
const blockIn = (site: Site, rafter: Member, { joist, gapMm, way }: Beside): Member | null => {
  if (rafter.side === null) return null;
  const { inward, plateMm } = sideAt(site, rafter.block, rafter.side);
  const aside = (way * (rafter.stock.thickness + gapMm)) / 2;
  const [x, y] = v2.add(
    v3.inPlan(rafter.frame.origin),
    v2.scale(v2.left(v2.unit(v3.inPlan(rafter.frame.a))), aside),
  );
  const run = DEPTHS_LONG * joist.stock.depth;
  const a: Vec3 = [inward[0], inward[1], 0];
  const e: Vec3 = [0, 0, 1];
  const slope = eaveSlope(site.roof, rafter.block, rafter.side);
  if (slope === undefined) return null;
  const ends: EndCut[] = [
    {
      at: 'top',
      name: 'end cut',
      keep: plumbKeep(v2.add([x, y], v2.scale(inward, run)), inward),
      meets: null,
    },
    { at: 'bottom', name: 'end cut', keep: plumbKeep([x, y], v2.scale(inward, -1)), meets: null },
    ...joist.ends
      .filter(({ name }) => name === 'clip cut')
      .slice(0, 1)
      .map((): EndCut => named(slopeCut('bottom', below(slope, 0)), 'clip cut')),
  ];
  return makeMember({
    id: `${rafter.id}.spacer`,
    kind: 'spacer',
    block: rafter.block,
    side: rafter.side,
    stock: { thickness: gapMm, depth: joist.stock.depth },
    frame: { origin: [x, y, plateMm], a, e, s: v3.cross(e, a) },
    topMm: joist.stock.depth,
    ends,
    axis: axisOf(run, 0),
    pair: { rise: slope.rise, run: 1 },
  });
};

/** Blocks between a rafter and the joist beside it, where the two do not touch and are to be fixed to each other. */
export const spacers: Pass = (site, _primary, before): Added => {
  if (site.job.rafterTies?.spacers !== true) return { members: [], problems: [] };
  const joists = before.filter(({ kind }) => kind === 'rafter-tie');
  const members = before
    .filter(({ kind, notches }) => kind === 'common' && notches.some((one) => one.for === 'plate'))
    .flatMap((rafter): Member[] => {
      const beside = besideOf(rafter, joists);
      const block = beside === null ? null : blockIn(site, rafter, beside);
      return block === null || clashing(block, before).length > 0 ? [] : [block];
    });
  return {
    members: members.map((block, i) => ({
      ...block,
      id: memberId(block.block, 'spacer', block.side ?? 0, i),
    })),
    problems: [],
  };
};
