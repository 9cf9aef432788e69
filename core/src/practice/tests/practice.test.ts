import fc from 'fast-check';
import { EXERCISES, exerciseOf, type ExerciseKind } from '..';
import type { Job } from '../../job';
import { parseLengthSum } from '../../units';

const METRIC: Job['display'] = { units: 'metric', fraction: 16, pitch: 'degrees', terms: 'uk' };
const IMPERIAL: Job['display'] = { units: 'imperial', fraction: 16, pitch: 'in12', terms: 'us' };

const seeds = fc.integer({ min: 0, max: 2 ** 31 });
const rightOf = (kind: ExerciseKind, seed: number, display = METRIC) => {
  const exercise = exerciseOf(kind, seed, display);
  return { exercise, right: exercise.answers.find(({ right }) => right)!.label };
};

it.each(EXERCISES)('%s: one answer is right, no two read alike, each has its reason', (kind) => {
  fc.assert(
    fc.property(seeds, fc.boolean(), (seed, metric) => {
      const { question, answers } = exerciseOf(kind, seed, metric ? METRIC : IMPERIAL);
      expect(question).not.toMatch(/undefined|NaN/u);
      expect(answers.filter(({ right }) => right)).toHaveLength(1);
      expect(answers.length).toBeGreaterThan(1);
      expect(new Set(answers.map(({ label }) => label)).size).toBe(answers.length);
      for (const { label, why } of answers) {
        expect(label).not.toMatch(/undefined|NaN/u);
        expect(why.length).toBeGreaterThan(10);
      }
    }),
    { seed: 3, numRuns: 12 },
  );
});

it.each(EXERCISES)('%s: the same number draws the same, others draw others', (kind) => {
  expect(exerciseOf(kind, 7, METRIC)).toEqual(exerciseOf(kind, 7, METRIC));
  const drawn = new Set(
    Array.from({ length: 12 }, (_, i) => JSON.stringify(exerciseOf(kind, i, METRIC))),
  );
  expect(drawn.size).toBeGreaterThan(3);
});

it('the sum is the sum of what the question reads', () => {
  for (const display of [METRIC, IMPERIAL])
    for (let seed = 0; seed < 40; seed += 1) {
      const { exercise, right } = rightOf('adding', seed, display);
      const [, first = '', second = ''] = /at (.+)\. The next mark is (.+) further/u.exec(
        exercise.question,
      )!;
      const mm = (text: string): number => {
        const read = parseLengthSum(text, display.units === 'metric' ? 'mm' : 'in');
        if (!read.ok) throw new Error(read.text);
        return read.mm;
      };
      expect(mm(first) + mm(second)).toBeCloseTo(mm(right), 6);
    }
});

it('the slope of a square is the tangent of what is held', () => {
  for (let seed = 0; seed < 20; seed += 1) {
    const { exercise, right } = rightOf('square', seed);
    const rise = Number(/held at (\d+) on/u.exec(exercise.question)![1]);
    expect(Number.parseFloat(right)).toBeCloseTo((Math.atan2(rise, 12) * 180) / Math.PI, 1);
  }
});

it('17 is for hips, 12 for all that run square to a wall', () => {
  const found = new Set<string>();
  for (let seed = 0; seed < 30; seed += 1) {
    const { exercise, right } = rightOf('seventeen', seed);
    const hip = / is a hip(?! jack)/u.test(exercise.question);
    expect(right).toBe(hip ? '17' : '12');
    found.add(right);
  }
  expect(found).toEqual(new Set(['12', '17']));
});

it('the hand and the long point are those of the board as it is drawn, now this, now that', () => {
  const found = new Set<string>();
  for (let seed = 0; seed < 30; seed += 1) {
    const { exercise, right } = rightOf('hand', seed);
    const { drawing, mirrored } = exercise.board!;
    const own = drawing.hand === 'left' ? 'A left one' : 'A right one';
    const other = drawing.hand === 'left' ? 'A right one' : 'A left one';
    expect(right).toBe(mirrored ? other : own);
    const top = (loops: typeof drawing.left) => Math.min(...loops.flat().map(([x]) => x));
    const point = rightOf('long-point', seed);
    const asked = point.exercise.board!;
    const [above, below] = asked.mirrored
      ? [asked.drawing.right, asked.drawing.left]
      : [asked.drawing.left, asked.drawing.right];
    expect(point.right.includes('left')).toBe(top(above) < top(below));
    found.add(right).add(point.right);
  }
  expect(found.size).toBe(4);
});
