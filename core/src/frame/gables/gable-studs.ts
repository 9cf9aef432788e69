import {
  FIT_GAP_MM,
  halfSpace,
  SAME_HEIGHT_MM,
  SAME_POINT_MM,
  SAME_WAY_SINE,
  v2,
  v3,
  type Vec2,
  type Vec3,
} from '../../geom';
import { isRafter, isTie } from '../../kinds';
import type { Job, Stock } from '../../job';
import type { Problem } from '../../problem';
import { betweenHigh, overWall, roofAbout, type BlockRoof, type SideLine } from '../../roof';
import { inMm, say } from '../../sentence';
import { clashing, clearInSpace } from '../joint/in-space';
import { bellyOf } from '../member/board';
import {
  makeMember,
  axisOf,
  memberId,
  type EndCut,
  type Member,
  type Notch,
  type CutName,
  named,
} from '../member/member';
import { inPart, wholly, type Added, type Pass } from '../pass';
import type { Site } from '../site';

/** Where along a gable's wall its roof starts, ends and is highest, from the wall's start. mm */
interface Rise {
  readonly from: number;
  readonly to: number;
  readonly peak: number;
}

/** Null where none of its block's roof comes over the wall. */
const riseOf = ({ job, roof }: Site, block: BlockRoof, side: SideLine): Rise | null => {
  const over = overWall(roof, block.id, side.index);
  const [first] = over;
  if (first === undefined) return null;
  const us = over.map(({ u }) => u);
  const [low, high] = betweenHigh(job, block, side);
  return {
    from: Math.max(low, Math.min(...us)),
    to: Math.min(high, Math.max(...us)),
    peak: over.reduce((p, q) => (q.z > p.z ? q : p), first).u,
  };
};

/**
 * The middles of the studs along a gable's wall, from its start: on centres from the peak, the first half a space beside
 * it; or from the wall's corners, one that would stand half under the ridge then right under it. mm
 */
const stationsOf = (
  { spacing, layout }: Job['framing'],
  { from, to, peak }: Rise,
  lengthMm: number,
  half: number,
): number[] => {
  const most = Math.ceil(lengthMm / spacing) + 1;
  const steps = Array.from({ length: most }, (_, k) => k);
  const all =
    layout === 'ridge'
      ? steps.flatMap((k) => [peak - (k + 0.5) * spacing, peak + (k + 0.5) * spacing])
      : steps.flatMap((k) => [
          ...(k * spacing < peak ? [k * spacing] : []),
          ...(lengthMm - k * spacing > peak ? [lengthMm - k * spacing] : []),
        ]);
  const inside = (u: number): boolean =>
    u > from + half - SAME_POINT_MM && u < to - half + SAME_POINT_MM;
  const found = all
    .map((u) => (layout === 'corner' && Math.abs(u - peak) < 2 * half && inside(peak) ? peak : u))
    .filter(inside)
    .sort((p, q) => p - q);
  return found.filter((u, i) => i === 0 || u - (found[i - 1] ?? 0) > SAME_POINT_MM);
};

/** Whether studs stand on edge, notched round the gable's rafter; else flat under it. */
export const notched = ({ job }: Pick<Site, 'job'>): boolean =>
  job.framing.gableStuds === 'notched';

/** How wide a stud is along its wall. mm */
const widthOf = (site: Pick<Site, 'job'>, { thickness, depth }: Stock): number =>
  notched(site) ? thickness : depth;

/**
 * A stud up to the roof, before what it carries is cut out over it. Flat, its wide face lies in the wall's outside
 * face, so that it is no thicker than the rafter that it stands under, and its edge looks up the slope; on edge, that
 * looks out of the wall.
 */
const standing = (
  site: Site,
  block: BlockRoof,
  side: SideLine,
  stock: Stock,
  u: number,
): Member => {
  const middle = v2.add(side.start, v2.scale(side.along, u));
  const across = notched(site) ? stock.depth : stock.thickness;
  const p: Vec2 = v2.add(middle, v2.scale(side.inward, across / 2));
  const over = roofAbout(site.roof, p, block.id, null);
  const { normal } = over.plane.plane;
  // The plane's normal leans down the slope.
  const uphill = v2.dot([normal[0], normal[1]], side.along) < 0 ? 1 : -1;
  const a: Vec3 = [0, 0, 1];
  const facing = notched(site) ? v2.scale(side.inward, -1) : v2.scale(side.along, uphill);
  const e: Vec3 = [facing[0], facing[1], 0];
  const foot: Vec3 = [p[0], p[1], side.plateMm];
  const ends: EndCut[] = [
    { at: 'top', name: 'slope cut', keep: over.plane.plane, meets: null },
    { at: 'bottom', name: 'foot', keep: halfSpace(foot, [0, 0, -1]), meets: null },
  ];
  return makeMember({
    id: '',
    kind: 'gable-stud',
    block: block.id,
    side: side.index,
    stock,
    frame: { origin: foot, a, e, s: v3.cross(e, a) },
    topMm: stock.depth / 2,
    ends,
    axis: axisOf(0, over.z - side.plateMm),
    pair: { rise: 0, run: 1 },
  });
};

