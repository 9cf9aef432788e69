import { extent, SAME_POINT_MM } from '../geom';
import { solidOf, type Member } from '../frame';
import { isPost, isTie, KINDS } from '../kinds';
import { radians } from '../units';
import { crossesAt, type LocalCut } from './local-cut';
import { work, type Worked } from './working';

export interface Lengths {
  readonly slope: Worked;
  readonly theory: Worked;
  readonly body: Worked;
  readonly longPoint: Worked;
  readonly shortPoint: Worked;
  readonly tail: Worked;
  readonly blank: Worked;
}

const cos = (deg: number): number => Math.cos(radians(deg));

/** The first of the cuts that a line at `s` meets: the lowest of the upper ones, the highest of the lower ones. */
const reachOf = (cuts: readonly LocalCut[], s: number, e: number, upper: boolean): number =>
  cuts.reduce(
    (found, cut) => (upper ? Math.min : Math.max)(found, crossesAt(cut, s, e) ?? found),
    upper ? Infinity : -Infinity,
  );

/** Where across the thickness the length can be longest or shortest: the faces, the middle, and where two cuts meet. */
const turningPoints = (
  groups: readonly (readonly LocalCut[])[],
  e: number,
  half: number,
): number[] => {
  const found = [-half, 0, half];
  for (const cuts of groups) {
    for (let i = 1; i < cuts.length; i += 1) {
      for (let j = 0; j < i; j += 1) {
        const [p, q] = [cuts[j], cuts[i]];
        if (p === undefined || q === undefined) continue;
        const [atP, atQ] = [crossesAt(p, 0, e), crossesAt(q, 0, e)];
        if (atP === null || atQ === null) continue;
        const rateP = -p.normal[1] / p.normal[0];
        const rateQ = -q.normal[1] / q.normal[0];
        const s = (atQ - atP) / (rateP - rateQ);
        if (Math.abs(s) < half) found.push(s);
      }
    }
  }
  return found;
};

/** A length between the cuts somewhere across the thickness: how far each of them reaches past the centre line there. */
interface Reach {
  readonly length: number;
  readonly upper: number;
  readonly lower: number;
}

/** Where the cuts cross the board's own lines, mm along it from the heel. */
export interface Reaches {
  /** The heel's plumb line on the top edge. */
  readonly heel: number;
  /** Upper and lower cut on the centre line. */
  readonly top: number;
  readonly bottom: number;
  /** Between lower and upper cut, where that is longest and shortest across the thickness. */
  readonly longest: Reach;
  readonly shortest: Reach;
  readonly tail: number;
  /** How much longer the left face is than the right, tail and all, along the top edge. */
  readonly leftOver: number;
}

/** A rafter that ends at its heel has no tail, whatever rounding says. */
const cleared = (mm: number): number => (Math.abs(mm) < SAME_POINT_MM ? 0 : mm);

/** Of what is measured along a line of its wide face: that line, an edge or a corner of it is the longest. */
const edgeReaches = (
  { stock, topMm }: Member,
  cuts: readonly LocalCut[],
  along: number,
): Reaches => {
  const ends = (at: string): LocalCut[] => cuts.filter((cut) => cut.end.at === at);
  const reach = (e: number, s: number): readonly [low: number, high: number] => [
    reachOf(ends('bottom'), s, e, false),
    reachOf(ends('top'), s, e, true),
  ];
  const [bottom, top] = reach(along, 0);
  const half = stock.thickness / 2;
  const edges = [topMm - stock.depth, along, topMm].flatMap((e) =>
    [half, 0, -half].map((s): Reach => {
      const [low, high] = reach(e, s);
      return { length: high - low, upper: high - top, lower: bottom - low };
    }),
  );
  const onFace = (s: number): number => {
    const [low, high] = reach(along, s);
    return high - low;
  };
  return {
    heel: 0,
    top,
    bottom,
    longest: edges.reduce((p, q) => (q.length > p.length ? q : p)),
    shortest: edges.reduce((p, q) => (q.length < p.length ? q : p)),
    tail: 0,
    leftOver: cleared(onFace(half) - onFace(-half)),
  };
};

export const reachesOf = (member: Member, cuts: readonly LocalCut[]): Reaches => {
  const { topMm, stock } = member;
  const e = { top: topMm, bottom: topMm - stock.depth, middle: 0 }[KINDS[member.kind].measured];
  if (isTie(member) || isPost(member)) return edgeReaches(member, cuts, e);
  const half = member.stock.thickness / 2;
  const upper = cuts.filter((cut) => cut.end.at === 'top');
  // The heel's plumb line through the origin leans back along the board: on a lowered top edge it lies further down.
  const heel = e * Math.tan(member.axis.slopeRad);
  // A tail's cut that comes inside the heel's line leaves no tail: it is the lower end.
  const isTail = (cut: LocalCut): boolean =>
    cut.end.at === 'tail' && (crossesAt(cut, 0, e) ?? Infinity) < heel + SAME_POINT_MM;
  const tails = cuts.filter(isTail);
  const lower = cuts.filter(
    (cut) => cut.end.at === 'bottom' || (cut.end.at === 'tail' && !isTail(cut)),
  );
  const top = (s: number): number => reachOf(upper, s, e, true);
  const bottom = (s: number): number => (lower.length === 0 ? heel : reachOf(lower, s, e, false));
  const whole = (s: number): number =>
    top(s) - (tails.length === 0 ? bottom(s) : reachOf([...lower, ...tails], s, e, false));
  // A cheek beside a valley may take the heel's line away: what stands over the plate has no tail then.
  const tail = heel - reachOf([...lower, ...tails], 0, e, false);
  const across = turningPoints([upper, lower], e, half).map((s): Reach => ({
    length: top(s) - bottom(s),
    upper: top(s) - top(0),
    lower: bottom(0) - bottom(s),
  }));
  return {
    heel,
    top: top(0),
    bottom: bottom(0),
    longest: across.reduce((p, q) => (q.length > p.length ? q : p)),
    shortest: across.reduce((p, q) => (q.length < p.length ? q : p)),
    tail: tails.length === 0 ? 0 : cleared(Math.max(0, tail)),
    leftOver: whole(half) - whole(-half),
  };
};

