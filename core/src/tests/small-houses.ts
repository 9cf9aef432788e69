import fc from 'fast-check';
import { readJob, type JobInput } from '../job';
import { solve, type Solution } from '../solve';
import { anyBuilding } from './any-building';
import { anyBroken, anyConvex, anyFourSided, anyGablet, anyHighWing, anyWinged } from './any-house';
import { buildingInput } from './building';

/** Houses by half and rafters far apart: as many shapes, a third of the boards. */
const SHARE = 0.5;
const SPACING_MM = 800;

type EaveInput = Extract<JobInput['blocks'][number]['sides'][number], { roof: 'eave' }>;

const smallSide = ({ breaks, gablet, ...side }: EaveInput): EaveInput => ({
  ...side,
  ...(breaks && { breaks: breaks.map(({ at, pitch }) => ({ at: Number(at) * SHARE, pitch })) }),
  ...(gablet && { gablet: { at: Number(gablet.at) * SHARE } }),
});

const small = (input: JobInput): JobInput => ({
  ...input,
  framing: { ...input.framing, spacing: SPACING_MM },
  blocks: input.blocks.map((block) => ({
    ...block,
    outline: (block.outline as [number, number][]).map(([x, y]): [number, number] => [
      x * SHARE,
      y * SHARE,
    ]),
    sides: block.sides.map((side) => (side.roof === 'eave' ? smallSide(side) : side)),
  })),
});

const anyShape: fc.Arbitrary<JobInput> = fc.oneof(
  anyBuilding.map(buildingInput),
  anyFourSided,
  anyConvex,
  anyWinged,
  anyBroken,
  anyGablet,
  anyHighWing,
);

/** What a house may be tied with: nothing, or collar ties and rafter ties in any of the crew's ways. */
const anyTies: fc.Arbitrary<Pick<JobInput, 'collarTies' | 'rafterTies'>> = fc.record(
  {
    collarTies: fc.record({
      bottom: fc.oneof(
        fc.constant('upper-third' as const),
        fc.integer({ min: 600, max: 1500 }),
        fc.integer({ min: 500, max: 1500 }).map((longPoint) => ({ longPoint })),
      ),
      every: fc.integer({ min: 1, max: 3 }),
      hold: fc.integer({ min: 0, max: 20 }),
    }),
    rafterTies: fc.record(
      {
        every: fc.integer({ min: 1, max: 2 }),
        lap: fc.integer({ min: 80, max: 250 }),
        spacing: fc.integer({ min: 350, max: 700 }),
        atHips: fc.constant('short' as const),
        spacers: fc.boolean(),
      },
      { requiredKeys: ['every'] },
    ),
  },
  { requiredKeys: [] },
);

/** The longest board that can be had of ridges and purlins, so that some are scarfed; mostly any. mm */
const anyLongest = fc.oneof(
  { weight: 3, arbitrary: fc.constant(null) },
  { weight: 1, arbitrary: fc.integer({ min: 2600, max: 3600 }) },
);

/** How far the roof hangs over its gables, with barges and their ladders or without; blocks along the eaves or none. */
const anyEdges = fc.record({
  overhang: fc.constantFrom(0, 150, 260),
  framed: fc.boolean(),
  blocked: fc.boolean(),
  backed: fc.boolean(),
  posts: fc.option(fc.record({ height: fc.constant(2400), spacing: fc.constantFrom(1200, 2500) }), {
    freq: 2,
  }),
});

type EdgesOf<T> = T extends fc.Arbitrary<infer E> ? E : never;

const hanging = (
  blocks: JobInput['blocks'],
  { overhang, posts }: Pick<EdgesOf<typeof anyEdges>, 'overhang' | 'posts'>,
): JobInput['blocks'] =>
  blocks.map((block, i) => ({
    ...block,
    sides: block.sides.map((side, k) => {
      if (side.roof === 'gable') return { ...side, overhang };
      return side.roof === 'eave' && posts !== null && i === 0 && k < 2 ? { ...side, posts } : side;
    }),
  }));

/** Purlins under the eaves of the first part: none, some or all of them, in one of the ways. */
interface AnyPurlins {
  readonly at: number;
  readonly set: 'canted' | 'plumb';
  readonly sides: readonly number[];
}

const anyPurlins: fc.Arbitrary<AnyPurlins | null> = fc.option(
  fc.record({
    at: fc.oneof(fc.double({ min: 0.25, max: 0.75, noNaN: true }), fc.constant(0.5)),
    set: fc.constantFrom('canted' as const, 'plumb' as const),
    sides: fc.constantFrom([0, 1, 2, 3], [0, 2], [1]),
  }),
  { freq: 2 },
);

/** What purlins stand on between their ends: struts on a wall, or nothing. */
const anyStruts = fc.option(
  fc.record({
    foot: fc.integer({ min: 1200, max: 2200 }),
    spacing: fc.integer({ min: 1200, max: 2500 }),
  }),
  { freq: 3 },
);

const purlinsOf = (
  { blocks: [first] }: JobInput,
  found: AnyPurlins | null,
  struts: typeof anyStruts extends fc.Arbitrary<infer T> ? T : never,
  square: boolean,
): JobInput['purlins'] =>
  found === null || first === undefined
    ? []
    : found.sides
        .filter((side) => first.sides[side]?.roof === 'eave')
        .map((side) => ({
          block: first.id,
          side,
          at: found.at,
          set: found.set,
          ...(found.set === 'plumb' && square && { top: 'square' as const }),
          ...(struts && { struts }),
        }));