/** How much of a stud's width, or of a narrower timber's over it, must lie over the other: else neither holds the other. */
const LEAST_UNDER = 1 / 2;

/** Whether enough of a stud stands under one of these: a rafter out of line with the wall leaves it towards the peak. */
const isUnder = ({ frame, stock }: Member, over: readonly Member[]): boolean =>
  over.some((one) => {
    const { origin, s } = one.frame;
    const half =
      (Math.abs(v3.dot(frame.e, s)) * stock.depth +
        Math.abs(v3.dot(frame.s, s)) * stock.thickness) /
      2;
    const own = one.stock.thickness / 2;
    const middle = v3.dot(v3.sub(frame.origin, origin), s);
    const shared = Math.min(middle + half, own) - Math.max(middle - half, -own);
    return shared >= LEAST_UNDER * 2 * Math.min(half, own);
  });

/**
 * Under what stands over it, cut to its undersides; null where that leaves none, or no timber stands over it. A lookout
 * that comes in beside the rafter of a gable out of square holds nothing: there is no stud where one would reach it.
 */
export const underAll = (stud: Member, before: readonly Member[]): Member | null => {
  const all = clashing(stud, before);
  const lookouts = all.filter(({ kind }) => kind === 'lookout');
  const over = all.filter((one) => !lookouts.includes(one));
  const cut = isUnder(stud, over) ? clearInSpace(stud, over, stud.frame.origin) : null;
  const heads = cut?.ends.filter(({ at }) => at === 'top') ?? [];
  // A corner that still reaches the roof has no timber over it.
  if (cut === null || heads.length === 0 || heads.some(({ meets }) => meets === null)) return null;
  if (clashing(cut, lookouts).length > 0) return null;
  const square = ({ keep }: EndCut): boolean =>
    Math.abs(v3.dot(keep.normal, cut.frame.s)) < SAME_WAY_SINE;
  const ends = cut.ends.map((end) =>
    end.at === 'top' && square(end) ? named(end, 'slope cut') : end,
  );
  const head = headOf(cut);
  // Less than its own depth high it would split, and holds nothing.
  return head < stud.stock.depth ? null : { ...cut, axis: axisOf(0, head), ends };
};

/** How far a rafter's face may stand off a notch that is ripped square beside it. mm */
const MOST_OFF_MM = FIT_GAP_MM;

/** A rafter that runs along a gable's wall, or off it by no more than an eave out of square, as a cosine. */
const ALONG_WALL = 0.98;

/** The rafter in a gable's wall over a stud on edge: half of it at least where it would be flush with the wall's face. */
const rafterOver = (stud: Member, along: readonly Member[]): Member | undefined =>
  along.find(({ frame, stock }) => {
    const { origin, e } = stud.frame;
    const face = v3.add(origin, v3.scale(e, (stud.stock.depth - stock.thickness) / 2));
    return Math.abs(v3.dot(v3.sub(face, frame.origin), frame.s)) < stock.thickness / 2;
  });

/**
 * On edge beside the gable's rafter up to the roof, notched round it:
 *
 *   outside │▒│┌──┐   the rafter in the wall's face,
 *           │▒││  │   the stud's strip beside it,
 *           └─┘   │   under it the whole stud
 */
