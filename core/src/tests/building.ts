import { readJob, type Job, type JobInput } from '../job';
import { problemLine, type Problem } from '../problem';
import { solve, type Solution } from '../solve';
import type { CutListEntry } from '../cuts';

export interface Building {
  readonly along: number;
  readonly across: number;
  readonly pitch: string;
  /** Walls 2 and 4, the short ends by custom. */
  readonly ends?: readonly ['eave' | 'gable', 'eave' | 'gable'];
  readonly overhang?: number;
  readonly framing?: Partial<JobInput['framing']>;
  readonly timber?: Partial<JobInput['timber']>;
  /** Turned about the origin, radians. */
  readonly turned?: number;
}

/** A rectangle with eaves on walls 1 and 3, as a job file would give it. */
export const buildingInput = (building: Building): JobInput => {
  const { along, across, pitch, ends = ['eave', 'eave'], overhang = 450, turned = 0 } = building;
  const at = (x: number, y: number): [number, number] => [
    x * Math.cos(turned) - y * Math.sin(turned),
    x * Math.sin(turned) + y * Math.cos(turned),
  ];
  const eave = () => ({ roof: 'eave' as const, pitch, overhang });
  const end = (roof: 'eave' | 'gable') => (roof === 'eave' ? eave() : { roof, overhang: 0 });
  return {
    format: 'ogee-job',
    version: 1,
    name: 'test',
    timber: {
      common: { thickness: 38, depth: 184 },
      hip: { thickness: 38, depth: 235 },
      ridge: { thickness: 38, depth: 235 },
      fascia: { thickness: 19, depth: 184 },
      plateWidth: 140,
      ...building.timber,
    },
    framing: { spacing: 400, seat: { depthFraction: 0.25 }, ...building.framing },
    blocks: [
      {
        id: 'main',
        outline: [at(0, 0), at(along, 0), at(along, across), at(0, across)],
        sides: [eave(), end(ends[0]), eave(), end(ends[1])],
      },
    ],
  };
};

export const buildingJob = (building: Building): Job => {
  const read = readJob(buildingInput(building));
  if (!read.ok) throw new Error(read.problems.map(problemLine).join('\n'));
  return read.value;
};

/** A job file read and solved. */
export const solvedInput = (input: JobInput): Solution => {
  const job = readJob(input);
  const solution = job.ok ? solve(job.value) : job;
  if (!solution.ok) throw new Error(solution.problems.map(problemLine).join('; '));
  return solution.value;
};

/** What a job file is refused for, or what of it is withheld; nothing where all that it asks for is framed. */
export const problemsOf = (input: JobInput): readonly Problem[] => {
  const job = readJob(input);
  const solution = job.ok ? solve(job.value) : job;
  return solution.ok ? solution.value.withheld.map(({ problem }) => problem) : solution.problems;
};

/** The same in words, as the command line has them. */
export const refusalOf = (input: JobInput): string => problemsOf(input).map(problemLine).join('; ');

export const solved = (building: Building): Solution => {
  const solution = solve(buildingJob(building));
  if (!solution.ok) throw new Error(solution.problems.map(problemLine).join('\n'));
  return solution.value;
};

export const entriesOf = (solution: Solution, kind: CutListEntry['kind']): CutListEntry[] =>
  solution.cuts.members.filter((entry) => entry.kind === kind);

/** The only entry of a kind. */
export const entryOf = (solution: Solution, kind: CutListEntry['kind']): CutListEntry => {
  const [entry, ...more] = entriesOf(solution, kind);
  if (entry === undefined || more.length > 0)
    throw new Error(`${more.length + 1} entries of ${kind}`);
  return entry;
};

export const countOf = (solution: Solution, kind: CutListEntry['kind']): number =>
  entriesOf(solution, kind).reduce((sum, entry) => sum + entry.count, 0);
