import { spoken } from '../../sentence';
import { pathFrom, problemLine } from '../../problem';
import fc from 'fast-check';
import { workOutRoof } from '..';
import { area2, v3, type Vec2 } from '../../geom';
import { readJob, type Job } from '../../job';
import { anyWinged } from '../../tests/any-house';
import { buildingJob, type Building } from '../../tests/building';
import { catslide, crossed, ell, leanTo, oneBlock, tee, valleyBetween } from '../../tests/houses';

const roofOf = (building: Building) => {
  const roof = workOutRoof(buildingJob(building));
  if (!roof.ok) throw new Error(problemLine(roof.problems[0]!));
  return roof.value;
};

const kindsOf = (job: Job): Record<string, number> => {
  const roof = workOutRoof(job);
  if (!roof.ok) throw new Error(problemLine(roof.problems[0]!));
  const count: Record<string, number> = {};
  for (const edge of roof.value.edges) count[edge.kind] = (count[edge.kind] ?? 0) + 1;
  return count;
};

const kinds = (building: Building): Record<string, number> => kindsOf(buildingJob(building));

const inside = (points: readonly Vec2[], p: Vec2): boolean =>
  points.every((a, i) => {
    const b = points[(i + 1) % points.length]!;
    return (b[0] - a[0]) * (p[1] - a[1]) - (b[1] - a[1]) * (p[0] - a[0]) > 0;
  });

