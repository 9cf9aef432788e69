import {
  compoundCut,
  hipFigures,
  purlinBevels,
  saddleFigures,
  slopeOfLevels,
  stepping,
  triangle,
  wallHeights,
} from '@ogee/core/src/workbench';
import { MM_PER_FOOT } from '@ogee/core/src/units';

type Values = Readonly<Record<string, number | undefined>>;

export interface ToolField {
  readonly id: string;
  readonly label: string;
  readonly sort: 'length' | 'angle' | 'pitch' | 'count';
  readonly help?: string;
  /** What it is taken for while nothing stands in it. */
  readonly otherwise?: number;
  readonly least?: number;
  readonly most?: number;
}

export interface Figured {
  readonly label: string;
  readonly value: number;
  /**
   *   length   mm
   *   angle    degrees
   *   pitch    degrees, shown as a pitch beside
   *   number   as it is
   */
  readonly unit: 'length' | 'angle' | 'pitch' | 'number';
  /** The one that is looked for. */
  readonly main?: boolean;
}

export type Outcome =
  | {
      readonly ok: true;
      readonly figures: readonly Figured[];
      /** A job that could begin with it: its span, mm, and pitch, degrees. */
      readonly job?: { readonly span: number; readonly pitch: number };
      /** A triangle to draw to scale. mm */
      readonly drawn?: { readonly run: number; readonly rise: number; readonly offDeg: number };
    }
  | { readonly ok: false; readonly text: string };

export interface Tool {
  readonly id: string;
  readonly name: string;
  readonly what: string;
  readonly fields: readonly ToolField[];
  readonly work: (values: Values) => Outcome;
}

const need = (text: string): Outcome => ({ ok: false, text });

/** What is given of some fields; null where one of them is not. */
const given = <K extends string>(
  values: Values,
  ...names: readonly K[]
): Readonly<Record<K, number>> | null => {
  const found = names.map((name) => [name, values[name]] as const);
  return found.every(([, value]) => value !== undefined)
    ? (Object.fromEntries(found) as Record<K, number>)
    : null;
};

const length = (label: string, value: number, main = false): Figured => ({
  label,
  value,
  unit: 'length',
  main,
});
const angle = (label: string, value: number, main = false): Figured => ({
  label,
  value,
  unit: 'angle',
  main,
});

const WRITE_ALL = 'Write what is known; the rest follows.';

const TRIANGLE: Tool = {
  id: 'triangle',
  name: 'Triangle',
  what: 'any two of rise, run, length and slope',
  fields: [
    { id: 'rise', label: 'Rise', sort: 'length' },
    { id: 'run', label: 'Run', sort: 'length' },
    { id: 'length', label: 'Length', sort: 'length' },
    { id: 'slope', label: 'Slope', sort: 'pitch' },
    {
      id: 'off',
      label: 'Off plumb or square',
      sort: 'angle',
      help: '0 where rise and run are square; more where the wall leans out at the top',
      otherwise: 0,
      least: -44,
      most: 44,
    },
  ],
  work: ({ off = 0, ...known }) => {
    const two = Object.fromEntries(
      Object.entries(known).filter(([, value]) => value !== undefined),
    ) as Parameters<typeof triangle>[0];
    if (Object.keys(two).length < 2) return need('Two of the four are wanted.');
    const found = triangle(two, off);
    if (!found.ok) return need(found.text);
    const { rise, run, slope, top } = found.value;
    return {
      ok: true,
      figures: [
        length('Length', found.value.length, true),
        length('Rise', rise),
        length('Run', run),
        { label: 'Slope', value: slope, unit: 'pitch' },
        angle('At the top', top),
      ],
      job: { span: 2 * run, pitch: slope },
      drawn: { run, rise, offDeg: off },
    };
  },
};

