import {
  SLACK_MM,
  ALONGSIDE_SINE,
  intervals,
  MEETS_SINE,
  v2,
  v3,
  type Interval,
  type Vec2,
} from '../../geom';
import { inMm, say } from '../../sentence';
import { LINE_TIMBER, type RoofLine } from '../../roof';
import type { FrameOnSite } from '../frame-on-site';
import type { Placed } from '../contact/placed';
import type { FitProblem } from '../report';

/** A line of the roof may stand bare for this many thicknesses of the timbers that meet at its end. */
const DEDUCTION = 1.5;
/** Wood this near under a line is under it. mm */
const UNDER_MM = SLACK_MM.beside;
/** Lines less bare than this are whole. mm */
const NEAR_MM = SLACK_MM.nothing;

/**
 * Along every ridge, hip, valley and break in pitch stands its timber, from end to end but for what the timbers that meet at its ends
 * take up. Found by the wood under the line, whatever it is called.
 */
export const bareLines = (site: FrameOnSite): FitProblem[] => {
  const { roof, job, members } = site;
  const { timber } = job;
  const thickest = Math.max(
    ...[timber.common, timber.hip, timber.valley, timber.ridge, timber.purlin].map(
      (one) => one?.thickness ?? 0,
    ),
  );
  const found: FitProblem[] = [];
  const timbers = onLinesOf(members);
  for (const line of roof.lines) {
    const name = line.kind === 'break' ? 'break in pitch' : line.kind;
    const from = v3.inPlan(line.from);
    const to = v3.inPlan(line.to);
    const along = v2.unit(v2.sub(to, from));
    const length = v2.distance(from, to);
    const under = (timbers.get(LINE_TIMBER[line.kind]) ?? []).flatMap((one): Interval[] => {
      if (Math.abs(v2.cross(one.heading, along)) > ALONGSIDE_SINE) return [];
      if (Math.abs(v2.cross(along, v2.sub(one.origin, from))) > UNDER_MM) return [];
      const ts = one.placed.corners.map((p) => v2.dot(v2.sub(v3.inPlan(p), from), along));
      return [[Math.min(...ts), Math.max(...ts)]];
    });
    const bare = intervals.without([[0, length]], intervals.unite(under, NEAR_MM), NEAR_MM);
    for (const [low, high] of bare) {
      // A square tail is cut further in the lower its top stands.
      const tail = job.framing.tail === 'square' && low < NEAR_MM ? thickest : 0;
      const onDeck = high > length - NEAR_MM || low < NEAR_MM ? laidShort(site, line) : 0;
      const most = tail + onDeck + deduction(thickest, line, roof.lines, [low, high]);
      if (high - low <= most) continue;
      const at = v3.lerp(line.from, line.to, (low + high) / 2 / length);
      const whole = high - low > length - NEAR_MM;
      const mm = high - low;
      found.push({
        members: [LINE_TIMBER[line.kind], 'roof'],
        ids: [],
        kind: 'missing',
        mm,
        at,
        text: whole
          ? say`a ${name} ${inMm(mm)} long in plan has no timber`
          : say`${inMm(mm)} of a ${name} has no timber under it`,
      });
    }
  }
  return found;
};

/** A timber that may stand on a line, and where it runs in plan. */
interface OnLine {
  readonly placed: Placed;
  readonly heading: Vec2;
  readonly origin: Vec2;
}

/** The timbers of lines, by their kinds. */
const onLinesOf = (members: readonly Placed[]): ReadonlyMap<string, readonly OnLine[]> => {
  const found = new Map<string, OnLine[]>(Object.values(LINE_TIMBER).map((kind) => [kind, []]));
  for (const placed of members) {
    const { kind, frame } = placed.member;
    found.get(kind)?.push({
      placed,
      heading: v2.unit(v3.inPlan(frame.a)),
      origin: v3.inPlan(frame.origin),
    });
  }
  return found;
};

/** A ridge that is laid on a lower roof stands lower than its line, and so comes down on that the sooner. mm */
const laidShort = ({ roof, laid, job }: FrameOnSite, { kind, slopes }: RoofLine): number => {
  if (laid === null || kind !== 'ridge') return 0;
  const steepest = Math.max(...slopes.map((i) => roof.slopes[i]?.rise ?? 0));
  const lower = laid.below.slopes[laid.on.slope]?.rise ?? 1;
  return ((job.timber.ridge?.thickness ?? 0) * steepest) / 2 / lower + NEAR_MM;
};

/**
 * What the timbers of other lines that meet this one in a stretch of it may take off it: more, the nearer they run to
 * its own direction. mm
 */
const deduction = (
  thickness: number,
  line: RoofLine,
  lines: readonly RoofLine[],
  [low, high]: Interval,
): number => {
  const from = v3.inPlan(line.from);
  const own = v2.unit(v2.sub(v3.inPlan(line.to), from));
  const sines = lines.flatMap((other): number[] => {
    if (other === line) return [];
    const [a, b] = [v3.inPlan(other.from), v3.inPlan(other.to)];
    const heading = v2.unit(v2.sub(b, a));
    const sine = v2.cross(own, heading);
    if (Math.abs(sine) < MEETS_SINE) return [];
    const at = v2.cross(v2.sub(a, from), heading) / sine;
    const on = v2.cross(v2.sub(a, from), own) / sine;
    const meets =
      at > low - NEAR_MM &&
      at < high + NEAR_MM &&
      on > -NEAR_MM &&
      on < v2.distance(a, b) + NEAR_MM;
    return meets ? [Math.abs(sine)] : [];
  });
  // At a gable or over its foot a line's timber goes all the way.
  return sines.length === 0 ? 0 : (DEDUCTION * thickness) / Math.min(...sines);
};
