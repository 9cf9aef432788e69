import { say } from '../sentence';
import { caution, note, type Remark, type Subject } from './remark';

/** What openings ask of the timbers round them, and what is left to be cut on site. */
export const aboutOpenings = ({ job, framing: { members } }: Subject): Remark[] => {
  if (job.openings.length === 0) return [];
  const trimmer = members.find(({ kind }) => kind === 'trimmer');
  const over = members.some(({ lies }) => lies === 'over' || lies === 'between');
  return [
    caution(
      'opening-carries',
      say`the ‹trimmers› carry the ‹headers›, and those the rafters that are cut: hang each in hangers of its size, and let the local code or an engineer say how many stand beside an opening this wide. How far timber keeps from a chimney is for the local code`,
      trimmer,
    ),
    ...(over
      ? [
          note(
            'opening-purlins',
            say`the ‹purlins› on the rafters run on over the openings in this list: cut them at the ‹trimmers› as the hole is cut`,
          ),
        ]
      : []),
  ];
};