const LEVELS: Tool = {
  id: 'levels',
  name: 'Slope',
  what: 'from two levels, or from a ridge’s height over a distance',
  fields: [
    { id: 'low', label: 'Lower level', sort: 'length', otherwise: 0, help: '0 at the ‹plate›' },
    { id: 'high', label: 'Upper level', sort: 'length', help: 'the top of the ‹ridge›, say' },
    { id: 'distance', label: 'Level distance between them', sort: 'length' },
  ],
  work: (values) => {
    const known = given(values, 'high', 'distance');
    if (known === null) return need(WRITE_ALL);
    if (known.distance <= 0) return need('The distance has to be more than 0.');
    const low = values['low'] ?? 0;
    const slope = slopeOfLevels(low, known.high, known.distance);
    return {
      ok: true,
      figures: [
        { label: 'Slope', value: slope, unit: 'pitch', main: true },
        length('Rise', known.high - low),
        length('Length', Math.hypot(known.high - low, known.distance)),
      ],
      ...(slope > 2 && slope < 80
        ? {
            job: { span: 2 * known.distance, pitch: slope },
            drawn: { run: known.distance, rise: known.high - low, offDeg: 0 },
          }
        : {}),
    };
  },
};

const STEPPING: Tool = {
  id: 'stepping',
  name: 'Stepping off',
  what: 'whole steps of the square, the odd part last',
  fields: [
    { id: 'run', label: 'Run', sort: 'length' },
    { id: 'slope', label: 'Pitch', sort: 'pitch' },
    {
      id: 'unit',
      label: 'Run of one step',
      sort: 'length',
      otherwise: MM_PER_FOOT,
      help: 'a foot',
    },
  ],
  work: (values) => {
    const known = given(values, 'run', 'slope');
    if (known === null) return need(WRITE_ALL);
    const unit = values['unit'] ?? MM_PER_FOOT;
    if (known.run <= 0 || unit <= 0) return need('Both lengths have to be more than 0.');
    const found = stepping(known.run, known.slope, unit);
    return {
      ok: true,
      figures: [
        { label: 'Steps', value: found.steps, unit: 'number', main: true },
        length('Hold on the square, run', found.unit[0]),
        length('and rise', found.unit[1]),
        length('One step along the edge', found.step),
        length('The odd run, last', found.odd.run),
        length('along the edge', found.odd.length),
        length('All of it', found.steps * found.step + found.odd.length),
      ],
      job: { span: 2 * known.run, pitch: known.slope },
    };
  },
};

const HIP: Tool = {
  id: 'hip',
  name: 'Hip',
  what: 'regular and odd: two pitches over a corner',
  fields: [
    { id: 'one', label: 'Pitch', sort: 'pitch' },
    {
      id: 'other',
      label: 'Pitch round the corner',
      sort: 'pitch',
      help: 'the same',
    },
    {
      id: 'corner',
      label: 'Corner, inside',
      sort: 'angle',
      otherwise: 90,
      least: 1,
      most: 179,
      help: '90°',
    },
    {
      id: 'run',
      label: 'Run of a common',
      sort: 'length',
      help: 'for its length; can be left out',
    },
  ],
  work: (values) => {
    const { one, run } = values;
    if (one === undefined) return need(WRITE_ALL);
    const found = hipFigures([one, values['other'] ?? one], values['corner'] ?? 90);
    return {
      ok: true,
      figures: [
        { label: 'Slope of the hip', value: found.slope, unit: 'pitch', main: true },
        ...(run === undefined ? [] : [length('Its theory length', run * found.perRun, true)]),
        { label: 'On the square, rise', value: found.square.rise, unit: 'number' },
        { label: 'and run', value: found.square.run, unit: 'number' },
        angle('In plan, from the first eave', found.plan[0]),
        angle('from the other', found.plan[1]),
        angle('Backing, first side', found.backing[0]),
        angle('other side', found.backing[1]),
      ],
      ...(run === undefined ? {} : { job: { span: 2 * run, pitch: one } }),
    };
  },
};

