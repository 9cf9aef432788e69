import { cutLines, impossibleLine, markOf, runningMarks, storyTapes, type CutList } from './cuts';
import { prove as proveFrame, type FitReport } from './fit';
import { frameRoof, type Member } from './frame';
import type { Job } from './job';
import { notesOf, remarksOn, type Remark } from './remarks';
import { sheathingOf } from './sheathing';
import { ok, refused, type Path, type Problem, type Result } from './problem';
import { say, spoken } from './sentence';
import { isPlain, withWaysOut, workOutRoof, type Roof } from './roof';

export interface Solution {
  readonly job: Job;
  readonly roof: Roof;
  readonly members: readonly Member[];
  readonly remarks: readonly Remark[];
  readonly cuts: CutList;
}

/** How many findings are told where a frame does not hold: the first say enough. */
const TOLD = 3;

/** Where in the job a block is told of: what is derived for a saddle or a dormer, by that. */
const pathOf = (job: Job, { laid }: Roof, block: string): Path => {
  const on = laid.find((one) => one.block === block);
  const [told] =
    on?.part.restored([{ code: 'not-framed', path: ['blocks', 0], text: say`` }]) ?? [];
  if (told !== undefined) return told.path;
  const index = job.blocks.findIndex(({ id }) => id === block);
  return index < 0 ? ['blocks'] : ['blocks', index];
};

/** A list with a line that cannot be sawn is not given. */
const impossible = ({ job, roof, cuts }: Solution): Problem[] => {
  const found = impossibleLine(cuts);
  if (found === null) return [];
  const { entry, fault } = found;
  return [
    {
      code: 'not-framed',
      path: pathOf(job, roof, entry.block),
      text: say`this roof cannot be framed yet: ${entry.mark} (${entry.kind}) would come out with ${fault}. Accepted is a plan whose roof lines stand further apart there, or like pitches`,
    },
  ];
};

/** Whether a list may be sawn from only once its frame is proved: of a roof out of the ordinary. */
export const wantsProof = ({ job, roof }: Solution): boolean => !isPlain(job, roof);

/** A roof out of the ordinary is proved before its list is sawn from: what does not hold is refused with its reason. */
const notProved = (solution: Solution): Problem[] => {
  const { job, members, roof } = solution;
  if (!wantsProof(solution)) return [];
  const said = new Set<string>();
  return fit(solution)
    .problems.filter(({ text }) => {
      // Pieces of one mark can fail alike: once is enough.
      const words = spoken(text);
      return said.has(words) ? false : said.add(words);
    })
    .slice(0, TOLD)
    .map(({ ids, text }) => {
      const block = members.find(({ id }) => id === ids[0])?.block ?? job.blocks[0]?.id ?? '';
      return {
        code: 'not-framed' as const,
        path: pathOf(job, roof, block),
        text: say`this roof cannot be framed yet: ${text}. Accepted is a plan whose roof lines stand further apart there, or like pitches and ‹plates›`,
      };
    });
};

const frame = (job: Job): Result<Solution> => {
  const roof = workOutRoof(job);
  if (!roof.ok) return roof;
  const framing = frameRoof(job, roof.value);
  if (!framing.ok) return framing;
  const subject = { job, roof: roof.value, framing: framing.value };
  const members = cutLines(subject.roof, subject.framing);
  const remarks = remarksOn(subject, members);
  const solution: Solution = {
    job,
    roof: subject.roof,
    members: subject.framing.members,
    remarks,
    cuts: {
      format: 'ogee-cutlist',
      version: 1,
      job: job.name,
      members,
      notes: notesOf(subject, members, remarks),
      marks: [
        ...storyTapes(subject.roof, subject.framing.members, members),
        ...runningMarks(job, subject.roof, subject.framing.members, members),
      ],
      sheathing: sheathingOf(job, subject.roof),
    },
  };
  const problems = impossible(solution);
  return problems.length > 0 ? refused(problems) : ok(solution);
};

const proved = (solution: Solution): Result<Solution> => {
  const problems = notProved(solution);
  return problems.length > 0 ? refused(problems) : ok(solution);
};

const frameAndProve = (job: Job): Result<Solution> => {
  const framed = frame(job);
  return framed.ok ? proved(framed.value) : framed;
};

export interface Asked {
  /** Whether a refusal also says which figures near by would do: each of them is tried, which takes its time. */
  readonly waysOut?: boolean;
}

/** A refusal with the figures near by that would do. */
const worded = (job: Job, problems: readonly Problem[]): Result<never> =>
  refused(withWaysOut(job, problems, (other) => frameAndProve(other).ok));

/** The whole way from a checked job to a cut list. Pure and deterministic: the same job gives the same bytes. */
export const solve = (job: Job, { waysOut = true }: Asked = {}): Result<Solution> => {
  const solution = frameAndProve(job);
  return solution.ok || !waysOut ? solution : worded(job, solution.problems);
};

/** The first part of {@link solve}: the list as it is worked out, to be looked at while {@link prove} has yet to end. */
export const workOut = (job: Job): Result<Solution> => {
  const framed = frame(job);
  return framed.ok ? framed : worded(job, framed.problems);
};

/** The second part of {@link solve}: what {@link workOut} gave, or why its frame does not hold. */
export const prove = (solution: Solution): Result<Solution> => {
  const result = proved(solution);
  return result.ok ? result : worded(solution.job, result.problems);
};

/** What a frame was found to be: what is asked again of the same one is not worked out again. */
const reports = new WeakMap<Solution, FitReport>();

/** Proves, or disproves, that the solved frame is whole and closes. */
export const fit = (solution: Solution): FitReport => {
  const known = reports.get(solution);
  if (known !== undefined) return known;
  const report = proveFrame(
    solution.job,
    solution.roof,
    solution.members,
    markOf(solution),
    solution.cuts.members.flatMap(({ members }) => members),
  );
  reports.set(solution, report);
  return report;
};
