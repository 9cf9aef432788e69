import {
  boardOf,
  markOf,
  memberOf,
  workingOf,
  type BoardDrawing,
  type CutList,
  type CutListEntry,
  type Working,
  type RunningMarks,
  tapesOf,
} from '@ogee/core/src/cuts';
import { spotsOf } from '@ogee/core/src/withheld';
import { changesBetween } from '@ogee/core/src/list';
import {
  developmentsOf,
  eaveSection,
  elevationView,
  frameMesh,
  planDrawing,
  type Development,
  type EaveSection,
  type ElevationView,
  type FrameMesh,
  type Looking,
  type PlanDrawing,
  sheetDrawings,
  type SheetDrawing,
} from '@ogee/core/src/drawing';
import {
  builtJob,
  builtOutline,
  cornersOff,
  marksMoved,
  newestMeasured,
  packingOf,
  type CornerOff,
  type MarkMoved,
  type Packing,
} from '@ogee/core/src/as-built';
import type { Vec2 } from '@ogee/core/src/geom';
import { readJob, type Job } from '@ogee/core/src/job';
import { fixingsOf, type Fixings } from '@ogee/core/src/fixings';
import { raisingOf, type RaisingStep, type Stages } from '@ogee/core/src/raising';
import {
  cuttingDay,
  cuttingOrder,
  patternsOf,
  sawnFrom,
  type CuttingDay,
  type CuttingStage,
  type Pattern,
} from '@ogee/core/src/cutting-day';
import type { Measurement, SawnPiece, Tick } from '@ogee/core/src/log';
import {
  canBeTried,
  corrected,
  likelyCauses,
  type Likely,
  type Looked,
} from '@ogee/core/src/test-fit';
import { solve, type Solution } from '@ogee/core/src/solve';
import { stepsOf, type SawStep } from '@ogee/core/src/steps';
import type { Change } from './change';

/** What every screen shows of a roof: it goes to the page with each solve, so it is kept small. */
export interface RoofAnswer {
  readonly cuts: CutList;
  readonly plan: PlanDrawing;
}

/** A roof's figures as they go to the page. They are not sawn from before they are proved. */
export interface Figures {
  /** The number of the roof that the page has and that this is told as a change of; null where it is told whole. */
  readonly since: number | null;
  readonly change: Change;
}

/** What one piece's sheet is written from. */
export interface PieceAnswer {
  readonly entry: CutListEntry;
  readonly notes: CutList['notes'];
  readonly board: BoardDrawing;
  readonly working: Working;
  /** How its mitres are set out full size; none where it has none. */
  readonly developments: readonly Development[];
  /** The tapes that it is marked by, or lies on. */
  readonly tapes: readonly RunningMarks[];
  /** For the board as it is drawn, and for its mirror image. */
  readonly steps: { readonly drawn: readonly SawStep[]; readonly mirrored: readonly SawStep[] };
  /** What a tick of it keeps, one for each hand that is wanted. */
  readonly sawn: readonly SawnPiece[];
  /** Whether it shows, tried in place, what its numbers got wrong. */
  readonly canBeTried: boolean;
}

export const roofAnswer = ({ job, roof, members, cuts, withheld }: Solution): RoofAnswer => ({
  cuts,
  plan: planDrawing(roof, members, markOf({ cuts }), spotsOf(job, roof, withheld)),
});

/** One line of the list; null where it has no such mark. */
export const pieceAnswer = (solution: Solution, mark: string): PieceAnswer | null => {
  const entry = solution.cuts.members.find((one) => one.mark === mark);
  const member = memberOf(solution, entry);
  if (entry === undefined || member === undefined) return null;
  const board = boardOf(member);
  const hands = (['left', 'right', 'plain'] as const).filter((hand) => entry.hands[hand] > 0);
  return {
    entry,
    notes: solution.cuts.notes.filter((note) => note.member === mark),
    board,
    working: workingOf(member),
    developments: developmentsOf(member),
    tapes: tapesOf(solution.cuts, entry),
    steps: { drawn: stepsOf(member, false), mirrored: stepsOf(member, true) },
    sawn: hands.map((hand) => sawnFrom(entry, board, hand)),
    canBeTried: canBeTried(member),
  };
};

/** A common of a part over its plate; null where that has none. */
export const eaveAnswer = (solution: Solution, block: string): EaveSection | null => {
  const { job, cuts, members } = solution;
  const own = new Set(members.flatMap((one) => (one.block === block ? [one.id] : [])));
  const entry = cuts.members.find(
    ({ kind, members: [first = ''] }) =>
      (kind === 'common' || kind === 'king-common') && own.has(first),
  );
  const member = memberOf(solution, entry);
  return entry === undefined || member === undefined
    ? null
    : eaveSection(job, entry, member, members);
};

export const elevationAnswer = ({ roof, members }: Solution, looking: Looking): ElevationView =>
  elevationView(roof, members, looking);

