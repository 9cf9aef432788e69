import { SLACK_MM } from '../geom';
import { isRectangle, resized, standingOn, wallLengths, withStanding, type Job } from '../job';
import type { Accepted, Problem } from '../problem';
import { inMm, leastMm, mostMm, say, spoken, type Measure, type Sentence } from '../sentence';
import { difference, meetingsOf } from './meetings';
import { workOutRoof } from './work-out';

/** Sizes are looked for as far from the one that is refused. mm */
const LOOKED_MM = 200;
/** Sizes nearer to each other are the same one. mm */
const SAME_SIZE_MM = SLACK_MM.rounding;
/** Each try works a whole roof out: of more parts than these nothing is looked for. */
const MOST_PARTS = 4;
/** So many sizes are told, and so many changes with which lines meet. */
const TOLD = 3;
const MEETINGS = 2;

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

/** What would do: as it is told, which may be a range, and one value of it. */
interface WayOut {
  readonly told: Sentence;
  readonly value: Accepted;
}

/** Which sizes near those of a part would do. */
const sizesNear = (job: Job, index: number, accepted: (job: Job) => boolean): WayOut[] => {
  const way = (size: Size, mm: number, measure: Measure, more: Sentence | '' = ''): WayOut => ({
    told: more === '' ? size.told(measure) : say`${size.told(measure)} ${more}`,
    value: { ...difference(job, size.withSize(mm)), text: size.told(measure) },
  });
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
      equal.filter((mm) => !isOn(mm, more)).map((mm) => way(size, mm, inMm(mm, 1))),
    ),
    ...near.flatMap(({ size, more, equal }) => {
      if (more === null) return [];
      const least = equal.find((mm) => isOn(mm, more) && mm < more) ?? more;
      return [way(size, least, leastMm(least, 1), say`or more`)];
    }),
  ];
  if (told.length > 0) return told.slice(0, TOLD);
  return sizes.flatMap((size) => {
    const less = from(size, -1);
    return less !== null && accepted(size.withSize(less))
      ? [way(size, less, mostMm(less), say`or less`)]
      : [];
  });
};

/** With which changes of one number the lines meet in one point, the smallest first. */
const meetingsNear = (
  job: Job,
  { planes }: Problem,
  accepted: (job: Job) => boolean,
): Accepted[] => {
  const found: Accepted[] = [];
  for (const { job: met, text, path, value } of planes === undefined
    ? []
    : meetingsOf(job, planes)) {
    if (found.length === MEETINGS) break;
    if (accepted(met)) found.push({ path, value, text });
  }
  return found;
};

const eitherOf = ([first, ...others]: readonly Sentence[]): Sentence | null =>
  first === undefined ? null : others.reduce((all, one) => say`${all}, or ${one}`, first);

/** A problem with what would do near the sizes as they were measured. */
const withNear = (
  problem: Problem,
  meetings: readonly Accepted[],
  sizes: readonly WayOut[],
): Problem => {
  const met = eitherOf(meetings.map(({ text }) => say`with ${text}`));
  const near = eitherOf([
    ...(met === null ? [] : [say`the lines meet in one point ${met}`]),
    ...sizes.map(({ told }) => told),
  ]);
  return near === null
    ? problem
    : {
        ...problem,
        text: say`${problem.text}. Near this: ${near}`,
        accepted: [...meetings, ...sizes.map(({ value }) => value)],
      };
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
): Problem[] => {
  // The lines of a bay's two sides want the same: once is enough.
  const said = new Set<string>();
  const isNew = (told: Sentence): boolean => {
    const words = spoken(told);
    if (said.has(words)) return false;
    said.add(words);
    return true;
  };
  return problems.map((problem) => {
    const [list, index, field] = problem.path;
    const ofPlan = list === 'blocks' && typeof index === 'number' && field === 'outline';
    if (problem.code !== 'line-too-short' || !ofPlan) return problem;
    const meetings = meetingsNear(job, problem, accepted);
    const sizes = job.blocks.length > MOST_PARTS ? [] : sizesNear(job, index, accepted);
    return withNear(
      problem,
      meetings.filter(({ text }) => isNew(text)),
      sizes.filter(({ told }) => isNew(told)),
    );
  });
};
