import { v2, type Vec2 } from '../../geom';
import { fromSides, readJob } from '../../job';
import type { LogEntry, Measurement } from '../../log';
import { solve } from '../../solve';
import { buildingInput, solvedInput } from '../../tests/building';
import {
  asBuiltPath,
  builtJob,
  builtOutline,
  cornersOff,
  levelPacking,
  marksMoved,
  newestMeasured,
  packingOf,
  sidesOff,
} from '..';

let made = 0;
const measured = (path: string, value: number, at = made): Measurement => {
  made += 1;
  return {
    id: `00000000-0000-4000-8000-${String(made).padStart(12, '0')}`,
    at: new Date(Date.UTC(2026, 0, 1, 8, 0, at)).toISOString(),
    by: 'Ada',
    kind: 'measurement',
    what: path,
    path,
    value,
    unit: 'mm',
    planned: null,
    source: 'typed',
  };
};
const taken = (...all: readonly Measurement[]) => newestMeasured(all);

const solution = solvedInput(buildingInput({ along: 9000, across: 6000, pitch: '9/12' }));
const [block] = solution.job.blocks;
if (block === undefined) throw new Error('a house has a part');
const wall = (i: number) => asBuiltPath.wall('main', i);
const diagonal = asBuiltPath.diagonal('main', 0);

/** The house with its far corners leant over by so much: walls and diagonals as a tape would give them. */
const leant = (mm: number) => {
  const outline: Vec2[] = [
    [0, 0],
    [9000, 0],
    [9000 + mm, 6000],
    [mm, 6000],
  ];
  const length = (i: number, k: number) => v2.distance(outline[i]!, outline[k]!);
  const lines: LogEntry[] = [0, 1, 2, 3].map((i) => measured(wall(i), length(i, (i + 1) % 4)));
  return { outline, lines: [...lines, measured(diagonal, length(0, 2))] };
};

it('takes the measurement of each thing that came last, whatever the phones’ clocks say', () => {
  const [early, late] = [measured(wall(0), 9003, 1), measured(wall(0), 9007, 2)];
  expect(newestMeasured([early, late]).get(wall(0))?.value).toBe(9007);
  expect(newestMeasured([late, early]).get(wall(0))?.value).toBe(9003);
});

it('says how far walls and diagonals are off, and nothing of what is not measured', () => {
  const { walls, diagonals } = sidesOff(block, taken(measured(wall(1), 6012)));
  expect(walls.map(({ off }) => off)).toEqual([null, expect.closeTo(12, 9) as number, null, null]);
  expect(diagonals).toMatchObject([
    { off: null, planned: expect.closeTo(Math.hypot(9000, 6000), 9) as number },
  ]);
});

it('a house that leans by 60 is out at every corner by that over its shorter wall', () => {
  const { outline, lines } = leant(60);
  const built = builtOutline(block, newestMeasured(lines));
  if (!built.ok) throw new Error(built.text);
  for (const [i, p] of built.outline.entries())
    for (const axis of [0, 1] as const) expect(p[axis]).toBeCloseTo(outline[i]![axis], 6);
  const corners = cornersOff(block, built.outline);
  const lean = (Math.atan2(60, 6000) * 180) / Math.PI;
  expect(corners.map(({ deg }) => deg - 90)).toEqual(
    [-lean, lean, -lean, lean].map((deg): unknown => expect.closeTo(deg, 6)),
  );
  for (const { endOffMm } of corners) expect(Math.abs(endOffMm)).toBeCloseTo(60, 6);
});

it('measurements that close no plan are said', () => {
  const built = builtOutline(block, taken(measured(diagonal, 20_000)));
  expect(built).toMatchObject({ ok: false });
});

