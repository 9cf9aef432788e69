import { v2, v3, type Vec3 } from '../geom';
import { inMm, say } from '../sentence';
import type { LaidOn } from '../roof';
import { caution, note, type Remark, type Subject } from './remark';

/** Of a point on a lower roof: along its eave from the wall's start, and up the slope from over the wall's outside. mm */
const onRoof = ({ wall, deck }: LaidOn, p: Vec3) => {
  const from = v2.sub(v3.inPlan(p), wall.start);
  const up = v2.dot(from, wall.inward);
  return { along: inMm(v2.dot(from, wall.along)), up: inMm(up / deck.normal[2]) };
};

/** What is laid on another roof: where its chalk lines are struck, and what the roof below has to carry. */
export const aboutLaidOn = ({ roof: { laid }, framing: { members } }: Subject): Remark[] =>
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
    const back = sleeper?.setBackMm;
    return [
      caution(
        'laid-on-carries',
        say`"${on.block}" stands on the sheathing of the roof below: its ${sleeper === undefined ? 'feet' : '‹sleepers›'} must be fixed through to the rafters there, which carry it as well as their own roof; let the local code or an engineer say whether they can`,
        jack,
      ),
      ...lines,
      ...(back === undefined
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
