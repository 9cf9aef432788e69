import { SAME_POINT_MM, v2, v3, type Vec2 } from '../../geom';
import type { Stock } from '../../job';
import { overWall, type BlockRoof, type SideLine, type Slope } from '../../roof';
import { clashing, clearInSpace } from '../joint/in-space';
import { plumbKeep } from '../member/board';
import { axisOf, memberId, type EndCut, type Member } from '../member/member';
import type { Added, Pass } from '../pass';
import { slopeAt } from '../site';
import { planedToRoof } from '../to-member';
import { runsUpTo } from './at-wall';

/**
 * A ledger flat against its wall, from wall end to wall end. The rafters end against its face, on hangers; its outer top
 * corner lies in the plane of their tops.
 *
 *   wall │┌┐╲ rafter
 *        ││ ╲ ╲
 *        │└┘  ╲
 */
const ledgerOf = (
  { id: block }: BlockRoof,
  side: SideLine,
  slope: Slope,
  over: readonly { readonly u: number; readonly z: number }[],
  stock: Stock,
): Member => {
  const us = over.map(({ u }) => u);
  const from = Math.max(0, Math.min(...us));
  const to = Math.min(side.lengthMm, Math.max(...us));
  const at = (u: number): Vec2 =>
    v2.add(v2.add(side.start, v2.scale(side.along, u)), v2.scale(side.inward, stock.thickness / 2));
  const top = Math.max(...over.map(({ z }) => z)) - slope.rise * stock.thickness;
  const end = (which: 'top' | 'bottom', u: number): EndCut => ({
    at: which,
    name: 'end cut',
    keep: plumbKeep(at(u), v2.scale(side.along, which === 'top' ? 1 : -1)),
    meets: null,
  });
  const [x, y] = at(from);
  return {
    id: memberId(block, 'ledger', side.index),
    kind: 'ledger',
    block,
    side: side.index,
    stock,
    frame: {
      origin: [x, y, top],
      a: [side.along[0], side.along[1], 0],
      e: [0, 0, 1],
      s: v3.cross([0, 0, 1], [side.along[0], side.along[1], 0]),
    },
    topMm: 0,
    ends: [end('top', to), end('bottom', from)],
    notches: [],
    bevels: [],
    mayStandProud: false,
    axis: axisOf(to - from, 0),
    pair: { rise: slope.rise, run: 1 },
    fold: null,
    dropMm: null,
  };
};

/** A ledger on each wall that a roof leans against, where the crew has one. */
export const ledgers: Pass = (site, _primary, before): Added => {
  const stock = site.job.timber.ledger;
  if (stock === undefined) return { members: [], problems: [] };
  const walls = site.roof.blocks.flatMap((block) => block.sides.map((side) => ({ block, side })));
  const members = walls.flatMap(({ block, side }): Member[] => {
    const all = overWall(site.roof, block.id, side.index);
    const [at] = all.filter((one) => runsUpTo(side, slopeAt(site, one.slope)));
    if (at === undefined) return [];
    const own = all.filter(({ slope }) => slope === at.slope);
    const whole = ledgerOf(block, side, slopeAt(site, at.slope), own, stock);
    if (whole.axis.runMm < SAME_POINT_MM) return [];
    const { origin, a } = whole.frame;
    const middle = v3.add(origin, v3.scale(a, whole.axis.runMm / 2));
    const anchor = v3.sub(middle, [0, 0, stock.depth / 2]);
    const clear = clearInSpace(whole, clashing(whole, before), anchor);
    return clear === null ? [] : [planedToRoof(site, clear)];
  });
  return { members, problems: [] };
};
