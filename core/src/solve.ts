import {
  cutLines,
  impossibleLine,
  markOf,
  marksById,
  runningMarks,
  storyTapes,
  type CutList,
  type CutListEntry,
} from './cuts';
import { prove as proveFrame, type FitProblem, type FitReport } from './fit';
import { frameRoof, inPart, onePlaceEach, wholly, type Member, type Withheld } from './frame';
import { extraAt, withoutExtras, type Job } from './job';
import { isExtra } from './kinds';
import {
  ok,
  pathText,
  refused,
  type Accepted,
  type Path,
  type Problem,
  type Result,
} from './problem';
import { notesOf, remarksOn, type Remark } from './remarks';
import { linesInPlan, withWaysOut, workOutMet, workOutRoof, type Roof } from './roof';
import { say, spoken, type Sentence } from './sentence';
import { sheathingOf } from './sheathing';
import {
  acceptedValues,
  extrasNamed,
  isLeftOpen,
  isOfExtra,
  isSameFinding,
  juniors,
  placeOfLaid,
  placeOfPiece,
  sifted,
  type Dropped,
} from './withheld';

/** What a try at a roof leaves out from the start. */
interface LeftOut {
  /** Asked for, and left out as a whole. */
  readonly dropped: readonly Dropped[];
  /** Pieces that the proof of an earlier try disproved. */
  readonly disproved: readonly Withheld[];
  /** What that proof found to be missing beyond the base frame, and is told as withheld. */
  readonly open: readonly FitProblem[];
  /** The marks that pieces had in an earlier try, and keep. */
  readonly marks: ReadonlyMap<string, string>;
}

const NOTHING: LeftOut = { dropped: [], disproved: [], open: [], marks: new Map() };

export interface Solution {
  /** As it was asked for. */
  readonly job: Job;
  /** Without what is withheld as a whole: what is framed. */
  readonly framed: Job;
  /** Places in that one, as they are in the whole job. */
  readonly inWhole: (path: Path) => Path;
  readonly roof: Roof;
  readonly members: readonly Member[];
  /** What was asked for beyond the base frame and is not framed, with the pieces that would have stood there. */
  readonly withheld: readonly Withheld[];
  /** Ties of pairs of rafters that have no room for them, where they would lie. */
  readonly noRoom: readonly Member[];
  readonly remarks: readonly Remark[];
  readonly cuts: CutList;
  readonly leftOut: LeftOut;
}

/** How many findings are told where a frame does not hold: the first say enough. */
const TOLD = 3;

/** Where in the job a block is told of: what is derived for a saddle or a dormer, by that. */
const pathOf = ({ job, roof, inWhole }: Solution, block: string): Path => {
  const laid = placeOfLaid(roof, block);
  if (laid !== null) return inWhole(laid);
  const index = job.blocks.findIndex(({ id }) => id === block);
  return index < 0 ? ['blocks'] : ['blocks', index];
};

/** What the cut list says of what is withheld; what would do instead is worked out when it is asked for. */
const printed = (
  job: Job,
  withheld: readonly Withheld[],
  lines: readonly CutListEntry[],
  { marks }: LeftOut,
): CutList['withheld'] => {
  const inList = marksById(lines);
  return withheld.map(({ problem: { code, path, text }, pieces }) => {
    const own = pieces.flatMap(({ id }) => marks.get(id) ?? inList.get(id) ?? []);
    return {
      code,
      path: pathText(path),
      text: spoken(text, job.display),
      ...(own.length === 0 ? {} : { members: [...new Set(own)] }),
      accepted: [],
    };
  });
};

