import fc from 'fast-check';
import { cornerAngles, diagonals, fromSides } from '..';

const size = (outline: readonly (readonly [number, number])[]) =>
  outline.map((p, i) => {
    const q = outline[(i + 1) % outline.length]!;
    return Math.hypot(q[0] - p[0], q[1] - p[1]);
  });

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
