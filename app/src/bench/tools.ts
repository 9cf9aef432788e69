import {
  saddleFigures,
  slopeOfLevels,
  stepping,
  triangle,
  wallHeights,
} from '@ogee/core/src/workbench';
import { MM_PER_FOOT } from '@ogee/core/src/units';
import { COMPOUND, HIP, PURLIN } from './hip-tools';
import { angle, given, length, need, WRITE_ALL, type Tool } from './tool';

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
    {
      id: 'low',
      label: 'Lower level',
      sort: 'length',
      otherwise: 0,
      signed: true,
      help: '0 at the ‹plate›',
    },
    {
      id: 'high',
      label: 'Upper level',
      sort: 'length',
      signed: true,
      help: 'the top of the ‹ridge›, say',
    },
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
      least: 10,
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
      help: 'the slope’s own, where nothing is written',
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
