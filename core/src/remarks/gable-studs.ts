import { CUT_ALIKE_MM } from '../geom';
import type { CutListEntry } from '../cuts';
import { inMm, say } from '../sentence';
import { note, type Remark, type Subject } from './remark';

/** The common difference of gable studs: each is longer than the one before by spacing × rise ÷ run of its slope. */
export const aboutGableStuds = (
  { framing: { members } }: Subject,
  lines: readonly CutListEntry[],
): Remark[] => {
  const lengths = lines
    .filter(({ kind }) => kind === 'gable-stud')
    .map(({ length, members: [first] }) => ({ mm: length.longPoint, first }))
    .sort((p, q) => q.mm - p.mm);
  const steps = lengths.slice(1).map(({ mm }, i) => (lengths[i]?.mm ?? mm) - mm);
  const [step] = steps;
  if (step === undefined || steps.some((other) => Math.abs(other - step) > CUT_ALIKE_MM)) return [];
  const longest = members.find(({ id }) => id === lengths[0]?.first);
  return [
    note(
      'studs-differ',
      say`each ‹gable stud› is ${inMm(step, 1)} shorter than the next longer one: measure the longest, and take that off each time`,
      longest,
    ),
  ];
};
