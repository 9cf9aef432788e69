import { say } from '../sentence';
import { note, type Remark, type Subject } from './remark';

/** Rafters that were left out on purpose. */
export const aboutLeftOut = ({ framing }: Subject): Remark[] => {
  const { stations, short } = framing.leftOut;
  return [
    ...(stations === 0
      ? []
      : [
          note(
            'stations-left-out',
            say`${stations} stations left out: two rafters would stand in the same place, nearer than their thickness`,
          ),
        ]),
    ...(short === 0
      ? []
      : [
          note(
            'jacks-left-out',
            say`${short} jacks shorter than the limit are left out; the ‹fascia› and blocking carry the corner`,
          ),
        ]),
    ...(framing.noRoom.length === 0
      ? []
      : [
          note(
            'ties-without-room',
            framing.noRoom.length === 1
              ? say`one pair of rafters has no room for its tie: other timber stands there, or a wall`
              : say`${framing.noRoom.length} pairs of rafters have no room for their ties: other timber stands there, or a wall`,
          ),
        ]),
  ];
};
