import type { PlanTimber } from '@ogee/core/src/drawing';
import type { Vec2 } from '@ogee/core/src/geom';
import { fitPlan, nearest } from '../plan-fit';

describe('fitPlan', () => {
  const corners: Vec2[] = [
    [0, 0],
    [10000, 0],
    [10000, 6000],
    [0, 6000],
  ];

  it('keeps one scale, the margin, and north up', () => {
    const { pxPerMm, toPx } = fitPlan(corners, 390, 300, 40);
    expect(pxPerMm).toBeCloseTo(310 / 10000, 12);
    expect(toPx([0, 0])).toEqual([40, 150 + 3000 * pxPerMm]);
    expect(toPx([10000, 6000])).toEqual([350, 150 - 3000 * pxPerMm]);
  });

  it('is bound by the height where the plan is tall', () => {
    const turned = corners.map(([x, y]): Vec2 => [y, x]);
    expect(fitPlan(turned, 390, 300, 40).pxPerMm).toBeCloseTo(220 / 10000, 12);
  });
});

describe('nearest', () => {
  const timber = (id: string, from: Vec2, to: Vec2): PlanTimber => ({
    id,
    kind: 'common',
    mark: id,
    from,
    to,
  });
  const timbers = [timber('a', [0, 0], [100, 0]), timber('b', [0, 20], [100, 20])];

  it('finds the timber under the thumb, to its ends', () => {
    expect(nearest(timbers, [50, 6], 28)?.id).toBe('a');
    expect(nearest(timbers, [50, 14], 28)?.id).toBe('b');
    expect(nearest(timbers, [120, 0], 28)?.id).toBe('a');
  });

  it('finds nothing out of reach', () => {
    expect(nearest(timbers, [50, 60], 28)).toBeNull();
    expect(nearest([], [0, 0], 28)).toBeNull();
  });
});
