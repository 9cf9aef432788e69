import { chordWithin, extent, flip, halfSpace, v2, v3, type HalfSpace } from '../../geom';
import type { Job } from '../../job';
import type { Path, Problem } from '../../problem';
import { inMm, leastMm, say } from '../../sentence';
import { isPurlin, isRafter, KINDS, listedKind } from '../../kinds';
import { axisOf, type EndCut, type Member, type Notch, type CutName } from '../member/member';
import { planLine } from '../member/plan-line';
import { inPart, type Withheld } from '../pass';
import { solidOf } from '../member/solid-of';
import { facesOf } from './in-space';

/** The usual length of a scarf: three times the timber's depth. */
const USUAL = 3;
/** Just inside a rafter, from the face that a purlin lies against. mm */
const INTO_MM = 5;
/** Two joints over one support are one, and a support this near an end is the end's. mm */
const APART_MM = 300;
/** More lengths than this of one timber are no timber. */
const MOST_PARTS = 60;

export const scarfTimes = ({ framing }: Job): number => framing.scarf ?? USUAL;

/** Of its timber's depth, how much a square abutment takes at each end of a scarf: it is sawn, not pared to a feather. */
const ABUTMENT_SHARE = 1 / 6;

/** How high a scarf's abutments stand in a timber; 0 where it runs out to feather edges. mm */
const abutmentOf = ({ framing: { scarfEnds } }: Job, { depth }: Member['stock']): number =>
  scarfEnds === 'square' || scarfEnds === 'keyed' ? depth * ABUTMENT_SHARE : 0;

/** Of its half of the depth, how much a slot for wedges takes of each half in the joint's middle; it is as long as it is deep. */
const SLOT_SHARE = 1 / 3;

/** How long and how deep the slot of a keyed scarf is, through both halves; 0 where there is none. mm */
export const slotOf = ({ framing }: Pick<Job, 'framing'>, { depth }: Member['stock']): number =>
  framing.scarfEnds === 'keyed' ? depth * SLOT_SHARE : 0;

/**
 * Along a timber, from its origin, from the low end: where struts stand under it; with none, where rafters cross or meet
 * it, each once. mm
 */
const supportsOf = (
  timber: Member,
  rafters: readonly Member[],
  posts: readonly Member[],
): number[] => {
  const { origin, a, e } = timber.frame;
  const under = posts.filter(({ ends }) => ends.some(({ meets }) => meets === timber.id));
  if (under.length > 0)
    return under.map(({ frame }) => v3.dot(v3.sub(frame.origin, origin), a)).sort((p, q) => p - q);
  const into = timber.kind === 'roof-purlin' ? -INTO_MM : INTO_MM;
  const from = v3.add(origin, v3.scale(e, into));
  const ts = rafters.flatMap((rafter): number[] => {
    // What runs beside rafters meets their wood; what stands on a line is met by their ends.
    if (isPurlin(timber) && timber.kind !== 'purlin')
      return facesOf(rafter).flatMap((piece) => {
        const chord = chordWithin(piece, from, a);
        return chord === null ? [] : [(chord[0] + chord[1]) / 2];
      });
    if (!rafter.ends.some(({ meets }) => meets === timber.id)) return [];
    const [low, high] = planLine(rafter);
    const end = rafter.ends.find(({ meets }) => meets === timber.id)?.at === 'top' ? high : low;
    const along = v2.unit(v3.inPlan(a));
    return [v2.dot(v2.sub(end, v3.inPlan(origin)), along) / v2.length(v3.inPlan(a))];
  });
  return ts.sort((p, q) => p - q);
};

/** Lowest and highest of a sawn board along itself, lips and all. mm */
const reachOf = (timber: Member): readonly [number, number] => {
  const found = solidOf(timber).flatMap((piece) => extent(piece, 0) ?? []);
  return [Math.min(...found), Math.max(...found)];
};

/**
 * Where a timber is parted, along it: as few lengths as will do, as alike as the supports let them be. Null where the
 * supports stand too far apart.
 *
 * @param half half the scarf's length, by which each half runs past the joint's middle. mm
 */
