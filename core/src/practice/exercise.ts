import { boardOf, memberOf, type BoardDrawing, type CutListEntry } from '../cuts';
import type { Member } from '../frame';
import { newJob, readJob, type Job } from '../job';
import { kindName } from '../kinds';
import { solve, type Solution } from '../solve';
import {
  degrees,
  formatDegrees,
  formatLength,
  lengthFormat,
  MM_PER_INCH,
  pitchRad,
} from '../units';
import { drawFrom, type Draw } from './draw';

export const EXERCISES = [
  'square',
  'complement',
  'hand',
  'seventeen',
  'long-point',
  'adding',
] as const;
export type ExerciseKind = (typeof EXERCISES)[number];

/** One answer that is offered, and why it is right or what it mixes up. */
export interface Answer {
  readonly label: string;
  readonly right: boolean;
  readonly why: string;
}

/** A board as it is drawn, or its mirror image: left and right face changed about. */
export interface AskedBoard {
  readonly drawing: BoardDrawing;
  readonly entry: CutListEntry;
  readonly mirrored: boolean;
}

export interface Exercise {
  readonly kind: ExerciseKind;
  readonly question: string;
  /** In the order in which they are offered; one is right, and no two read alike. */
  readonly answers: readonly Answer[];
  /** The board that is asked about; null where none is. */
  readonly board: AskedBoard | null;
}

type Display = Job['display'];

/** A roof that nobody builds, out of the core itself. */
const madeUp = (draw: Draw, display: Display): Solution => {
  const rise = draw.whole(5, 14);
  const along = draw.whole(18, 28) * 400;
  const across = draw.whole(11, 16) * 400;
  const read = readJob(newJob('practice', display, along, across, `${rise}/12`));
  const solved = read.ok ? solve(read.value) : read;
  if (!solved.ok) throw new Error('a made-up roof is always a roof');
  return solved.value;
};

const lineOf = (
  { cuts, members }: Solution,
  kind: CutListEntry['kind'],
  draw: Draw,
): readonly [CutListEntry, Member] => {
  const lines = cuts.members.filter((line) => line.kind === kind);
  const entry = lines[draw.whole(0, Math.max(0, lines.length - 1))];
  const member = memberOf({ members }, entry);
  if (entry === undefined || member === undefined) throw new Error(`a made-up roof has a ${kind}`);
  return [entry, member];
};

const slopeOf = ({ job }: Solution): number => {
  const side = job.blocks[0]?.sides[0];
  return side?.roof === 'eave' ? pitchRad(side.pitch) : 0;
};

/** What is offered: the right one, and as many others as do not read like one before. */
const offered = (draw: Draw, answers: readonly Answer[]): Answer[] =>
  draw.shuffled(
    answers.filter(({ label }, i) => answers.findIndex((one) => one.label === label) === i),
  );

const deg = (value: number): string => formatDegrees(value);

const square = (draw: Draw, display: Display): Exercise => {
  const roof = madeUp(draw, display);
  const slope = degrees(slopeOf(roof));
  const rise = Math.round(12 * Math.tan(slopeOf(roof)));
  return {
    kind: 'square',
    question: `The square is held at ${rise} on the tongue and 12 on the blade, and marked along the tongue. How far from square across is the plumb cut of a common?`,
    answers: offered(draw, [
      {
        label: deg(slope),
        right: true,
        why: `atan(${rise} ÷ 12): the plumb line leans from square by the slope.`,
      },
      {
        label: deg(90 - slope),
        right: false,
        why: 'That is its complement: the level line, or the same cut from the board’s edge.',
      },
      {
        label: deg(degrees(Math.atan2(rise, 12 * Math.SQRT2))),
        right: false,
        why: 'That is a hip’s: its run is 16.97 for each 12.',
      },
      {
        label: deg(rise * 3),
        right: false,
        why: 'Three degrees for each of rise is a rule of thumb that holds nowhere.',
      },
    ]),
    board: null,
  };
};

const complement = (draw: Draw, display: Display): Exercise => {
  const roof = madeUp(draw, display);
  const [entry, member] = lineOf(roof, 'common', draw);
  const angle = entry.cuts.find(({ at }) => at === 'top')?.faceAngle ?? 45;
  return {
    kind: 'complement',
    question: `The sheet of ${entry.mark} gives its plumb cut as ${deg(angle)} from square. Your bevel is set from the board’s edge. What do you set?`,
    answers: offered(draw, [
      {
        label: deg(90 - angle),
        right: true,
        why: `From the edge it is the complement: 90° − ${deg(angle)}.`,
      },
      {
        label: deg(angle),
        right: false,
        why: 'That is from square; set from the edge it saws the level line.',
      },
      {
        label: deg(angle / 2),
        right: false,
        why: 'Half of an angle is a mitre of two alike, not this cut.',
      },
      {
        label: deg(180 - angle),
        right: false,
        why: 'That is the same line, read from the edge’s other end.',
      },
    ]),
    board: { drawing: boardOf(member), entry, mirrored: false },
  };
};

