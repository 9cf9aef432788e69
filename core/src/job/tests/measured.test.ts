import fc from 'fast-check';
import { cornerAngles, diagonals, fromAngles, fromSides, spokesOf } from '..';

const size = (outline: readonly (readonly [number, number])[]) =>
  outline.map((p, i) => {
    const q = outline[(i + 1) % outline.length]!;
    return Math.hypot(q[0] - p[0], q[1] - p[1]);
  });

describe('four walls and a diagonal', () => {
  it('a rectangle: square corners, equal diagonals', () => {
    const found = fromSides({ sides: [8000, 6000, 8000, 6000], diagonals: [10000] });
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
          const found = fromSides({ sides: [a, b, c, d], diagonals: [e] });
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
    const found = fromSides({ sides: [8000, 6000, 8000, 6000], diagonals: [10030] });
    if (!found.ok) throw new Error(found.text);
    const [first] = cornerAngles(found.outline);
    expect(first!.deg).toBeLessThan(90);
    expect(first!.outMm).toBeCloseTo(6000 * Math.cos((first!.deg * Math.PI) / 180), 6);
  });

  it('says what diagonal the walls could have', () => {
    expect(fromSides({ sides: [8000, 6000, 8000, 6000], diagonals: [14500] })).toEqual({
      ok: false,
      text: 'no triangle has walls 1 and 2 and this diagonal; accepted is over 2000 mm and under 14000 mm',
    });
  });
});

/** A convex plan of some corners, from wobbly points on an oval. */
const anyPlan = fc
  .record({
    corners: fc.integer({ min: 3, max: 12 }),
    wobble: fc.array(fc.double({ min: -0.15, max: 0.15, noNaN: true }), {
      minLength: 12,
      maxLength: 12,
    }),
    stretch: fc.double({ min: 1, max: 2, noNaN: true }),
  })
  .map(({ corners, wobble, stretch }) =>
    Array.from({ length: corners }, (_, i): [number, number] => {
      const angle = ((i + wobble[i]!) * 2 * Math.PI) / corners;
      return [stretch * 5000 * Math.cos(angle), 5000 * Math.sin(angle)];
    }),
  );

describe('plans of 3 to 12 corners', () => {
  const expectSame = (
    found: ReturnType<typeof fromSides>,
    plan: readonly (readonly [number, number])[],
  ): void => {
    if (!found.ok) throw new Error(found.text);
    for (const [i, length] of size(found.outline).entries())
      expect(length).toBeCloseTo(size(plan)[i]!, 5);
    for (const [i, { deg }] of cornerAngles(found.outline).entries())
      expect(deg).toBeCloseTo(cornerAngles(plan)[i]!.deg, 6);
  };

  it('come back from their walls and the diagonals from corner 1', () => {
    fc.assert(
      fc.property(anyPlan, (plan) => {
        expectSame(fromSides({ sides: size(plan), diagonals: spokesOf(plan) }), plan);
      }),
      { seed: 62, numRuns: 200 },
    );
  });

  it('come back from all walls but one and the angles between them', () => {
    fc.assert(
      fc.property(anyPlan, (plan) => {
        const angles = cornerAngles(plan).map(({ deg }) => deg);
        expectSame(
          fromAngles({ sides: size(plan).slice(0, -1), angles: angles.slice(1, -1) }),
          plan,
        );
      }),
      { seed: 63, numRuns: 200 },
    );
  });

  it('say what does not close', () => {
    expect(fromSides({ sides: [3000, 3000, 7000], diagonals: [] })).toEqual({
      ok: false,
      text: 'no triangle has walls 3000, 3000 and 7000 mm long; for the third accepted is over 0 mm and under 6000 mm',
    });
    const six = { sides: Array.from({ length: 6 }, () => 3000), diagonals: [5196, 6000, 5196] };
    expect(fromSides(six).ok).toBe(true);
    expect(fromSides({ ...six, diagonals: [5196, 9000, 5196] })).toEqual({
      ok: false,
      text: 'no triangle has wall 3 and the diagonals to corners 3 and 4; for the second accepted is over 2196 mm and under 8196 mm',
    });
    expect(fromAngles({ sides: [3000, 3000, 3000], angles: [170, 170] })).toMatchObject({
      ok: true,
    });
    expect(fromAngles({ sides: [3000, 3000, 3000], angles: [90, 30] })).toEqual({
      ok: false,
      text: 'with these walls and angles the last wall does not close the plan; the inside angles of 4 corners come to 360° together',
    });
  });
});