/** Every length of the contract, with what it was computed from. */
export const lengthsOf = (member: Member, reaches: Reaches, slope: Worked): Lengths => {
  const { heel, top, bottom, longest, shortest } = reaches;
  if (member.axis.upright) return uprightLengths(member, reaches, slope);
  const run = member.axis.runMm;
  const theory = work(
    'theory length',
    'plan run ÷ cos slope',
    'mm',
    [
      ['plan run', run, 'mm'],
      ['slope', slope, '°'],
    ],
    (level, deg) => level / cos(deg),
  );
  // Read off the cuts' planes: how far from the heel's plumb line each crosses the centre line of the top edge.
  const level = Math.cos(member.axis.slopeRad);
  const shortening = work(
    'shortening at the upper end, level',
    'plan run − level distance from the heel to the upper cut',
    'mm',
    [
      ['plan run', run, 'mm'],
      ['heel to the upper cut, level', (top - heel) * level, 'mm'],
    ],
    (whole, to) => whole - to,
  );
  const body = work(
    'body',
    'theory length − (shortening at the upper end + at the lower end) ÷ cos slope',
    'mm',
    [
      ['theory length', theory, 'mm'],
      ['shortening at the upper end, level', shortening, 'mm'],
      ['shortening at the lower end, level', (bottom - heel) * level, 'mm'],
      ['slope', slope, '°'],
    ],
    (full, high, low, deg) => full - (high + low) / cos(deg),
  );
  const longPoint = pointOf(body, 'long point', longest);
  const tail = work(
    'tail',
    'level distance from the heel to the tail’s top corner ÷ cos slope',
    'mm',
    [
      ['level distance', reaches.tail * level, 'mm'],
      ['slope', slope, '°'],
    ],
    (out, deg) => (out === 0 ? 0 : out / cos(deg)),
  );
  return {
    slope,
    theory,
    body,
    longPoint,
    shortPoint: pointOf(body, 'short point', shortest),
    tail,
    blank: blankOf(member, longPoint),
  };
};

/** A length from point to point, from that between the cuts on the centre line. */
const pointOf = (body: Worked, name: string, { upper, lower }: Reach): Worked =>
  work(
    name,
    'body + how far the upper and the lower cut reach past the centre line there',
    'mm',
    [
      ['body', body, 'mm'],
      ['upper cut', upper, 'mm'],
      ['lower cut', lower, 'mm'],
    ],
    (length, more, less) => length + more + less,
  );

const blankOf = (member: Member, longPoint: Worked): Worked => {
  const [low, high] = span(member);
  return work(
    'blank',
    member.longMm === 0
      ? 'highest point of the sawn piece − lowest point, along the board from the heel; the long point at least'
      : 'highest point of the piece − lowest point, along the board; and what it is left longer at both ends, to be cut in place',
    'mm',
    [
      ['highest point', high, 'mm'],
      ['lowest point', low, 'mm'],
      ['long point', longPoint, 'mm'],
      ...(member.longMm === 0
        ? []
        : [['left longer at both ends', 2 * member.longMm, 'mm'] as const]),
    ],
    (most, least, long, spare = 0) => Math.max(most - least, long) + spare,
  );
};

/** What stands plumb is as long as it is high, less what its cuts take. */
const uprightLengths = (member: Member, reaches: Reaches, slope: Worked): Lengths => {
  const { top, bottom, longest, shortest } = reaches;
  const theory = work(
    'theory length',
    'foot to head, plumb',
    'mm',
    [['height', member.axis.riseMm, 'mm']],
    (height) => height,
  );
  const body = work(
    'body',
    'theory length − shortening at the upper end − at the lower end',
    'mm',
    [
      ['theory length', theory, 'mm'],
      ['shortening at the upper end', member.axis.riseMm - top, 'mm'],
      ['shortening at the lower end', bottom, 'mm'],
    ],
    (full, high, low) => full - high - low,
  );
  const longPoint = pointOf(body, 'long point', longest);
  return {
    slope,
    theory,
    body,
    longPoint,
    shortPoint: pointOf(body, 'short point', shortest),
    tail: work('tail', 'what stands plumb has none', 'mm', [], () => 0),
    blank: blankOf(member, longPoint),
  };
};

/** Lowest and highest a over the piece as it is sawn off: a lip, sawn from its end after that, makes it no shorter. mm */
export const span = (member: Member): readonly [number, number] => {
  let [low, high] = [Infinity, -Infinity];
  const lips = member.notches.some((notch) => notch.for === 'lip');
  const sawnOff = lips
    ? { ...member, notches: member.notches.filter((notch) => notch.for !== 'lip') }
    : member;
  for (const piece of solidOf(sawnOff)) {
    const found = extent(piece, 0);
    if (found !== null) [low, high] = [Math.min(low, found[0]), Math.max(high, found[1])];
  }
  if (low > high) throw new Error(`member ${member.id}: nothing is left after its cuts`);
  return [low, high];
};
