import { SLACK_MM } from '../geom';
import { isRectangle, resized, standingOn, wallLengths, withStanding, type Job } from '../job';
import type { Problem } from '../problem';
import { inMm, leastMm, mostMm, say, type Measure, type Sentence } from '../sentence';
import { workOutRoof } from './work-out';

/** Sizes are looked for as far from the one that is refused. mm */
const LOOKED_MM = 200;
/** Sizes nearer to each other are the same one. mm */
const SAME_SIZE_MM = SLACK_MM.rounding;
/** Each try works a whole roof out: of more parts than these nothing is looked for. */
const MOST_PARTS = 4;
/** So many ways out are told. */
const TOLD = 3;

/** One number that sets a part of the building: what it is, how it is told, and the job with another. */
interface Size {
  readonly mm: number;
  readonly told: (size: Measure) => Sentence;
  readonly withSize: (mm: number) => Job;
}

const sizesOf = (job: Job, index: number): Size[] => {
  const standing = standingOn(job, index);
  if (standing !== null) {
    const { on } = standing;
    const withSize = (width: number): Job => withStanding(job, index, { ...on, width });
    return [{ mm: on.width, told: (size) => say`a width of ${size}`, withSize }];
  }
  const block = job.blocks[index];
  if (block === undefined || !isRectangle(block)) return [];
  const [along = 0, across = 0] = wallLengths(block);
  return [
    {
      mm: along,
      told: (size) => say`wall 1 ${size} long`,
      withSize: (mm) => resized(job, index, [mm, across]),
    },
    {
      mm: across,
      told: (size) => say`wall 2 ${size} long`,
      withSize: (mm) => resized(job, index, [along, mm]),
    },
  ];
};

/** The nearest size in whole millimetres from which on, one way, the roof can be worked out; null where none is near. */
const from = ({ mm, withSize }: Size, way: 1 | -1): number | null => {
  const stands = (size: number): boolean => workOutRoof(withSize(size)).ok;
  let accepted = Math.round(mm + way * LOOKED_MM);
  if (accepted <= 0 || !stands(accepted)) return null;
  let refused = way === 1 ? Math.floor(mm) : Math.ceil(mm);
  while (Math.abs(accepted - refused) > 1) {
    const middle = Math.round((refused + accepted) / 2);
    if (stands(middle)) accepted = middle;
    else refused = middle;
  }
  return accepted;
};

/** Which sizes near those of a part would do, told one beside the other. */
const waysOut = (job: Job, index: number, accepted: (job: Job) => boolean): Sentence[] => {
  const sizes = sizesOf(job, index);
  const lengths = job.blocks
    .flatMap(wallLengths)
    .filter((mm, i, all) => all.findIndex((one) => Math.abs(one - mm) < SAME_SIZE_MM) === i);
  const near = sizes.map((size) => {
    const up = from(size, 1);
    const more = up !== null && accepted(size.withSize(up)) ? up : null;
    // Two spans that were meant to be one: their lines meet in a point.
    const equal = lengths.filter((mm) => {
      const off = Math.abs(mm - size.mm);
      return off > SAME_SIZE_MM && off < LOOKED_MM && accepted(size.withSize(mm));
    });
    return { size, more, equal };
  });
  const isOn = (mm: number, more: number | null): boolean => more !== null && mm > more - 1;
  const told = [
    ...near.flatMap(({ size, more, equal }) =>
      equal.filter((mm) => !isOn(mm, more)).map((mm) => size.told(inMm(mm, 1))),
    ),
    ...near.flatMap(({ size, more, equal }) => {
      if (more === null) return [];
      const least = equal.find((mm) => isOn(mm, more) && mm < more) ?? more;
      return [say`${size.told(leastMm(least, 1))} or more`];
    }),
  ];
  if (told.length > 0) return told.slice(0, TOLD);
  return sizes.flatMap((size) => {
    const less = from(size, -1);
    return less !== null && accepted(size.withSize(less))
      ? [say`${size.told(mostMm(less))} or less`]
      : [];
  });
};

/**
 * The problems of a roof, those of lines too short for a timber with what would do near the sizes as they were measured.
 *
 * @param accepted whether a job can be framed
 */
export const withWaysOut = (
  job: Job,
  problems: readonly Problem[],
  accepted: (job: Job) => boolean,
): Problem[] =>
  problems.map((problem) => {
    const [list, index, field] = problem.path;
    const ofPlan = list === 'blocks' && typeof index === 'number' && field === 'outline';
    if (problem.code !== 'line-too-short' || !ofPlan || job.blocks.length > MOST_PARTS)
      return problem;
    const [first, ...others] = waysOut(job, index, accepted);
    if (first === undefined) return problem;
    const told = others.reduce((all, one) => say`${all}, or ${one}`, first);
    return { ...problem, text: say`${problem.text}. Near this: ${told}` };
  });
