import { area2, v2, type Vec2 } from '../../geom';
import { markOf, memberOf } from '../../cuts';
import { solve } from '../../solve';
import { buildingJob, entryOf, solved } from '../../tests/building';
import { eave, jobOf, rectangle } from '../../tests/houses';
import { eaveSection, planDrawing } from '..';

const base = { along: 9000, across: 6000, pitch: '9/12', overhang: 450 } as const;

describe('the plan, as data', () => {
  const solution = solved(base);
  const plan = planDrawing(solution.roof, solution.members, markOf(solution));

  it('covers the roof from eave to eave, once', () => {
    const covered = plan.faces.reduce((sum, { points }) => sum + area2(points), 0);
    expect(covered).toBeCloseTo(9900 * 6900, 0);
    expect(plan.outlines.map((outline) => area2(outline))).toEqual([9000 * 6000]);
  });

  it('draws every timber, each with a mark of the list', () => {
    expect(plan.timbers.map(({ id }) => id).sort()).toEqual(
      solution.members.map(({ id }) => id).sort(),
    );
    const marks = new Set(solution.cuts.members.map(({ mark }) => mark));
    expect(plan.timbers.every(({ mark }) => marks.has(mark))).toBe(true);
  });

  it('dimensions two walls clear of every roof, and names each wall over its own eave', () => {
    expect(plan.dimensions.map(({ lengthMm }) => lengthMm)).toEqual([9000, 6000]);
    for (const { from, to, outward, lengthMm } of plan.dimensions) {
      expect(v2.distance(from, to)).toBeCloseTo(lengthMm, 9);
      for (const { points } of plan.faces)
        for (const p of points) expect(v2.dot(v2.sub(p, from), outward)).toBeLessThan(1e-6);
    }
    expect(plan.walls.map(({ side }) => side)).toEqual([0, 1, 2, 3]);
    for (const { from, inward, over } of plan.walls)
      expect(v2.dot(v2.sub(over, from), inward)).toBeCloseTo(-450, 6);
  });

  it('of a gablet shows no walls that are not there', () => {
    const sides = [0, 1, 2, 3].map((i) => ({
      ...eave('9/12'),
      ...(i === 1 ? { gablet: { at: 1800 } } : {}),
    }));
    const found = solve(jobOf([rectangle('main', [0, 0, 9000, 6000], sides)]));
    if (!found.ok) throw new Error('refused');
    const drawn = planDrawing(found.value.roof, found.value.members, markOf(found.value));
    expect(drawn.outlines).toHaveLength(1);
  });
});

describe('the eave in section, as data', () => {
  const has = (loops: readonly (readonly Vec2[])[], [x, z]: Vec2): boolean =>
    loops.some((loop) => loop.some((p) => Math.hypot(p[0] - x, p[1] - z) < 1e-6));

  it.each(['plumb', 'square'] as const)(
    'agrees with the list and the geometry: %s tail',
    (tail) => {
      const job = buildingJob({ ...base, framing: { tail } });
      const found = solve(job);
      if (!found.ok) throw new Error('refused');
      const entry = entryOf(found.value, 'common');
      const section = eaveSection(job, entry, memberOf(found.value, entry)!, found.value.members)!;
      const { rafter, hapMm, seatMm, overhangMm } = section;
      expect(has(rafter, [0, 0])).toBe(true);
      expect(has(rafter, [seatMm, 0])).toBe(true);
      expect(overhangMm).toBeCloseTo(450, 6);
      // The tail's top corner lies on the rafter's top line, which passes the height above plate over the outside face.
      expect(has(rafter, [-450, hapMm - 450 * 0.75])).toBe(true);
      // No wood of it in the plate, and its fascia comes to that corner.
      for (const loop of rafter)
        for (const [x, z] of loop) expect(x > 1e-6 && x < seatMm - 1e-6 && z < -1e-6).toBe(false);
      const { fascia } = job.timber;
      if (fascia === undefined) expect(section.fascia).toEqual([]);
      else {
        expect(Math.max(...section.fascia.map(([x]) => x))).toBeGreaterThan(-450 - 1e-6);
        expect(Math.abs(area2(section.fascia))).toBeCloseTo(fascia.thickness * fascia.depth, 3);
      }
    },
  );

  it('is none for a timber without a seat', () => {
    const found = solved(base);
    const entry = entryOf(found, 'ridge');
    expect(eaveSection(found.job, entry, memberOf(found, entry)!, found.members)).toBeNull();
  });
});
