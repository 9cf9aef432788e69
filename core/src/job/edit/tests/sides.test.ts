import { problemLine } from '../../../problem';
import { fit, solve } from '../../../solve';
import { tee } from '../../../tests/houses';
import {
  cornerAngles,
  readJob,
  takesGablet,
  withBay,
  withBreak,
  withBreakChanged,
  withCorners,
  withGablet,
  withoutBlock,
  withoutBreak,
  withSidesAlike,
  type Job,
  type Side,
} from '../..';

const plain = withoutBlock(tee(), 1);

/** What the app leaves behind is a job like any other: it is read back, framed and proved. */
const closes = (job: Job): void => {
  const read = readJob(JSON.parse(JSON.stringify(job)));
  if (!read.ok) throw new Error(read.problems.map(problemLine).join('\n'));
  const solution = solve(read.value);
  if (!solution.ok) throw new Error(solution.problems.map(problemLine).join('\n'));
  expect(fit(solution.value).problems).toEqual([]);
};

const eaves = ({ blocks }: Job): Extract<Side, { roof: 'eave' }>[] =>
  blocks[0]!.sides.flatMap((side) => (side.roof === 'eave' ? [side] : []));

describe('breaks in pitch', () => {
  it('begun on one side and put on all, frame and close', () => {
    for (const way of ['shallower-above', 'kick-out'] as const) {
      const one = withBreak(plain, 0, 0, way);
      expect(one.timber.purlin).toEqual(plain.timber.ridge);
      expect(eaves(one).map(({ breaks }) => breaks?.length ?? 0)).toEqual([1, 0, 0, 0]);
      const all = withSidesAlike(one, 0, 0);
      expect(new Set(eaves(all).map((side) => JSON.stringify(side))).size).toBe(1);
      closes(all);
    }
    const [first] = eaves(withBreak(plain, 0, 0, 'kick-out'));
    // The roof keeps its pitch above the kick.
    expect(first!.breaks![0]!.pitch).toBe('9/12');
  });

  it('come on top of each other, are changed and taken away one by one', () => {
    const one = withBreak(plain, 0, 0, 'shallower-above');
    const two = withBreak(one, 0, 0, 'kick-out');
    const [first] = eaves(two);
    expect(first!.breaks).toHaveLength(2);
    expect(first!.breaks![0]!.at).toBeLessThan(first!.breaks![1]!.at);
    const changed = withBreakChanged(two, 0, 0, 1, { pitch: '4/12' });
    expect(eaves(changed)[0]!.breaks![1]).toEqual({ ...first!.breaks![1], pitch: '4/12' });
    const bare = withoutBreak(withoutBreak(two, 0, 0, 1), 0, 0, 0);
    expect('breaks' in eaves(bare)[0]!).toBe(false);
  });
});

describe('gablets', () => {
  it('stand where two eaves meet an eave, and come and go', () => {
    const job = withGablet(plain, 0, 1, undefined);
    closes(job);
    expect(eaves(withGablet(job, 0, 1, 1500))[1]!.gablet).toEqual({ at: 1500 });
    expect('gablet' in eaves(withGablet(job, 0, 1, null))[1]!).toBe(false);
    const gabled = {
      ...plain.blocks[0]!,
      sides: plain.blocks[0]!.sides.map((side, i): Side =>
        i === 2 ? { roof: 'gable', overhang: 0 } : side,
      ),
    };
    expect([0, 1, 2, 3].map((side) => takesGablet(plain.blocks[0]!, side))).toEqual([
      false,
      true,
      false,
      true,
    ]);
    expect([0, 1, 2, 3].map((side) => takesGablet(gabled, side))).toEqual([
      false,
      false,
      false,
      false,
    ]);
  });
});

describe('parts of 3 to 12 corners', () => {
  it('of every number are regular, no larger than the part was, and close', () => {
    for (let corners = 3; corners <= 12; corners += 1) {
      if (corners === 4) continue;
      const job = withCorners(plain, 0, corners);
      const { outline, sides } = job.blocks[0]!;
      expect([outline.length, sides.length]).toEqual([corners, corners]);
      for (const { deg } of cornerAngles(outline)) expect(deg).toBeCloseTo(180 - 360 / corners, 6);
      expect(Math.min(...outline.map(([x]) => x))).toBeGreaterThan(-1e-6);
      expect(Math.max(...outline.map(([x]) => x))).toBeLessThan(10000 + 1e-6);
      expect(Math.max(...outline.map(([, y]) => y))).toBeLessThan(6000 + 1e-6);
      closes(job);
    }
    expect(withCorners(plain, 0, 4)).toEqual(plain);
  });

  it('a bay stands on its wall and its roof runs in under the wall’s own', () => {
    const job = withBay(plain, 0, 0, { width: 3200, projection: 1400, fromCorner: 3000 });
    expect(job.blocks[1]!.sides.map(({ roof }) => roof)).toEqual([
      'eave',
      'eave',
      'eave',
      'open',
      'eave',
      'eave',
    ]);
    closes(job);
  });
});
