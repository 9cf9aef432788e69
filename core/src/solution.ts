import {
  cutLines,
  impossibleLine,
  marksById,
  runningMarks,
  storyTapes,
  type CutList,
  type CutListEntry,
} from './cuts';
import type { FitProblem } from './fit';
import { frameRoof, inPart, onePlaceEach, wholly, type Member, type Withheld } from './frame';
import { extraAt, withoutExtras, type Job } from './job';
import { isExtra } from './kinds';
import { ok, pathText, refused, type Path, type Problem, type Result } from './problem';
import { notesOf, remarksOn, type Remark } from './remarks';
import { workOutMet, workOutRoof, type Roof } from './roof';
import { say, spoken } from './sentence';
import { sheathingOf } from './sheathing';
import { extrasNamed, placeOfLaid, placeOfPiece, sifted, type Dropped } from './withheld';

/** What a try at a roof leaves out from the start. */
export interface LeftOut {
  /** Asked for, and left out as a whole. */
  readonly dropped: readonly Dropped[];
  /** Pieces that the proof of an earlier try disproved. */
  readonly disproved: readonly Withheld[];
  /** What that proof found to be missing beyond the base frame, and is told as withheld. */
  readonly open: readonly FitProblem[];
  /** The marks that pieces had in an earlier try, and keep. */
  readonly marks: ReadonlyMap<string, string>;
}

/** A first try: all that is asked for. */
export const NOTHING: LeftOut = { dropped: [], disproved: [], open: [], marks: new Map() };

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

/** Where in the job a block is told of: what is derived for a saddle or a dormer, by that. */
export const pathOf = ({ job, roof, inWhole }: Solution, block: string): Path => {
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
export const frameWithout = (job: Job, leftOut: LeftOut): Result<Solution> => {
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
export const frame = (job: Job): Result<Solution> => {
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
