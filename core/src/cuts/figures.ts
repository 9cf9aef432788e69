import type { Member } from '../frame';
import { degrees } from '../units';
import { readCut, type ReadCut } from './angles';
import { pieceOf } from './group';
import { lengthsOf, type Lengths, type Reaches } from './lengths';
import type { LocalCut } from './local-cut';
import { seatOf, type Seat } from './seat';
import { chainOf, work, type Step, type Worked, type Working } from './working';

/** Every number of a line of the list, with what it was computed from. */
export interface Figures extends Lengths {
  readonly seat: Seat | null;
  readonly drop: Worked | null;
  readonly backing: readonly [Worked, Worked] | null;
  readonly plan: readonly [Worked, Worked] | null;
  readonly cuts: readonly ReadCut[];
}

const dropOf = ({ stock, plan: { dropMm } }: Member): Worked | null =>
  dropMm === null
    ? null
    : work(
        'drop',
        'half the thickness × the fall of the roof plane square off the hip in plan',
        'mm',
        [
          ['half the thickness', stock.thickness / 2, 'mm'],
          ['fall', dropMm / (stock.thickness / 2), ''],
        ],
        (half, fall) => half * fall,
      );

const planAngle = (angleRad: number): Worked =>
  work(
    'plan angle to the eave',
    'acos(how far its plan line runs along the eave)',
    '°',
    [['share of its plan length along the eave', Math.cos(angleRad), '']],
    (share) => degrees(Math.acos(Math.min(1, share))),
  );

const backingAngle = (angleRad: number): Worked =>
  work(
    'backing',
    'acos(how squarely the roof plane faces the top edge)',
    '°',
    [['roof plane’s direction along the board’s upward axis', Math.cos(angleRad), '']],
    (share) => degrees(Math.acos(Math.min(1, share))),
  );

const onEachSide = (
  angles: readonly [number, number] | null,
  figure: (angleRad: number) => Worked,
): readonly [Worked, Worked] | null =>
  angles === null ? null : [figure(angles[0]), figure(angles[1])];

export const figuresOf = (
  member: Member,
  cuts: readonly LocalCut[],
  reaches: Reaches,
): Figures => ({
  ...lengthsOf(member, reaches),
  seat: seatOf(member),
  drop: dropOf(member),
  backing: onEachSide(member.plan.backingRad, backingAngle),
  plan: onEachSide(member.plan.eaveAngleRad, planAngle),
  cuts: cuts.map((cut) => readCut(member, cut)),
});

/** The chain of every number of the line that a member is cut to, by its path in the line. mm and degrees. */
export const workingOf = (member: Member): Working => {
  const piece = pieceOf(member);
  const { slope, seat, drop, backing, plan, cuts, ...length } = figuresOf(
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
  if (drop !== null) working['drop'] = chainOf(drop);
  if (backing !== null) note('backing', backing);
  if (plan !== null) note('plan', plan);
  for (const [i, { worked }] of cuts.entries()) note(`cuts.${i}`, worked);
  return working;
};
