import fc from 'fast-check';
import {
  halfSpaceToLocal,
  planeAt,
  toWorld,
  v2,
  v3,
  type BoardFrame,
  type Vec3,
} from '../../../geom';
import { plumbFrame } from '../../member/board';
import { makeMember, axisOf, type Member } from '../../member/member';
import { solidOf, woodWithin } from '../../member/solid-of';
import { clearInSpace } from '../in-space';
import { clearOfAll, cutsOf, openStrip } from '../strip';

/** A board 40 × 200 between two points, turned about its own length by `cantRad`, its ends sawn square. */
const board = (id: string, from: Vec3, to: Vec3, cantRad = 0): Member => {
  const run = v2.distance(v3.inPlan(from), v3.inPlan(to));
  const heading = v2.unit(v2.sub(v3.inPlan(to), v3.inPlan(from)));
  const plumb = plumbFrame(from, heading, Math.atan2(to[2] - from[2], run));
  const [c, s] = [Math.cos(cantRad), Math.sin(cantRad)];
  const frame: BoardFrame = {
    ...plumb,
    s: v3.add(v3.scale(plumb.s, c), v3.scale(plumb.e, s)),
    e: v3.sub(v3.scale(plumb.e, c), v3.scale(plumb.s, s)),
  };
  const end = (p: Vec3, way: 1 | -1) => ({
    at: way === 1 ? ('top' as const) : ('bottom' as const),
    name: 'end cut' as const,
    keep: { normal: v3.scale(frame.a, way), offset: v3.dot(v3.scale(frame.a, way), p) },
    meets: null,
  });
  return makeMember({
    id,
    kind: 'purlin',
    block: 'main',
    side: null,
    stock: { thickness: 40, depth: 200 },
    frame,
    topMm: 0,
    ends: [end(to, 1), end(from, -1)],
    axis: axisOf(run, to[2] - from[2]),
    pair: { rise: 1, run: 1 },
  });
};

const middleOf = (one: Member, from: Vec3, to: Vec3): Vec3 =>
  v3.add(v3.lerp(from, to, 0.5), v3.scale(one.frame.e, -100));

/** Wood that two boards share, from the other's faces as planes. mm³ */
const shared = (one: Member, other: Member): number =>
  solidOf(other).reduce((sum, piece) => {
    const bounds = piece.map(({ points: [a, b, c] }) => {
      const [p, q, r] = [a!, b!, c!].map((point) => toWorld(other.frame, point));
      const normal = v3.unit(v3.cross(v3.sub(q!, p!), v3.sub(r!, p!)));
      return { normal, offset: v3.dot(normal, p!) };
    });
    return sum + woodWithin(one, bounds);
  }, 0);

const point = fc.tuple(
  fc.integer({ min: -2000, max: 2000 }),
  fc.integer({ min: -2000, max: 2000 }),
  fc.integer({ min: -400, max: 400 }),
);
const cant = fc.double({ min: -0.7, max: 0.7, noNaN: true });

describe('boards cut clear in space', () => {
  it('however they lean and cant, share no wood afterwards and keep their middle', () => {
    let cut = 0;
    fc.assert(
      fc.property(point, point, cant, cant, (from, to, own, others) => {
        fc.pre(v2.distance(v3.inPlan(from), v3.inPlan(to)) > 600);
        const one = board('one', from, to, own);
        const other = board('other', [-3000, 0, -50], [3000, 0, 50], others);
        const middle = middleOf(one, from, to);
        const clear = clearInSpace(one, [other], middle);
        if (clear === null) return;
        expect(shared(clear, other)).toBeLessThan(5);
        for (const { keep } of clear.ends) expect(planeAt(keep, middle)).toBeLessThan(1e-6);
        if (clear === one) return;
        cut += 1;
        // What it is cut to is a face of the other, and every cut that is named is there to be sawn.
        const tags = solidOf(clear).flatMap((piece) => piece.map(({ tag }) => tag));
        for (const end of clear.ends) expect(tags).toContain(end);
        expect(clear.ends.some(({ meets }) => meets === 'other')).toBe(true);
      }),
      { seed: 12, numRuns: 400 },
    );
    expect(cut).toBeGreaterThan(40);
  });

  it('of plumb boards at one height, leaves what the outlines in plan leave', () => {
    fc.assert(
      fc.property(point, point, (from, to) => {
        const [a, b]: [Vec3, Vec3] = [
          [from[0], from[1], 0],
          [to[0], to[1], 0],
        ];
        fc.pre(v2.distance(v3.inPlan(a), v3.inPlan(b)) > 600);
        const one = board('one', a, b);
        const other = board('other', [-3000, 0, 0], [3000, 0, 0]);
        const strip = (m: Member, p: Vec3, q: Vec3) =>
          openStrip(v3.inPlan(p), v3.inPlan(q), 40, {
            id: m.id,
            kind: 'purlin',
            heading: v2.unit(v2.sub(v3.inPlan(q), v3.inPlan(p))),
            topAt: () => 0,
            plumbMm: 200,
            anchor: v3.inPlan(v3.lerp(p, q, 0.5)),
          });
        const inPlan = clearOfAll(strip(one, a, b), [strip(other, [-3000, 0, 0], [3000, 0, 0])]);
        const inSpace = clearInSpace(one, [other], middleOf(one, a, b));
        expect(inSpace === null).toBe(inPlan === null);
        if (inSpace === null || inPlan === null) return;
        const sawn = inSpace.ends.filter(({ meets }) => meets !== null);
        const planned = cutsOf(inPlan);
        expect(sawn).toHaveLength(planned.length);
        for (const { keep } of planned)
          expect(sawn.some((end) => v3.distance(end.keep.normal, keep.normal) < 1e-9)).toBe(true);
      }),
      { seed: 13, numRuns: 300 },
    );
  });

  it('a purlin laid canted against a hip that slopes gets one cut that leans', () => {
    const hip = board('hip', [0, 0, 0], [3000, 3000, 2000]);
    const from: Vec3 = [-2500, 1500, 950];
    const to: Vec3 = [2500, 1500, 950];
    const purlin = board('purlin', from, to, -0.59);
    const clear = clearInSpace(purlin, [hip], [-1000, 1500, 900])!;
    const [cut] = clear.ends.filter(({ meets }) => meets === 'hip');
    expect(cut).toMatchObject({ at: 'top', name: 'cheek cut' });
    // The hip's face is plumb; in the canted purlin's own coordinates the saw leans both ways.
    const { normal } = halfSpaceToLocal(purlin.frame, cut!.keep);
    expect(Math.min(...normal.map(Math.abs))).toBeGreaterThan(0.1);
    expect(shared(clear, hip)).toBeLessThan(5);
  });

  it('is left as it is where the two only touch, and is null where it would be ripped', () => {
    const one = board('one', [0, 0, 0], [2000, 0, 0]);
    const beside = board('beside', [0, 40, 0], [2000, 40, 0]);
    expect(clearInSpace(one, [beside], [1000, 0, -100])).toBe(one);
    const inside = board('inside', [0, 10, 0], [2000, 10, 0]);
    expect(clearInSpace(one, [inside], [1000, -15, -100])).toBeNull();
  });
});