const round = (stud: Member, before: readonly Member[]): Member | null => {
  const { origin, e } = stud.frame;
  const along = clashing(stud, before).filter(
    (one) => isRafter(one) && Math.abs(v3.dot(one.frame.s, e)) > ALONG_WALL,
  );
  const rafter = rafterOver(stud, along);
  if (rafter === undefined) return along.length === 0 ? underAll(stud, before) : null;
  const belly = bellyOf(rafter);
  // The notch is ripped square, to where the rafter's inner face comes furthest in; what slants more stands off it.
  const { thickness } = stud.stock;
  const outward = v3.dot(rafter.frame.s, e) > 0 ? rafter.frame.s : v3.scale(rafter.frame.s, -1);
  const slant = Math.abs(v3.dot(outward, stud.frame.s)) / v3.dot(outward, e);
  if (slant * thickness > MOST_OFF_MM) return null;
  const inner = v3.add(rafter.frame.origin, v3.scale(outward, -rafter.stock.thickness / 2));
  const reach = v3.dot(v3.sub(inner, origin), outward) / v3.dot(outward, e);
  const face = v3.add(origin, v3.scale(e, reach - (slant * thickness) / 2));
  const cut = (at: 'seat' | 'heel', name: CutName, keep: Notch['seat']['keep']): EndCut => ({
    at,
    name,
    keep,
    meets: rafter.id,
  });
  const fits: Member = {
    ...stud,
    notches: [
      {
        for: 'rafter',
        seat: cut('seat', 'notch under the rafter', belly),
        heels: [cut('heel', 'notch beside the rafter', halfSpace(face, e))],
        opens: 'top',
        corner: v3.inPlan(origin),
      },
    ],
  };
  const others = clashing(fits, before);
  const clear = others.length === 0 ? fits : clearInSpace(fits, others, origin);
  const under = (belly.offset - v3.dot(belly.normal, origin)) / belly.normal[2];
  // Under what stands no higher beside it, a purlin, the ridge or the next rafter, there is nothing to notch.
  if (clear === null || headOf(clear) < under + SAME_HEIGHT_MM) return underAll(stud, before);
  return under < stud.stock.depth ? null : { ...clear, axis: axisOf(0, headOf(clear)) };
};

/** Where its head is cut on its middle, above its foot: the lowest of its cuts there. mm */
const headOf = ({ frame: { origin }, ends }: Member): number =>
  Math.min(
    ...ends
      .filter(({ at }) => at === 'top')
      .map(({ keep }) => (keep.offset - v3.dot(keep.normal, origin)) / keep.normal[2]),
  );

const standsIn = (site: Site, kind: Member['kind']): Problem =>
  notched(site)
    ? {
        code: 'not-framed',
        path: ['framing', 'gableStuds'],
        text: say`the ‹gable studs› on edge would stand in a ${kind} beside the ‹gable›’s rafter; accepted is "flat", under that rafter`,
      }
    : {
        code: 'not-framed',
        path: ['timber', 'gableStud', 'thickness'],
        text: say`the ‹gable studs› would stand in a ${kind} beside the ‹gable›’s rafter; accepted is no thicker than that rafter`,
      };

/** Studs from each gable's wall up to the rafters over it. */
export const gableStuds: Pass = (site, _primary, before): Added => {
  const stock = site.job.timber.gableStud;
  if (stock === undefined) return { members: [], problems: [] };
  const { common } = site.job.timber;
  if (notched(site) && stock.depth <= common.thickness)
    return {
      members: [],
      problems: [],
      withheld: [
        wholly({
          code: 'size',
          path: ['timber', 'gableStud', 'depth'],
          text: say`${inMm(stock.depth)} is no deeper than the rafter is thick, so that nothing is left beside it; accepted is over ${inMm(common.thickness)}, or studs flat under the rafter`,
        }),
      ],
    };
  const carried = before.filter((member) => !isTie(member));
  const ties = before.filter(isTie);
  const members: Member[] = [];
  const inWay = new Map<Member, Problem>();
  for (const block of site.roof.blocks) {
    for (const side of block.sides) {
      if (side.roof !== 'gable') continue;
      const rise = riseOf(site, block, side);
      if (rise === null) continue;
      const half = widthOf(site, stock) / 2;
      const stations = stationsOf(site.job.framing, rise, side.lengthMm, half);
      const studs = stations.flatMap((u): Member[] => {
        const stud = (notched(site) ? round : underAll)(
          standing(site, block, side, stock, u),
          carried,
        );
        return stud === null ? [] : [stud];
      });
      for (const [i, stud] of studs.entries()) {
        const [tie] = clashing(stud, ties);
        if (tie !== undefined) inWay.set(tie, standsIn(site, tie.kind));
        members.push({ ...stud, id: memberId(block.id, 'gable-stud', side.index, i) });
      }
    }
  }
  return {
    members,
    problems: [],
    withheld: [...inWay].map(([tie, problem]) => inPart(problem, [tie])),
    giveWay: [...inWay.keys()],
  };
};
