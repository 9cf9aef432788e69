import { planeAt, SAME_POINT_MM, SAME_WAY_SINE, TOUCHING_MM, v2, v3, type Vec2 } from '../../geom';
import type { Stock } from '../../job';
import { isRafter } from '../../kinds';
import type { Problem } from '../../problem';
import { inMm, say } from '../../sentence';
import { onSide, overWall, type BlockRoof, type SideLine, type Slope } from '../../roof';
import { clashing, clearInSpace } from '../joint/in-space';
import { notchedOver } from '../joint/notched-over';
import { plumbKeep } from '../member/board';
import { makeMember, axisOf, memberId, type EndCut, type Member } from '../member/member';
import type { Added, Pass } from '../pass';
import { slopeAt, type Site } from '../site';
import { planedToRoof } from '../to-member';
import { overLedger, runsUpTo } from './at-wall';

/**
 * A ledger flat against its wall, from wall end to wall end. The rafters end against its face, on hangers, and its outer
 * top corner lies in the plane of their tops; or they go over it to the wall, and its top is level with their undersides
 * there, so that each has a seat of its whole thickness.
 *
 *   wall │┌┐╲ rafter
 *        ││ ╲ ╲
 *        │└┘  ╲
 */
const ledgerOf = (
  site: Site,
  { id: block }: BlockRoof,
  side: SideLine,
  slope: Slope,
  over: readonly { readonly u: number; readonly z: number }[],
  stock: Stock,
): Member => {
  const us = over.map(({ u }) => u);
  const from = Math.max(0, Math.min(...us));
  const to = Math.min(side.lengthMm, Math.max(...us));
  const at = (u: number): Vec2 => onSide(side, u, stock.thickness / 2);
  const under = overLedger(site)
    ? site.job.timber.common.depth / Math.cos(slope.slopeRad)
    : slope.rise * stock.thickness;
  const top = Math.max(...over.map(({ z }) => z)) - under;
  const end = (which: 'top' | 'bottom', u: number): EndCut => ({
    at: which,
    name: 'end cut',
    keep: plumbKeep(at(u), v2.scale(side.along, which === 'top' ? 1 : -1)),
    meets: null,
  });
  const [x, y] = at(from);
  return makeMember({
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
    axis: axisOf(to - from, 0),
    pair: { rise: slope.rise, run: 1 },
  });
};

/** Of a rafter's depth, the most that a birdsmouth over its ledger may take. */
const MOST_NOTCHED = 1 / 3;

/** A ledger so thick that the birdsmouth over it takes too much of the rafter. */
const tooDeep = ({ job }: Site, members: readonly Member[]): Problem[] => {
  const { common } = job.timber;
  const deepest = members
    .map(({ pair, stock }) => stock.thickness * Math.sin(Math.atan(pair.rise)))
    .reduce((p, q) => Math.max(p, q), 0);
  return deepest <= common.depth * MOST_NOTCHED
    ? []
    : [
        {
          code: 'size',
          path: ['timber', 'ledger', 'thickness'],
          text: say`the rafters would be notched ${inMm(deepest)} over the ‹ledger› and are ${inMm(common.depth)} deep; accepted is a thinner one, or "hanger" for framing.atLedger`,
        },
      ];
};

/** Whether a rafter's cut lies in a ledger's face, within the ledger's length. */
const liesOn = ({ frame }: Member, { at, meets, keep }: EndCut, ledger: Member): boolean => {
  const { origin, s, a } = ledger.frame;
  if (at !== 'top' || meets !== null) return false;
  if (Math.abs(v3.dot(keep.normal, s)) < 1 - SAME_WAY_SINE) return false;
  const t = -planeAt(keep, frame.origin) / v3.dot(keep.normal, frame.a);
  const head = v3.sub(v3.add(frame.origin, v3.scale(frame.a, t)), origin);
  const along = v3.dot(head, a);
  const off = Math.abs(v3.dot(head, s)) - ledger.stock.thickness / 2;
  return Math.abs(off) < TOUCHING_MM && along > 0 && along < ledger.axis.runMm;
};

/** Rafters that end against a ledger's face hang on it: their cut says so. */
const hung = (ledgers: readonly Member[], rafters: readonly Member[]): Member[] =>
  rafters.flatMap((rafter): Member[] => {
    const on = (end: EndCut): Member | undefined =>
      ledgers.find((ledger) => liesOn(rafter, end, ledger));
    if (!rafter.ends.some((end) => on(end) !== undefined)) return [];
    return [
      { ...rafter, ends: rafter.ends.map((end) => ({ ...end, meets: on(end)?.id ?? end.meets })) },
    ];
  });

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
    const whole = ledgerOf(site, block, side, slopeAt(site, at.slope), own, stock);
    if (whole.axis.runMm < SAME_POINT_MM) return [];
    const { origin, a } = whole.frame;
    const middle = v3.add(origin, v3.scale(a, whole.axis.runMm / 2));
    const anchor = v3.sub(middle, [0, 0, stock.depth / 2]);
    const over = overLedger(site);
    const others = over ? before.filter((other) => !isRafter(other)) : before;
    const clear = clearInSpace(whole, clashing(whole, others), anchor);
    if (clear === null) return [];
    return [over ? clear : planedToRoof(site, clear)];
  });
  if (!overLedger(site))
    return { members, problems: [], resawn: hung(members, before.filter(isRafter)) };
  // One after the other: a rafter at a corner may go over two.
  let rafters = before.filter(isRafter);
  const resawn = new Map<string, Member>();
  for (const ledger of members) {
    const [x, y] = ledger.frame.a;
    for (const rafter of notchedOver(ledger, v2.left([x, y]), 'ledger', rafters)) {
      resawn.set(rafter.id, rafter);
      rafters = rafters.map((one) => (one.id === rafter.id ? rafter : one));
    }
  }
  return { members, problems: tooDeep(site, members), resawn: [...resawn.values()] };
};
