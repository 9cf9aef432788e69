import { fromSides, newJob } from '../..';
import { sideLines } from '../../../roof';
import {
  isRectangle,
  laid,
  onePitch,
  pitchText,
  resized,
  wallLengths,
  withBlock,
  withPitch,
  withSide,
} from '..';

const job = newJob(
  't',
  { units: 'metric', fraction: 16, pitch: 'degrees', terms: 'uk' },
  9000,
  6000,
  '35°',
);
const block = job.blocks[0]!;

it('resizes about the first corner, keeping direction and square corners', () => {
  const turned = {
    ...block,
    outline: [
      [1000, 500],
      [1000, 9500],
      [-5000, 9500],
      [-5000, 500],
    ] as [number, number][],
  };
  const next = resized({ ...job, blocks: [turned] }, 0, [8000, 5000]).blocks[0]!;
  expect(next.outline[0]).toEqual([1000, 500]);
  expect(wallLengths(next).map((mm) => mm.toFixed(6))).toEqual([
    '8000.000000',
    '5000.000000',
    '8000.000000',
    '5000.000000',
  ]);
  expect(isRectangle(next)).toBe(true);
  expect(sideLines(next)[0]!.along).toEqual(sideLines(turned)[0]!.along);
});

it('changes one side, or the pitch of every eave, and nothing else', () => {
  const gable = withSide(job, 0, 1, () => ({ roof: 'gable', overhang: 100 }));
  const steep = withPitch(gable, 0, '9/12');
  expect(steep.blocks[0]!.sides.map((side) => ('pitch' in side ? side.pitch : side.roof))).toEqual([
    '9/12',
    'gable',
    '9/12',
    '9/12',
  ]);
  expect(pitchText(steep.blocks[0]!)).toBe('9/12');
  expect({ ...steep, blocks: job.blocks }).toEqual(job);
  expect(withBlock(job, 0, (one) => one)).toEqual(job);
});

it('lays measured walls where the first wall stands, whichever way it points', () => {
  const measured = fromSides({ sides: [9000, 6100, 9050, 6000], diagonals: [10800] });
  if (!measured.ok) throw new Error(measured.text);
  const turned = {
    ...block,
    outline: block.outline.map(([x, y]): [number, number] => [-y + 50, x]),
  };
  const next = laid({ ...job, blocks: [turned] }, 0, measured.outline).blocks[0]!;
  expect(next.outline[0]).toEqual([50, 0]);
  expect(wallLengths(next).map(Math.round)).toEqual([9000, 6100, 9050, 6000]);
  expect(isRectangle(next)).toBe(false);
});

it('tells whether one pitch serves a part', () => {
  expect(onePitch(block)).toBe(true);
  const steep = withSide(job, 0, 1, (side) => ({ ...side, pitch: '12/12' }) as typeof side);
  expect(onePitch(steep.blocks[0]!)).toBe(false);
  expect(pitchText(steep.blocks[0]!, 1)).toBe('12/12');
});