const partings = (
  [low, high]: readonly [number, number],
  supports: readonly number[],
  half: number,
  longest: number,
): readonly number[] | null => {
  const free = supports.filter((t) => t > low + half + APART_MM && t < high - half - APART_MM);
  const fits = (joints: readonly number[]): boolean =>
    [...joints, high + half].every((to, i) => {
      const from = joints[i - 1] ?? low - half;
      const [past, before] = [i < joints.length ? half : -half, i > 0 ? half : -half];
      return to + past - (from - before) <= longest && to > from;
    });
  for (let parts = 2; parts <= MOST_PARTS; parts += 1) {
    const even = Array.from(
      { length: parts - 1 },
      (_, i) => low + ((high - low) * (i + 1)) / parts,
    );
    const near = even.map((t) =>
      free.reduce((p, q) => (Math.abs(q - t) < Math.abs(p - t) ? q : p), free[0] ?? NaN),
    );
    if (near.some(Number.isNaN)) return null;
    if (new Set(near).size === near.length && fits(near)) return near;
    // As far as each length reaches, where even ones do not come out at supports.
    const greedy: number[] = [];
    for (let at = low - half; greedy.length < parts - 1;) {
      const start = greedy.length === 0 ? low : at - half;
      const next = free.filter((t) => t > at + 2 * half && t + half - start <= longest).at(-1);
      if (next === undefined) break;
      greedy.push(next);
      at = next;
    }
    if (greedy.length === parts - 1 && fits(greedy)) return greedy;
  }
  return null;
};

interface Scarf {
  /** Its length over the timber's depth. */
  readonly times: number;
  /** How high its abutments stand, and how long its slot for wedges is, mm. */
  readonly abutmentMm: number;
  readonly slotMm: number;
}

/**
 * The plane of a scarf, keeping what lies below it along the timber; its middle at `t`, half-way down the depth.
 *
 *   ───────────────╲──────────     ──────────────┐───────────
 *        low half    ╲   high half       low half  ╲   high half      depth : length as 1 : times
 *   ───────────────────╲──────     ──────────────────└───────
 */
const splay = (
  { frame, stock, topMm }: Member,
  t: number,
  { times, abutmentMm }: Scarf,
): HalfSpace => {
  const { origin, a, e } = frame;
  const { depth } = stock;
  const middle = v3.add(origin, v3.add(v3.scale(a, t), v3.scale(e, topMm - depth / 2)));
  const fall = (depth - 2 * abutmentMm) / depth;
  return halfSpace(middle, v3.unit(v3.add(v3.scale(a, fall), v3.scale(e, times))));
};

/** One half of a scarf at `t`: how its timber ends there, and what else is sawn out of it. */
const halfOf = (
  timber: Member,
  at: 'top' | 'bottom',
  t: number,
  scarf: Scarf,
  meets: string,
): { readonly end: EndCut; readonly notches: readonly Notch[] } => {
  const way = at === 'top' ? 1 : -1;
  const face = (end: EndCut['at'], name: CutName, keep: HalfSpace): EndCut => ({
    at: end,
    name,
    keep: way > 0 ? keep : flip(keep),
    meets,
  });
  const plane = splay(timber, t, scarf);
  if (scarf.abutmentMm === 0) return { end: face(at, 'scarf', plane), notches: [] };
  const { origin, a } = timber.frame;
  const half = (way * scarf.times * timber.stock.depth) / 2;
  const square = (along: number): HalfSpace => halfSpace(v3.add(origin, v3.scale(a, along)), a);
  return {
    end: face(at, 'abutment', square(t + half)),
    notches: [
      {
        for: 'scarf',
        seat: face('seat', 'scarf', plane),
        heels: [
          face(
            'heel',
            at === 'top' ? 'abutment, upper end' : 'abutment, lower end',
            square(t - half),
          ),
        ],
        opens: at === 'top' ? 'top' : 'bottom',
        corner: v3.inPlan(v3.add(origin, v3.scale(a, t - half))),
      },
      ...(scarf.slotMm > 0 ? [slotIn(timber, at, t, scarf)] : []),
    ],
  };
};

/**
 * The half of a slot for wedges that is sawn out of one half of a scarf, in the joint's middle: square across, its bottom
 * along the splay.
 *
 *   ──────╲           low half, from its upper end
 *           ╲▁▁┐
 *              ╲▁▁╲
 */
