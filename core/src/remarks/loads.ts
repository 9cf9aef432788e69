import { isOpeningHeader, type Member } from '../frame';
import { say } from '../sentence';
import { runningValley } from './bevels';
import { caution, type Remark, type Subject } from './remark';

const SUPPORTED = say`the valley that runs on carries the lower ridge and the other valley: its size is for an engineer`;
const AT_BREAK = say`at a break in pitch the rafters above push on this purlin and the rafters below hold it: without a wall or posts under it, or ties across at its height, the roof folds there. Its size, and what carries it, are for an engineer`;
const UNDER_RAFTERS = say`‹purlins› under the rafters take about half of the roof’s load down to what carries them: walls, posts or struts to a bearing wall, and at a ‹hip› the joint under it. Their size, their span and how they are fixed are for an engineer`;
const UNDER_GABLET = say`the header under the gablet carries the rafters of the hip’s end, and the hips and the first pair of rafters carry it: their sizes are for an engineer`;
const AT_RIDGE_END = say`the header carries the lower ridge and both valleys, and the two rafters beside it carry the header: their sizes are for an engineer`;

const BROKEN_HIP = say`this hip breaks to a lower ridge: with that ridge and its valley it meets over no wall, and what carries the point is for an engineer`;

/** Timbers that carry others at a junction. */
export const aboutLoads = ({ framing }: Subject): Remark[] => {
  const running = runningValley(framing);
  const headers = framing.members.filter(({ kind }) => kind === 'header');
  const hips = new Set(framing.members.filter(({ kind }) => kind === 'hip').map(({ id }) => id));
  const ofGablet = ({ ends }: Member): boolean =>
    ends.every(({ meets }) => meets !== null && hips.has(meets));
  const header = headers.find((one) => !ofGablet(one) && !isOpeningHeader(one));
  const gablet = headers.find(ofGablet);
  const purlin = framing.members.find(({ kind }) => kind === 'purlin');
  const under = framing.members.find(({ kind }) => kind === 'under-purlin');
  const ridges = framing.members.filter(({ kind }) => kind === 'ridge');
  const broken = framing.members.find(
    ({ id, kind, notches }) =>
      kind === 'hip' &&
      notches.length === 0 &&
      ridges.some(({ ends }) => ends.some(({ meets }) => meets === id)),
  );
  return [
    ...(broken === undefined ? [] : [caution('hip-broken', BROKEN_HIP, broken)]),
    ...(running === undefined ? [] : [caution('valley-carries', SUPPORTED, running)]),
    ...(header === undefined ? [] : [caution('header-carries', AT_RIDGE_END, header)]),
    ...(gablet === undefined ? [] : [caution('gablet-carries', UNDER_GABLET, gablet)]),
    ...(purlin === undefined ? [] : [caution('break-carries', AT_BREAK, purlin)]),
    ...(under === undefined ? [] : [caution('purlin-carries', UNDER_RAFTERS, under)]),
    ...(framing.leftOut.headers === 0
      ? []
      : [
          caution(
            'nothing-carries',
            say`a lower ridge and its valleys end where no valley can run on and no rafters stand beside to carry a header: an engineer must say what carries them`,
          ),
        ]),
  ];
};
