import fc from 'fast-check';
import { problemLine } from '../../problem';
import { fit, solve } from '../../solve';
import { tee } from '../../tests/houses';
import {
  cornerAngles,
  diagonals,
  fromSides,
  withLeanTo,
  withOutline,
  withoutBlock,
  withWing,
} from '..';
import type { Job } from '..';

const size = (outline: readonly (readonly [number, number])[]) =>
  outline.map((p, i) => {
    const q = outline[(i + 1) % outline.length]!;
    return Math.hypot(q[0] - p[0], q[1] - p[1]);
  });

const closes = (job: Job): void => {
  const solution = solve(job);
  if (!solution.ok) throw new Error(solution.problems.map(problemLine).join('\n'));
  expect(fit(solution.value).problems).toEqual([]);
};

describe('four walls and a diagonal', () => {
  it('a rectangle: square corners, equal diagonals', () => {
    const found = fromSides({ sides: [8000, 6000, 8000, 6000], diagonal: 10000 });
    if (!found.ok) throw new Error(found.text);
    for (const { deg, outMm } of cornerAngles(found.outline)) {
      expect(deg).toBeCloseTo(90, 9);
      expect(outMm).toBeLessThan(1e-6);
    }
    const [one, other] = diagonals(found.outline)!;
    expect(one - other).toBeCloseTo(0, 6);
  });

  it('gives back the walls and the diagonal it was given, whatever the corners', () => {
    const wall = fc.integer({ min: 3000, max: 9000 });
    fc.assert(
      fc.property(
        wall,
        wall,
        wall,
        wall,
        fc.integer({ min: 3500, max: 12000 }),
        (a, b, c, d, e) => {
          const found = fromSides({ sides: [a, b, c, d], diagonal: e });
          const triangles = [
            [a, b],
            [c, d],
          ].every(([p, q]) => e < p! + q! && e > Math.abs(p! - q!));
          expect(found.ok).toBe(triangles);
          if (!found.ok) return;
          for (const [i, length] of size(found.outline).entries())
            expect(length).toBeCloseTo([a, b, c, d][i]!, 6);
          expect(diagonals(found.outline)![0]).toBeCloseTo(e, 6);
          const sum = cornerAngles(found.outline).reduce(
            (all, { deg }) => all + ((deg + 360) % 360),
            0,
          );
          expect(sum).toBeCloseTo(360, 6);
        },
      ),
      { seed: 61, numRuns: 200 },
    );
  });

  it('says by how much a corner is out, over its shorter wall', () => {
    const found = fromSides({ sides: [8000, 6000, 8000, 6000], diagonal: 10030 });
    if (!found.ok) throw new Error(found.text);
    const [first] = cornerAngles(found.outline);
    expect(first!.deg).toBeLessThan(90);
    expect(first!.outMm).toBeCloseTo(6000 * Math.cos((first!.deg * Math.PI) / 180), 6);
  });

  it('says what diagonal the walls could have', () => {
    expect(fromSides({ sides: [8000, 6000, 8000, 6000], diagonal: 14500 })).toEqual({
      ok: false,
      text: 'no triangle has walls 1 and 2 and this diagonal; accepted is over 2000 mm and under 14000 mm',
    });
  });
});

describe('wings and lean-tos on a wall', () => {
  const plain = withoutBlock(tee(), 1);

  it('a wing stands where it was measured, on every wall, and closes', () => {
    for (const side of [0, 1, 2, 3]) {
      const job = withWing(plain, 0, side, { width: 3000, projection: 2500, fromCorner: 1200 });
      const { outline, sides } = job.blocks[1]!;
      expect(size(outline)[0]).toBeCloseTo(3000, 9);
      expect(sides.map(({ roof }) => roof)).toEqual(['gable', 'eave', 'open', 'eave']);
      closes(job);
    }
  });

  it('a wing goes with its wall when the block under it changes', () => {
    const on = { width: 3000, projection: 2500, fromCorner: 1200 };
    for (const side of [0, 1, 2, 3]) {
      const job = withWing(plain, 0, side, on);
      const wider = withOutline(job, 0, [
        [0, 0],
        [12000, 0],
        [12000, 7400],
        [0, 7400],
      ]);
      const anew = withWing({ ...wider, blocks: [wider.blocks[0]!] }, 0, side, on);
      const apart = wider.blocks[1]!.outline.map(([x, y], i) => {
        const [u, v] = anew.blocks[1]!.outline[i]!;
        return Math.hypot(x - u, y - v);
      });
      expect(Math.max(...apart)).toBeLessThan(1e-6);
      closes(wider);
    }
  });

  it('a lean-to leans on its wall, and closes', () => {
    const job = withLeanTo(plain, 0, 2, { width: 3000, projection: 1800, fromCorner: 800 });
    expect(job.blocks[1]).toMatchObject({ id: 'lean-to', plate: -1500 });
    closes(job);
    expect(withoutBlock(job, 1).blocks).toHaveLength(1);
    expect(withoutBlock(job, 0)).toBe(job);
  });
});
