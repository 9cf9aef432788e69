import { SLACK_MM, v2, v3, type Interval, type Vec3 } from '../../geom';
import type { Stock } from '../../job';
import { onSide, slopeOnWall, type SideLine, type Slope } from '../../roof';
import type { Problem } from '../../problem';
import { leastMm, inMm, say } from '../../sentence';
import { isRafter, isTie, type Kind } from '../../kinds';
import { cutBetween, gapsAlong, type Gap } from '../joint/between';
import { clashing } from '../joint/in-space';
import { makeMember, axisOf, memberId, type Member } from '../member/member';
import { inPart, type Added, type Pass } from '../pass';
import { heightOn, runFrom, type Site } from '../site';
import { openingsAcross } from '../site/openings-across';

/** A plate's corner this near its wall's outside face lies on it. mm */
const OUTSIDE_MM = SLACK_MM.nothing;

/** The plate that blocks stand along, under an eave or over a high wall, and the slope over it. */
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
    const slope = slopeOnWall(site.roof, block, side);
    if (slope === undefined) return [];
    const outside = outline.filter((p) => Math.abs(runFrom(line, p)) < OUTSIDE_MM);
    const ts = outside.map((p) => v2.dot(v2.sub(p, line.start), line.along));
    return [{ block, line, slope, reach: [Math.min(...ts), Math.max(...ts)] }];
  });

/** How deep a block must be: from the plate up to the slope over its higher face, which over a high wall is its outer one. mm */
const neededMm = ({ line, slope }: Eave, thickness: number): number =>
  Math.max(
    ...[0, thickness].flatMap((inward) =>
      [0, line.lengthMm].map((u) => heightOn(slope, onSide(line, u, inward)) - line.plateMm),
    ),
  );

/** Just inside a block's edges. mm */
const OVER_MM = 5;

/** The gaps between neighbours over one eave's plate. */
const gapsOf = (eave: Eave, thickness: number, timbers: readonly Member[]): Gap[] => {
  const { line } = eave;
  const a: Vec3 = [line.along[0], line.along[1], 0];
  const reads = [OVER_MM, thickness - OVER_MM].flatMap((inward): Vec3[] => {
    const [x, y] = v2.add(line.start, v2.scale(line.inward, inward));
    const top = heightOn(eave.slope, [x, y]);
    return [
      [x, y, line.plateMm + OVER_MM],
      [x, y, top - OVER_MM],
    ];
  });
  return gapsAlong(reads, a, eave.reach, NEAR_MM, timbers);
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
  const inside = v2.add(line.start, v2.scale(line.inward, stock.thickness / 2));
  const point = (t: number): Vec3 => {
    const [x, y] = v2.add(inside, v2.scale(line.along, t));
    return [x, y, line.plateMm];
  };
  const a: Vec3 = [line.along[0], line.along[1], 0];
  const e: Vec3 = [0, 0, 1];
  const frame = { origin: point(0), a, e, s: v3.cross(e, a) };
  const middle = v3.add(frame.origin, v3.scale(e, stock.depth / 2));
  return cutBetween({ frame, middle }, gap, 2 * stock.thickness, timbers, (ends) =>
    makeMember({
      id,
      kind: 'blocking',
      block: eave.block,
      side: line.index,
      stock,
      frame: { ...frame, origin: point(gap.from) },
      topMm: stock.depth,
      ends,
      bevels: [{ keep: slope.plane, beyond: null }],
      axis: axisOf(gap.to - gap.from, 0),
      pair: { rise: slope.rise, run: 1 },
    }),
  );
};

/** Whether a gap over the plate is that of an opening which comes down over the block's place: a wall stands in it. */
const isOpening = (site: Site, { line, slope }: Eave, { from, to }: Gap, inMm: number): boolean =>
  openingsAcross(site, slope, line, [0, inMm]).some(
    ([low, high]) => low < to - OVER_MM && high > from + OVER_MM,
  );

/** What else stands in a block's way, and bounds its gap. */
const BESIDE: ReadonlySet<Kind> = new Set(['hip', 'valley']);

/** Blocks between the rafters along every eave's plate, bevelled to the slope. */
export const eaveBlocks: Pass = (site, _primary, before): Added => {
  const given = site.job.timber.blocking;
  if (given === undefined) return { members: [], problems: [] };
  const eaves = eavesOf(site);
  const needed = Math.max(...eaves.map((eave) => neededMm(eave, given.thickness)));
  const tooShallow = (eave: Eave): boolean => given.depth < neededMm(eave, given.thickness);
  const timbers = before.filter(
    (member) => isRafter(member) || isTie(member) || BESIDE.has(member.kind),
  );
  const lookouts = before.filter(({ kind }) => kind === 'lookout');
  const blocksOf = (eave: Eave, which: number): Member[] => {
    // Ripped from the board to the depth that its place wants.
    const stock = { ...given, depth: neededMm(eave, given.thickness) };
    return gapsOf(eave, stock.thickness, timbers).flatMap((gap, i): Member[] => {
      if (isOpening(site, eave, gap, stock.thickness)) return [];
      const id = memberId(eave.block, 'blocking', eave.line.index, which, i);
      const member = blockIn(eave, stock, gap, timbers, id);
      // Under a lookout that passes over the plate there is no room for one.
      return member === null || clashing(member, lookouts).length > 0 ? [] : [member];
    });
  };
  const all = eaves.map((eave, which) => ({
    shallow: tooShallow(eave),
    own: blocksOf(eave, which),
  }));
  const short = all.filter(({ shallow }) => shallow).flatMap(({ own }) => own);
  const problem: Problem = {
    code: 'size',
    path: ['timber', 'blocking', 'depth'],
    text: say`${inMm(given.depth, 1)} does not reach from the ‹plate› up to the slope; accepted is at least ${leastMm(needed, 1)}, ripped to its depth and bevel`,
  };
  return {
    members: all.filter(({ shallow }) => !shallow).flatMap(({ own }) => own),
    problems: [],
    withheld: short.length === 0 ? [] : [inPart(problem, short)],
  };
};