it('a rectangle as planned wants no packing, however it is turned', () => {
  const turned = block.outline.map(([x, y]): Vec2 => [x * 0.8 - y * 0.6 + 50, x * 0.6 + y * 0.8]);
  for (const { atStart, atEnd } of packingOf(block, turned).packing) {
    expect(atStart).toBeCloseTo(0, 6);
    expect(atEnd).toBeCloseTo(0, 6);
  }
});

it('a wall longer by 20 is packed back by half at each end of the house', () => {
  const longer: Vec2[] = [
    [0, 0],
    [9020, 0],
    [9020, 6000],
    [0, 6000],
  ];
  const { packing } = packingOf(block, longer);
  expect(packing.map(({ atStart }) => atStart)).toEqual(
    [0, -10, 0, -10].map((mm): unknown => expect.closeTo(mm, 6)),
  );
});

it('the packing brings every end of a wall that leans to the planned line', () => {
  const { outline } = leant(40);
  const { held, packing } = packingOf(block, outline);
  for (const { wall: i, atStart } of packing) {
    const [start, end] = [held[i]!, held[(i + 1) % 4]!];
    const out = v2.scale(v2.left(v2.unit(v2.sub(end, start))), -1);
    // Walking back in by the packing, one stands on the wall as it is.
    const on = v2.sub(start, v2.scale(out, atStart));
    const [a, b] = [outline[i]!, outline[(i + 1) % 4]!];
    expect(v2.cross(v2.unit(v2.sub(b, a)), v2.sub(on, a))).toBeCloseTo(0, 6);
  }
});

it('plates are packed up to the highest corner', () => {
  expect(levelPacking([0, -4, 3, 1])).toEqual([3, 7, 0, 2]);
});

it('what it does to the marks is what solving the measured house says', () => {
  const { lines } = leant(60);
  const marks = newestMeasured(lines);
  const built = builtOutline(block, marks);
  if (!built.ok) throw new Error(built.text);
  const job = readJob(builtJob(solution.job, 0, marks, built.outline));
  if (!job.ok) throw new Error('the measured house is a house');
  const after = solve(job.value);
  if (!after.ok) throw new Error('it is framed');
  const moved = marksMoved(solution.cuts.members, after.value.cuts.members);
  expect(moved.map(({ mark }) => mark)).toEqual(solution.cuts.members.map(({ mark }) => mark));
  // Hips at the two acute corners grow, those at the obtuse ones shrink: none stays.
  const direct = fromSides({
    sides: [9000, Math.hypot(6000, 60), 9000, Math.hypot(6000, 60)],
    diagonals: [Math.hypot(9060, 6000)],
  });
  expect(direct.ok).toBe(true);
  const hip = moved.find(({ mark }) => mark === 'H1')!;
  expect(Math.abs(hip.is - hip.was)).toBeGreaterThan(5);
});

it('a thicker ridge shortens every common by half of that, along the slope', () => {
  const marks = taken(measured(asBuiltPath.timber('ridge', 'thickness'), 46));
  const job = builtJob(solution.job, 0, marks, null);
  const after = solve(job);
  if (!after.ok) throw new Error('it is framed');
  const moved = marksMoved(solution.cuts.members, after.value.cuts.members);
  const common = solution.cuts.members.find(({ kind }) => kind === 'common')!;
  const line = moved.find(({ mark }) => mark === common.mark)!;
  expect(line.is - line.was).toBeCloseTo(-4 * 1.25, 6);
});

it('a ridge that stands higher gives the pitch that was built', () => {
  const marks = taken(measured(asBuiltPath.ridge('main'), 2500));
  const job = builtJob(solution.job, 0, marks, null);
  const after = solve(job);
  if (!after.ok) throw new Error('it is framed');
  const [ridge] = after.value.cuts.members.filter(({ kind }) => kind === 'ridge');
  // The rafters' tops meet half a ridge beyond its face.
  expect(ridge!.heights![0]!.abovePlate).toBeLessThanOrEqual(2500);
  expect(ridge!.heights![0]!.abovePlate).toBeGreaterThan(2500 - 25);
});
