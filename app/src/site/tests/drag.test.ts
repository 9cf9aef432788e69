import {
  measurable,
  wallLengths,
  cornerAngles,
  newJob,
  standingOn,
  withLeanTo,
  withWing,
  type Job,
} from '@ogee/core/src/job';
import { dragged, figureOf, handlesOf, stepAt } from '../drag';

const DISPLAY = { units: 'metric', fraction: 16, pitch: 'degrees', terms: 'uk' } as const;
const plain = newJob('t', DISPLAY, 9000, 6000, '35°');
const ON = { width: 3000, projection: 2500, fromCorner: 1200 };
const winged = withWing(plain, 0, 1, ON);
const STEP = 100;

const handle = (job: Job, index: number, moves: 'wall' | 'part', side: number) =>
  handlesOf(job, index).find((one) => one.moves === moves && one.side === side)!;
const on = (job: Job) => standingOn(job, 1)!.on;
const drag = (index: number, moves: 'wall' | 'part', side: number, mm: number) =>
  dragged(winged, index, handle(winged, index, moves, side), mm, STEP)!;

describe('how fine a drag is', () => {
  it('is the finest round step that shows on the screen', () => {
    expect(stepAt(1, 'metric')).toBe(10);
    expect(stepAt(0.025, 'metric')).toBe(100);
    expect(stepAt(0.025, 'imperial')).toBe(76.2);
    expect(stepAt(0.0001, 'imperial')).toBe(304.8);
  });
});

describe('what a handle stands at', () => {
  it('is what dragging it by nothing comes to, for every handle of a free part and of one on a wall', () => {
    for (const [job, index] of [
      [plain, 0],
      [winged, 0],
      [winged, 1],
      [withLeanTo(plain, 0, 1, ON), 1],
    ] as const)
      for (const one of handlesOf(job, index)) {
        const still = dragged(job, index, one, 0, 1e-6)!;
        const now = figureOf(job, index, one)!;
        expect(now.name).toBe(still.name);
        expect(now.mm).toBeCloseTo(still.mm, 5);
      }
  });
});

describe('walls of a free part', () => {
  it('can each be taken hold of in the middle, and go out', () => {
    const handles = handlesOf(plain, 0);
    expect(handles.map(({ moves, side }) => `${moves} ${side}`)).toEqual([
      'wall 0',
      'wall 1',
      'wall 2',
      'wall 3',
    ]);
    const { at, way } = handles[1]!;
    expect([...at, ...way].map(Math.abs)).toEqual([9000, 3000, 1, 0]);
  });

  it('the figure comes to a whole step, whatever it was before', () => {
    const odd = newJob('t', DISPLAY, 9037, 6000, '35°');
    const result = dragged(odd, 0, handle(odd, 0, 'wall', 1), 251, STEP)!;
    expect(result).toMatchObject({ name: 'Wall 3', mm: 9300 });
    expect(wallLengths(result.job.blocks[0]!)[0]).toBeCloseTo(9300, 6);
  });

  it('out of square, the next wall comes to the step and every angle stays', () => {
    const outline: [number, number][] = [
      [0, 0],
      [9000, 0],
      [9800, 6000],
      [0, 6000],
    ];
    const oblique: Job = { ...plain, blocks: [{ ...plain.blocks[0]!, outline }] };
    const result = dragged(oblique, 0, handle(oblique, 0, 'wall', 2), 333, STEP)!;
    const after = result.job.blocks[0]!;
    expect(wallLengths(after)[3]).toBeCloseTo(result.mm, 6);
    expect(result.mm % STEP).toBeCloseTo(0, 9);
    const angles = (of: readonly (readonly [number, number])[]) =>
      cornerAngles(of).map((c) => c.deg);
    for (const [i, deg] of angles(after.outline).entries())
      expect(deg).toBeCloseTo(angles(outline)[i]!, 9);
  });

  it('comes to nothing past the wall across', () => {
    expect(dragged(plain, 0, handle(plain, 0, 'wall', 0), -20_000, STEP)).toBeNull();
  });
});

describe('a part on a wall', () => {
  it('is held by its far end, its sides and, whole, by its inner end', () => {
    expect(handlesOf(winged, 1).map(({ moves, side }) => `${moves} ${side}`)).toEqual([
      'wall 0',
      'wall 1',
      'part 2',
      'wall 3',
    ]);
  });

  it('its far end sets the projection', () => {
    const { job, name, mm } = drag(1, 'wall', 0, 340);
    expect([name, mm]).toEqual(['Projection', 2800]);
    expect(on(job).projection).toBeCloseTo(2800, 6);
    expect(drag(1, 'wall', 0, -9000).mm).toBe(300);
  });

  it('either side sets the width, and the other stays where it is', () => {
    const right = on(drag(1, 'wall', 1, 260).job);
    expect([right.width, right.fromCorner].map(Math.round)).toEqual([3300, 1200]);
    const left = on(drag(1, 'wall', 3, 260).job);
    expect([left.width, left.fromCorner].map(Math.round)).toEqual([3300, 900]);
  });

  it('slides along its wall, as far as the wall goes', () => {
    expect(drag(1, 'part', 2, 480)).toMatchObject({ name: 'From the corner', mm: 1700 });
    expect(on(drag(1, 'part', 2, 50_000).job).fromCorner).toBeCloseTo(6000 - ON.width, 6);
    expect(on(drag(1, 'part', 2, -50_000).job).fromCorner).toBeCloseTo(0, 6);
    expect(drag(1, 'wall', 1, 50_000).mm).toBeCloseTo(6000 - ON.fromCorner, 6);
  });
});

it('a tape follows of a wing what stands out from its wall, of a lean-to the whole', () => {
  const lengths = (job: Job) =>
    wallLengths({ ...job.blocks[1]!, outline: measurable(job, 1).map(([x, y]) => [x, y]) }).map(
      Math.round,
    );
  expect(lengths(winged)).toEqual([3000, 2500, 3000, 2500]);
  expect(lengths(withLeanTo(plain, 0, 0, ON))).toEqual([3000, 2500, 3000, 2500]);
  expect(measurable(plain, 0)).toBe(plain.blocks[0]!.outline);
});
