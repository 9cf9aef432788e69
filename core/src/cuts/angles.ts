import { SAME_POINT_MM, type Vec3 } from '../geom';
import type { Member, Notch } from '../frame';
import { isPost } from '../kinds';
import { degrees, radians } from '../units';
import type { LocalCut } from './local-cut';
import type { CutEntry } from './model';
import { lipSetBack } from './set-back';
import { work, type Worked } from './working';

/** A direction this near level or plumb is level or plumb, as a sine: the same length unit cancels. */
const NEAR = SAME_POINT_MM;

const angles = ([na, ns, ne]: Vec3): Record<
  'faceAngle' | 'faceTilt' | 'edgeAngle' | 'edgeTilt',
  Worked
> => {
  const along = ['cut face’s direction: along the board', Math.abs(na), ''] as const;
  const square = ['square to the wide face', Math.abs(ns), ''] as const;
  const edge = ['square to the edge', Math.abs(ne), ''] as const;
  return {
    faceAngle: work(
      'line on the wide face',
      'atan(square to the edge ÷ along)',
      '°',
      [edge, along],
      (e, a) => degrees(Math.atan2(e, a)),
    ),
    faceTilt: work(
      'saw tilt on the wide face',
      'asin(square to the wide face)',
      '°',
      [square],
      (s) => degrees(Math.asin(Math.min(1, s))),
    ),
    edgeAngle: work(
      'line on the edge',
      'atan(square to the wide face ÷ along)',
      '°',
      [square, along],
      (s, a) => degrees(Math.atan2(s, a)),
    ),
    edgeTilt: work('saw tilt on the edge', 'asin(square to the edge)', '°', [edge], (e) =>
      degrees(Math.asin(Math.min(1, e))),
    ),
  };
};

/** The pair to hold on a framing square: the member's own rise and run for plumb and level lines. */
const squarePair = (member: Member, cut: LocalCut, faceAngle: number): CutEntry['square'] => {
  const upright = Math.abs(cut.end.keep.normal[2]);
  const { axis, pair } = member;
  // On a face that stands plumb; a sleeper's lies flat on the slope below.
  const plumb = Math.abs(member.frame.s[2]) < NEAR;
  if (!axis.level && !isPost(member) && plumb && (upright < NEAR || upright > 1 - NEAR)) {
    return { rise: 12 * pair.rise, run: 12 * pair.run };
  }
  return faceAngle < NEAR ? null : { rise: 12 * Math.tan(radians(faceAngle)), run: 12 };
};

const isLip =
  (cut: LocalCut) =>
  (notch: Notch): boolean =>
    notch.for === 'lip' && notch.seat === cut.end;

const fromLength = (fromSquare: Worked): Worked =>
  work(
    'line on the wide face, from the board’s length',
    '90° − line from square',
    '°',
    [['line from square', fromSquare, '°']],
    (deg) => 90 - deg,
  );

export interface ReadCut {
  readonly entry: CutEntry;
  readonly worked: ReturnType<typeof angles>;
}

/** Reads the contract's four angles from the cut plane's normal in the board's frame. */
export const readCut = (member: Member, cut: LocalCut): ReadCut => {
  const worked = angles(cut.normal);
  const { value } = worked.faceAngle;
  // A lip's line is told from the board's length, along which it runs.
  const lip = cut.end.at === 'seat' && member.notches.some(isLip(cut));
  const faceAngle = lip ? 90 - value : value;
  const setBack = lipSetBack(member, cut.end);
  return {
    worked: lip ? { ...worked, faceAngle: fromLength(worked.faceAngle) } : worked,
    entry: {
      at: cut.end.at,
      name: cut.end.name,
      faceAngle,
      faceTilt: worked.faceTilt.value,
      edgeAngle: worked.edgeAngle.value,
      edgeTilt: worked.edgeTilt.value,
      square: squarePair(member, cut, value),
      ...(setBack === null ? {} : { setBack }),
    },
  };
};
