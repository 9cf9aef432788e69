import {
  SLACK_DEG,
  SAME_WAY_SINE,
  SLACK_MM,
  halfSpaceToLocal,
  type HalfSpace,
  type Vec3,
} from '../geom';
import type { Member } from '../frame';
import { degrees } from '../units';
import type { EdgePoint, SawLine, SquarePair } from './model';

/** The board a piece is sawn from, in the member's own `[a, s, e]`: hooked at its upper end. mm */
export interface Blank {
  readonly upperA: number;
  readonly lengthMm: number;
  readonly topE: number;
  readonly depthMm: number;
  readonly halfMm: number;
  /** The other hand is sawn: left and right face change about. */
  readonly mirrored: boolean;
}

/** A line this little past an edge comes to it: rounding. mm */
const AT_EDGE_MM = SLACK_MM.rounding;
/** A direction this near level or plumb is level or plumb, as a sine. */
const NEAR = SAME_WAY_SINE;
/** Under this a saw stands upright and a line square across: less than any protractor shows. Degrees */
const UPRIGHT_DEG = SLACK_DEG.shown;

/** Which of the member's faces lies towards you: s = +half is its left. */
const sideOf = ({ halfMm, mirrored }: Blank, face: 'near' | 'far'): number =>
  (face === 'near') === mirrored ? -halfMm : halfMm;

/** Where a plane's line on a face crosses the edge at `downMm` below the top: along from the hooked end. mm */
const alongAt = (blank: Blank, { normal, offset }: HalfSpace, s: number, downMm: number): number =>
  blank.upperA - (offset - normal[1] * s - normal[2] * (blank.topE - downMm)) / normal[0];

/** How far down from the top edge a plane's line crosses an end. mm */
const downAt = (blank: Blank, { normal, offset }: HalfSpace, s: number, alongMm: number): number =>
  blank.topE - (offset - normal[1] * s - normal[0] * (blank.upperA - alongMm)) / normal[2];

/** The two places where a line comes to the board's edges, the higher first; null where it misses the face. */
const endsOf = (
  blank: Blank,
  plane: HalfSpace,
  face: 'near' | 'far',
): readonly [EdgePoint, EdgePoint] | null => {
  const s = sideOf(blank, face);
  const { lengthMm, depthMm } = blank;
  const point = (downMm: number, on: 'top edge' | 'bottom edge'): EdgePoint | null => {
    const along = alongAt(blank, plane, s, downMm);
    if (along >= -AT_EDGE_MM && along <= lengthMm + AT_EDGE_MM)
      return { on, mm: Math.min(Math.max(along, 0), lengthMm) };
    const end = along < 0 ? 0 : lengthMm;
    if (Math.abs(plane.normal[2]) < NEAR) return null;
    const down = downAt(blank, plane, s, end);
    return down < -AT_EDGE_MM || down > depthMm + AT_EDGE_MM
      ? null
      : { on: end === 0 ? 'upper end' : 'lower end', mm: Math.min(Math.max(down, 0), depthMm) };
  };
  // Along the board, from end to end.
  if (Math.abs(plane.normal[0]) < NEAR) {
    const [top, foot] = [downAt(blank, plane, s, 0), downAt(blank, plane, s, lengthMm)];
    const on = (down: number): boolean => down > -AT_EDGE_MM && down < depthMm + AT_EDGE_MM;
    return on(top) && on(foot)
      ? [
          { on: 'upper end', mm: top },
          { on: 'lower end', mm: foot },
        ]
      : null;
  }
  const from = point(0, 'top edge');
  const to = point(depthMm, 'bottom edge');
  return from === null || to === null ? null : [from, to];
};

const squareOf = (member: Member, keep: HalfSpace, angleDeg: number): SquarePair | null => {
  const upright = Math.abs(keep.normal[2]);
  const { axis, pair } = member;
  const own = { rise: 12 * pair.rise, run: 12 * pair.run };
  // On a face that stands plumb; a sleeper's lies flat on the slope below.
  const sloping = !axis.level && !axis.upright && Math.abs(member.frame.s[2]) < NEAR;
  if (sloping && upright < NEAR) return { ...own, leg: 'rise' };
  if (sloping && upright > 1 - NEAR) return { ...own, leg: 'run' };
  return angleDeg < UPRIGHT_DEG
    ? null
    : { rise: 12 * Math.tan((angleDeg * Math.PI) / 180), run: 12, leg: 'rise' };
};

/** A cut's plane as it is marked, on the wanted face or, where its line misses that, on the other; null on neither. */
export const sawLine = (
  member: Member,
  blank: Blank,
  keep: HalfSpace,
  wanted: 'near' | 'far',
): SawLine | null => {
  const plane = halfSpaceToLocal(member.frame, keep);
  const other = wanted === 'near' ? 'far' : 'near';
  const face = endsOf(blank, plane, wanted) !== null ? wanted : other;
  const ends = endsOf(blank, plane, face);
  if (ends === null) return null;
  const [na, , ne] = plane.normal;
  const s = sideOf(blank, face);
  const angleDeg = degrees(Math.atan2(Math.abs(ne), Math.abs(na)));
  const tiltDeg = degrees(Math.asin(Math.min(1, Math.abs(plane.normal[1]))));
  // The piece keeps what lies behind the plane: above a cut that faces down the board the upper part is kept.
  const waste = na > 0 ? 'upper end' : 'lower end';
  const [top, bottom] = [alongAt(blank, plane, s, 0), alongAt(blank, plane, s, blank.depthMm)];
  const topIsNearer = top < bottom;
  const shortTop = waste === 'upper end' ? !topIsNearer : topIsNearer;
  const beyond = alongAt(blank, plane, -s, 0) - top;
  return {
    face,
    from: ends[0],
    to: ends[1],
    angleDeg,
    square: squareOf(member, keep, angleDeg),
    shortAt: angleDeg < UPRIGHT_DEG ? null : shortTop ? 'top edge' : 'bottom edge',
    tiltDeg,
    leansTo: tiltDeg < UPRIGHT_DEG ? null : beyond < 0 ? 'upper end' : 'lower end',
    waste,
  };
};

/** A point of the member as marks on the board. */
export const boardMark = (blank: Blank, [a, s, e]: Vec3) => ({
  alongMm: blank.upperA - a,
  acrossMm: blank.mirrored ? blank.halfMm + s : blank.halfMm - s,
  downMm: blank.topE - e,
});

export const faceAt = (blank: Blank, s: number): 'near' | 'far' =>
  s > 0 === blank.mirrored ? 'far' : 'near';
