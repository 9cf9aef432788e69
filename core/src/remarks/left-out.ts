import { say } from '../sentence';
import { caution, note, type Remark, type Subject } from './remark';

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
  ];
};

/** What the job asks for and this version does not frame yet. Said, so that nobody takes the list for whole. */
export const notFramedYet = ({ job }: Subject): Remark[] => {
  const missing = [
    job.purlins.length > 0 ? 'purlins' : null,
    job.collarTies === undefined ? null : 'collar ties',
    job.rafterTies === undefined ? null : 'rafter ties',
  ].filter((name) => name !== null);
  return missing.length === 0
    ? []
    : [
        caution(
          'not-framed',
          say`${missing.join(', ')} cannot be worked out yet and are not in this list; cut and fix them as the job asks`,
        ),
      ];
};
