import { markOf, marksById, type CutList } from './cuts';
import { prove as proveFrame, type FitProblem, type FitReport } from './fit';
import { inPart, type Member, type Withheld } from './frame';
import type { Job } from './job';
import {
  ok,
  pathText,
  refused,
  type Accepted,
  type Path,
  type Problem,
  type Result,
} from './problem';
import { linesInPlan, withWaysOut } from './roof';
import { say, spoken, type Sentence } from './sentence';
import { frame, frameWithout, NOTHING, pathOf, type Solution } from './solution';
import {
  acceptedValues,
  isLeftOpen,
  isOfExtra,
  isSameFinding,
  juniors,
  placeOfPiece,
  sifted,
} from './withheld';

export type { Solution } from './solution';

/** How many findings are told where a frame does not hold: the first say enough. */
const TOLD = 3;

/** What a frame's proof finds, by the parts that it is found in. */
const disproof = (solution: Solution, findings: readonly FitProblem[]): Problem[] => {
  const { job, members } = solution;
  const said = new Set<string>();
  return findings
    .filter(({ text }) => {
      // Pieces of one mark can fail alike: once is enough.
      const words = spoken(text);
      return said.has(words) ? false : said.add(words);
    })
    .slice(0, TOLD)
    .map(({ ids, text, at }) => {
      const block = members.find(({ id }) => id === ids[0])?.block ?? job.blocks[0]?.id ?? '';
      return {
        code: 'not-framed' as const,
        path: pathOf(solution, block),
        text,
        at: [at[0], at[1]] as const,
      };
    });
};

/** What a proof finds, as the reason why there is no list at all. */
const cannotStand = (problem: Problem): Problem => ({
  ...problem,
  text: say`this roof cannot be framed yet: ${problem.text}. Accepted is a plan whose roof lines stand further apart there, or like pitches and ‹plates›`,
});

/** Pieces that are disproved go, and the frame is proved again: so many times. */
const MOST_PROOFS = 8;

/** The frame without the pieces that its proof disproves, or the findings that no piece can be taken away for. */
const withoutDisproved = (solution: Solution): Result<Solution> => {
  let now = solution;
  const marks = marksById(solution.cuts.members);
  for (let proofs = 0; proofs < MOST_PROOFS; proofs += 1) {
    const findings = fit(now).problems;
    if (findings.length === 0) return ok(now);
    const { framed, inWhole, roof, leftOut } = now;
    const toldAt = (path: Path, text: Sentence, pieces: readonly Member[]): Withheld =>
      inPart({ code: 'not-framed', path: inWhole(path), text }, pieces);
    const gone = juniors(findings, now.members).flatMap(({ member, finding }): Withheld[] => {
      const path = placeOfPiece(framed, roof, member);
      return path === null ? [] : [toldAt(path, finding.text, [member])];
    });
    // Only where nothing goes: without what went it may be missing no more.
    const missing = gone.length > 0 ? [] : findings.filter(isOfExtra);
    const open = missing.flatMap((finding) => {
      const { wanted: [kind] = [], on, text } = finding;
      const where = { block: on?.block ?? '', side: on?.side ?? null };
      const path = kind === undefined ? null : placeOfPiece(framed, roof, { ...where, kind });
      return path === null ? [] : [{ finding, told: toldAt(path, text, []) }];
    });
    if (gone.length + open.length === 0) return refused(disproof(now, findings));
    const next = frameWithout(now.job, {
      ...leftOut,
      disproved: [...leftOut.disproved, ...gone, ...open.map(({ told }) => told)],
      open: [...leftOut.open, ...open.map(({ finding }) => finding)],
      marks,
    });
    if (!next.ok) return next;
    now = next.value;
  }
  return refused(disproof(now, fit(now).problems));
};

const proved = (solution: Solution): Result<Solution> => {
  const found = withoutDisproved(solution);
  if (found.ok) return found;
  const { job } = solution;
  const rest = sifted(job, (dropped) => {
    const framed = frameWithout(job, { ...NOTHING, dropped });
    return framed.ok ? withoutDisproved(framed.value) : framed;
  });
  return rest.ok ? rest : refused(found.problems.map(cannotStand));
};

const frameAndProve = (job: Job): Result<Solution> => {
  const framed = frame(job);
  return framed.ok ? proved(framed.value) : framed;
};

export interface Asked {
  /** Whether a refusal also says which figures near by would do: each of them is tried, which takes its time. */
  readonly waysOut?: boolean;
}

/** A refusal with the figures near by that would do, and with the roof's lines to be drawn. */
const worded = (job: Job, problems: readonly Problem[]): Result<never> => {
  const lines = linesInPlan(job);
  return refused(
    withWaysOut(job, problems, (other) => frameAndProve(other).ok).map((problem, i) =>
      i === 0 ? { ...problem, lines } : problem,
    ),
  );
};

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

/**
 * The second part of {@link solve}: what {@link workOut} gave, without the pieces that do not hold in it, or why its base
 * frame does not.
 */
export const prove = (solution: Solution): Result<Solution> => {
  const result = proved(solution);
  return result.ok ? result : worded(solution.job, result.problems);
};

/** A piece serves so far about itself, in bays of those that have one. */
const SERVES = 1.5;

/** What a frame was found to be: what is asked again of the same one is not worked out again. */
const reports = new WeakMap<Solution, FitReport>();

/** Proves, or disproves, that the solved frame is whole and closes, but for what it is said to leave open. */
export const fit = (solution: Solution): FitReport => {
  const known = reports.get(solution);
  if (known !== undefined) return known;
  const { job, framed, roof, members, withheld, noRoom, cuts, leftOut } = solution;
  const whole = proveFrame(
    framed,
    roof,
    members,
    markOf(solution),
    cuts.members.flatMap((entry) => entry.members),
  );
  const pieces = withheld.flatMap((one) => one.pieces);
  const { collarTies, rafterTies } = job;
  const every = Math.max(1, collarTies?.every ?? 1, rafterTies?.every ?? 1);
  const reachMm = SERVES * every * framed.framing.spacing;
  const report = {
    ...whole,
    problems: whole.problems.filter(
      (one) =>
        !isLeftOpen(one, pieces, reachMm) &&
        !isLeftOpen(one, noRoom, framed.framing.spacing / 2) &&
        !leftOut.open.some((other) => isSameFinding(one, other)),
    ),
  };
  reports.set(solution, report);
  return report;
};

const isAt = (place: string) => (one: Withheld) => pathText(one.problem.path) === place;

/**
 * What would do at a place that something is withheld at: each value is tried, framed and proved, with nothing withheld
 * there and no more elsewhere. None where nothing near by does.
 */
export const acceptedAt = ({ job, withheld }: Solution, path: string): readonly Accepted[] => {
  const place = withheld.find(isAt(path))?.problem.path;
  return place === undefined
    ? []
    : acceptedValues(job, place, (other) => {
        const found = frameAndProve(other);
        return (
          found.ok &&
          found.value.withheld.length < withheld.length &&
          !found.value.withheld.some(isAt(path))
        );
      });
};

/** What is withheld, as it is printed: each with what would do instead. */
export const withheldOf = (solution: Solution): CutList['withheld'] => {
  const { job, cuts } = solution;
  return cuts.withheld.map((part) => ({
    ...part,
    accepted: acceptedAt(solution, part.path).map(({ path, value, text }) => ({
      path: pathText(path),
      value,
      text: spoken(text, job.display),
    })),
  }));
};
