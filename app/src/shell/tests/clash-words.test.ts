import {
  merged,
  newJob,
  resized,
  withBlock,
  withSide,
  withWing,
  type Job,
} from '@ogee/core/src/job';
import { clashesInWords } from '../clash-words';

const display = { units: 'metric', fraction: 16, pitch: 'degrees', terms: 'uk' } as const;
const house = withWing(newJob('house', display, 12_000, 7000, '40°'), 0, 0, {
  width: 4000,
  projection: 3000,
  fromCorner: 3000,
});

const told = (mine: (job: Job) => Job, theirs: (job: Job) => Job) => {
  const own = mine(house);
  return clashesInWords(merged(house, own, theirs(house)).clashes, own).map(
    ({ what, mine: here, theirs: there }) => [what, here, there],
  );
};

it.each<[string, (n: number) => (job: Job) => Job, readonly string[]]>([
  [
    'a wall, once',
    (n) => (job) => resized(job, 0, [12_000 + n, 7000]),
    ['Main, wall 1 · length', '12001 mm', '12002 mm'],
  ],
  [
    'a setting',
    (n) => (job) => ({ ...job, framing: { ...job.framing, spacing: 400 + n } }),
    ['Spacing', '401 mm', '402 mm'],
  ],
  [
    'a size',
    (n) => (job) => ({
      ...job,
      timber: { ...job.timber, plateWidth: 100 + n },
    }),
    ['Timber · plate width', '101 mm', '102 mm'],
  ],
  [
    'a part',
    (n) => (job) => withBlock(job, 1, (block) => ({ ...block, plate: n })),
    ['Wing · plate', '1 mm', '2 mm'],
  ],
  [
    'a wall’s pitch',
    (n) => (job) =>
      withSide(job, 0, 2, (side) =>
        side.roof === 'eave' ? { ...side, pitch: `${30 + n}°` } : side,
      ),
    ['Main, wall 3 · pitch', '31°', '32°'],
  ],
])('says %s by its place, with both figures', (_what, edit, wanted) => {
  expect(told(edit(1), edit(2))).toEqual([wanted]);
});

it('says what the other took away', () => {
  const [[what, mine, theirs] = []] = told(
    (job) => withBlock(job, 1, (block) => ({ ...block, plate: 5 })),
    (job) => ({ ...job, blocks: job.blocks.slice(0, 1) }),
  );
  expect([what, mine, theirs]).toEqual(['Wing', 'changed', 'taken away']);
});