/** Frames a job without what is left out of it, or says why that does not stand. */
const frameWithout = (job: Job, leftOut: LeftOut): Result<Solution> => {
  const { dropped, disproved, marks } = leftOut;
  const asked = withoutExtras(
    job,
    dropped.map(({ place }) => place),
  );
  const { job: met, roof, changes } = workOutMet(asked.job, workOutRoof);
  if (!roof.ok) return refused(asked.restored(roof.problems));
  const without = new Set(disproved.flatMap(({ pieces }) => pieces.map(({ id }) => id)));
  const framing = frameRoof(met, roof.value, without);
  if (!framing.ok) return refused(asked.restored(framing.problems));
  const places = framing.value.withheld.flatMap(({ whole, problem }) => {
    const place = whole ? extraAt(met, problem.path) : null;
    return place === null ? [] : [place];
  });
  const framed = withoutExtras(met, places);
  const withheld = onePlaceEach([
    ...dropped.map(({ problem }) => wholly(problem)),
    ...framing.value.withheld.map((one) => ({
      ...one,
      problem: { ...one.problem, path: asked.inWhole(one.problem.path) },
    })),
    ...disproved,
  ]);
  const subject = { job: framed.job, roof: roof.value, framing: framing.value, met: changes };
  const members = cutLines(subject.roof, subject.framing, marks);
  const remarks = remarksOn(subject, members);
  const solution: Solution = {
    job,
    framed: framed.job,
    inWhole: (path) => asked.inWhole(framed.inWhole(path)),
    roof: subject.roof,
    members: subject.framing.members,
    withheld,
    noRoom: framing.value.noRoom,
    remarks,
    cuts: {
      format: 'ogee-cutlist',
      version: 1,
      job: job.name,
      members,
      withheld: printed(job, withheld, members, leftOut),
      notes: notesOf(subject, members, remarks),
      marks: [
        ...storyTapes(subject.roof, subject.framing.members, members),
        ...runningMarks(framed.job, subject.roof, subject.framing.members, members),
      ],
      sheathing: sheathingOf(framed.job, subject.roof),
    },
    leftOut,
  };
  return sawable(solution);
};

/** A line that cannot be sawn goes from the list with its pieces, or, where it is of the base frame, the list is not given. */
const sawable = (solution: Solution): Result<Solution> => {
  const { job, framed, inWhole, roof, cuts, members, leftOut } = solution;
  const found = impossibleLine(cuts);
  if (found === null) return ok(solution);
  const { entry, fault } = found;
  const own = new Set(entry.members);
  const pieces = members.filter(({ id }) => own.has(id));
  const [first] = pieces;
  const place = first === undefined || !isExtra(first) ? null : placeOfPiece(framed, roof, first);
  const problem: Problem = {
    code: 'not-framed',
    path: place === null ? pathOf(solution, entry.block) : inWhole(place),
    text: say`${entry.mark} (${entry.kind}) would come out with ${fault}; accepted is a plan whose roof lines stand further apart there, or like pitches`,
  };
  return place === null
    ? refused([problem])
    : frameWithout(job, {
        ...leftOut,
        disproved: [...leftOut.disproved, inPart(problem, pieces)],
      });
};

/** Extras that name themselves as what does not stand go one after the other: so many times. */
const MOST_TRIES = 12;

/** Frames what can stand of a job, or says why its base frame does not. */
const frame = (job: Job): Result<Solution> => {
  let dropped: readonly Dropped[] = [];
  let found = frameWithout(job, NOTHING);
  // A size that is not given is asked for: nothing is left out for it.
  const lacksSize = ({ code }: Problem): boolean => code === 'missing-timber';
  if (!found.ok && found.problems.some(lacksSize)) return found;
  for (let tries = 0; tries < MOST_TRIES && !found.ok; tries += 1) {
    const known = new Set(dropped.map(({ place }) => pathText(place)));
    const named = extrasNamed(job, found.problems).filter(
      ({ place }) => !known.has(pathText(place)),
    );
    if (named.length === 0) break;
    dropped = [...dropped, ...named];
    found = frameWithout(job, { ...NOTHING, dropped });
  }
  if (found.ok) return found;
  const refusal = found;
  const rest = sifted(job, (left) => frameWithout(job, { ...NOTHING, dropped: left }));
  return rest.ok ? rest : refusal;
};

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
