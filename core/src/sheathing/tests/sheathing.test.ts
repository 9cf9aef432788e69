import { area2 } from '../../geom';
import type { JobInput } from '../../job';
import { buildingInput, solvedInput, type Building } from '../../tests/building';
import { framedHouses } from '../../tests/asked';
import { pitchRad } from '../../units';
import { sheetedSlopes } from '..';

const DEG = 180 / Math.PI;
const HOUSE: Building = { along: 8000, across: 5000, pitch: '9/12', overhang: 450 };

const sheathed = (building: Partial<Building>, sheathing?: JobInput['sheathing']) =>
  solvedInput({ ...buildingInput({ ...HOUSE, ...building }), ...(sheathing && { sheathing }) });

it.each(['4/12', '9/12', '40°'])('a gable roof at %s: its length × its rake, twice', (pitch) => {
  const { cuts } = sheathed({ pitch, ends: ['gable', 'gable'] });
  const rake = (2500 + 450) / Math.cos(pitchRad(pitch));
  expect(cuts.sheathing.slopes).toHaveLength(2);
  for (const slope of cuts.sheathing.slopes) {
    expect(slope.area).toBeCloseTo(8000 * rake, 3);
    expect(slope.edges).toEqual([]);
  }
  expect(cuts.sheathing.area).toBeCloseTo(2 * 8000 * rake, 3);
});

describe.each(['4/12', '9/12', '35°', '14/12'])('a regular hip roof at %s', (pitch) => {
  const solution = sheathed({ pitch });
  const theta = pitchRad(pitch);

  it('is as large as its plan ÷ cos θ', () => {
    expect(solution.cuts.sheathing.area).toBeCloseTo((8900 * 5900) / Math.cos(theta), 3);
  });

  it('its sheets are marked at atan(1 ÷ cos θ) and sawn at asin(sin θ · cos 45°)', () => {
    const edges = solution.cuts.sheathing.slopes.flatMap((slope) => slope.edges);
    expect(edges).toHaveLength(8);
    for (const { line, angle, tilt } of edges) {
      expect(line).toBe('hip');
      expect(angle).toBeCloseTo(Math.atan(1 / Math.cos(theta)) * DEG, 9);
      expect(tilt).toBeCloseTo(Math.asin(Math.sin(theta) * Math.SQRT1_2) * DEG, 9);
    }
  });

  it('the same angle is read off each slope’s own outline', () => {
    for (const slope of sheetedSlopes(solution.job, solution.roof)) {
      const wanted = Math.atan(1 / Math.cos(theta)) * DEG;
      const inclined = slope.pieces
        .flatMap((points) =>
          points.map((p, i) => {
            const q = points[(i + 1) % points.length]!;
            return Math.atan2(Math.abs(q[1] - p[1]), Math.abs(q[0] - p[0])) * DEG;
          }),
        )
        .filter((deg) => deg > 1 && deg < 89);
      expect(inclined.length).toBeGreaterThan(0);
      for (const deg of inclined) expect(deg).toBeCloseTo(wanted, 6);
    }
  });
});

it('a slope of whole sheets takes as many, the halves of a staggered row out of one', () => {
  // 4 sheets along, 2 up: 9600 × 2400 with sheets of 2400 × 1200, at 60° so that the run is half the rake.
  const { cuts } = sheathed(
    { along: 9600, across: 2400, overhang: 0, pitch: '60°', ends: ['gable', 'gable'] },
    { sheet: [2400, 1200] },
  );
  for (const slope of cuts.sheathing.slopes) {
    expect(slope.rows).toBe(2);
    expect(slope.lastRow).toBeCloseTo(1200, 6);
    expect(slope.sheets).toBe(8);
  }
});

it('the last row is ripped to what is left', () => {
  const { cuts } = sheathed({ ends: ['gable', 'gable'] }, { sheet: [2440, 1220] });
  const rake = 2950 * 1.25;
  expect(cuts.sheathing.slopes[0]!.rows).toBe(Math.ceil(rake / 1220));
  expect(cuts.sheathing.slopes[0]!.lastRow).toBeCloseTo(rake % 1220, 6);
});

it('a porch is sheathed on under the eave over it, up to its wall', () => {
  const input = buildingInput({ ...HOUSE, ends: ['gable', 'gable'] });
  const eave = { roof: 'eave' as const, pitch: '4/12', overhang: 300 };
  const gable = { roof: 'gable' as const, overhang: 0 };
  const porch = {
    id: 'porch',
    outline: [
      [2000, -2000],
      [5000, -2000],
      [5000, 0],
      [2000, 0],
    ] as [number, number][],
    plate: -1400,
    sides: [eave, gable, { roof: 'wall' as const }, gable],
  };
  const { cuts } = solvedInput({ ...input, blocks: [...input.blocks, porch] });
  const own = cuts.sheathing.slopes.filter(({ block }) => block === 'porch');
  const area = own.reduce((sum, slope) => sum + slope.area, 0);
  expect(area).toBeCloseTo((3000 * 2300) / Math.cos(Math.atan(1 / 3)), 2);
});

it('random roofs: the sheets cover every slope once, and no fewer are bought than it is large', () => {
  for (const { job, roof, cuts } of framedHouses(28, 31)) {
    const plan = roof.faces.reduce(
      (sum, { polygon, slopeRad }) =>
        sum + area2(polygon.map(([x, y]) => [x, y])) / Math.cos(slopeRad),
      0,
    );
    // What is seen from above, and what runs on under an eave.
    expect(cuts.sheathing.area).toBeGreaterThan(plan - 1);
    for (const slope of sheetedSlopes(job, roof)) {
      const own = slope.pieces.reduce((sum, points) => sum + area2(points), 0);
      const laid = slope.sheets.reduce(
        (sum, { covers }) => sum + covers.reduce((all, points) => all + area2(points), 0),
        0,
      );
      expect(Math.abs(laid - own)).toBeLessThan(100 * slope.sheets.length + 2000);
      expect(slope.bought * 2440 * 1220).toBeGreaterThan(own - 2000);
      expect(slope.bought).toBeLessThanOrEqual(slope.sheets.length);
      expect(slope.lastRow).toBeGreaterThan(0);
      expect(slope.lastRow).toBeLessThanOrEqual(1220 + 1);
    }
  }
}, 120_000);