const hand = (draw: Draw, display: Display): Exercise => {
  const roof = madeUp(draw, display);
  const [entry, member] = lineOf(roof, 'hip-jack', draw);
  const drawing = boardOf(member);
  const mirrored = draw.one([true, false]);
  const left = (drawing.hand === 'left') !== mirrored;
  const answer = (one: 'left' | 'right'): Answer => ({
    label: one === 'left' ? 'A left one' : 'A right one',
    right: (one === 'left') === left,
    why: `Seen from the eave, looking up the slope, its long point is on the ${left ? 'left' : 'right'}.`,
  });
  return {
    kind: 'hand',
    question: `Upper end on the left, top edge up, its left face towards you: is this ${kindName('hip-jack', display.terms).toLowerCase()} a left or a right one?`,
    answers: [answer('left'), answer('right')],
    board: { drawing, entry, mirrored },
  };
};

const seventeen = (draw: Draw, display: Display): Exercise => {
  const roof = madeUp(draw, display);
  const kind = draw.one(['common', 'hip', 'hip-jack', 'king-common'] as const);
  const [entry] = lineOf(roof, kind, draw);
  const isHip = kind === 'hip';
  return {
    kind: 'seventeen',
    question: `${entry.mark} is a ${kindName(kind, display.terms).toLowerCase()} over a square corner, both roofs alike. Which run is held on the square for its plumb line?`,
    answers: [
      {
        label: '12',
        right: !isHip,
        why: isHip
          ? 'A hip runs over the corner of the square: for each 12 of the commons it goes 16.97.'
          : 'It runs square to the wall, as the commons do: 12.',
      },
      {
        label: '17',
        right: isHip,
        why: isHip
          ? '12 × √2 = 16.97: it runs over the corner of the square.'
          : '17 is for hips and valleys alone; every jack runs square to its wall.',
      },
    ],
    board: null,
  };
};

const longPoint = (draw: Draw, display: Display): Exercise => {
  const roof = madeUp(draw, display);
  const [entry, member] = lineOf(roof, 'hip-jack', draw);
  const drawing = boardOf(member);
  const reach = (loops: BoardDrawing['left']): number =>
    Math.min(...loops.flatMap((loop) => loop.map(([x]) => x)));
  const mirrored = draw.one([true, false]);
  const near = reach(drawing.left) < reach(drawing.right) !== mirrored;
  const face = near ? 'nearer' : 'further';
  return {
    kind: 'long-point',
    question: `Both faces of ${entry.mark} are drawn, its left face above. On which is the long point of its cheek cut?`,
    answers: [
      {
        label: 'The upper drawing, its left face',
        right: near,
        why: `Its ${near ? 'left' : 'right'} face reaches further to the upper end.`,
      },
      {
        label: 'The lower drawing, its right face',
        right: !near,
        why: `Its ${near ? 'left' : 'right'} face reaches further to the upper end, which is the ${face} one here.`,
      },
    ],
    board: { drawing, entry, mirrored },
  };
};

const adding = (draw: Draw, display: Display): Exercise => {
  const eighth = MM_PER_INCH / 8;
  const imperial = display.units === 'imperial';
  const unit = imperial ? eighth : 0.5;
  const first = draw.whole(imperial ? 1200 : 3000, imperial ? 2200 : 9000) * unit;
  const second = draw.whole(imperial ? 60 : 150, imperial ? 190 : 900) * unit;
  const format = lengthFormat(display, imperial ? 0 : 1);
  const written = (mm: number): string => formatLength(mm, format);
  const sum = first + second;
  return {
    kind: 'adding',
    question: `The tape stands at ${written(first)}. The next mark is ${written(second)} further on. Where is it?`,
    answers: offered(draw, [
      {
        label: written(sum),
        right: true,
        why: 'Add the whole parts, then the fractions, and carry.',
      },
      {
        label: written(sum - (imperial ? MM_PER_INCH : 10)),
        right: false,
        why: imperial
          ? 'The inch that is carried was dropped.'
          : 'The ten that is carried was dropped.',
      },
      {
        label: written(sum + (imperial ? MM_PER_INCH : 10)),
        right: false,
        why: imperial ? 'An inch was carried twice.' : 'A ten was carried twice.',
      },
      {
        label: written(sum - unit * (imperial ? 4 : 1)),
        right: false,
        why: 'The fractions were not added.',
      },
    ]),
    board: null,
  };
};

const MAKERS: Readonly<Record<ExerciseKind, (draw: Draw, display: Display) => Exercise>> = {
  square,
  complement,
  hand,
  seventeen,
  'long-point': longPoint,
  adding,
};

/** An exercise of a kind, drawn anew by each number. */
export const exerciseOf = (kind: ExerciseKind, seed: number, display: Display): Exercise =>
  MAKERS[kind](drawFrom(seed), display);