export const meshAnswer = ({ job, roof, members, cuts }: Solution): FrameMesh =>
  frameMesh(job, roof, members, markOf({ cuts }));

export const raisingAnswer = (solution: Solution, stages: Stages): RaisingStep[] =>
  raisingOf(solution, stages);

export const fixingsAnswer = (solution: Solution): Fixings => fixingsOf(solution);

export const sheetsAnswer = ({ job, roof, members }: Solution): SheetDrawing[] =>
  sheetDrawings(job, roof, members);

/** The day's work: in what order, by which patterns, and what of it is done. */
export interface DayAnswer extends CuttingDay {
  readonly stages: readonly CuttingStage[];
  readonly patterns: readonly Pattern[];
}

export const dayAnswer = (solution: Solution, ticks: readonly Tick[]): DayAnswer => ({
  ...cuttingDay(solution, ticks),
  stages: cuttingOrder(solution),
  patterns: patternsOf(solution.cuts.members),
});

/** The job with a cause taken into it, and what that does to the list. */
export interface TriedChange {
  readonly job: Job;
  readonly marks: number;
  /** The most that a mark's long point moves. mm */
  readonly mostMm: number;
}

export interface TriedAnswer {
  readonly likely: readonly (Likely & { readonly change: TriedChange | null })[];
}

/** Of so many causes, the likeliest, it is worked out what they would change. */
const WORKED_OUT = 4;

const changeBy = (solution: Solution, next: Job | null): TriedChange | null => {
  if (next === null) return null;
  const read = readJob(next);
  const after = read.ok ? solve(read.value) : read;
  if (!after.ok) return null;
  const changes = changesBetween(solution.cuts.members, after.value.cuts.members);
  const moved = changes.map(({ was, is }) =>
    was === null || is === null ? 0 : Math.abs(is.length.longPoint - was.length.longPoint),
  );
  return { job: after.value.job, marks: changes.length, mostMm: Math.max(0, ...moved) };
};

/** What is likely wrong with a piece that was tried in place; null where there is no such mark. */
export const triedAnswer = (
  solution: Solution,
  mark: string,
  looked: Looked,
): TriedAnswer | null => {
  const entry = solution.cuts.members.find((one) => one.mark === mark);
  const member = memberOf(solution, entry);
  if (member === undefined) return null;
  const likely = likelyCauses(solution.members, member, looked);
  return {
    likely: likely.map((one, i) => ({
      ...one,
      change: i < WORKED_OUT ? changeBy(solution, corrected(solution.job, member, one)) : null,
    })),
  };
};

/** A job that what was measured leads to. */
export interface BuiltChange {
  readonly job: Job;
  /** Whether it differs from the job as it is. */
  readonly changed: boolean;
}

/** A part as it stands against the plan. */
export interface AsBuiltAnswer {
  /** Why the measurements make no plan; null where they do. */
  readonly problem: string | null;
  readonly outline: readonly Vec2[];
  readonly held: readonly Vec2[];
  readonly corners: readonly CornerOff[];
  readonly packing: readonly Packing[];
  /** Framed to the plan as it stands, or held as planned; null where it cannot be framed. */
  readonly framed: BuiltChange | null;
  readonly heldSquare: BuiltChange | null;
  readonly moved: readonly MarkMoved[];
  readonly movedHeld: readonly MarkMoved[];
}

const builtChange = (
  { job, cuts }: Solution,
  next: Job,
): { readonly change: BuiltChange | null; readonly moved: readonly MarkMoved[] } => {
  const read = readJob(next);
  const after = read.ok ? solve(read.value) : read;
  if (!after.ok) return { change: null, moved: [] };
  return {
    change: { job: after.value.job, changed: JSON.stringify(next) !== JSON.stringify(job) },
    moved: marksMoved(cuts.members, after.value.cuts.members),
  };
};

/** @param lines what was measured of what stands, the newest of each thing */
export const asBuiltAnswer = (
  solution: Solution,
  part: number,
  lines: readonly Measurement[],
): AsBuiltAnswer | null => {
  const block = solution.job.blocks[part];
  if (block === undefined) return null;
  const taken = newestMeasured(lines);
  const built = builtOutline(block, taken);
  const outline = built.ok ? built.outline : [];
  const framed = built.ok
    ? builtChange(solution, builtJob(solution.job, part, taken, outline))
    : null;
  const heldSquare = builtChange(solution, builtJob(solution.job, part, taken, null));
  return {
    problem: built.ok ? null : built.text,
    outline,
    ...(built.ok ? packingOf(block, outline) : { held: [], packing: [] }),
    corners: built.ok ? cornersOff(block, outline) : [],
    framed: framed?.change ?? null,
    heldSquare: heldSquare.change,
    moved: framed?.moved ?? [],
    movedHeld: heldSquare.moved,
  };
};
