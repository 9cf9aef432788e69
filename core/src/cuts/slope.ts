import type { Member } from '../frame';
import { degrees, radians } from '../units';
import { work, type Worked } from './working';

/**
 * Plan angles of a hip or valley to its two eaves, from the corner between these and the two pitches. The line runs
 * where both roofs stand at one height, so that for a corner φ and rises m₁ and m₂:
 *
 *   m₁ · sin a₁ = m₂ · sin a₂     a₁ + a₂ = φ     →     tan a₁ = m₂ sin φ ÷ (m₁ + m₂ cos φ)
 */
export const planAngles = ({ fold }: Member): readonly [Worked, Worked] | null => {
  if (fold === null) return null;
  const to = (own: number, other: number): Worked =>
    work(
      'plan angle to the eave',
      'atan(other rise × sin corner ÷ (own rise + other rise × cos corner))',
      '°',
      [
        ['corner between the eaves', degrees(fold.cornerRad), '°'],
        ['own rise per run', own, ''],
        ['other rise per run', other, ''],
      ],
      (corner, m1, m2) => {
        const phi = radians(corner);
        return degrees(Math.atan2(m2 * Math.sin(phi), Math.abs(m1 + m2 * Math.cos(phi))));
      },
    );
  const [left, right] = fold.rises;
  return [to(left, right), to(right, left)];
};

/** The slope of the timber's theory line, from the pitch that was given; of any other sloping timber from its ends. */
export const slopeOf = (member: Member, plan: readonly [Worked, Worked] | null): Worked => {
  const { axis, pair, fold, side } = member;
  if (axis.level) return work('slope', 'it lies level', '°', [], () => 0);
  if (axis.upright) return work('slope', 'it stands plumb', '°', [], () => 90);
  if (plan !== null && fold !== null)
    return work(
      'slope',
      'atan(rise per run of the roof × sin of the plan angle to its eave)',
      '°',
      [
        ['rise per run', fold.rises[0], ''],
        ['plan angle to the eave', plan[0], '°'],
      ],
      (rise, deg) => degrees(Math.atan(rise * Math.sin(radians(deg)))),
    );
  if (side !== null && pair.run === 1)
    return work(
      'slope',
      'the pitch: atan(rise ÷ run)',
      '°',
      [['rise per run', pair.rise, '']],
      (m) => degrees(Math.atan(m)),
    );
  return work(
    'slope',
    'atan(rise ÷ plan run)',
    '°',
    [
      ['rise from end to end', axis.riseMm, 'mm'],
      ['plan run', axis.runMm, 'mm'],
    ],
    (rise, run) => degrees(Math.atan2(rise, run)),
  );
};
