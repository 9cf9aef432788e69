import { say } from '../sentence';
import { caution, type Remark, type Subject } from './remark';

/** What openings ask of the timbers round them, and what is left to be cut on site. */
export const aboutOpenings = ({ framing: { members } }: Subject): Remark[] => {
  const trimmer = members.find(({ kind }) => kind === 'trimmer');
  if (trimmer === undefined) return [];
  return [
    caution(
      'opening-carries',
      say`the ‹trimmers› carry the ‹headers›, and those the rafters that are cut: hang each in hangers of its size, and let the local code or an engineer say how many stand beside an opening this wide. How far timber keeps from a chimney is for the local code`,
      trimmer,
    ),
  ];
};
