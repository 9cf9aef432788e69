import { v2, v3 } from '../../../geom';
import type { JobInput } from '../../../job';
import { fit, type Solution } from '../../../solve';
import { buildingInput, entriesOf, refusalOf, solvedInput } from '../../../tests/building';
import { unseenSpoilings } from '../../../tests/spoil-houses';
import { pitchRad } from '../../../units';

const TIE = { thickness: 38, depth: 140 };
const COMMON = 38;

const hipped = (
  pitch: string,
  turned: number,
  ties: JobInput['rafterTies'],
  timber: Partial<JobInput['timber']> = {},
  ends: readonly ['eave' | 'gable', 'eave' | 'gable'] = ['eave', 'eave'],
): JobInput => ({
  ...buildingInput({
    along: 9000,
    across: 5000,
    pitch,
    ends: [...ends],
    turned,
    timber: { rafterTie: TIE, plateWidth: 140, ...timber },
  }),
  rafterTies: ties,
});

const ofKind = ({ members }: Solution, kind: string) =>
  members.filter((member) => member.kind === kind);

const short = (solution: Solution) =>
  ofKind(solution, 'rafter-tie').filter(({ side }) => side === 1 || side === 3);

describe.each([
  ['6/12', 0],
  ['9/12', 0.8],
  ['40°', 2.3],
] as const)('short joists at hips’ ends, %s, turned %s', (pitch, turned) => {
  const solution = solvedInput(hipped(pitch, turned, { every: 1, atHips: 'short' }));
  const m = Math.tan(pitchRad(pitch));
  const { hap } = entriesOf(solution, 'common')[0]!.seat!;

  it('run square from the end wall to the last whole one', () => {
    const own = short(solution);
    expect(own.length).toBeGreaterThan(8);
    const whole = ofKind(solution, 'rafter-tie').filter(({ side }) => side === 0 || side === 2);
    for (const joist of own) {
      for (const tie of whole)
        expect(Math.abs(v3.dot(joist.frame.a, tie.frame.a))).toBeLessThan(1e-9);
      // The first pair stands half the span in from the end wall; its tie lies inside it.
      expect(joist.axis.runMm).toBeCloseTo(2500 + COMMON / 2, 6);
    }
  });

  it('have one at each rafter of the end wall that the falling slopes leave room for', () => {
    const under = (run: number): number => hap + run * m - 184 / Math.cos(Math.atan(m));
    for (const side of [1, 3]) {
      const rafters = solution.members.filter(
        (member) => member.side === side && /jack|king/u.test(member.kind),
      );
      const own = short(solution).filter((joist) => joist.side === side);
      // From the corner, where the undersides of the long side's rafters come over its top.
      const far = TIE.thickness + COMMON / 2;
      const free = rafters.filter(({ frame }) => {
        const u = Math.min(
          ...solution.roof.blocks[0]!.sides.filter(({ index }) => index % 2 === 0).map(
            ({ start, inward }) => v2.dot(v2.sub(v3.inPlan(frame.origin), start), inward),
          ),
        );
        return under(u - far) > TIE.depth && under(u) > TIE.depth;
      });
      expect(own.length).toBeGreaterThanOrEqual(free.length);
      expect(own.length).toBeLessThanOrEqual(rafters.length);
    }
  });

  it('are proved, and every way of spoiling one is seen', () => {
    expect(fit(solution).problems).toEqual([]);
    expect(unseenSpoilings(solution, short(solution).slice(0, 4))).toEqual([]);
  });
});

describe.each([
  ['6/12', 0, 600],
  ['9/12', 0.8, 450],
] as const)('spacer blocks, %s, turned %s, ties at %s', (pitch, turned, spacing) => {
  const solution = solvedInput(
    hipped(pitch, turned, { every: 1, spacing, spacers: true }, {}, ['gable', 'gable']),
  );
  const blocks = ofKind(solution, 'spacer');

  it('fill the gaps of up to 60 mm between a rafter and the tie beside it, on both plates', () => {
    const along = solution.roof.blocks[0]!.sides[0]!.along;
    const at = ({ frame }: (typeof blocks)[number]): number =>
      v2.dot(v3.inPlan(frame.origin), along);
    const ties = ofKind(solution, 'rafter-tie').map(at);
    const gaps = ofKind(solution, 'common')
      .map((rafter) => Math.min(...ties.map((tie) => Math.abs(tie - at(rafter)))) - 38)
      .filter((gap) => gap > 0.5 && gap <= 60);
    expect(
      blocks.map(({ stock }) => Math.round(stock.thickness * 1e3)).sort((a, b) => a - b),
    ).toEqual(gaps.map((gap) => Math.round(gap * 1e3)).sort((a, b) => a - b));
  });

  it('are proved, and every way of spoiling one is seen', () => {
    expect(fit(solution).problems).toEqual([]);
    expect(unseenSpoilings(solution, blocks.slice(0, 3))).toEqual([]);
  });
});

