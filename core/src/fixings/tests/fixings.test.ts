import { pathText } from '../../problem';
import { fixingsOf, type FixedPlace } from '..';
import type { JobInput } from '../../job';
import type { Place } from '../../places';
import type { Solution } from '../../solve';
import { buildingInput, problemsOf, solvedInput } from '../../tests/building';
import { framedHouses } from '../../tests/asked';

const TIE = { thickness: 38, depth: 140 };
const barnInput = buildingInput({
  timber: { rafterTie: TIE, collarTie: TIE },
  along: 9600,
  across: 7000,
  pitch: '9/12',
  ends: ['gable', 'gable'],
});
const barn = (more: Partial<JobInput> = {}): Solution => solvedInput({ ...barnInput, ...more });

const at = (solution: Solution, place: Place): FixedPlace | undefined =>
  fixingsOf(solution).places.find((one) => one.place === place);

const kinds = ({ members }: Solution, kind: string): number =>
  members.filter((one) => one.kind === kind).length;

it('counts a plain barn by hand', () => {
  const solution = barn({
    collarTies: { bottom: 1800, every: 2 },
    rafterTies: { every: 1 },
  });
  const rafters = kinds(solution, 'common');
  expect(at(solution, 'seat')).toMatchObject({
    places: rafters,
    fixing: 'tie-down',
    count: rafters,
  });
  expect(at(solution, 'rafter-at-ridge')).toMatchObject({ places: rafters, count: 3 * rafters });
  expect(at(solution, 'fascia-at-tail')).toMatchObject({ places: rafters });
  const ties = kinds(solution, 'rafter-tie');
  expect(at(solution, 'tie-end')).toMatchObject({
    places: 2 * ties,
    fixing: 'screw',
    count: 6 * ties,
  });
  expect(at(solution, 'tie-on-plate')).toMatchObject({ places: 2 * ties });
  expect(at(solution, 'collar-end')).toMatchObject({ places: 2 * kinds(solution, 'collar-tie') });
  // Two walls of 9.6 m at 600 mm: sixteen spaces, seventeen screws each.
  expect(at(solution, 'plate-on-wall')).toMatchObject({ places: 2, lengthMm: 19_200, count: 34 });
  expect(at(solution, 'rafter-at-line')).toBeUndefined();
});

it('counts the plates under gable studs too, from eave’s plate to eave’s plate', () => {
  const solution = barn({
    timber: { ...barnInput.timber, gableStud: { thickness: 38, depth: 89 } },
  });
  const width = solution.job.timber.plateWidth ?? 100;
  const plates = at(solution, 'plate-on-wall')!;
  expect(plates.places).toBe(4);
  expect(plates.lengthMm).toBeCloseTo(2 * 9600 + 2 * (7000 - 2 * width), 6);
});

it('adds up each fixing over its places', () => {
  for (const solution of framedHouses(28, 311)) {
    const { places, totals } = fixingsOf(solution);
    for (const { fixing, count } of totals)
      expect(count).toBe(
        places.filter((one) => one.fixing === fixing).reduce((sum, one) => sum + one.count, 0),
      );
    const seated = solution.members.flatMap(({ notches }) =>
      notches.filter((notch) => notch.for === 'plate'),
    );
    expect(places.find(({ place }) => place === 'seat')?.places ?? 0).toBe(seated.length);
  }
});

it('laps one pair of ties a pair of rafters', () => {
  const solution = barn({ rafterTies: { every: 1, lap: 300 } });
  const ties = kinds(solution, 'rafter-tie');
  expect(at(solution, 'lap')?.places).toBe(ties / 2);
  expect(at(solution, 'tie-on-plate')?.places).toBe(ties);
  expect(at(solution, 'tie-end')?.places).toBe(ties);
});

it('counts the crossings of purlins, rows by rafters', () => {
  const roofPurlins = [
    {
      block: 'main',
      stock: { thickness: 50, depth: 50 },
      spacing: 900,
      first: 300,
      last: 150,
    },
  ];
  const solution = barn({ roofPurlins });
  const rows = kinds(solution, 'roof-purlin');
  expect(at(solution, 'purlin-crossing')?.places).toBe((rows / 2) * kinds(solution, 'common'));
});

it('goes by the crew’s own rule, and refuses one that does not suit its place', () => {
  const own = barn({ fixings: [{ place: 'seat', fixing: 'screw', each: 2 }] });
  expect(at(own, 'seat')).toMatchObject({
    fixing: 'screw',
    count: 2 * kinds(own, 'common'),
    own: true,
  });
  const wide = barn({ fixings: [{ place: 'plate-on-wall', fixing: 'bolt', centres: 1200 }] });
  expect(at(wide, 'plate-on-wall')).toMatchObject({ fixing: 'bolt', count: 18 });
  const refused = (fixings: JobInput['fixings']): string[] =>
    problemsOf({ ...barnInput, fixings }).map(({ path }) => pathText(path));
  expect(refused([{ place: 'seat', fixing: 'screw', centres: 300 }])).toEqual(['fixings.0']);
  expect(refused([{ place: 'plate-on-wall', fixing: 'screw', each: 3 }])).toEqual(['fixings.0']);
  const rule = { place: 'seat', fixing: 'screw', each: 3 } as const;
  expect(refused([rule, rule])).toEqual(['fixings.1.place']);
});

describe('hangers side by side', () => {
  /** The last rafter but one of a gable stands so far from the end pair. */
  const near = (gap: number, hung = true): readonly string[] => {
    const input = buildingInput({
      // Half of the last on the layout, and the end pair, whole.
      along: 4800 + 19 + 38 + gap,
      across: 6000,
      pitch: '8/12',
      ends: ['gable', 'gable'],
      framing: { layout: 'corner' },
    });
    const fixings = hung ? [{ place: 'rafter-at-ridge', fixing: 'hanger', each: 1 } as const] : [];
    return solvedInput({ ...input, fixings })
      .cuts.notes.filter(({ code }) => code === 'hangers-clash')
      .map(({ text }) => text);
  };

  it('says where two flanges have no room, and where one has none', () => {
    expect(near(70).length).toBeGreaterThan(0);
    expect(near(70)[0]).toMatch(/one flange/);
    expect(near(30)[0]).toMatch(/one hanger wide enough/);
  });

  it('says nothing where both have room, or where rafters are nailed', () => {
    expect(near(90)).toEqual([]);
    expect(near(30, false)).toEqual([]);
  });
});

describe('a lean-to on a ledger', () => {
  const leanTo = (atLedger: 'hanger' | 'birdsmouth') => {
    const input = buildingInput({
      along: 5000,
      across: 2400,
      pitch: '4/12',
      framing: { atLedger },
      timber: { ledger: { thickness: 45, depth: 220 } },
    });
    const [block] = input.blocks;
    const [eave] = block!.sides;
    const gable = { roof: 'gable' as const };
    return solvedInput({
      ...input,
      blocks: [{ ...block!, sides: [eave!, gable, { roof: 'wall' }, gable] }],
    });
  };
  it('every rafter that ends against it hangs on it; one that goes over it is screwed down', () => {
    const hung = leanTo('hanger');
    const rafters = hung.members.filter(({ kind }) => kind === 'common').length;
    expect(rafters).toBeGreaterThan(10);
    expect(at(hung, 'rafter-at-ledger')?.places).toBe(rafters);
    const over = leanTo('birdsmouth');
    expect(at(over, 'rafter-at-ledger')).toBeUndefined();
    expect(at(over, 'rafter-over')?.places).toBe(rafters);
  });
});
