import fc from 'fast-check';
import { area2, clipConvex, v2, type Vec2 } from '../../../geom';
import type { Kind } from '../../../kinds';
import { clearOfAll, cutsOf, faceLengths, openStrip, type Strip } from '../strip';

const strip = (
  id: string,
  from: Vec2,
  to: Vec2,
  thickness = 40,
  kind: Kind = 'common',
  top = 0,
): Strip =>
  openStrip(from, to, thickness, {
    id,
    kind,
    heading: v2.unit(v2.sub(to, from)),
    anchor: v2.scale(v2.add(from, to), 0.5),
    topAt: () => top,
    plumbMm: 200,
  });

const cleared = (one: Strip, ...others: Strip[]): Strip => {
  const left = clearOfAll(one, others);
  if (left === null) throw new Error('nothing was left');
  return left;
};

/** Plan area two strips share. */
const shared = (one: Strip, other: Strip): number => {
  let rest: Strip['polygon'] | null = one.polygon;
  for (const [i, a] of other.polygon.points.entries()) {
    const b = other.polygon.points[(i + 1) % other.polygon.points.length]!;
    if (rest !== null)
      rest = clipConvex(rest, (p) => -v2.cross(v2.unit(v2.sub(b, a)), v2.sub(p, a)), 'left');
  }
  return rest === null ? 0 : area2(rest.points);
};

describe('a strip cut clear of another', () => {
  const ridge = strip('ridge', [0, 0], [5000, 0], 40, 'ridge');

  it('a rafter square to a ridge stops at its face, half the thickness off', () => {
    const rafter = cleared(strip('r', [2000, -3000], [2000, 300]), ridge);
    const [top] = cutsOf(rafter).filter(({ meets }) => meets === 'ridge');
    expect(top).toMatchObject({ at: 'top', name: 'plumb cut' });
    expect(Math.max(...rafter.polygon.points.map(([, y]) => y))).toBeCloseTo(-20, 9);
    expect(faceLengths(rafter)).toEqual({ left: 2980, right: 2980 });
  });

  it('at 45° its long side is a thickness longer than its short side', () => {
    const hip = strip('hip', [3000, 3000], [-200, -200], 40);
    const rafter = cleared(strip('r', [1500, -1500], [1500, 2500]), hip);
    const { left, right } = faceLengths(rafter);
    expect(Math.abs(left - right)).toBeCloseTo(40, 9);
    expect(cutsOf(rafter).find(({ meets }) => meets === 'hip')!.name).toBe('cheek cut');
  });

  it('is cut at its lower end by what lies below it', () => {
    const valley = strip('valley', [0, 0], [3000, 3000], 40, 'valley');
    const jack = cleared(strip('r', [1000, 500], [1000, 4000]), valley);
    expect(cutsOf(jack).find(({ meets }) => meets === 'valley')!.at).toBe('bottom');
  });

  it('in the corner between two it gets two cheeks', () => {
    const hip = strip('hip', [3000, -3000], [-300, 300], 40, 'common');
    const one = strip('common', [0, -3000], [0, -20], 38);
    const other = strip('king', [3000, 0], [20, 0], 38);
    const cut = cleared(hip, one, other);
    expect(
      cutsOf(cut)
        .filter(({ at }) => at === 'top')
        .map(({ meets }) => meets),
    ).toEqual(expect.arrayContaining(['common', 'king']));
    expect(shared(cut, one) + shared(cut, other)).toBeLessThan(1);
  });

  it('a hip is cut on a ridge’s wide face, however near its end', () => {
    const hip = strip('hip', [7000, -1200], [4900, 30], 40, 'hip');
    const [cut] = cutsOf(cleared(hip, ridge)).filter(({ meets }) => meets === 'ridge');
    expect(Math.abs(cut!.keep.normal[1])).toBeCloseTo(1, 9);
  });

  it('a cut that another takes the place of is left out, whichever came first', () => {
    const hip = strip('hip', [0, -3000], [0, 300], 40, 'hip');
    // Its lower face runs on through the hip, but the hip reaches it at the corner alone, which the common takes away.
    const corner = strip('corner', [0.86, -90.86], [708, 616.2], 40, 'ridge');
    const across = strip('across', [-485.86, 384.14], [514.14, -615.86]);
    expect(cutsOf(cleared(hip, corner)).map(({ meets }) => meets)).toContain('corner');
    for (const others of [
      [corner, across],
      [across, corner],
    ]) {
      const left = cleared(hip, ...others);
      expect(cutsOf(left).map(({ meets }) => meets)).toEqual(['across']);
      expect(shared(left, corner)).toBe(0);
    }
  });

  it('what passes well below is left whole', () => {
    const low = strip('low', [2000, -3000], [2000, 3000], 40, 'common', -500);
    expect(cleared(low, ridge)).toBe(low);
  });

  it.each([-200, -200 + 1e-4, 200])(
    'what touches it from below or above is left whole: %s',
    (top) => {
      const touching = strip('low', [2000, -3000], [2000, 3000], 40, 'common', top);
      expect(cleared(touching, ridge)).toBe(touching);
    },
  );

  it('what reaches into it by a hair more than touching is cut', () => {
    const into = strip('low', [2000, -3000], [2000, 3000], 40, 'common', -199.9);
    expect(clearOfAll(into, [ridge])).not.toBe(into);
  });

  it('a board is never ripped: one that lies along another is left out', () => {
    const beside = strip('beside', [100, 10], [4000, 10]);
    expect(clearOfAll(beside, [ridge])).toBeNull();
  });

  it('whatever the two, they share no plan afterwards', () => {
    const at = fc.integer({ min: -2000, max: 2000 });
    fc.assert(
      fc.property(at, at, at, at, fc.integer({ min: 20, max: 80 }), (a, b, c, d, thickness) => {
        fc.pre(Math.hypot(c - a, d - b) > 500);
        const one = strip('one', [a, b], [c, d], thickness);
        const left = clearOfAll(one, [ridge]);
        if (left !== null) expect(shared(left, ridge)).toBeLessThan(2);
      }),
      { seed: 81, numRuns: 300 },
    );
  });
});