const COMPOUND: Tool = {
  id: 'compound',
  name: 'Compound cut',
  what: 'a slope, and two directions in plan',
  fields: [
    { id: 'slope', label: 'Slope of the board', sort: 'pitch' },
    {
      id: 'run',
      label: 'Its run in plan',
      sort: 'angle',
      otherwise: 90,
      most: 360,
      help: 'from any one line; 90°',
    },
    {
      id: 'face',
      label: 'What it comes against, in plan',
      sort: 'angle',
      most: 360,
      help: 'from the same line: a hip at 45°',
    },
  ],
  work: (values) => {
    const known = given(values, 'slope', 'face');
    if (known === null) return need(WRITE_ALL);
    const run = values['run'] ?? 90;
    if (Math.abs(Math.sin(((run - known.face) * Math.PI) / 180)) < 0.01)
      return need('The board runs along the face: it never comes against it.');
    const found = compoundCut(known.slope, [run, known.face]);
    return {
      ok: true,
      figures: [
        angle('Line on the wide face, from square', found.faceAngle, true),
        angle('Saw tilt along it', found.faceTilt, true),
        angle('Or: line on the edge', found.edgeAngle),
        angle('Tilt, board on edge', found.edgeTilt),
      ],
    };
  },
};

const PURLIN: Tool = {
  id: 'purlin',
  name: 'Purlin bevels',
  what: 'where a level board on a slope meets a hip or valley',
  fields: [
    { id: 'pitch', label: 'Pitch', sort: 'pitch' },
    {
      id: 'plan',
      label: 'Eave to hip, in plan',
      sort: 'angle',
      otherwise: 45,
      least: 1,
      most: 89,
      help: '45°',
    },
  ],
  work: (values) => {
    const { pitch } = values;
    if (pitch === undefined) return need(WRITE_ALL);
    const { canted, flat } = purlinBevels(pitch, values['plan'] ?? 45);
    return {
      ok: true,
      figures: [
        angle('Canted purlin: line on the wide face', canted.faceAngle, true),
        angle('Saw tilt along it', canted.faceTilt, true),
        angle('Flat on the slope: line on the wide face', flat.faceAngle),
        angle('Saw tilt along it', flat.faceTilt),
      ],
    };
  },
};

/** So many studs at most are written out. */
const MOST_STUDS = 40;

const WALL: Tool = {
  id: 'wall',
  name: 'Wall heights',
  what: 'studs under a slope, and their one difference',
  fields: [
    { id: 'first', label: 'First stud', sort: 'length' },
    { id: 'pitch', label: 'Pitch', sort: 'pitch' },
    { id: 'spacing', label: 'Spacing', sort: 'length' },
    {
      id: 'count',
      label: 'How many',
      sort: 'count',
      otherwise: 8,
      least: 1,
      most: MOST_STUDS,
      help: '8',
    },
  ],
  work: (values) => {
    const known = given(values, 'first', 'pitch', 'spacing');
    if (known === null) return need(WRITE_ALL);
    const count = Math.min(MOST_STUDS, Math.max(1, Math.round(values['count'] ?? 8)));
    const { heights, difference } = wallHeights(known.first, known.pitch, known.spacing, count);
    return {
      ok: true,
      figures: [
        length('Each is longer by', difference, true),
        ...heights.map((mm, i) => length(`Stud ${i + 1}`, mm)),
      ],
    };
  },
};

const SADDLE: Tool = {
  id: 'saddle',
  name: 'Saddle',
  what: 'behind a chimney or whatever stands in a slope',
  fields: [
    { id: 'width', label: 'Width across the slope', sort: 'length' },
    { id: 'main', label: 'Pitch of the slope', sort: 'pitch' },
    {
      id: 'own',
      label: 'Pitch of the saddle',
      sort: 'pitch',
      help: 'the slope’s own',
    },
  ],
  work: (values) => {
    const known = given(values, 'width', 'main');
    if (known === null) return need(WRITE_ALL);
    const found = saddleFigures(known.width, known.main, values['own'] ?? known.main);
    return {
      ok: true,
      figures: [
        length('Its ridge, level', found.ridge, true),
        length('Rise', found.rise),
        length('Each valley', found.valley),
        { label: 'Slope of the valley', value: found.valleySlope, unit: 'pitch' },
      ],
    };
  },
};

/** Everything but the sum pad, which has no fields of its own. */
export const TOOLS: readonly Tool[] = [
  TRIANGLE,
  LEVELS,
  STEPPING,
  HIP,
  COMPOUND,
  PURLIN,
  WALL,
  SADDLE,
];
