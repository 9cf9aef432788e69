import {
  SLACK_MM,
  SLACK_SINE,
  halfSpace,
  halfSpaceToLocal,
  v2,
  v3,
  type HalfSpace,
  type Vec3,
} from '../../geom';
import type { Kind } from '../../kinds';
import { clashing } from '../joint/in-space';
import { bellyOf } from '../member/board';
import type { EndCut, Member, Notch } from '../member/member';

/** Of a line's timber, the side that a point of a purlin lies on, looking into it, and the end of the purlin that comes to it. */
interface SideOfLine {
  readonly face: Vec3;
  readonly keep: HalfSpace;
  readonly at: 'top' | 'bottom';
}

const sideOfLine = ({ frame: { a } }: Member, line: Member, point: Vec3): SideOfLine => {
  const { origin, s } = line.frame;
  const side = v3.dot(v3.sub(point, origin), s) > 0 ? 1 : -1;
  const face = v3.add(origin, v3.scale(s, (side * line.stock.thickness) / 2));
  const out = v3.scale(s, -side);
  return { face, keep: halfSpace(face, out), at: v3.dot(a, out) > 0 ? 'top' : 'bottom' };
};

const middleOf = ({ frame, axis }: Member): Vec3 =>
  v3.add(frame.origin, v3.scale(frame.a, axis.runMm / 2));

/**
 * The lip by which a purlin passes under a hip or a valley that hangs lower than the rafters: what stands above its
 * underside goes, from its side to the mitre on its middle. A straight-edge held under it touches its side, and so
 * finds the line half its diagonal thickness too early.
 */
const lipUnder = (purlin: Member, hip: Member): Notch => {
  const { face, keep, at } = sideOfLine(purlin, hip, middleOf(purlin));
  return {
    for: 'lip',
    seat: { at: 'seat', name: 'lip', keep: bellyOf(hip), meets: hip.id },
    heels: [
      {
        at: 'heel',
        name: at === 'top' ? 'lip, upper end' : 'lip, lower end',
        keep,
        meets: hip.id,
      },
    ],
    opens: 'top',
    corner: v3.inPlan(face),
  };
};

/** A hip's line this near a purlin's end, in plan, runs through it. mm */
const ON_LINE_MM = SLACK_MM.beside;

/** Whether the line a hip stands on runs through one of a purlin's mitres. */
const meetsAtEnd = ({ frame, axis, ends }: Member, hip: Member): boolean =>
  [0, axis.runMm].some((t) => {
    const p = v3.add(frame.origin, v3.scale(frame.a, t));
    const off = v2.dot(v2.sub(v3.inPlan(p), v3.inPlan(hip.frame.origin)), v3.inPlan(hip.frame.s));
    return Math.abs(off) < ON_LINE_MM && ends.some(({ name }) => name === 'side');
  });

/** Of the timbers on lines, those that hang so low that a purlin would stand in them: at its ends, and on its way. */
export const linesInWay = (
  purlin: Member,
  before: readonly Member[],
): { readonly atEnds: readonly Member[]; readonly onWay: readonly Member[] } => {
  const lines = clashing(
    purlin,
    before.filter(({ kind }) => ON_LINES.has(kind)),
  );
  const atEnds = lines.filter(
    (line) => (line.kind === 'hip' || line.kind === 'valley') && meetsAtEnd(purlin, line),
  );
  const crosses = ({ frame: { s } }: Member): boolean =>
    Math.abs(v3.dot(purlin.frame.a, s)) > ACROSS;
  return { atEnds, onWay: lines.filter((line) => !atEnds.includes(line) && crosses(line)) };
};

/** What stands on a line of the roof, or under where one ends. */
const ON_LINES: ReadonlySet<Kind> = new Set(['ridge', 'hip', 'valley', 'header']);
/** A timber nearer than this to a purlin's own direction, as a sine, runs beside it. */
const ACROSS = SLACK_SINE.across;

/** The cut along a line's timber, on the side of it that a point of the purlin lies on. */
export const besideLine = (purlin: Member, line: Member, point: Vec3): EndCut => {
  const { keep, at } = sideOfLine(purlin, line, point);
  return { at, name: 'cheek cut', keep, meets: line.id };
};

/**
 * A purlin with a lip under each hip or valley at its ends that it would stand in; where the lip would take too much of it,
 * it stops at that one's side and hangs there.
 */
export const withLips = (purlin: Member, before: readonly Member[]): Member =>
  linesInWay(purlin, before).atEnds.reduce<Member>((left, line) => {
    const lip = lipUnder(purlin, line);
    if (lipDepth(purlin, lip) <= purlin.stock.depth * (1 - LEAST_UNDER_LIP))
      return { ...left, notches: [...left.notches, lip] };
    const stop = besideLine(purlin, line, middleOf(purlin));
    return { ...left, ends: [...left.ends.filter(({ at }) => at !== stop.at), stop] };
  }, purlin);

/** A lip that leaves less than this share of a purlin's depth leaves too little to bear. */
const LEAST_UNDER_LIP = 1 / 4;

/** The most that a lip takes of a purlin's depth, where it comes to the side of what passes over. mm */
const lipDepth = ({ frame, stock, topMm }: Member, { seat, heels }: Notch): number =>
  Math.max(
    0,
    ...heels.flatMap((heel) => {
      const [lip, side] = [seat.keep, heel.keep].map((keep) => halfSpaceToLocal(frame, keep));
      if (lip === undefined || side === undefined) return [];
      return [stock.thickness / 2, -stock.thickness / 2].map((s) => {
        const [sa, ss, se] = side.normal;
        const [la, ls, le] = lip.normal;
        const det = sa * le - se * la;
        const e = (sa * (lip.offset - ls * s) - la * (side.offset - ss * s)) / det;
        return topMm - e;
      });
    }),
  );
