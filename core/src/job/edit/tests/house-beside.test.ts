import { fit, solve, type Solution } from '../../../solve';
import { problemLine } from '../../../problem';
import {
  gutterOf,
  newJob,
  readJob,
  withExisting,
  withHouseBeside,
  type Job,
  type NewShape,
} from '../..';

const house = (shape: NewShape): Job =>
  newJob(
    'Beside',
    { units: 'metric', fraction: 16, pitch: 'degrees', terms: 'uk' },
    9000,
    6000,
    '35°',
    {
      shape,
    },
  );

const solved = (job: Job): Solution => {
  const read = readJob(JSON.parse(JSON.stringify(job)));
  const solution = read.ok ? solve(read.value, { waysOut: false }) : read;
  if (!solution.ok) throw new Error(solution.problems.map(problemLine).join('\n'));
  expect(fit(solution.value).problems.map(({ text }) => text)).toEqual([]);
  expect(solution.value.withheld).toEqual([]);
  return solution.value;
};

const BESIDE = { width: 9000, projection: 5000, fromCorner: 0 };

it.each([
  ['gable', 2],
  ['gable', 0],
  ['hip', 2],
] as const)(
  'a house that stands beside a %s one, on wall %s, is not framed; the saddle between is',
  (shape, side) => {
    const job = withHouseBeside(house(shape), 0, side, BESIDE);
    expect(gutterOf(job, 0)).not.toBeNull();
    expect(job.blocks[0]!.sides[side]).toMatchObject({ overhang: 0 });
    // The other eaves keep what they had.
    for (const [i, one] of job.blocks[0]!.sides.entries())
      if (i !== side && one.roof === 'eave') expect(one.overhang).toBeCloseTo(400, 9);
    const solution = solved(job);
    const blocks = new Set(solution.members.map(({ block }) => block));
    expect([...blocks].sort()).toEqual(['main', 'saddle 1', 'saddle 2']);
    // What is framed of the house itself is what stood there alone, but for the saddles' slopes.
    const alone = solved({ ...job, blocks: [job.blocks[0]!], saddles: [] });
    const own = ({ members }: Solution) =>
      members.filter(({ block }) => block === 'main').map(({ id }) => id);
    // Against the other's eave stands no fascia.
    const gutter = `main.fascia.${side}`;
    expect(own(alone)).toContain(gutter);
    expect(own(solution)).toEqual(own(alone).filter((id) => id !== gutter));
    // Water leaves the gutter at both ends: each half's ridge falls nowhere below its corners.
    const ridges = solution.members.filter(({ kind }) => kind === 'ridge');
    expect(ridges.filter(({ block }) => block.startsWith('saddle'))).toHaveLength(2);
  },
);

it('both are framed where neither stands yet', () => {
  const job = withExisting(withHouseBeside(house('gable'), 0, 2, BESIDE), 1, false);
  const blocks = new Set(solved(job).members.map(({ block }) => block));
  expect(blocks).toContain('house beside');
  expect(withExisting(job, 1, true).blocks.map(({ existing }) => existing)).toEqual([
    undefined,
    true,
  ]);
});

it('beside a gable there is no gutter, and no saddle', () => {
  const job = withHouseBeside(house('gable'), 0, 1, { ...BESIDE, width: 6000 });
  expect(job.saddles).toEqual([]);
  expect(new Set(solved(job).members.map(({ block }) => block))).toEqual(new Set(['main']));
});

it('a part that is framed into what stands is refused, and so is all that stands', () => {
  const beside = withHouseBeside(house('gable'), 0, 2, BESIDE);
  const into: Job = {
    ...beside,
    blocks: beside.blocks.map((block, i) =>
      i === 1 ? { ...block, outline: block.outline.map(([x, y]) => [x, y - 1000]) } : block,
    ),
  };
  const read = readJob(JSON.parse(JSON.stringify(into)));
  expect(read.ok ? '' : read.problems.map(problemLine).join()).toContain(
    '"house beside" stands already and "main" is framed into it',
  );
  const all = withExisting({ ...beside, saddles: [] }, 0, true);
  const none = readJob(JSON.parse(JSON.stringify(all)));
  expect(none.ok ? '' : none.problems.map(problemLine).join()).toContain(
    'everything stands already',
  );
});
