import { buildingJob } from '../../../tests/building';
import { crossed, ell, halfHip, leanTo, tee } from '../../../tests/houses';
import { v2, v3 } from '../../../geom';
import { solve } from '../../../solve';
import { braceWay, firstBrace, hipCorners, withBraces, withSide } from '..';

const job = buildingJob({ along: 9000, across: 6000, pitch: '9/12' });
const block = job.blocks[0]!;
const WAY = firstBrace(job, block);

it('a hip rises from each corner between two eaves, from none beside a gable or inside an L', () => {
  expect(hipCorners(job, block)).toEqual([0, 1, 2, 3]);
  const gabled = withSide(job, 0, 1, () => ({ roof: 'gable', overhang: 0 }));
  expect(hipCorners(gabled, gabled.blocks[0]!)).toEqual([0, 3]);
  const eave = block.sides[0]!;
  const ell = {
    ...block,
    outline: [
      [0, 0],
      [9000, 0],
      [9000, 9000],
      [5000, 9000],
      [5000, 5000],
      [0, 5000],
    ] as [number, number][],
    sides: [eave, eave, eave, eave, eave, eave],
  };
  expect(hipCorners(job, ell)).toEqual([0, 1, 2, 3, 5]);
});

it('braces stand under the hips asked for, and go with their last entry without a trace', () => {
  const braced = withBraces(job, block.id, [1, 3], WAY);
  expect(WAY).toEqual({ at: 2400, foot: 1800 });
  expect(braceWay(braced, block.id, 1)).toEqual(WAY);
  expect(braceWay(braced, block.id, 0)).toBeNull();
  const solution = solve(braced);
  if (!solution.ok) throw new Error('refused');
  const braces = solution.value.members.filter(({ kind }) => kind === 'hip-brace');
  expect(braces).toHaveLength(2);
  const moved = withBraces(braced, block.id, [3], { ...WAY, level: -300 });
  expect(braceWay(moved, block.id, 3)).toEqual({ ...WAY, level: -300 });
  expect(braceWay(moved, block.id, 1)).toEqual(WAY);
  const bare = withBraces(moved, block.id, [1, 3], null);
  expect('hipBraces' in bare).toBe(false);
});

it.each([
  ['a flush wing', ell()],
  ['a wing', tee()],
  ['ranges that cross', crossed()],
  ['a lean-to', leanTo()],
  ['a small hip over a gable', halfHip()],
])('offers just the hips that the solver frames: %s', (_name, house) => {
  const solution = solve(house);
  if (!solution.ok) throw new Error('refused');
  for (const one of house.blocks) {
    const framed = one.outline.flatMap((corner, i) => {
      const rises = solution.value.members.some(
        ({ kind, block: id, frame }) =>
          kind === 'hip' && id === one.id && v2.distance(v3.inPlan(frame.origin), corner) < 1,
      );
      return rises ? [i] : [];
    });
    expect([one.id, hipCorners(house, one)]).toEqual([one.id, framed]);
  }
});
