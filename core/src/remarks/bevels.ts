import { planeAt, toWorld } from '../geom';
import { solidOf, type Framing, type Member } from '../frame';
import { inMm, say } from '../sentence';
import { note, type Remark, type Subject } from './remark';

/** The valley that runs on past a lower ridge, whose top is bevelled from there. */
export const runningValley = ({ members }: Framing): Member | undefined =>
  members.find(({ bevels }) => bevels.some(({ beyond }) => beyond !== null));

/** How far the commonest corner planed off stood above the roof beside it, plumb. */
const proudBefore = (member: Member): number => {
  const square = { ...member, bevels: [] };
  const points = solidOf(square).flatMap((piece) =>
    piece.flatMap((face) => face.points.map((p) => toWorld(member.frame, p))),
  );
  return Math.max(
    0,
    ...member.bevels.flatMap(({ keep }) => points.map((p) => planeAt(keep, p) / keep.normal[2])),
  );
};

/** Corners to plane off. */
export const aboutBevels = ({ framing }: Subject): Remark[] => {
  const planed = framing.members.filter(
    ({ kind, bevels }) => bevels.length > 0 && (kind === 'common' || kind === 'king-common'),
  );
  const common = planed.find(({ kind }) => kind === 'common');
  const king = planed.find(({ kind }) => kind === 'king-common');
  const running = runningValley(framing);
  return [
    ...(common === undefined
      ? []
      : [
          note(
            'plane-off',
            say`the commons are thicker than the ridge, so the top corner of those at the hips stands ${inMm(proudBefore(common), 1)} proud of the end slope: plane it off`,
            common,
          ),
        ]),
    ...(king === undefined
      ? []
      : [
          note(
            'plane-off',
            say`king commons that meet at the peak reach past the side slopes: plane their upper corners off to them`,
            king,
          ),
        ]),
    ...(running === undefined
      ? []
      : [
          note(
            'bevel-valley',
            say`past the lower ridge the supporting valley runs on under one slope: bevel its top to that slope there`,
            running,
          ),
        ]),
  ];
};
