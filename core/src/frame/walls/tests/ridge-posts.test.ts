import { fixingsOf } from '../../../fixings';
import { hasRidge, withRidgeBeam, type Job, type JobInput } from '../../../job';
import { raisingOf } from '../../../raising';
import { fit, solve, type Solution } from '../../../solve';
import { entriesOf, entryOf } from '../../../tests/building';
import { eave, gable, jobOf, open, rectangle } from '../../../tests/houses';
import { sawHouse } from '../../../tests/saw-house';
import { unseenSpoilings } from '../../../tests/spoil-houses';
import { v3 } from '../../../geom';

const RIDGE = { thickness: 80, depth: 300 };
const POST = { thickness: 80, depth: 90 };

type Timber = Partial<JobInput['timber']>;
type Ends = 'gables' | 'hips' | 'wing';

const house = (
  ends: Ends,
  ridgeBeam: { spacing: number; foot?: number },
  more: { timber?: Timber; framing?: Partial<JobInput['framing']>; job?: Partial<Job> } = {},
): Solution => {
  const end = ends === 'hips' ? eave('8/12') : gable;
  const main = rectangle('main', [0, 0, 9000, 6000], [eave('8/12'), end, eave('8/12'), end], {
    ridgeBeam,
  });
  const sides = [gable, eave('8/12'), open, eave('8/12')];
  const wing = rectangle('wing', [2500, -2500, 4000, 5500], sides, { ridgeBeam });
  const job = jobOf(ends === 'wing' ? [main, wing] : [main], more.framing, {
    ridge: RIDGE,
    post: POST,
    ...more.timber,
  });
  const solution = solve({ ...job, ...more.job });
  if (!solution.ok) throw new Error('refused');
  expect(fit(solution.value).problems.map(({ text }) => text)).toEqual([]);
  return solution.value;
};

const postsOf = ({ members }: Solution) => members.filter(({ kind }) => kind === 'ridge-post');
const coded = ({ cuts }: Solution, code: string) => cuts.notes.filter((one) => one.code === code);

it.each([
  ['gables', 2200],
  ['gables', 4000],
  ['hips', 1500],
] as const)('posts under a ridge between %s stand %s mm apart at most', (ends, spacing) => {
  const solution = house(ends, { spacing, foot: ends === 'hips' ? -2400 : 0 });
  expect(solution.cuts.withheld).toEqual([]);
  const ridge = entryOf(solution, 'ridge');
  const top = ridge.heights![0]!.top;
  const foot = ends === 'hips' ? -2400 : 0;
  const between = ridge.length.body - POST.depth;
  const posts = postsOf(solution);
  expect(posts).toHaveLength(Math.ceil(between / spacing) + 1);
  // All alike: from what they stand on up to the ridge's underside.
  expect(entryOf(solution, 'ridge-post').length.body).toBeCloseTo(top - RIDGE.depth - foot, 6);
  const xs = posts.map(({ frame }) => frame.origin[0]).sort((p, q) => p - q);
  for (const [i, x] of xs.slice(1).entries())
    expect(x - xs[i]!).toBeCloseTo(between / (posts.length - 1), 6);
  for (const { frame } of posts) expect(frame.origin[1]).toBeCloseTo(3000, 6);
});

it('a ridge that is carried pushes nothing out, and its rafters hang', () => {
  const carried = house('gables', { spacing: 3000 });
  const board = solve(withRidgeBeam(carried.job, 0, null));
  if (!board.ok) throw new Error('refused');
  expect(coded(board.value, 'no-ties')).toHaveLength(1);
  expect(coded(carried, 'no-ties')).toEqual([]);
  const rafters = entriesOf(carried, 'common').reduce((sum, { count }) => sum + count, 0);
  const at = (place: string) => fixingsOf(carried).places.find((one) => one.place === place);
  expect(at('rafter-at-beam')).toMatchObject({ fixing: 'hanger', count: rafters });
  expect(at('rafter-at-ridge')).toBeUndefined();
  expect(at('post-foot')).toMatchObject({ count: postsOf(carried).length });
});

