import { pathFrom } from '@ogee/core/src/problem';
import { newJob, withBraces, withWing } from '@ogee/core/src/job';
import { placeName } from '../place-name';

const display = { units: 'metric', fraction: 16, pitch: 'in12', terms: 'uk' } as const;
const house = withWing(newJob('t', display, 9000, 6000, '9/12'), 0, 0, {
  width: 3000,
  projection: 2000,
  fromCorner: 1000,
});
const job = withBraces(house, 'main', [2], { at: 1000, foot: 500 });

it.each([
  ['blocks.1.sides.2.roof', 'wing, wall 3'],
  ['blocks.0.outline.1', 'main, wall 2'],
  ['blocks.1', 'wing'],
  ['hipBraces.0.foot', 'main, corner 3'],
  ['openings.0', 'openings.0'],
  ['blocks.7.sides.0', 'blocks.7.sides.0'],
  ['framing.seat.hap', 'framing.seat.hap'],
])('%s is %s', (path, name) => {
  expect(placeName(job, pathFrom(path))).toBe(name);
});
