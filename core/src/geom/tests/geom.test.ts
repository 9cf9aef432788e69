import fc from 'fast-check';
import {
  area2,
  box,
  clipConvex,
  clipSolid,
  crossing,
  extent,
  flip,
  halfSpace,
  lineCrossing,
  planeAt,
  v3,
  volume,
  type Vec2,
  type Vec3,
} from '..';

const TAGS = ['a', 'b', 'c', 'd', 'e', 'f'] as const;
const coordinate = fc.double({ min: -1000, max: 1000, noNaN: true });
const direction = fc
  .tuple(coordinate, coordinate, coordinate)
  .filter((v) => v3.length(v) > 1) as fc.Arbitrary<Vec3>;
const point = fc.tuple(coordinate, coordinate, coordinate) as fc.Arbitrary<Vec3>;

describe('planes', () => {
  it('are crossed where the line reaches them', () => {
    fc.assert(
      fc.property(point, direction, point, direction, (p, n, from, d) => {
        const plane = halfSpace(p, n);
        const along = v3.unit(d);
        fc.pre(Math.abs(v3.dot(plane.normal, along)) > 0.01);
        const at = crossing(plane, from, along);
        if (at.kind !== 'point') throw new Error(at.kind);
        expect(planeAt(plane, at.point)).toBeCloseTo(0, 6);
        expect(v3.length(v3.sub(at.point, from))).toBeCloseTo(Math.abs(at.t), 6);
      }),
      { seed: 21 },
    );
  });

  it('are not crossed by a line that runs along or within them', () => {
    const level = halfSpace([0, 0, 5], [0, 0, 2]);
    expect(crossing(level, [0, 0, 0], [1, 0, 0]).kind).toBe('parallel');
    expect(crossing(level, [0, 0, 5], [1, 0, 0]).kind).toBe('within');
    expect(crossing(level, [1, 1, 0], [0, 0, 1])).toEqual({
      kind: 'point',
      t: 5,
      point: [1, 1, 5],
    });
  });

  it('has no crossing for parallel lines in plan', () => {
    expect(lineCrossing([0, 0], [1, 1], [5, 0], [2, 2])).toBeNull();
    expect(lineCrossing([0, 0], [1, 0], [3, -1], [0, 1])).toEqual([3, 0]);
  });
});

describe('clipConvex', () => {
  const square = {
    points: [
      [0, 0],
      [4, 0],
      [4, 4],
      [0, 4],
    ] as Vec2[],
    tags: ['s', 'e', 'n', 'w'],
  };

  it('tags the edge it makes and keeps the others', () => {
    const half = clipConvex(square, ([x]) => x - 1, 'cut');
    expect(half?.points).toEqual([
      [0, 0],
      [1, 0],
      [1, 4],
      [0, 4],
    ]);
    expect(half?.tags).toEqual(['s', 'cut', 'n', 'w']);
  });

  it('cuts through corners without leaving slivers', () => {
    const triangle = clipConvex(square, ([x, y]) => x - y, 'cut');
    expect(triangle?.points).toHaveLength(3);
    expect(area2(triangle?.points ?? [])).toBeCloseTo(8);
  });

  it('gives null when nothing is left', () => {
    expect(clipConvex(square, () => 1, 'cut')).toBeNull();
    expect(clipConvex(square, ([x]) => x, 'cut')).toBeNull();
  });
});

describe('solids', () => {
  const cube = box([0, 0, 0], [2, 3, 4], [...TAGS]);

  it('has the box’s volume and extent', () => {
    expect(volume(cube)).toBeCloseTo(24);
    expect(extent(cube, 1)).toEqual([0, 3]);
  });

  it('falls into two parts that together are the whole', () => {
    fc.assert(
      fc.property(
        fc.tuple(
          fc.double({ min: 0, max: 2, noNaN: true }),
          fc.double({ min: 0, max: 3, noNaN: true }),
          fc.double({ min: 0, max: 4, noNaN: true }),
        ),
        direction,
        (through, normal) => {
          const plane = halfSpace(through, normal);
          const parts =
            volume(clipSolid(cube, plane, 'a')) + volume(clipSolid(cube, flip(plane), 'a'));
          expect(parts).toBeCloseTo(24, 5);
        },
      ),
      { seed: 22 },
    );
  });

  it('is empty beyond its bounds and untouched within them', () => {
    expect(clipSolid(cube, halfSpace([-1, 0, 0], [1, 0, 0]), 'a')).toEqual([]);
    expect(clipSolid(cube, halfSpace([9, 0, 0], [1, 0, 0]), 'a')).toBe(cube);
    expect(extent([], 0)).toBeNull();
  });
});
