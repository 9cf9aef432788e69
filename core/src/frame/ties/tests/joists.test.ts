import { pathText } from '../../../problem';
import type { JobInput } from '../../../job';
import { fit, type Solution } from '../../../solve';
import { buildingInput, problemsOf, solvedInput } from '../../../tests/building';

const [ALONG, ACROSS, RAFTER, JOIST] = [9600, 6000, 38, 45];

const inputOf = (ties: NonNullable<JobInput['rafterTies']>, spacing: number): JobInput => ({
  ...buildingInput({
    along: ALONG,
    across: ACROSS,
    pitch: '35°',
    ends: ['gable', 'gable'],
    timber: { rafterTie: { thickness: JOIST, depth: 120 } },
    framing: { spacing },
  }),
  rafterTies: ties,
});

const joists = ({ cuts }: Solution) => cuts.members.filter(({ kind }) => kind === 'rafter-tie');
const notes = ({ cuts }: Solution, code: string) => cuts.notes.filter((note) => note.code === code);

/** Where each joist stands along the building, from its west wall, in order. */
const standing = ({ members }: Solution): number[] =>
  members
    .filter(({ kind }) => kind === 'rafter-tie')
    .map(({ frame }) => frame.origin[0])
    .sort((p, q) => p - q);

describe('rafter ties lapped half-way', () => {
  it.each([100, 150, 400])(
    'by %d mm: half the span and the lap, two at every pair inside the gables',
    (lap) => {
      const solution = solvedInput(inputOf({ every: 1, lap }, 600));
      const [entry, ...others] = joists(solution);
      expect(others).toEqual([]);
      expect(entry!.length.body).toBeCloseTo(ACROSS / 2 + lap, 6);
      expect(entry!.length.theory).toBeCloseTo(ACROSS / 2 + lap, 6);
      // Beside a gable's own pair there is no inside for the second.
      expect(entry!.count).toBe(2 * (ALONG / 600 - 1));
      const apart = standing(solution).slice(0, 2);
      expect(apart[1]! - apart[0]!).toBeCloseTo(RAFTER + JOIST, 6);
      expect(notes(solution, 'joists-lapped')).toHaveLength(1);
      expect(fit(solution).problems).toEqual([]);
    },
  );

  it('is seen by the proof when one half is too short, or gone', () => {
    const solution = solvedInput(inputOf({ every: 1, lap: 150 }, 600));
    const one = solution.members.find(({ kind }) => kind === 'rafter-tie')!;
    const short = {
      ...one,
      ends: one.ends.map((end) =>
        end.at === 'top' ? { ...end, keep: { ...end.keep, offset: end.keep.offset - 20 } } : end,
      ),
    };
    const without = solution.members.filter((member) => member !== one);
    for (const members of [[...without, short], without])
      expect(fit({ ...solution, members }).problems.length).toBeGreaterThan(0);
  });
});

