import fc from 'fast-check';
import { workOutRoof } from '..';
import { area2, type Vec2 } from '../../geom';
import { buildingInput, buildingJob, type Building } from '../../tests/building';
import { readJob } from '../../job';

const roofOf = (building: Building) => {
  const roof = workOutRoof(buildingJob(building));
  if (!roof.ok) throw new Error(roof.problems[0]!.text);
  return roof.value.blocks[0]!;
};

const kinds = (building: Building): Record<string, number> => {
  const count: Record<string, number> = {};
  for (const edge of roofOf(building).edges) count[edge.kind] = (count[edge.kind] ?? 0) + 1;
  return count;
};

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
          const areas = faces.map((face) => area2(face.polygon.map((p): Vec2 => [p[0], p[1]])));
          expect(Math.min(...areas)).toBeGreaterThan(0);
          const whole = (along + 2 * overhang) * (across + 2 * overhang);
          expect(areas.reduce((a, b) => a + b, 0) / whole).toBeCloseTo(1, 9);
        },
      ),
      { seed: 31, numRuns: 60 },
    );
  });

  it('puts the eave at plate + hap − m · overhang and the ridge at plate + hap + m · run', () => {
    const { edges, hapMm } = roofOf({ along: 9000, across: 6000, pitch: '9/12' });
    const eave = edges.find((edge) => edge.kind === 'eave')!;
    const ridge = edges.find((edge) => edge.kind === 'ridge')!;
    expect(eave.from[2]).toBeCloseTo(hapMm - 0.75 * 450, 9);
    expect(ridge.from[2]).toBeCloseTo(hapMm + 0.75 * 3000, 9);
  });

  const withSides = (change: (sides: unknown[], outline: unknown[]) => void): unknown => {
    const input = structuredClone(buildingInput({ along: 9000, across: 6000, pitch: '9/12' }));
    change(input.blocks[0]!.sides, input.blocks[0]!.outline);
    return input;
  };
  it.each([
    [
      'a wall',
      withSides((s) => (s[1] = { roof: 'wall' })),
      'blocks.0.sides.1.roof',
      '"wall" cannot be framed yet',
    ],
    [
      'an open side',
      withSides((s) => (s[3] = { roof: 'open' })),
      'blocks.0.sides.3.roof',
      '"open" cannot',
    ],
    [
      'unequal pitches',
      withSides((s) => (s[2] = { roof: 'eave', pitch: '6/12' })),
      'blocks.0.sides.2.pitch',
      'unequal pitches',
    ],
    [
      'a corner out of square',
      withSides((_, o) => (o[2] = [9050, 6000])),
      'blocks.0.outline.1',
      'out of square',
    ],
    [
      'three walls',
      withSides((s, o) => (s.pop(), o.pop())),
      'blocks.0.outline',
      'a rectangle of 4',
    ],
    [
      'one slope',
      withSides((s) => (s[2] = s[1] = { roof: 'gable' })),
      'blocks.0.sides',
      'two opposite eaves',
    ],
  ])('says that %s cannot be framed yet', (_name, input, path, text) => {
    const job = readJob(input);
    if (!job.ok) throw new Error(job.problems[0]!.text);
    const roof = workOutRoof(job.value);
    expect(roof).toMatchObject({ ok: false, problems: [{ code: 'shape-not-yet', path }] });
    if (!roof.ok) expect(roof.problems[0]!.text).toContain(text);
  });

  it('says that two blocks cannot be framed together yet', () => {
    const job = buildingJob({ along: 9000, across: 6000, pitch: '9/12' });
    const two = { ...job, blocks: [...job.blocks, { ...job.blocks[0]!, id: 'wing' }] };
    expect(workOutRoof(two)).toMatchObject({ ok: false, problems: [{ path: 'blocks.1' }] });
  });

  it.each([
    [{ hap: 400 }, 'framing.seat.hap', 'accepted is over 0 and under 230.0 mm'],
    [{ width: 900 }, 'framing.seat.width', 'accepted is under 306.7 mm'],
  ])('refuses the seat %j', (seat, path, text) => {
    const roof = workOutRoof(
      buildingJob({ along: 9000, across: 6000, pitch: '9/12', framing: { seat } }),
    );
    expect(roof).toMatchObject({ ok: false, problems: [{ code: 'seat', path }] });
    if (!roof.ok) expect(roof.problems[0]!.text).toContain(text);
  });
});
