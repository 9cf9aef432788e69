/**
 * Random houses as framers ask for them: a plain house, and on it one feature, a pair that meets on one slope, or
 * several. Seeded: the same words draw the same houses.
 */
import fc from 'fast-check';
import { readJob, type Job, type JobInput } from '../../job';
import { problemLine } from '../../problem';
import { solve, type Solution } from '../../solve';
import type { Feature } from './feature';
import { plainHouse, type End } from './house';
import { SHAPES } from './shapes';
import { TIMBERS } from './timbers';

export type { Feature } from './feature';

/** Shapes first: what is hung on a slope asks what the slope is. */
export const FEATURES: readonly Feature[] = [...SHAPES, ...TIMBERS];

const endsFor = (asked: readonly Feature[]): fc.Arbitrary<readonly [End, End]> => {
  const either = fc.constantFrom<End>('hip', 'gable');
  const needs = new Set(asked.flatMap(({ needs: end }) => end ?? []));
  // What needs a hip asks for it in the east.
  const east = needs.has('hip') ? fc.constant<End>('hip') : either;
  const west = needs.has('gable') ? fc.constant<End>('gable') : either;
  return fc.tuple(east, west);
};

/** A house with what is asked for, as its file would say it. */
export const houseWith = (asked: readonly Feature[]): fc.Arbitrary<JobInput> =>
  endsFor(asked)
    .chain((ends) => fc.tuple(plainHouse(ends), ...asked.map(({ ask }) => ask)))
    .map(([plain, ...asks]) => asks.reduce((house, ask) => ask(house), plain).input);

const wantsTwo = ({ needs, atRidge }: Feature): boolean => needs === 'hip' || atRidge === true;

/** Whether they can be asked for together. */
const together = (one: Feature, other: Feature): boolean =>
  one !== other &&
  (one.settles === undefined || one.settles !== other.settles) &&
  !(one.oneSlope === true && wantsTwo(other)) &&
  !(other.oneSlope === true && wantsTwo(one));

/** Features asked for by themselves, or in pairs. */
export interface Cell {
  readonly name: string;
  readonly asked: readonly Feature[];
}

const cell = (...asked: readonly Feature[]): Cell => ({
  name: asked.map(({ name }) => name).join(' + '),
  asked,
});

/** Each feature by itself, then each pair that can be asked for. */
export const CELLS: readonly Cell[] = [
  ...FEATURES.map((feature) => cell(feature)),
  ...FEATURES.flatMap((one, i) =>
    FEATURES.slice(i + 1).flatMap((other) => (together(one, other) ? [cell(one, other)] : [])),
  ),
];

/** A job as its file would be read; what is drawn here is always in range. */
export const readAsked = (input: JobInput): Job => {
  const job = readJob(JSON.parse(JSON.stringify(input)));
  if (!job.ok) throw new Error(job.problems.map(problemLine).join('\n'));
  return job.value;
};

/** A cell's own number, by its name: what is added to the features leaves the draws of the others as they are. */
const ownSeed = ({ name }: Cell): number =>
  Array.from(name, (letter) => letter.charCodeAt(0)).reduce(
    (sum, code) => (sum * 31 + code) % 1_000_003,
    7,
  );

/** So many houses of a cell, the same by the same seed. */
export const drawn = (cell: Cell, count: number, seed: number): Job[] =>
  fc.sample(houseWith(cell.asked), { seed: seed + ownSeed(cell), numRuns: count }).map(readAsked);

/** How many draws in a row may be refused, or framed in part, before a house with those features is given up. */
const TRIES = 12;

/**
 * So many houses that are framed whole, chosen by feature: each feature has its turn, with two others that change from turn
 * to turn. Of three that are refused together, the first two, then the first alone.
 *
 * @param seed other houses by another
 */
export const framedHouses = (count: number, seed: number): Solution[] =>
  Array.from({ length: count }, (_, turn): Solution => {
    const at = (step: number): Feature =>
      FEATURES[(turn + step * (1 + Math.floor(turn / FEATURES.length))) % FEATURES.length]!;
    const [first, second, third] = [at(0), at(5), at(11)];
    const chosen = [first, second, third].filter((feature, i, all) =>
      all.slice(0, i).every((other) => together(feature, other)),
    );
    for (let tries = 0; tries < TRIES; tries += 1) {
      const asked = chosen.slice(0, Math.max(1, chosen.length - Math.floor(tries / 2)));
      const [job] = drawn(cell(...asked), 1, seed + 1000 * turn + tries);
      const solution = solve(job!, { waysOut: false });
      if (solution.ok && solution.value.withheld.length === 0) return solution.value;
    }
    throw new Error(`no house with ${first.name} is framed whole in ${TRIES} draws`);
  });