it('the end of a ridge that other timber carries has no post, nor a gable’s stud one in it', () => {
  const solution = house(
    'wing',
    { spacing: 2000 },
    { timber: { gableStud: { thickness: 38, depth: 89 } }, framing: { layout: 'corner' } },
  );
  expect(solution.cuts.withheld).toEqual([]);
  const wing = postsOf(solution).filter(({ block }) => block === 'wing');
  const inner = Math.max(...wing.map(({ frame }) => frame.origin[1]));
  const ridge = solution.members.find(({ kind, block }) => kind === 'ridge' && block === 'wing')!;
  const end = Math.max(
    ridge.frame.origin[1],
    v3.add(ridge.frame.origin, v3.scale(ridge.frame.a, ridge.axis.runMm))[1],
  );
  expect(end - inner).toBeGreaterThan(1000);
  expect(end - inner).toBeLessThanOrEqual(2000);
});

it('posts stand beside ties that lie in their places', () => {
  const tie = { thickness: 38, depth: 140 };
  const solution = house(
    'gables',
    { spacing: 2000, foot: -2400 },
    {
      timber: { collarTie: tie, rafterTie: tie },
      job: { collarTies: { bottom: 1500, every: 1, hold: 12 }, rafterTies: { every: 1 } },
    },
  );
  expect(solution.cuts.withheld).toEqual([]);
  const xs = postsOf(solution).map(({ frame }) => frame.origin[0]);
  expect(xs).toHaveLength(6);
  const even = (9000 - POST.depth) / 5;
  for (const [i, x] of xs.entries())
    expect(Math.abs(x - (POST.depth / 2 + i * even))).toBeLessThanOrEqual(200);
  expect(entriesOf(solution, 'collar-tie').length).toBeGreaterThan(0);
});

it('where no post can stand it is withheld, and the roof still pushes', () => {
  const shallow = house(
    'gables',
    { spacing: 3000 },
    {
      timber: { ridge: { thickness: 80, depth: 150 }, post: { thickness: 140, depth: 380 } },
      framing: { spacing: 400 },
    },
  );
  const [first] = shallow.cuts.withheld;
  expect(first).toMatchObject({ path: 'blocks.0.ridgeBeam.spacing' });
  expect(first!.text).toContain('would stand in other timber');
  expect(coded(shallow, 'no-ties')).toHaveLength(1);
  const low = house('gables', { spacing: 3000, foot: 1700 });
  expect(low.cuts.withheld[0]).toMatchObject({ path: 'blocks.0.ridgeBeam.foot' });
});

it('each spoiled post is found', () => {
  const solution = house('wing', { spacing: 2000 });
  expect(unseenSpoilings(solution, postsOf(solution))).toEqual([]);
});

it('posts sawn by their steps are those of the frame, and go up under their ridge', () => {
  const solution = house('gables', { spacing: 2500 });
  let most = 0;
  sawHouse(solution, (_, mm) => {
    most = Math.max(most, mm);
  });
  expect(most).toBeLessThan(1);
  const steps = raisingOf(solution, 1);
  const kinds = new Map(solution.members.map(({ id, kind }) => [id, kind]));
  const frames = steps.find(({ members }) => members.some((id) => kinds.get(id) === 'ridge'))!;
  expect(frames.members.map((id) => kinds.get(id))).toEqual([
    ...postsOf(solution).map(() => 'ridge-post'),
    'ridge',
  ]);
});

it('a part with one slope, or none that meet, has no ridge to carry', () => {
  const { job } = house('gables', { spacing: 2500 });
  expect(hasRidge(job.blocks[0]!)).toBe(true);
  const point = jobOf(
    [
      rectangle(
        'main',
        [0, 0, 5000, 5000],
        [1, 2, 3, 4].map(() => eave('8/12')),
        { ridgeBeam: { spacing: 2000 } },
      ),
    ],
    {},
    { post: POST },
  );
  const solution = solve(point);
  if (!solution.ok) throw new Error('refused');
  expect(solution.value.cuts.withheld[0]!.text).toContain('has no ridge');
});