const slotIn = (timber: Member, at: 'top' | 'bottom', t: number, scarf: Scarf): Notch => {
  const { origin, a, e } = timber.frame;
  const plane = splay(timber, t, scarf);
  const own = at === 'top' ? plane : flip(plane);
  const side = (along: number, keep: 1 | -1): HalfSpace =>
    halfSpace(v3.add(origin, v3.scale(a, along)), v3.scale(a, keep));
  const cut = (where: 'seat' | 'heel', name: CutName, keep: HalfSpace): EndCut => ({
    at: where,
    name,
    keep,
    meets: null,
  });
  const half = scarf.slotMm / 2;
  return {
    for: 'slot',
    seat: cut('seat', 'slot', {
      normal: own.normal,
      offset: own.offset - half * Math.abs(v3.dot(own.normal, e)),
    }),
    heels: [
      cut('heel', 'slot, lower side', side(t - half, 1)),
      cut('heel', 'slot, upper side', side(t + half, -1)),
    ],
    opens: at === 'top' ? 'top' : 'bottom',
    corner: v3.inPlan(v3.add(origin, v3.scale(a, t))),
  };
};

/** Whether a lip lies in a part of its timber. */
const liesIn = ({ frame: { origin, a } }: Member, { corner }: Notch, from: number, to: number) => {
  const t = v2.dot(v2.sub(corner, v3.inPlan(origin)), v3.inPlan(a));
  return t > from - 1 && t < to + 1;
};

/** One timber in lengths, scarfed where it is parted. */
const parted = (timber: Member, joints: readonly number[], scarf: Scarf): Member[] => {
  const { frame, axis } = timber;
  const level = Math.cos(axis.slopeRad);
  const whole = axis.runMm / level;
  const id = (i: number): string => (i === 0 ? timber.id : `${timber.id}.part.${i}`);
  return [...joints, whole].map((to, i): Member => {
    const from = joints[i - 1] ?? 0;
    const last = i === joints.length;
    const own = (at: 'top' | 'bottom'): EndCut[] => timber.ends.filter((end) => end.at === at);
    const upper = last ? null : halfOf(timber, 'top', to, scarf, id(i + 1));
    const lower = i === 0 ? null : halfOf(timber, 'bottom', from, scarf, id(i - 1));
    return {
      ...timber,
      id: id(i),
      frame: { ...frame, origin: v3.add(frame.origin, v3.scale(frame.a, from)) },
      axis: axisOf((to - from) * level, (to - from) * Math.sin(axis.slopeRad)),
      ends: [
        ...(upper === null ? own('top') : [upper.end]),
        ...(lower === null ? own('bottom') : [lower.end]),
      ],
      notches: [
        ...(upper?.notches ?? []),
        ...timber.notches.filter((notch) =>
          liesIn(timber, notch, i === 0 ? -Infinity : from, last ? Infinity : to),
        ),
        ...(lower?.notches ?? []),
      ],
    };
  });
};

/** Which field of the job says how long a timber can be had. */
const pathOf = (job: Job, { kind, stock }: Member): Path => {
  const own = KINDS[kind].stock;
  if (own !== null) return ['timber', own, 'longest'];
  const set = job.roofPurlins.findIndex((one) => one.stock === stock);
  return ['roofPurlins', set, 'stock', 'longest'];
};

/** Ridges, purlins and beams longer than their timber can be had, in lengths scarfed over a rafter or a post each. */
export const scarfed = (
  job: Job,
  members: readonly Member[],
): { readonly members: readonly Member[]; readonly withheld: readonly Withheld[] } => {
  const rafters = members.filter(isRafter);
  const posts = members.filter(({ kind }) => ['strut', 'post', 'ridge-post'].includes(kind));
  const times = scarfTimes(job);
  const withheld: Withheld[] = [];
  const inLengths = members.flatMap((timber): readonly Member[] => {
    const { longest, depth } = timber.stock;
    if (longest === undefined || !KINDS[timber.kind].scarfed) return [timber];
    const reach = reachOf(timber);
    if (reach[1] - reach[0] <= longest) return [timber];
    const joints = partings(
      reach,
      supportsOf(timber, rafters, posts),
      (times * depth) / 2,
      longest,
    );
    if (joints !== null)
      return parted(timber, joints, {
        times,
        abutmentMm: abutmentOf(job, timber.stock),
        slotMm: slotOf(job, timber.stock),
      });
    const problem: Problem = {
      code: 'size',
      path: pathOf(job, timber),
      text: say`a ${listedKind(timber.kind)} of this roof is ${inMm(reach[1] - reach[0])} long, and no lengths of ${inMm(longest)} with scarfs of ${inMm(times * depth)} meet over its rafters; accepted is longer, or at least ${leastMm(reach[1] - reach[0])} for no joint`,
    };
    withheld.push(inPart(problem, []));
    return [timber];
  });
  return { members: inLengths, withheld };
};