describe('workOutRoof', () => {
  it('names every edge of a hip roof, a gable roof and a pyramid once', () => {
    const base = { along: 9000, across: 6000, pitch: '9/12' };
    expect(kinds(base)).toEqual({ eave: 4, hip: 4, ridge: 1 });
    expect(kinds({ ...base, ends: ['gable', 'gable'] })).toEqual({ eave: 2, rake: 4, ridge: 1 });
    expect(kinds({ ...base, ends: ['eave', 'gable'] })).toEqual({
      eave: 3,
      rake: 2,
      hip: 2,
      ridge: 1,
    });
    expect(kinds({ ...base, across: 9000 })).toEqual({ eave: 4, hip: 4 });
  });

  it('has faces whose plan areas add up to the grown outline, all counter-clockwise', () => {
    const size = fc.double({ min: 2000, max: 30000, noNaN: true });
    fc.assert(
      fc.property(
        size,
        size,
        fc.double({ min: 0, max: 900, noNaN: true }),
        fc.double({ min: 0, max: 6, noNaN: true }),
        (along, across, overhang, turned) => {
          fc.pre(Math.abs(along - across) > 40);
          const { faces } = roofOf({ along, across, overhang, turned, pitch: '7/12' });
          const areas = faces.map((face) => area2(face.polygon.map(v3.inPlan)));
          expect(Math.min(...areas)).toBeGreaterThan(0);
          const whole = (along + 2 * overhang) * (across + 2 * overhang);
          expect(areas.reduce((a, b) => a + b, 0) / whole).toBeCloseTo(1, 9);
        },
      ),
      { seed: 31, numRuns: 60 },
    );
  });

  it('puts the eave at plate + hap − m · overhang and the ridge at plate + hap + m · run', () => {
    const { edges, blocks } = roofOf({ along: 9000, across: 6000, pitch: '9/12' });
    const { hapMm } = blocks[0]!.sides[0]!;
    const eave = edges.find((edge) => edge.kind === 'eave')!;
    const ridge = edges.find((edge) => edge.kind === 'ridge')!;
    expect(eave.from[2]).toBeCloseTo(hapMm - 0.75 * 450, 9);
    expect(ridge.from[2]).toBeCloseTo(hapMm + 0.75 * 3000, 9);
  });

  it('names the lines of houses with wings', () => {
    expect(kindsOf(tee())).toMatchObject({ ridge: 2, hip: 4, valley: 2 });
    expect(kindsOf(ell())).toMatchObject({ ridge: 2, hip: 4, valley: 1 });
    expect(kindsOf(crossed())).toMatchObject({ ridge: 2, hip: 4, valley: 4 });
    // As high as the main ridge, the wing's ridge runs into it.
    expect(kindsOf(tee({ width: 6000 }))).toMatchObject({ ridge: 2, valley: 2 });
    // Laid on, the roof below runs on whole: no valleys, two chalk lines.
    const laid = workOutRoof(tee({ join: 'laid-on' }));
    if (!laid.ok) throw new Error(laid.problems.map(problemLine).join('; '));
    expect(laid.value.lines.filter(({ kind }) => kind === 'valley')).toEqual([]);
    expect(laid.value.laid.flatMap(({ chalk }) => chalk)).toHaveLength(2);
  });

  it('a lean-to ends at its wall; under a higher eave it runs on to the wall, unseen there', () => {
    const roof = workOutRoof(leanTo());
    if (!roof.ok) throw new Error(problemLine(roof.problems[0]!));
    const porch = roof.value.slopes.find(({ sides }) => sides[0]!.block === 'porch')!;
    expect(porch.pieces.some(({ under }) => under)).toBe(true);
    expect(roof.value.edges.some(({ kind }) => kind === 'step')).toBe(true);
  });

  it('a sloping ridge, where eaves are not parallel, is a ridge with its fall', () => {
    const job = oneBlock(
      [
        [0, 0],
        [10000, 0],
        [10000, 7000],
        [0, 6000],
      ],
      ['9/12', '9/12', '9/12', '9/12'],
    );
    const roof = workOutRoof(job);
    if (!roof.ok) throw new Error(problemLine(roof.problems[0]!));
    const ridge = roof.value.lines.find(({ kind }) => kind === 'ridge')!;
    expect(ridge.to[2] - ridge.from[2]).toBeGreaterThan(100);
  });

  it('every point of a plan lies under exactly one face', () => {
    const spread = fc.double({ min: 0.001, max: 0.999, noNaN: true });
    fc.assert(
      fc.property(
        anyWinged,
        fc.array(fc.tuple(spread, spread), { minLength: 40, maxLength: 40 }),
        (input, spots) => {
          const job = readJob(JSON.parse(JSON.stringify(input)));
          if (!job.ok) throw new Error(problemLine(job.problems[0]!));
          const found = workOutRoof(job.value);
          if (!found.ok) return;
          const { faces, blocks } = found.value;
          const corners = blocks.flatMap(({ grown }) => grown.points);
          const [xs, ys] = [corners.map(([x]) => x), corners.map(([, y]) => y)];
          const at = (all: number[], t: number): number =>
            Math.min(...all) + t * (Math.max(...all) - Math.min(...all));
          for (const [s, t] of spots) {
            const p: Vec2 = [at(xs, s), at(ys, t)];
            const covered = faces.filter((face) => inside(face.polygon.map(v3.inPlan), p)).length;
            const roofed = blocks.some(({ grown }) => inside(grown.points, p));
            expect(covered).toBe(roofed ? 1 : 0);
          }
        },
      ),
      { seed: 32, numRuns: 25 },
    );
  });

  it('both schools bring the fascias of unequal pitches to one height', () => {
    const outline: [number, number][] = [
      [0, 0],
      [10000, 0],
      [10000, 6000],
      [0, 6000],
    ];
    for (const levelFascia of ['vary-overhang', 'raise-plate'] as const) {
      const job = oneBlock(outline, ['9/12', '12/12', '6/12', '12/12'], { levelFascia });
      const roof = workOutRoof(job);
      if (!roof.ok) throw new Error(problemLine(roof.problems[0]!));
      const eaves = roof.value.edges.filter(({ kind }) => kind === 'eave');
      const heights = eaves.map(({ from }) => from[2]);
      expect(eaves).toHaveLength(4);
      expect(Math.max(...heights) - Math.min(...heights)).toBeLessThan(1e-6);
      const [, steep] = roof.value.blocks[0]!.sides;
      if (levelFascia === 'vary-overhang') expect(steep!.overhangMm).toBeCloseTo(450 * 0.75, 9);
      else expect(steep!.plateMm).toBeCloseTo((1 - 0.75) * 450, 9);
    }
  });

  const refusedAs = (job: Job) => {
    const roof = workOutRoof(job);
    return roof.ok ? [] : roof.problems.map((problem) => `${problem.code} ${problemLine(problem)}`);
  };
  it.each([
    [
      'an open end that lies in no other block',
      tee({ reach: -900 }),
      /^open-end blocks\.1\.sides\.2\.roof: .*hidden/,
    ],
    ['roofs that fall to each other', valleyBetween(), /level gutter \d+ mm long/],
    ['a slope that breaks', catslide(), /break from one pitch into another along a level line/],
    ['a porch just under an eave', leanTo({ plate: -1050 }), /^step blocks\.0\.sides\.0: .*clears/],
  ])('refuses %s, with its place and why', (_name, job, pattern) => {
    const lines = refusedAs(job);
    expect(lines.some((line) => pattern.test(line))).toBe(true);
  });

  it.each([
    [{ hap: 400 }, 'framing.seat.hap', 'accepted is over nothing and under 230 mm'],
    [{ width: 900 }, 'framing.seat.width', 'accepted is under 306.6 mm'],
  ])('refuses the seat %j', (seat, path, text) => {
    const roof = workOutRoof(
      buildingJob({ along: 9000, across: 6000, pitch: '9/12', framing: { seat } }),
    );
    expect(roof).toMatchObject({ ok: false, problems: [{ code: 'seat', path: pathFrom(path) }] });
    if (!roof.ok) expect(spoken(roof.problems[0]!.text)).toContain(text);
  });
});
