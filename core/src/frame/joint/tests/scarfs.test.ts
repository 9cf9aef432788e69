import { pathText } from '../../../problem';
import { solidOf, type Member, type Notch } from '../..';
import { v3, volume } from '../../../geom';
import type { JobInput } from '../../../job';
import { isRafter, listedKind } from '../../../kinds';
import { fit } from '../../../solve';
import { buildingInput, problemsOf, solvedInput } from '../../../tests/building';
import { sawHouse } from '../../../tests/saw-house';

const DEG = 180 / Math.PI;

const woodOf = (member: Member): number =>
  solidOf(member).reduce((sum, piece) => sum + volume(piece), 0);

const deeper = ({ seat, ...slot }: Notch, mm: number): Notch => ({
  ...slot,
  seat: { ...seat, keep: { ...seat.keep, offset: seat.keep.offset - mm } },
});

/** Every sawn face of a piece. */
const facesOf = ({ ends, notches }: Member) => [
  ...ends,
  ...notches.flatMap(({ seat, heels }) => [seat, ...heels]),
];
const [ALONG, ACROSS] = [12_000, 6000];

type Ends = 'feathered' | 'square' | 'keyed';

const inputOf = (longest: number | null, scarf?: 3 | 5, scarfEnds?: Ends): JobInput => {
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
    framing: { ...(scarf && { scarf }), ...(scarfEnds && { scarfEnds }) },
  });
  return { ...input, purlins: [{ block: 'main', side: 0, at: 0.5, set: 'canted' }] };
};

const CASES = [
  [5000, undefined, 3, undefined],
  [6500, 3, 3, 'feathered'],
  [7000, 5, 5, 'square'],
  [4200, 5, 5, undefined],
  [5000, 3, 3, 'square'],
  [5000, 3, 3, 'keyed'],
] as const;

describe.each(CASES)('boards of %d at most, scarf %s, %s, %s', (longest, given, times, ends) => {
  const solution = solvedInput(inputOf(longest, given, ends));
  // A square abutment takes a sixth of the depth at each end.
  const fall = ends === 'square' || ends === 'keyed' ? 1 - 2 / 6 : 1;
  const rafters = solution.members.filter(isRafter).map(({ frame }) => frame.origin[0]);

  it.each(['ridge', 'purlin'] as const)(
    'a %s in as few lengths as reach, each joint over a rafter',
    (kind) => {
      const parts = solution.members.filter((member) => listedKind(member.kind) === kind);
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
        expect(faceAngle).toBeCloseTo(DEG * Math.atan(times / fall), 6);
        expect(faceTilt).toBeCloseTo(0, 6);
      }
    },
  );

  it('the halves of a joint lie face to face, and the frame holds', () => {
    expect(fit(solution).problems).toEqual([]);
    for (const member of solution.members)
      for (const { name, meets, keep } of facesOf(member)) {
        if (name !== 'scarf') continue;
        const other = solution.members.find(({ id }) => id === meets)!;
        const across = facesOf(other).find(
          (end) => end.meets === member.id && end.name === 'scarf',
        )!;
        expect(v3.dot(keep.normal, across.keep.normal)).toBeCloseTo(-1, 9);
        expect(keep.offset).toBeCloseTo(-across.keep.offset, 6);
      }
  });

  it('abutments, where they are wanted, stand square, a sixth of the depth, a scarf’s length apart', () => {
    for (const member of solution.members.filter(({ kind }) => kind === 'ridge')) {
      const { depth } = member.stock;
      for (const piece of member.notches.filter((one) => one.for === 'scarf')) {
        const abutment = member.ends.find(({ meets }) => meets === piece.seat.meets)!;
        const [heel] = piece.heels;
        expect(v3.dot(heel!.keep.normal, member.frame.a) ** 2).toBeCloseTo(1, 12);
        const apart = Math.abs(Math.abs(heel!.keep.offset) - Math.abs(abutment.keep.offset));
        expect(apart).toBeCloseTo(times * depth, 6);
        const notched = { ...member, ends: [], bevels: [], notches: [piece] };
        // What the notch takes at its abutment, square to the edge.
        const taken = solidOf(notched)
          .flatMap((faces) => faces.filter(({ tag }) => tag === heel))
          .flatMap(({ points }) => points.map(([, , e]) => e));
        expect(Math.max(...taken) - Math.min(...taken)).toBeCloseTo(depth / 6, 6);
      }
      expect(member.notches.filter((one) => one.for === 'scarf').length).toBe(
        fall < 1 ? member.ends.filter(({ name }) => name === 'abutment').length : 0,
      );
    }
  });
});

describe('a keyed scarf', () => {
  const solution = solvedInput(inputOf(5000, 3, 'keyed'));
  const ridges = solution.members.filter(({ kind }) => kind === 'ridge');
  const slotOf = (member: Member) => member.notches.find((one) => one.for === 'slot')!;

  it('has a slot of a third of the depth, as long, in the middle of each joint', () => {
    expect(ridges.length).toBeGreaterThan(2);
    for (const member of ridges) {
      const { depth, thickness } = member.stock;
      for (const slot of member.notches.filter((one) => one.for === 'slot')) {
        const [low, high] = slot.heels.map(({ keep }) => keep.offset * keep.normal[0]);
        expect(Math.abs(high! - low!)).toBeCloseTo(depth / 3, 6);
        const without = { ...member, notches: member.notches.filter((one) => one !== slot) };
        // Half of it out of each half: a third of its half of the depth.
        const taken = woodOf(without) - woodOf(member);
        expect(taken).toBeCloseTo((thickness * (depth / 3) * (depth / 3)) / 2, 3);
      }
    }
    expect(solution.cuts.notes.map(({ code }) => code)).toContain('scarf-keyed');
  });

  it.each([
    ['left out', () => null],
    ['too deep', (slot: Notch) => deeper(slot, 3)],
    ['too shallow', (slot: Notch) => deeper(slot, -3)],
  ] as const)('a slot %s is found', (_, change) => {
    const [own] = ridges;
    const slot = slotOf(own!);
    const next = change(slot);
    const spoiled = {
      ...own!,
      notches: own!.notches.flatMap((one) => (one !== slot ? [one] : next === null ? [] : [next])),
    };
    const members = solution.members.map((one) => (one === own ? spoiled : one));
    expect(fit({ ...solution, members }).problems.length).toBeGreaterThan(0);
  });

  it('is sawn by its steps', () => {
    let most = 0;
    sawHouse(solution, (_, mm) => {
      most = Math.max(most, mm);
    });
    expect(most).toBeLessThan(1);
  });
});

describe('timber that can be had as long as it is wanted, or not', () => {
  it('is in one length where it reaches', () => {
    const whole = solvedInput(inputOf(null)).members.map(({ id }) => id);
    expect(solvedInput(inputOf(ALONG)).members.map(({ id }) => id)).toEqual(whole);
  });

  it('is refused, by its field, where its lengths cannot meet over a rafter', () => {
    expect(problemsOf(inputOf(700)).map(({ path }) => pathText(path))).toEqual([
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