describe('joists at a spacing of their own', () => {
  it('400 under rafters at 600: flat on every second rafter, on centres between', () => {
    const solution = solvedInput(inputOf({ every: 1, spacing: 400 }, 600));
    const flat = (RAFTER + JOIST) / 2;
    const inside = Array.from({ length: ALONG / 600 - 1 }, (_, i) => 600 * (i + 1));
    // Beside the rafter on 600, and every 400 from it both ways.
    const start = 600 + flat - 400;
    const rafters = [RAFTER / 2, ...inside, ALONG - RAFTER / 2];
    const wanted = Array.from({ length: 24 }, (_, k) => start + 400 * k)
      .filter((at) => at <= ALONG - RAFTER / 2)
      .map((at) => {
        const met = rafters.find((x) => Math.abs(x - at) < flat);
        return met === undefined ? at : met + (at < met ? -flat : flat);
      });
    expect(standing(solution).map((mm) => mm.toFixed(4))).toEqual(
      wanted.map((mm) => mm.toFixed(4)),
    );
    const against = rafters.filter((x) =>
      wanted.some((at) => Math.abs(Math.abs(at - x) - flat) < 1e-6),
    ).length;
    expect(notes(solution, 'joists-meet')[0]!.text).toContain(
      `${2 * against} of ${2 * rafters.length}`,
    );
    expect(against).toBe(8);
    expect(notes(solution, 'pairs-untied')).toEqual([]);
    expect(fit(solution).problems).toEqual([]);
  });

  it.each([
    ['gables', 406.4],
    ['gables', 600],
    ['hips', 406.4],
  ] as const)(
    'from the wall between %s, %s mm: boards that start there break on them',
    (ends, spacing) => {
      const plate = 140;
      const end = ends === 'gables' ? 'gable' : 'eave';
      const base = inputOf({ every: 1, spacing, from: 'wall' }, 610);
      const solution = solvedInput({
        ...base,
        blocks: buildingInput({ along: ALONG, across: ACROSS, pitch: '35°', ends: [end, end] })
          .blocks,
      });
      expect(fit(solution).problems).toEqual([]);
      expect(solution.withheld).toEqual([]);
      const flat = (RAFTER + JOIST) / 2;
      const rafters = solution.members.filter(({ kind, side }) => kind === 'common' && side === 0);
      const offs = standing(solution).map((x) => {
        // From the inside of the end wall that they are counted from.
        const away = x - plate;
        return { x, off: Math.abs(away - Math.round(away / spacing) * spacing) };
      });
      expect(offs.length).toBeGreaterThan(5);
      const onBoards = offs.filter(({ off }) => off < 1e-6);
      // What is off its centre lies flat on the rafter that stands in it.
      for (const { x, off } of offs)
        if (off > 1e-6)
          expect(
            rafters.some(({ frame }) => Math.abs(Math.abs(frame.origin[0] - x) - flat) < 1e-6),
          ).toBe(true);
      expect(onBoards.length).toBeGreaterThan(0.6 * offs.length);
      // Counted from the rafters they break elsewhere.
      const other = solvedInput({ ...base, rafterTies: { every: 1, spacing } });
      expect(standing(other)).not.toEqual(standing(solution));
      const [, , moved] = solution.members.filter(({ kind }) => kind === 'rafter-tie');
      const aside = solution.members.map((one) =>
        one === moved
          ? {
              ...one,
              frame: {
                ...one.frame,
                origin: [
                  one.frame.origin[0] + 12,
                  one.frame.origin[1],
                  one.frame.origin[2],
                ] as const,
              },
            }
          : one,
      );
      expect(fit({ ...solution, members: aside }).problems.length).toBeGreaterThan(0);
    },
  );

  it('lies on both walls where it lies on no rafter, and is missed when it is gone or moved', () => {
    const solution = solvedInput(inputOf({ every: 1, spacing: 450 }, 800));
    const [first, ...rest] = solution.members.filter(({ kind }) => kind === 'rafter-tie');
    for (const { length } of joists(solution)) expect(length.body).toBeCloseTo(ACROSS, 6);
    const middle = rest[5]!;
    const moved = {
      ...middle,
      frame: {
        ...middle.frame,
        origin: [
          middle.frame.origin[0] + 20,
          middle.frame.origin[1],
          middle.frame.origin[2],
        ] as const,
      },
    };
    const without = solution.members.filter((member) => member !== middle);
    expect(first).toBeDefined();
    for (const members of [without, [...without, moved]])
      expect(fit({ ...solution, members }).problems.length).toBeGreaterThan(0);
  });

  it('in two lengths, side by side where no rafter stands between', () => {
    const solution = solvedInput(inputOf({ every: 1, spacing: 500, lap: 200 }, 600));
    for (const { length } of joists(solution)) expect(length.body).toBeCloseTo(ACROSS / 2 + 200, 6);
    expect(fit(solution).problems).toEqual([]);
  });
});

describe('a joist that would stand in an opening’s trimmers', () => {
  const opening = { name: 'w', block: 'main', side: 0, up: [600, 1800], doubled: true } as const;
  /** Along the wall, places of an opening one of whose trimmers some joist falls in. */
  const solutions = [4000, 4100, 4200, 4300, 4400].map((from) =>
    solvedInput({
      ...inputOf({ every: 1, spacing: 400 }, 600),
      openings: [{ ...opening, along: [from, from + 800], up: [600, 1800] }],
    }),
  );
  const slid = solutions.filter((solution) => notes(solution, 'joists-slid').length > 0);

  const beside = ({ members }: Solution) =>
    members.filter(
      (joist) =>
        joist.kind === 'rafter-tie' &&
        members.some(
          ({ kind, frame }) =>
            kind === 'trimmer' &&
            Math.abs(Math.abs(frame.origin[0] - joist.frame.origin[0]) - (RAFTER + JOIST) / 2) <
              1e-6,
        ),
    );

  it('lies flat beside them, and that is said', () => {
    expect(slid.length).toBeGreaterThan(0);
    for (const solution of slid) {
      expect(fit(solution).problems).toEqual([]);
      expect(beside(solution).length).toBeGreaterThan(0);
    }
  });
});

describe('rafter ties that cannot be', () => {
  it.each([
    // Half the span, less the plate.
    [{ every: 1, lap: 2859 }, []],
    [{ every: 1, lap: 2860 }, ['rafterTies.lap']],
    [{ every: 1, spacing: 20 }, ['rafterTies.spacing']],
    [{ every: 1, lap: -1 }, ['rafterTies.lap']],
  ] as const)('%j', (ties, paths) => {
    expect(problemsOf(inputOf(ties, 600)).map(({ path }) => pathText(path))).toEqual(paths);
  });
});
