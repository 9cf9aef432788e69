import fc from 'fast-check';
import { problemLine } from '../../../problem';
import { fit, solve } from '../../../solve';
import { oneBlock, tee } from '../../../tests/houses';
import {
  cornerAngles,
  readJob,
  resized,
  standingOn,
  withHeightAtWall,
  withLeanTo,
  withOutline,
  withoutBlock,
  withOverhang,
  withRidgeHeight,
  withSoffit,
  withStanding,
  withWallMoved,
  withWing,
  type Job,
} from '../..';

const closes = (job: Job): void => {
  const solution = solve(job);
  if (!solution.ok) throw new Error(solution.problems.map(problemLine).join('\n'));
  expect(fit(solution.value).problems).toEqual([]);
};

type Point = readonly [number, number];
const distance = (p: Point, q: Point): number => Math.hypot(q[0] - p[0], q[1] - p[1]);

/** How far apart the corners of two jobs' blocks are at most. mm */
const apart = (one: Job, other: Job): number =>
  Math.max(
    ...one.blocks.flatMap((block, b) =>
      block.outline.map((p, i) => distance(p, other.blocks[b]!.outline[i]!)),
    ),
  );

const plain = withoutBlock(tee(), 1);
const ON = { width: 3000, projection: 2500, fromCorner: 1200 };

it('takes every number that can be typed: the checks say what is wrong with it, not the edit', () => {
  for (const side of [0, 1, 2, 3]) {
    const wing = withWing(plain, 0, side, ON);
    const shed = withLeanTo(plain, 0, side, ON);
    for (const mm of [0, -1, 1e-9, 1e9, 1e200]) {
      const jobs = [wing, shed].flatMap((job) => [
        ...[0, 1].flatMap((index) => [
          resized(job, index, [mm, 6000]),
          resized(job, index, [9000, mm]),
        ]),
        ...(['width', 'projection', 'fromCorner'] as const).map((one) =>
          withStanding(job, 1, { ...ON, [one]: mm }),
        ),
        withOverhang(job, 0, mm),
        withSoffit(job, 0, mm, 'overhang'),
        withHeightAtWall(job, 1, 2, mm),
        withRidgeHeight(job, 0, mm),
      ]);
      // Read to the end, whatever is found.
      const read = jobs.map((job) => readJob(job));
      for (const one of read) if (!one.ok) expect(one.problems[0]?.path).not.toEqual([]);
      expect(readJob(resized(wing, 0, [Math.min(mm, 0), 6000])).ok).toBe(false);
    }
  }
});

describe('wings and lean-tos on a wall', () => {
  it('a wing stands where it was measured, on every wall, and closes', () => {
    for (const side of [0, 1, 2, 3]) {
      const job = withWing(plain, 0, side, ON);
      const { outline, sides } = job.blocks[1]!;
      expect(distance(outline[0]!, outline[1]!)).toBeCloseTo(3000, 9);
      expect(sides.map(({ roof }) => roof)).toEqual(['gable', 'eave', 'open', 'eave']);
      closes(job);
    }
  });

  it('a wing goes with its wall when the block under it changes', () => {
    for (const side of [0, 1, 2, 3]) {
      const job = withWing(plain, 0, side, ON);
      const wider = withOutline(job, 0, [
        [0, 0],
        [12000, 0],
        [12000, 7400],
        [0, 7400],
      ]);
      const anew = withWing({ ...wider, blocks: [wider.blocks[0]!] }, 0, side, ON);
      expect(apart(wider, anew)).toBeLessThan(1e-6);
      closes(wider);
    }
  });

  it.each([
    ['its start', 0, 3000],
    ['its end', 9000 - 3000, 3000],
    ['both', 0, 9000],
  ])(
    'a wing flush with %s of its wall stays so where that is measured anew',
    (_ends, from, width) => {
      const long = resized(plain, 0, [9000, 6000]);
      const wing = withWing(long, 0, 0, { width, projection: 2500, fromCorner: from });
      for (const mm of [-140, 12.7, 120]) {
        const longer = withOutline(wing, 0, [
          [0, 0],
          [9000 + mm, 0],
          [9000 + mm, 6000],
          [0, 6000],
        ]);
        for (const job of [
          longer,
          withWallMoved(wing, 0, 1, mm)!,
          withWallMoved(wing, 0, 3, mm)!,
        ]) {
          const { on } = standingOn(job, 1)!;
          const [start, end] = [from === 0, from + width === 9000];
          expect(on.width).toBeCloseTo(start && end ? width + mm : width, 6);
          expect(on.fromCorner).toBeCloseTo(start ? 0 : from + mm, 6);
          closes(job);
        }
      }
    },
  );

  it('a wing flush with its wall’s end keeps its own figures where the house is made another', () => {
    const long = resized(plain, 0, [9000, 6000]);
    const wing = withWing(long, 0, 0, { width: 3000, projection: 2500, fromCorner: 6000 });
    const job = resized(wing, 0, [11_000, 6000]);
    expect(standingOn(job, 1)!.on).toMatchObject({ width: 3000, fromCorner: 6000 });
    closes(job);
  });

  it('a part on a house that is measured out of square stands as it did, its flush side in line, and closes', () => {
    const off = fc.integer({ min: -60, max: 60 });
    const corner = fc.tuple(off, off);
    fc.assert(
      fc.property(
        fc.tuple(corner, corner, corner, corner),
        fc.constantFrom(0, 1400, 5000),
        fc.constantFrom(0, 2),
        fc.constantFrom(withWing, withLeanTo),
        (corners, fromCorner, side, add) => {
          const long = resized(plain, 0, [9000, 6000]);
          const before = add(long, 0, side, { width: 4000, projection: 1500, fromCorner });
          const job = withOutline(
            before,
            0,
            long.blocks[0]!.outline.map(([x, y], i) => [x + corners[i]![0], y + corners[i]![1]]),
          );
          const { outline } = job.blocks[0]!;
          const [start, end] = [outline[side]!, outline[(side + 1) % 4]!];
          const { on } = standingOn(job, 1)!;
          expect(on.width).toBeCloseTo(4000, 6);
          expect(on.fromCorner).toBeCloseTo(
            fromCorner === 5000 ? distance(start, end) - 4000 : fromCorner,
            6,
          );
          closes(job);
          if (fromCorner === 1400) return;
          // In line with the wall beside: no further off it than rounding.
          const beside = outline[(side + (fromCorner === 0 ? 3 : 2)) % 4]!;
          const at = fromCorner === 0 ? start : end;
          for (const p of fromCorner === 0 ? [0, 3] : [1, 2]) {
            const [x, y] = job.blocks[1]!.outline[p]!;
            const cross = (x - at[0]) * (beside[1] - at[1]) - (y - at[1]) * (beside[0] - at[0]);
            expect(Math.abs(cross) / distance(at, beside)).toBeLessThan(1e-6);
          }
        },
      ),
      { numRuns: 40 },
    );
  }, 60_000);

  it('a lean-to leans on its wall, and closes', () => {
    const job = withLeanTo(plain, 0, 2, { width: 3000, projection: 1800, fromCorner: 800 });
    expect(job.blocks[1]).toMatchObject({ id: 'lean-to', plate: -1500 });
    closes(job);
    expect(withoutBlock(job, 1).blocks).toHaveLength(1);
    expect(withoutBlock(job, 0)).toBe(job);
  });
});

