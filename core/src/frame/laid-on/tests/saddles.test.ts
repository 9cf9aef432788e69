import { planeAt } from '../../../geom';
import type { JobInput } from '../../../job';
import { fit, type Solution } from '../../../solve';
import { buildingInput, entriesOf, refusalOf, solvedInput } from '../../../tests/building';
import { unseenSpoilings } from '../../../tests/spoil-houses';
import { degrees, pitchRad } from '../../../units';

type SaddleInput = NonNullable<JobInput['saddles']>[number];

const house = (
  pitch: string,
  saddle: Partial<SaddleInput> = {},
  sheathing = 18,
  turned = 0,
): JobInput => ({
  ...buildingInput({
    along: 9000,
    across: 7000,
    pitch,
    ends: ['gable', 'gable'],
    turned,
    timber: { sheathing },
  }),
  saddles: [{ block: 'main', side: 0, along: [3000, 4200], at: 1500, ...saddle }],
});

const own = ({ members }: Solution, kind: string) =>
  members.filter((member) => member.block === 'saddle 1' && member.kind === kind);

describe.each([
  ['8/12', undefined, 18, 0, 1200],
  ['35°', '25°', 12, 0.8, 1500],
  ['6/12', '10/12', 0, 2.3, 900],
] as const)(
  'a saddle on %s, itself %s, under %s mm of sheathing',
  (pitch, self, sheathing, turned, wide) => {
    const saddle = { along: [3000, 3000 + wide] as [number, number], ...(self && { pitch: self }) };
    const solution = solvedInput(house(pitch, saddle, sheathing, turned));
    const [lower, upper] = [pitchRad(pitch), pitchRad(self ?? pitch)];
    const half = wide / 2 - sheathing;

    it('runs its ridge level into the slope: half its width by the two pitches', () => {
      const ridge = entriesOf(solution, 'ridge').find(({ block }) => block === 'saddle 1')!;
      expect(ridge.length.theory).toBeCloseTo((half * Math.tan(upper)) / Math.tan(lower), 6);
      expect(ridge.cuts.find(({ name }) => name === 'long cut')!.faceAngle).toBeCloseTo(
        90 - degrees(lower),
        6,
      );
    });

    it('has its two boards against the chimney, each to its hand', () => {
      const boards = entriesOf(solution, 'valley-jack').filter(({ block }) => block === 'saddle 1');
      const [longest] = [...boards].sort((p, q) => q.length.theory - p.length.theory);
      expect(longest!.count).toBe(2);
      expect(longest!.hands).toEqual({ left: 1, right: 1, plain: 0 });
      const foot = longest!.cuts.find(({ at }) => at === 'bottom')!;
      // The line at the complement of its own pitch, the saw tilted by that of the roof below.
      expect(foot.faceAngle).toBeCloseTo(90 - degrees(upper), 6);
      expect(foot.faceTilt).toBeCloseTo(degrees(lower), 6);
      for (const { frame } of own(solution, 'valley-jack'))
        expect(planeAt(solution.roof.laid[0]!.deck, frame.origin)).toBeCloseTo(0, 6);
    });

    it('is proved, and every way of spoiling it is seen', () => {
      expect(fit(solution).problems).toEqual([]);
      expect(unseenSpoilings(solution, own(solution, 'valley-jack').slice(0, 2))).toEqual([]);
    });
  },
);

it.each([
  ['runs over the ridge', { at: 3400 }, /^saddles\.0/u],
  ['is too narrow', { along: [3000, 3150] }, /^saddles\.0\.along: .*at least 236/u],
  ['stands on no eave', { side: 1 }, /^saddles\.0\.side: /u],
  ['stands on no block', { block: 'barn' }, /^saddles\.0\.block: /u],
] as const)('one that %s is refused', (_, change, told) => {
  expect(refusalOf(house('8/12', change as Partial<SaddleInput>))).toMatch(told);
});

it('a saddle of lighter timber of its own closes like the others', () => {
  const stock = { thickness: 38, depth: 89 };
  const [light, plain] = [solvedInput(house('8/12', { stock })), solvedInput(house('8/12'))];
  const of = (solution: Solution) =>
    solution.members.filter(({ block }) => block === 'saddle 1').map((member) => member.stock);
  expect(of(light).length).toBe(of(plain).length);
  for (const one of of(light)) expect(one).toMatchObject(stock);
  for (const { stock: one } of light.members.filter(({ block }) => block === 'main'))
    expect(one.depth).not.toBe(89);
  expect(fit(light).problems).toEqual([]);
  expect(unseenSpoilings(light, own(light, 'valley-jack').slice(0, 2))).toEqual([]);
});
