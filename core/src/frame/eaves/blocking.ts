import {
  chordWithin,
  halfSpace,
  SAME_WAY_SINE,
  v2,
  v3,
  type Interval,
  type Vec2,
  type Vec3,
} from '../../geom';
import type { Stock } from '../../job';
import type { SideLine, Slope } from '../../roof';
import { leastMm, inMm, say } from '../../sentence';
import { isRafter } from '../../kinds';
import { clashing, clearInSpace, facesOf } from '../joint/in-space';
import { axisOf, memberId, type EndCut, type Member } from '../member/member';
import type { Added, Pass } from '../pass';
import { blockAt, heightOn, runFrom, type Site } from '../site';

/** A gap narrower than this takes no block. mm */
const LEAST_MM = 60;
/** A plate's corner this near its wall's outside face lies on it. mm */
const OUTSIDE_MM = 1;

/** The plate that blocks stand along, and the slope over it. */
interface Eave {
  readonly block: string;
  readonly line: SideLine;
  readonly slope: Slope;
  /** How far the plate reaches along its wall. mm */
  readonly reach: Interval;
}

/** Along every plate under an eave; where two parts share a wall, once. */
const eavesOf = (site: Site): Eave[] =>
  site.plates.flatMap(({ block, side, line, outline }): Eave[] => {
    const slope = site.roof.slopes.find(({ sides }) =>
      sides.some((own) => own.block === block && own.side === side && own.band === 0),
    );
    if (slope === undefined) return [];
    const outside = outline.filter((p) => Math.abs(runFrom(line, p)) < OUTSIDE_MM);
    const ts = outside.map((p) => v2.dot(v2.sub(p, line.start), line.along));
    return [{ block, line, slope, reach: [Math.min(...ts), Math.max(...ts)] }];
  });

/** How deep a block must be: from the plate up to the slope over its inner face. mm */
const neededMm = (site: Site, { block, slope }: Eave, thickness: number): number =>
  blockAt(site, block).hapMm + slope.rise * thickness;

/** A gap along the plate, with the two timbers that bound it. */
interface Gap {
  readonly from: number;
  readonly to: number;
  readonly low: Member;
  readonly high: Member;
}

/** Just inside a block's edges. mm */
const OVER_MM = 5;

/** The gaps between neighbours over one eave's plate. */
const gapsOf = (eave: Eave, thickness: number, timbers: readonly Member[]): Gap[] => {
  const { line } = eave;
  const a: Vec3 = [line.along[0], line.along[1], 0];
  // What reaches into a block's place anywhere bounds it: read at its four edges.
  const reads = [OVER_MM, thickness - OVER_MM].flatMap((inward): Vec3[] => {
    const [x, y] = v2.add(line.start, v2.scale(line.inward, inward));
    const top = heightOn(eave.slope, [x, y]);
    return [
      [x, y, line.plateMm + OVER_MM],
      [x, y, top - OVER_MM],
    ];
  });
  const held = timbers
    .flatMap((member) => {
      const ts = facesOf(member).flatMap((piece) =>
        reads.flatMap((from): readonly number[] => chordWithin(piece, from, a) ?? []),
      );
      return ts.length === 0 ? [] : [{ member, low: Math.min(...ts), high: Math.max(...ts) }];
    })
    .sort((p, q) => p.low - q.low);
  const [start, end] = eave.reach;
  const gaps: Gap[] = [];
  let before: (typeof held)[number] | null = null;
  for (const next of held) {
    if (next.high < start - NEAR_MM || next.low > end + NEAR_MM) continue;
    if (before !== null && next.low - before.high >= LEAST_MM)
      gaps.push({ from: before.high, to: next.low, low: before.member, high: next.member });
    if (before === null || next.high > before.high) before = next;
  }
  return gaps;
};

/** A timber that stands this near past a wall's end bounds the last gap. mm */
const NEAR_MM = 100;

/**
 *      slope ╲        a block stands plumb on the plate, flush with its outside, its top bevelled to the slope
 *        ╲▒▒▏ ╲
 *         ▒▒▏
 *      ───▒▒▏──── plate
 */