describe('a part on its wall, read back and changed', () => {
  it('stands where it was added, on every wall', () => {
    for (const side of [0, 1, 2, 3]) {
      const { host, side: on, on: at, depth } = standingOn(withWing(plain, 0, side, ON), 1)!;
      expect([host, on]).toEqual([0, side]);
      expect(at.width).toBeCloseTo(ON.width, 6);
      expect(at.projection).toBeCloseTo(ON.projection, 6);
      expect(at.fromCorner).toBeCloseTo(ON.fromCorner, 6);
      expect(depth).toBeGreaterThan(1000);
    }
    expect(standingOn(withLeanTo(plain, 0, 2, ON), 1)).toMatchObject({ side: 2 });
  });

  it('changed, it is as if it had been added so', () => {
    const other = { width: 3400, projection: 1900, fromCorner: 2050 };
    for (const side of [0, 1, 2, 3]) {
      const changed = withStanding(withWing(plain, 0, side, ON), 1, other);
      expect(apart(changed, withWing(plain, 0, side, other))).toBeLessThan(1e-6);
      closes(changed);
    }
  });

  it('a part of any other shape or place stands on nothing, and is left alone', () => {
    const job = withWing(plain, 0, 0, ON);
    const [main, wing] = [job.blocks[0]!, job.blocks[1]!];
    const skewed: Point[] = wing.outline.map(([x, y], i) => (i === 0 ? [x + 50, y] : [x, y]));
    const odd: Job = {
      ...job,
      blocks: [main, { ...wing, outline: skewed.map(([x, y]) => [x, y]) }],
    };
    expect(standingOn(odd, 1)).toBeNull();
    expect(withStanding(odd, 1, ON)).toBe(odd);
    expect(standingOn(job, 0)).toBeNull();
  });
});

describe('a wall moved', () => {
  const skew: [number, number][] = [
    [0, 0],
    [9000, 0],
    [9600, 6000],
    [-400, 6000],
  ];
  const oblique = oneBlock(skew, ['8/12', '8/12', '8/12', '8/12']);

  it('keeps every angle, and comes back when moved back', () => {
    for (const side of [0, 1, 2, 3]) {
      const moved = withWallMoved(oblique, 0, side, 450)!;
      const angles = (job: Job) => cornerAngles(job.blocks[0]!.outline).map(({ deg }) => deg);
      for (const [i, deg] of angles(moved).entries())
        expect(deg).toBeCloseTo(angles(oblique)[i]!, 9);
      expect(apart(moved, oblique)).toBeGreaterThan(449);
      expect(apart(withWallMoved(moved, 0, side, -450)!, oblique)).toBeLessThan(1e-6);
      closes(moved);
    }
  });

  it('takes the wing that stands on it along, and leaves one on another wall where it is', () => {
    const job = withWing(plain, 0, 0, ON);
    const far = (of: Job) => of.blocks[1]!.outline.slice(0, 2);
    const along = withWallMoved(job, 0, 0, 300)!;
    for (const [i, p] of far(along).entries())
      expect(distance(p, far(job)[i]!)).toBeCloseTo(300, 6);
    const left = withWallMoved(job, 0, 3, 300)!;
    for (const [i, p] of far(left).entries()) expect(distance(p, far(job)[i]!)).toBeCloseTo(0, 6);
    closes(along);
    closes(left);
  });

  it('is not moved past the wall across from it', () => {
    expect(withWallMoved(plain, 0, 0, -50_000)).toBeNull();
  });
});
