import type { Member } from '../frame';
import { degrees, radians } from '../units';
import { readCut, type ReadCut } from './angles';
import { pieceOf } from './group';
import { lengthsOf, type Lengths, type Reaches } from './lengths';
import type { LocalCut } from './local-cut';
import { planAngles, slopeOf } from './slope';
import { seatOf, type Seat } from './seat';
import { upperOf, type Upper } from './upper';
import { chainOf, work, type Step, type Worked, type Working } from './working';

/** Every number of a line of the list, with what it was computed from. */
export interface Figures extends Lengths {
  readonly seat: Seat | null;
  /** Of a rafter over two walls, at the upper one. */
  readonly upper: Upper | null;
  readonly drop: Worked | null;
  readonly backing: readonly [Worked, Worked] | null;
  readonly plan: readonly [Worked, Worked] | null;
  readonly cuts: readonly ReadCut[];
}

const cosine = (deg: number): number => Math.cos(radians(deg));

const dropOf = ({ stock, dropMm, fold }: Member): Worked | null =>
  dropMm === null || fold === null
    ? null
    : dropMm === 0
      ? work('drop', 'the crew does not drop its hips', 'mm', [], () => 0)
      : work(
          'drop',
          'half the thickness × the fall of the steeper-falling roof plane, square off the hip in plan',
          'mm',
          [
            ['thickness', stock.thickness, 'mm'],
            ['fall per unit on the left', fold.falls[0], ''],
            ['fall per unit on the right', fold.falls[1], ''],
          ],
          (thickness, left, right) => (thickness / 2) * Math.max(left, right),
        );

/** The roof's slope beside a hip or valley, and the bevel of the top edge down to it. */
const backingAngle =
  (slope: Worked) =>
  (rise: number): Worked =>
    work(
      'backing',
      'acos(cos of the roof’s slope there ÷ cos of its own slope)',
      '°',
      [
        [
          'the roof’s slope there',
          work(
            'the roof’s slope there',
            'atan(rise ÷ run)',
            '°',
            [['rise per run', rise, '']],
            (m) => degrees(Math.atan(m)),
          ),
          '°',
        ],
        ['slope', slope, '°'],
      ],
      (roof, own) => degrees(Math.acos(Math.min(1, cosine(roof) / cosine(own)))),
    );

export const figuresOf = (member: Member, cuts: readonly LocalCut[], reaches: Reaches): Figures => {
  const plan = planAngles(member);
  const slope = slopeOf(member, plan);
  const { fold } = member;
  const bevel = backingAngle(slope);
  return {
    ...lengthsOf(member, reaches, slope),
    seat: seatOf(member),
    upper: upperOf(member, slope),
    drop: dropOf(member),
    backing: fold === null ? null : [bevel(fold.rises[0]), bevel(fold.rises[1])],
    plan,
    cuts: cuts.map((cut) => readCut(member, cut)),
  };
};

/** The chain of every number of the line that a member is cut to, by its path in the line. mm and degrees. */
export const workingOf = (member: Member): Working => {
  const piece = pieceOf(member);
  const { slope, seat, upper, drop, backing, plan, cuts, ...length } = figuresOf(
    member,
    piece.cuts,
    piece.reaches,
  );
  const working: Record<string, readonly Step[]> = { slope: chainOf(slope) };
  const note = (
    path: string,
    figures: readonly Worked[] | Readonly<Record<string, Worked>>,
  ): void => {
    for (const [name, worked] of Object.entries<Worked>(figures))
      working[`${path}.${name}`] = chainOf(worked);
  };
  note('length', { ...length });
  if (seat !== null) note('seat', { ...seat });
  if (upper !== null) note('upper', { ...upper });
  if (drop !== null) working['drop'] = chainOf(drop);
  if (backing !== null) note('backing', backing);
  if (plan !== null) note('plan', plan);
  for (const [i, { worked }] of cuts.entries()) note(`cuts.${i}`, worked);
  return working;
};
