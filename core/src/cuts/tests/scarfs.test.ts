import { v3 } from '../../geom';
import type { JobInput } from '../../job';
import { isRafter } from '../../kinds';
import { fit } from '../../solve';
import { buildingInput, problemsOf, solvedInput } from '../../tests/building';

const DEG = 180 / Math.PI;
const [ALONG, ACROSS] = [12_000, 6000];

const inputOf = (longest: number | null, scarf?: 3 | 5): JobInput => {
  const long = longest === null ? {} : { longest };
  const input = buildingInput({
    along: ALONG,
    across: ACROSS,
    pitch: '35°',
    ends: ['gable', 'gable'],
    timber: {
      ridge: { thickness: 38, depth: 235, ...long },
      purlin: { thickness: 75, depth: 150, ...long },
    },
    framing: { ...(scarf && { scarf }) },
  });
  return { ...input, purlins: [{ block: 'main', side: 0, at: 0.5, set: 'canted' }] };
};

const CASES = [
  [5000, undefined, 3],
  [6500, 3, 3],
  [7000, 5, 5],
  [4200, 5, 5],
] as const;

describe.each(CASES)('boards of %d at most, scarf %s', (longest, given, times) => {
  const solution = solvedInput(inputOf(longest, given));
  const rafters = solution.members.filter(isRafter).map(({ frame }) => frame.origin[0]);

  it.each(['ridge', 'purlin'] as const)(
    'a %s in as few lengths as reach, each joint over a rafter',
    (kind) => {
      const parts = solution.members.filter((member) => member.kind === kind);
      const { depth } = parts[0]!.stock;
      const entries = solution.cuts.members.filter((entry) => entry.kind === kind);
      // Every joint is sawn out of two boards, so that it counts twice.
      const least = Math.ceil((ALONG - times * depth) / (longest - times * depth));
      expect(parts.length).toBeGreaterThanOrEqual(least);
      expect(parts.length).toBeLessThanOrEqual(least + 1);
      for (const { length } of entries) expect(length.blank).toBeLessThanOrEqual(longest);
      const theory = entries.reduce((sum, { length, count }) => sum + count * length.theory, 0);
      expect(theory).toBeCloseTo(ALONG, 6);
      const wood = entries.reduce((sum, { length, count }) => sum + count * length.blank, 0);
      expect(wood).toBeCloseTo(ALONG + (parts.length - 1) * times * depth, 6);
      for (const part of parts.slice(1)) {
        const joint = part.frame.origin[0];
        expect(Math.min(...rafters.map((x) => Math.abs(x - joint)))).toBeLessThan(1e-6);
      }
      const scarfs = entries.flatMap(({ cuts }) => cuts.filter(({ name }) => name === 'scarf'));
      expect(scarfs.length).toBeGreaterThan(0);
      for (const { faceAngle, faceTilt } of scarfs) {
        expect(faceAngle).toBeCloseTo(DEG * Math.atan(times), 6);
        expect(faceTilt).toBeCloseTo(0, 6);
      }
    },
  );

  it('the halves of a joint lie face to face, and the frame holds', () => {
    expect(fit(solution).problems).toEqual([]);
    for (const member of solution.members)
      for (const { name, meets, keep } of member.ends) {
        if (name !== 'scarf') continue;
        const other = solution.members.find(({ id }) => id === meets)!;
        const across = other.ends.find((end) => end.meets === member.id)!;
        expect(v3.dot(keep.normal, across.keep.normal)).toBeCloseTo(-1, 9);
        expect(keep.offset).toBeCloseTo(-across.keep.offset, 6);
      }
  });
});

describe('timber that can be had as long as it is wanted, or not', () => {
  it('is in one length where it reaches', () => {
    const whole = solvedInput(inputOf(null)).members.map(({ id }) => id);
    expect(solvedInput(inputOf(ALONG)).members.map(({ id }) => id)).toEqual(whole);
  });

  it('is refused, by its field, where its lengths cannot meet over a rafter', () => {
    expect(problemsOf(inputOf(700)).map(({ path }) => path)).toEqual([
      'timber.ridge.longest',
      'timber.purlin.longest',
    ]);
  });

  it('says which other pieces are longer than their timber', () => {
    const input = inputOf(null);
    const { cuts } = solvedInput({
      ...input,
      timber: { ...input.timber, common: { thickness: 38, depth: 184, longest: 3000 } },
    });
    const said = cuts.notes.filter(({ code }) => code === 'past-longest');
    const commons = cuts.members.filter(({ kind }) => kind === 'common');
    expect(said.map(({ member }) => member)).toEqual(commons.map(({ mark }) => mark));
  });
});