describe.each([
  ['gable', 0],
  ['eave', 0.8],
] as const)('ceiling backing at ends that are %s, turned %s', (end, turned) => {
  const stock = { thickness: 38, depth: 89 };
  const solution = solvedInput(
    hipped('9/12', turned, { every: 1 }, { backing: stock }, [end, end]),
  );
  const boards = ofKind(solution, 'backing');

  it('lies flat on the end walls’ plates, 50 mm of it inside', () => {
    expect(new Set(boards.map(({ side }) => side))).toEqual(new Set([1, 3]));
    for (const { frame, side } of boards) {
      const { start, inward, plateMm } = solution.roof.blocks[0]!.sides[side!]!;
      const inside = v2.dot(v2.sub(v3.inPlan(frame.origin), start), inward);
      expect(inside + stock.depth / 2).toBeCloseTo(140 + 50, 6);
      expect(frame.origin[2] - stock.thickness / 2).toBeCloseTo(plateMm, 6);
    }
    if (end === 'eave') expect(boards.length).toBeGreaterThan(8);
  });

  it('is proved, and every way of spoiling it is seen', () => {
    expect(fit(solution).problems).toEqual([]);
    expect(unseenSpoilings(solution, boards.slice(0, 3))).toEqual([]);
  });
});

it('backing that would not lie on its plate, or past it, is refused by its field', () => {
  for (const depth of [60, 200])
    expect(
      refusalOf(hipped('9/12', 0, { every: 1 }, { backing: { thickness: 38, depth } })),
    ).toMatch(/^timber\.backing\.depth: /u);
});

describe.each([
  [400, '6/12', 140],
  [600, '9/12', 140],
  [600, '35°', 195],
] as const)(
  'whole ties between opposite hip jacks, at %s mm, %s, %s deep',
  (spacing, pitch, depth) => {
    const [along, across] = [10_000, 6000];
    const input: JobInput = {
      ...buildingInput({
        along,
        across,
        pitch,
        timber: { rafterTie: { thickness: 38, depth } },
        framing: { spacing },
      }),
      rafterTies: { every: 1, atHips: 'long' },
    };
    const solution = solvedInput(input);
    const jackTies = solution.members.filter(({ id }) => id.endsWith('.long'));

    it('lie from wall to wall beside their jacks, as far as the end’s slope leaves them room', () => {
      expect(fit(solution).problems).toEqual([]);
      expect(jackTies.length).toBeGreaterThan(3);
      const m = Math.tan(pitchRad(pitch));
      const { hapMm } = solution.roof.blocks[0]!.sides[0]!;
      const plumb = 184 / Math.cos(Math.atan(m));
      const jacks = solution.members.filter(({ kind, side }) => kind === 'hip-jack' && side === 0);
      // Over a tie so far in from the end wall, the undersides of the end's rafters.
      const under = (x: number): number => hapMm + m * Math.min(x, along - x) - plumb;
      for (const { frame, axis } of jackTies) {
        expect(axis.runMm).toBeCloseTo(across, 6);
        expect(under(frame.origin[0])).toBeGreaterThan(depth);
        expect(
          jacks.some(
            (jack) => Math.abs(Math.abs(jack.frame.origin[0] - frame.origin[0]) - 38) < 1e-6,
          ),
        ).toBe(true);
      }
      const tied = jackTies.map(({ frame }) => frame.origin[0]);
      for (const jack of jacks) {
        const x = jack.frame.origin[0];
        if (under(x) > depth + 40 * m + 1)
          expect(tied.some((at) => Math.abs(Math.abs(at - x) - 38) < 1e-6)).toBe(true);
      }
    });

    it('each that is moved or gone is missed', () => {
      expect(unseenSpoilings(solution, jackTies)).toEqual([]);
    });

    it('go with short ones past the last of them', () => {
      const both = solvedInput({ ...input, rafterTies: { every: 1, atHips: 'both' } });
      expect(fit(both).problems).toEqual([]);
      const short = both.members.filter(({ id }) => id.endsWith('.short'));
      expect(short.length).toBeGreaterThan(0);
      const first = Math.min(...jackTies.map(({ frame }) => frame.origin[0]));
      for (const { axis } of short) expect(axis.runMm).toBeLessThan(first);
    });
  },
);
