import type { JobInput } from '../../../job';
import { fit, type Solution } from '../../../solve';
import { buildingInput, entriesOf, entryOf, refusalOf, solvedInput } from '../../../tests/building';
import { unseenSpoilings } from '../../../tests/spoil-houses';

const BEAM = { thickness: 90, depth: 180 };
const POST = { thickness: 90, depth: 90 };

/** A porch 6 m long, 2.4 m out, its high side against a wall, its low side on posts, or all but the wall's. */
const porch = (
  height: number,
  spacing: number,
  sides: 'low' | 'round',
  beam: JobInput['timber']['beam'] = BEAM,
): JobInput => {
  const input = buildingInput({
    along: 6000,
    across: 2400,
    pitch: '4/12',
    timber: { beam, post: POST, plateThickness: 38 },
  });
  const [block] = input.blocks;
  const posts = { height, spacing };
  const eave = { roof: 'eave' as const, pitch: '4/12', overhang: 300 };
  const end = sides === 'round' ? { ...eave, posts } : { roof: 'gable' as const, overhang: 0 };
  return {
    ...input,
    blocks: [{ ...block!, sides: [{ ...eave, posts }, end, { roof: 'wall' }, end] }],
  };
};

const ofKind = ({ members }: Solution, kind: string) =>
  members.filter((member) => member.kind === kind);

describe.each([
  [2400, 2000],
  [2750, 1500],
])('an eave %s mm up on posts %s mm apart', (height, spacing) => {
  const solution = solvedInput(porch(height, spacing, 'low'));

  it('has a beam from end to end, and posts from the ground up to it', () => {
    expect(entryOf(solution, 'beam').length.body).toBeCloseTo(6000, 6);
    const post = entryOf(solution, 'post');
    expect(post.length.body).toBeCloseTo(height - 38 - BEAM.depth, 6);
    expect(post.count).toBe(Math.ceil((6000 - POST.depth) / spacing) + 1);
    const xs = ofKind(solution, 'post').map(({ frame }) => frame.origin[0]);
    expect(Math.min(...xs)).toBeCloseTo(POST.depth / 2, 6);
    expect(Math.max(...xs)).toBeCloseTo(6000 - POST.depth / 2, 6);
  });

  it('is proved, and every way of spoiling a post or the beam is seen', () => {
    expect(fit(solution).problems).toEqual([]);
    const own = [...ofKind(solution, 'post').slice(0, 2), ...ofKind(solution, 'beam')];
    expect(unseenSpoilings(solution, own)).toEqual([]);
  });
});

it('round a corner the second beam comes against the first, on one post', () => {
  const solution = solvedInput(porch(2400, 2000, 'round'));
  expect(fit(solution).problems).toEqual([]);
  expect(ofKind(solution, 'beam')).toHaveLength(3);
  const [long, short] = entriesOf(solution, 'beam');
  expect(long!.length.body).toBeCloseTo(6000, 6);
  expect(short!.length.body).toBeCloseTo(2400 - BEAM.thickness, 6);
});

it('a beam longer than its timber is scarfed over a post', () => {
  const solution = solvedInput(porch(2400, 2000, 'low', { ...BEAM, longest: 4800 }));
  const posts = ofKind(solution, 'post').map(({ frame }) => frame.origin[0]);
  const [, second] = ofKind(solution, 'beam');
  expect(Math.min(...posts.map((x) => Math.abs(x - second!.frame.origin[0])))).toBeLessThan(1e-6);
  expect(fit(solution).problems).toEqual([]);
});

it('posts too short to stand, or without a size, are refused by their field', () => {
  expect(refusalOf(porch(400, 2000, 'low'))).toMatch(
    /^blocks\.0\.sides\.0\.posts\.height: .*at least 518/u,
  );
  const { beam: _, ...timber } = porch(2400, 2000, 'low').timber;
  expect(refusalOf({ ...porch(2400, 2000, 'low'), timber })).toMatch(/^timber\.beam: missing/u);
});
