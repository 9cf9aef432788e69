import { extent, SAME_POINT_MM } from '../geom';
import { solidOf, type Member } from '../frame';
import { degrees, radians } from '../units';
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
    (found, cut) => (upper ? Math.min : Math.max)(found, crossesAt(cut, s, e)),
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
        const rateP = -p.normal[1] / p.normal[0];
        const rateQ = -q.normal[1] / q.normal[0];
        const s = (crossesAt(q, 0, e) - crossesAt(p, 0, e)) / (rateP - rateQ);
        if (Math.abs(s) < half) found.push(s);
      }
    }
  }
  return found;
};

const slopeOf = (member: Member): Worked => {
  const { runMm, slopeRad } = member.plan;
  if (slopeRad === 0) return work('slope', 'it lies level', '°', [], () => 0);
  return work(
    'slope',
    'atan(rise ÷ plan run)',
    '°',
    [
      ['rise of its theory line', runMm * Math.tan(slopeRad), 'mm'],
      ['plan run', runMm, 'mm'],
    ],
    (rise, run) => degrees(Math.atan2(rise, run)),
  );
};

/** Where the cuts cross the board's own lines, mm along it from the heel. */
export interface Reaches {
  /** The heel's plumb line on the top edge. */
  readonly heel: number;
  /** Upper and lower cut on the centre line. */
  readonly top: number;
  readonly bottom: number;
  /** From lower to upper cut, where that is longest and shortest across the thickness. */
  readonly longest: number;
  readonly shortest: number;
  readonly tail: number;
  /** How much longer the left face is than the right, tail and all, along the top edge. */
  readonly leftOver: number;
}

/** A rafter that ends at its heel has no tail, whatever rounding says. */
const cleared = (mm: number): number => (Math.abs(mm) < SAME_POINT_MM ? 0 : mm);

export const reachesOf = (member: Member, cuts: readonly LocalCut[]): Reaches => {
  const e = member.topMm;
  const half = member.stock.thickness / 2;
  const upper = cuts.filter((cut) => cut.end.at === 'top');
  // The heel's plumb line through the origin leans back along the board: on a lowered top edge it lies further down.
  const heel = e * Math.tan(member.plan.slopeRad);
  // A tail's cut that comes inside the heel's line leaves no tail: it is the lower end.
  const isTail = (cut: LocalCut): boolean =>
    cut.end.at === 'tail' && crossesAt(cut, 0, e) < heel + SAME_POINT_MM;
  const tails = cuts.filter(isTail);
  const lower = cuts.filter(
    (cut) => cut.end.at === 'bottom' || (cut.end.at === 'tail' && !isTail(cut)),
  );
  const top = (s: number): number => reachOf(upper, s, e, true);
  const bottom = (s: number): number => (lower.length === 0 ? heel : reachOf(lower, s, e, false));
  const whole = (s: number): number =>
    top(s) - (tails.length === 0 ? bottom(s) : reachOf([...lower, ...tails], s, e, false));
  // Beside a valley the cheek may take the heel's line away on one side: what stands over the plate has no tail there.
  const tailAt = (s: number): number => heel - reachOf([...lower, ...tails], s, e, false);
  const reachesHeel = Math.max(tailAt(half), tailAt(-half)) > -SAME_POINT_MM;
  const across = turningPoints([upper, lower], e, half).map((s) => top(s) - bottom(s));
  return {
    heel,
    top: top(0),
    bottom: bottom(0),
    longest: Math.max(...across),
    shortest: Math.min(...across),
    tail: tails.length === 0 ? 0 : cleared(reachesHeel ? Math.max(0, tailAt(0)) : tailAt(0)),
    leftOver: whole(half) - whole(-half),
  };
};

/** Every length of the contract, with what it was computed from. */
export const lengthsOf = (member: Member, reaches: Reaches): Lengths => {
  const { heel, top, bottom, longest, shortest } = reaches;
  const slope = slopeOf(member);
  const theory = work(
    'theory length',
    'plan run ÷ cos slope',
    'mm',
    [
      ['plan run', member.plan.runMm, 'mm'],
      ['slope', slope, '°'],
    ],
    (run, deg) => run / cos(deg),
  );
  const level = cos(slope.value);
  const body = work(
    'body',
    'theory length − (shortening at the upper end + at the lower end) ÷ cos slope',
    'mm',
    [
      ['theory length', theory, 'mm'],
      ['shortening at the upper end, level', (theory.value + heel - top) * level, 'mm'],
      ['shortening at the lower end, level', (bottom - heel) * level, 'mm'],
      ['slope', slope, '°'],
    ],
    (full, high, low, deg) => full - (high + low) / cos(deg),
  );
  const point = (name: string, reach: number): Worked =>
    work(
      name,
      'body + how far the cuts reach past the centre line there',
      'mm',
      [
        ['body', body, 'mm'],
        ['reach', reach - (top - bottom), 'mm'],
      ],
      (length, more) => length + more,
    );
  const tail = work(
    'tail',
    'level distance from the heel to the tail’s top corner ÷ cos slope',
    'mm',
    [
      ['level distance', reaches.tail * level, 'mm'],
      ['slope', slope, '°'],
    ],
    (run, deg) => (run === 0 ? 0 : run / cos(deg)),
  );
  const [low, high] = span(member);
  const blank = work(
    'blank',
    'highest point of the sawn piece − lowest point, along the board from the heel; the long point at least',
    'mm',
    [
      ['highest point', high, 'mm'],
      ['lowest point', low, 'mm'],
      ['long point', longest, 'mm'],
    ],
    (most, least, long) => Math.max(most - least, long),
  );
  return {
    slope,
    theory,
    body,
    longPoint: point('long point', longest),
    shortPoint: point('short point', shortest),
    tail,
    blank,
  };
};

/** Lowest and highest a over the sawn piece, mm. */
export const span = (member: Member): readonly [number, number] => {
  let [low, high] = [Infinity, -Infinity];
  for (const piece of solidOf(member)) {
    const found = extent(piece, 0);
    if (found !== null) [low, high] = [Math.min(low, found[0]), Math.max(high, found[1])];
  }
  if (low > high) throw new Error(`member ${member.id}: nothing is left after its cuts`);
  return [low, high];
};