const blockIn = (
  eave: Eave,
  stock: Stock,
  gap: Gap,
  timbers: readonly Member[],
  id: string,
): Member | null => {
  const { line, slope } = eave;
  const middle = v2.add(line.start, v2.scale(line.inward, stock.thickness / 2));
  const at = (t: number): Vec2 => v2.add(middle, v2.scale(line.along, t));
  const point = (t: number): Vec3 => {
    const [x, y] = at(t);
    return [x, y, line.plateMm];
  };
  const a: Vec3 = [line.along[0], line.along[1], 0];
  const e: Vec3 = [0, 0, 1];
  const end = (which: 'top' | 'bottom', t: number, meets: string | null): EndCut => ({
    at: which,
    name: 'end cut',
    keep: halfSpace(point(t), v3.scale(a, which === 'top' ? 1 : -1)),
    meets,
  });
  const across = ({ frame }: Member): boolean =>
    Math.abs(v3.dot(frame.s, a)) > 1 - SAME_WAY_SINE && Math.abs(frame.s[2]) < SAME_WAY_SINE;
  // Against a rafter it is sawn square; against a hip or a valley along its side, from a board that runs into it.
  const [low, high] = [across(gap.low), across(gap.high)];
  const spare = 2 * stock.thickness;
  const from = low ? gap.from : gap.from - spare;
  const to = high ? gap.to : gap.to + spare;
  const block: Member = {
    id,
    kind: 'blocking',
    block: eave.block,
    side: line.index,
    stock,
    frame: { origin: point(gap.from), a, e, s: v3.cross(e, a) },
    topMm: stock.depth,
    ends: [end('top', to, high ? gap.high.id : null), end('bottom', from, low ? gap.low.id : null)],
    notches: [],
    bevels: [{ keep: slope.plane, beyond: null }],
    mayStandProud: false,
    axis: axisOf(gap.to - gap.from, 0),
    pair: { rise: slope.rise, run: 1 },
    fold: null,
    dropMm: null,
  };
  const slanted = [...(low ? [] : [gap.low]), ...(high ? [] : [gap.high])];
  const [x, y] = at((gap.from + gap.to) / 2);
  const inside: Vec3 = [x, y, line.plateMm + stock.depth / 2];
  const clear = slanted.length === 0 ? block : clearInSpace(block, slanted, inside);
  // Near a valley's foot more than the two neighbours can reach into the gap.
  const more = clear === null ? [] : clashing(clear, timbers);
  return clear === null || more.length === 0 ? clear : clearInSpace(clear, more, inside);
};

/** Blocks between the rafters along every eave's plate, bevelled to the slope. */
export const eaveBlocks: Pass = (site, _primary, before): Added => {
  const given = site.job.timber.blocking;
  if (given === undefined) return { members: [], problems: [] };
  const eaves = eavesOf(site);
  const needed = Math.max(...eaves.map((eave) => neededMm(site, eave, given.thickness)));
  if (given.depth < needed)
    return {
      members: [],
      problems: [
        {
          code: 'size',
          path: 'timber.blocking.depth',
          text: say`${inMm(given.depth, 1)} does not reach from the ‹plate› up to the slope; accepted is at least ${leastMm(needed, 1)}, ripped to its depth and bevel`,
        },
      ],
    };
  const timbers = before.filter(
    (member) => isRafter(member) || member.kind === 'hip' || member.kind === 'valley',
  );
  const members = eaves.flatMap((eave, which) => {
    // Ripped from the board to the depth that its place wants.
    const stock = { ...given, depth: neededMm(site, eave, given.thickness) };
    return gapsOf(eave, stock.thickness, timbers).flatMap((gap, i): Member[] => {
      const id = memberId(eave.block, 'blocking', eave.line.index, which, i);
      const member = blockIn(eave, stock, gap, timbers, id);
      return member === null ? [] : [member];
    });
  });
  return { members, problems: [] };
};
