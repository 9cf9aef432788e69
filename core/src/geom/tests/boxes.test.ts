import fc from 'fast-check';
import { BoxIndex, boxesMeet, boxRound, type Box } from '..';
import { runs } from '../../tests/effort';

const number = fc.integer({ min: -50, max: 50 });
const point = fc.tuple(number, number, number);
const box = fc.tuple(point, point).map((corners): Box => boxRound(corners));

test('what lies near a box is found as if each were looked at, in the order given', () => {
  fc.assert(
    fc.property(
      fc.array(box, { maxLength: 80 }),
      fc.array(box, { minLength: 3, maxLength: 5 }),
      fc.integer({ min: 0, max: 20 }),
      (boxes, asked, reach) => {
        const index = new BoxIndex(boxes, (one) => one);
        // Asked more than once: the second search lays them out.
        for (const one of asked)
          expect(index.near(one, reach)).toEqual(boxes.filter((b) => boxesMeet(b, one, reach)));
      },
    ),
    { numRuns: runs(200) },
  );
});

test('boxes meet where a gap along any axis is no more than the reach', () => {
  const one = boxRound([
    [0, 0, 0],
    [10, 10, 10],
  ]);
  for (const axis of [0, 1, 2]) {
    const moved = ([x, y, z]: readonly number[], by: number): [number, number, number] => {
      const p: [number, number, number] = [x ?? 0, y ?? 0, z ?? 0];
      p[axis] = (p[axis] ?? 0) + by;
      return p;
    };
    const other = boxRound([moved([0, 0, 0], 15), moved([10, 10, 10], 15)]);
    expect([4.9, 5, 5.1].map((reach) => boxesMeet(one, other, reach))).toEqual([false, true, true]);
  }
});