/** Purlins over or between the rafters of every eave of the first part, or of one; none mostly. */
const anyRoofPurlins = fc.oneof(
  { weight: 4, arbitrary: fc.constant(null) },
  {
    weight: 1,
    arbitrary: fc.record({
      stock: fc.constantFrom({ thickness: 75, depth: 50 }, { thickness: 47, depth: 75 }),
      spacing: fc.integer({ min: 800, max: 1500 }),
      first: fc.integer({ min: 40, max: 300 }),
      last: fc.integer({ min: 60, max: 250 }),
      set: fc.constantFrom('over' as const, 'between' as const),
      planes: fc.constantFrom('tops' as const, 'rafters' as const),
      lone: fc.boolean(),
    }),
  },
);

const roofPurlinsOf = (
  { blocks: [first] }: JobInput,
  found: typeof anyRoofPurlins extends fc.Arbitrary<infer T> ? T : never,
): JobInput['roofPurlins'] => {
  if (found === null || first === undefined) return [];
  const { lone, ...set } = found;
  const side = first.sides.findIndex(({ roof }) => roof === 'eave');
  return [{ block: first.id, ...set, ...(lone && { side }) }];
};

type StockInput = JobInput['timber']['common'];

const withLongest = (stock: StockInput, longest: number | null): StockInput =>
  longest === null ? stock : { ...stock, longest };

/** Studs in the gables, or none. */
const anyStuds = fc.option(
  fc.constantFrom({ thickness: 38, depth: 89 }, { thickness: 30, depth: 60 }),
  { freq: 3 },
);

/** The ways of the crew at gables and scarfs; a stud's depth beside the rafter, or flat under it. */
const anyWays: fc.Arbitrary<Partial<JobInput['framing']>> = fc.record({
  gableStuds: fc.constantFrom('flat' as const, 'notched' as const),
  lookouts: fc.constantFrom('butted' as const, 'laid-in' as const),
  scarfEnds: fc.constantFrom('feathered' as const, 'square' as const),
});

/** An opening somewhere in the first part's first eave, or none. */
const anyOpening = fc.option(
  fc.record({
    at: fc.double({ min: 0.1, max: 0.7, noNaN: true }),
    wide: fc.integer({ min: 300, max: 1400 }),
    up: fc.integer({ min: 400, max: 1200 }),
    tall: fc.integer({ min: 300, max: 800 }),
    clearance: fc.constantFrom(0, 25, 50),
    doubled: fc.boolean(),
  }),
  { freq: 3 },
);

const openingsOf = (
  { blocks: [first] }: JobInput,
  found: EdgesOf<typeof anyOpening>,
): JobInput['openings'] => {
  const side = first?.sides.findIndex(({ roof }) => roof === 'eave') ?? -1;
  const [a, b] = [first?.outline[side], first?.outline[(side + 1) % first.outline.length]];
  if (found === null || first === undefined || a === undefined || b === undefined) return [];
  const length = Math.hypot(Number(b[0]) - Number(a[0]), Number(b[1]) - Number(a[1]));
  const from = found.at * length;
  return [
    {
      name: 'hatch',
      block: first.id,
      side,
      along: [from, from + found.wide],
      up: [found.up, found.up + found.tall],
      clearance: found.clearance,
      ...(found.doubled && { doubled: true }),
    },
  ];
};

const anyHouse: fc.Arbitrary<JobInput> = fc
  .tuple(
    anyShape,
    anyTies,
    anyPurlins,
    anyRoofPurlins,
    anyEdges,
    anyLongest,
    anyStuds,
    anyStruts,
    fc.boolean(),
    anyWays,
    anyOpening,
  )
  .map(
    ([
      house,
      ties,
      purlins,
      over,
      { framed, blocked, backed, ...edges },
      longest,
      gableStud,
      struts,
      square,
      ways,
      opening,
    ]) => ({
      ...house,
      framing: { ...house.framing, ...ways },
      ...ties,
      purlins: purlinsOf(house, purlins, struts, square),
      roofPurlins: roofPurlinsOf(house, over),
      openings: openingsOf(house, opening),
      blocks: hanging(house.blocks, edges),
      timber: {
        ...house.timber,
        purlin: withLongest(house.timber.purlin ?? { thickness: 60, depth: 120 }, longest),
        ...(house.timber.ridge && { ridge: withLongest(house.timber.ridge, longest) }),
        collarTie: { thickness: 38, depth: 90 },
        rafterTie: { thickness: 38, depth: 140 },
        strut: { thickness: 47, depth: 97 },
        beam: { thickness: 60, depth: 140 },
        post: { thickness: 60, depth: 60 },
        ...(backed && { backing: { thickness: 30, depth: 80 } }),
        ...(gableStud && { gableStud }),
        ...(blocked && { blocking: { thickness: 38, depth: 600 } }),
        ...(framed && {
          barge: { thickness: 38, depth: 140 },
          lookout: { thickness: 38, depth: 89 },
        }),
      },
    }),
  );

/** The first `count` random houses that can be framed; the same seed gives the same houses. */
export const smallHouses = (count: number, seed: number): Solution[] => {
  const found: Solution[] = [];
  for (let batch = 0; found.length < count; batch += 1) {
    for (const input of fc.sample(anyHouse, { seed: seed + batch, numRuns: 50 })) {
      const job = readJob(JSON.parse(JSON.stringify(small(input))));
      if (!job.ok) continue;
      const solution = solve(job.value);
      if (solution.ok && found.length < count) found.push(solution.value);
    }
  }
  return found;
};
