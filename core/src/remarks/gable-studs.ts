import { CUT_ALIKE_MM, FIT_GAP_MM } from '../geom';
import type { CutListEntry } from '../cuts';
import { offSquareGables } from '../frame';
import { inMm, say } from '../sentence';
import { caution, note, type Remark, type Subject } from './remark';

/**
 * Gables whose rafter, square to its plate, runs off the wall: toward the peak studs flat under it would not come under
 * it, and one notched square would not lie against it.
 */
export const aboutGablesOffSquare = ({ job, roof }: Subject): Remark[] => {
  const { common, gableStud } = job.timber;
  if (gableStud === undefined) return [];
  const notched = job.framing.gableStuds === 'notched';
  const half = Math.min(common.thickness, gableStud.thickness) / 2;
  const off = offSquareGables(roof, (mm, longMm) =>
    notched ? (mm / longMm) * gableStud.thickness > FIT_GAP_MM : mm >= half,
  );
  return off.map(({ block, side }) =>
    caution(
      'studs-off-square',
      notched
        ? say`${block}, wall ${side.index + 1}: the ‹gable› is not square to the slopes beside it, and a rafter in it slants off the wall. ‹Gable studs› that would be notched round that rafter are not in the list: fit them on site, or have them flat under it`
        : say`${block}, wall ${side.index + 1}: the ‹gable› is not square to the slopes beside it, and their rafters leave its wall towards the peak. ‹Gable studs› that would not come half under one are not in the list: fit them on site`,
    ),
  );
};

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
