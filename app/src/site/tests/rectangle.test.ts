import { newJob, sideLines } from '@ogee/core';
import { pitchText, resized, sizesOf, withBlock, withPitch, withSide } from '../rectangle';

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
  const next = resized(turned, [8000, 5000]);
  expect(next.outline[0]).toEqual([1000, 500]);
  expect(sizesOf(next).map((mm) => mm.toFixed(6))).toEqual(['8000.000000', '5000.000000']);
  expect(sideLines(next)[0]!.along).toEqual(sideLines(turned)[0]!.along);
});

it('changes one side, or the pitch of every eave, and nothing else', () => {
  const gable = withSide(job, 1, () => ({ roof: 'gable', overhang: 100 }));
  const steep = withPitch(gable, '9/12');
  expect(steep.blocks[0]!.sides.map((side) => ('pitch' in side ? side.pitch : side.roof))).toEqual([
    '9/12',
    'gable',
    '9/12',
    '9/12',
  ]);
  expect(pitchText(steep.blocks[0]!)).toBe('9/12');
  expect({ ...steep, blocks: job.blocks }).toEqual(job);
  expect(withBlock(job, (one) => one)).toEqual(job);
});
