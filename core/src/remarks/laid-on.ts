import { v2, v3, type Vec3 } from '../geom';
import { inMm, say } from '../sentence';
import { climbs, type LaidOn } from '../roof';
import { caution, note, type Remark, type Subject } from './remark';

/** Of a point on a lower roof: along its eave from the wall's start, and up the slope from over the wall's outside. mm */
const onRoof = ({ wall, deck }: LaidOn, p: Vec3) => {
  const from = v2.sub(v3.inPlan(p), wall.start);
  const up = v2.dot(from, wall.inward);
  return { along: inMm(v2.dot(from, wall.along)), up: inMm(up / deck.normal[2]) };
};

/** How far outside a chalk line the top of the upper sheathing comes down, square to it on the lower one; 0 without. mm */
const planesIn = ({ deck, whole }: LaidOn, side: number, thick: number): number => {
  const upper = whole.slopes.find(({ sides }) => sides.some((one) => one.side === side));
  if (upper === undefined) return 0;
  const sine = v3.length(v3.cross(upper.plane.normal, deck.normal));
  return thick / sine;
};

/** Where the middle of its ridge comes down on the lower sheathing: where its chalk lines meet at the top. */
const centreOf = ({ chalk }: LaidOn): Vec3 | null => {
  const tops = chalk.filter(climbs).map(({ to }) => to);
  const [one, other] = tops;
  return one === undefined || other === undefined ? null : v3.lerp(one, other, 0.5);
};

/** What is laid on another roof: where its chalk lines are struck, and what the roof below has to carry. */
export const aboutLaidOn = ({ job, roof: { laid }, framing: { members } }: Subject): Remark[] =>
  laid.flatMap((on): Remark[] => {
    const own = members.filter(({ block }) => block === on.block);
    const jack = own.find(({ kind }) => kind === 'valley-jack');
    const sleeper = own.find(({ kind }) => kind === 'sleeper');
    const lines = on.chalk.map(({ from, to }): Remark => {
      const [low, high] = [onRoof(on, from), onRoof(on, to)];
      return note(
        'chalk-line',
        say`chalk line of "${on.block}": on the lower sheathing, measured along the eave from the wall’s start and up the slope from over the wall, from ${low.along} along and ${low.up} up to ${high.along} along and ${high.up} up`,
        sleeper ?? jack,
      );
    });
    const back = sleeper?.setBackMm ?? null;
    const centre = centreOf(on);
    const struck = centre === null ? null : onRoof(on, centre);
    const [first] = on.chalk.filter(climbs);
    const out = first === undefined ? 0 : planesIn(on, first.side, job.timber.sheathing);
    return [
      ...(on.as === 'dormer'
        ? []
        : [
            caution(
              'laid-on-carries',
              say`"${on.block}" stands on the sheathing of the roof below: its ${sleeper === undefined ? 'feet' : '‹sleepers›'} must be fixed through to the rafters there, which carry it as well as their own roof; let the local code or an engineer say whether they can`,
              jack,
            ),
          ]),
      ...(struck === null
        ? []
        : [
            note(
              'chalk-line',
              say`centre of the ‹ridge› of "${on.block}": it comes down on the lower sheathing ${struck.along} along and ${struck.up} up; square its line in plan to the wall that it leaves from`,
              own.find(({ kind }) => kind === 'ridge') ?? jack,
            ),
          ]),
      ...lines,
      ...(out === 0
        ? []
        : [
            note(
              'chalk-line',
              say`where the sheathing of "${on.block}" comes down: a second line ${inMm(out, 1)} outside each chalk line, measured square to it on the roof; nothing of the lower roofing is to be laid inside it before`,
              jack,
            ),
          ]),
      ...(back === null
        ? []
        : [
            note(
              'sleeper-back',
              say`lay each ‹sleeper› ${inMm(back, 1)} inside its chalk line, measured square to it on the roof: a straight-edge down the upper rafters’ tops then strikes the line`,
              sleeper,
            ),
          ]),
    ];
  });
