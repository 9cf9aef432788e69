import { compoundCut, hipFigures, purlinBevels } from '@ogee/core/src/workbench';
import { angle, given, length, need, WRITE_ALL, type Tool } from './tool';

export const HIP: Tool = {
  id: 'hip',
  name: 'Hip',
  what: 'regular and odd: two pitches over a corner',
  fields: [
    { id: 'one', label: 'Pitch', sort: 'pitch' },
    {
      id: 'other',
      label: 'Pitch round the corner',
      sort: 'pitch',
      help: 'the same, where nothing is written',
    },
    {
      id: 'corner',
      label: 'Corner, inside',
      sort: 'angle',
      otherwise: 90,
      least: 1,
      most: 179,
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

export const COMPOUND: Tool = {
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
      help: 'from any one line',
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

export const PURLIN: Tool = {
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
