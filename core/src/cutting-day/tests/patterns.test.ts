import { buildingInput, solvedInput } from '../../tests/building';
import { framedHouses } from '../../tests/asked';
import { patternsOf, type Pattern } from '..';
import { layWords } from '../../wording';

const { cuts } = solvedInput(
  buildingInput({ along: 9000, across: 6000, pitch: '9/12', framing: { spacing: 600 } }),
);

const patternFor = (patterns: readonly Pattern[], mark: string) =>
  patterns.find(({ lines }) => lines.some((line) => line.mark === mark));

it('a hip’s jacks are one pattern, stepped by the spacing over the cosine', () => {
  const jack = cuts.members.find(({ kind }) => kind === 'hip-jack')!;
  const pattern = patternFor(patternsOf(cuts.members), jack.mark)!;
  expect(pattern.lines.length).toBeGreaterThan(3);
  expect(pattern.step).toBeCloseTo(600 * 1.25, 6);
  expect(pattern.hands).toEqual(['left', 'right']);
  for (const [i, { shorter }] of pattern.lines.entries()) expect(shorter).toBeCloseTo(750 * i, 6);
});

it('all that shares a pattern is the pattern with a length taken out', () => {
  for (const solution of [{ cuts }, ...framedHouses(28, 612)])
    for (const { mark, lines } of patternsOf(solution.cuts.members)) {
      const of = (name: string) => solution.cuts.members.find((one) => one.mark === name)!;
      for (const { mark: name, shorter } of lines) {
        const [one, other] = [of(mark), of(name)];
        expect(one.length.longPoint - other.length.longPoint).toBeCloseTo(shorter, 9);
        expect(one.length.shortPoint - other.length.shortPoint).toBeCloseTo(shorter, 0);
        expect(other.kind).toBe(one.kind);
        expect(other.seat?.plumbDepth ?? 0).toBeCloseTo(one.seat?.plumbDepth ?? 0, 0);
      }
    }
});

it('one piece alone wants no pattern', () => {
  for (const { pieces } of patternsOf(cuts.members)) expect(pieces).toBeGreaterThan(1);
  const ridge = cuts.members.find(({ kind }) => kind === 'ridge')!;
  expect(ridge.count).toBe(1);
  expect(patternFor(patternsOf(cuts.members), ridge.mark)).toBeUndefined();
});

it('tells of each pattern the cuts that it has, and no others', () => {
  const house = solvedInput({
    ...buildingInput({ along: 9000, across: 7000, pitch: '8/12', ends: ['gable', 'gable'] }),
    openings: [
      {
        name: 'hatch',
        block: 'main',
        side: 0,
        along: [3000, 4600],
        up: [1200, 2200],
        clearance: 0,
      },
    ],
  });
  const words = (kind: string): string =>
    layWords(house.cuts.members.find((entry) => entry.kind === kind)!);
  expect(words('common')).toContain('trace seat, heel and tail.');
  expect(words('header')).toContain('with its lower end even');
  expect(words('header')).toMatch(/trace lower end\.$/u);
});
