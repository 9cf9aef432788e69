import fc from 'fast-check';
import type { Member } from '../../frame';
import { readJob, type JobInput } from '../../job';
import { problemLine } from '../../problem';
import { fit, solve, type Solution } from '../../solve';
import { laid, sawn, sawnWrong, turnedRound, WAYS } from '../../tests/sawyer';
import { stepsOf } from '..';
import { runs, seeded } from '../../tests/effort';
import { buildingInput } from '../../tests/building';
import { unseenSpoilings } from '../../tests/spoil-houses';

/** A house with a porch laid on its front slope: pitches, plates, sheathing and what else is framed as they come. */
const anyPorch = fc.record({
  along: fc.integer({ min: 7000, max: 12_000 }),
  across: fc.integer({ min: 5000, max: 9000 }),
  lower: fc.integer({ min: 20, max: 48 }),
  upper: fc.integer({ min: 20, max: 48 }),
  ends: fc.constantFrom(['gable', 'gable'] as const, ['eave', 'eave'] as const),
  turned: fc.constantFrom(0, 0.7, 2.2),
  wide: fc.integer({ min: 1800, max: 3600 }),
  at: fc.double({ min: 0.3, max: 0.5, noNaN: true }),
  out: fc.integer({ min: 900, max: 2500 }),
  plate: fc.integer({ min: 0, max: 600 }),
  sheathing: fc.constantFrom(0, 12, 22),
  sleeper: fc.boolean(),
  fascia: fc.boolean(),
  tail: fc.constantFrom('plumb' as const, 'square' as const),
  ties: fc.boolean(),
  studs: fc.boolean(),
  standing: fc.boolean(),
  spacing: fc.constantFrom(400, 600),
});

type Porch = typeof anyPorch extends fc.Arbitrary<infer T> ? T : never;

const turn = ([x, y]: readonly [number, number], by: number): [number, number] => [
  x * Math.cos(by) - y * Math.sin(by),
  x * Math.sin(by) + y * Math.cos(by),
];

const RAD = Math.PI / 180;
const STUD = { thickness: 38, depth: 89 };

const inputOf = (porch: Porch): JobInput => {
  const { lower, upper, wide, plate, turned } = porch;
  const input = buildingInput({
    along: porch.along,
    across: porch.across,
    pitch: `${lower}°`,
    ends: porch.ends,
    turned,
    framing: { spacing: porch.spacing, tail: porch.tail },
    timber: {
      common: { thickness: 38, depth: 140 },
      ridge: { thickness: 38, depth: 184 },
      rafterTie: { thickness: 38, depth: 100 },
      sheathing: porch.sheathing,
      ...(porch.sleeper && { sleeper: { thickness: 38, depth: 140 } }),
      ...(porch.studs && { gableStud: STUD }),
    },
  });
  const { fascia: _, ...bare } = input.timber;
  const eave = { roof: 'eave' as const, pitch: `${upper}°`, overhang: 450 };
  // In until its ridge has struck the lower slope.
  const far = (plate + 200 + (wide / 2) * Math.tan(upper * RAD)) / Math.tan(lower * RAD);
  const [from, to] = [porch.at * porch.along - wide / 2, porch.at * porch.along + wide / 2];
  const corners = [
    [from, -porch.out],
    [to, -porch.out],
    [to, far],
    [from, far],
  ] as const;
  return {
    ...input,
    timber: porch.fascia ? input.timber : bare,
    ...(porch.ties && { rafterTies: { every: 1 } }),
    blocks: [
      ...input.blocks.map((block) => (porch.standing ? { ...block, existing: true } : block)),
      {
        id: 'porch',
        join: 'laid-on',
        plate,
        outline: corners.map((corner) => turn(corner, turned)),
        sides: [{ roof: 'gable', overhang: 0 }, eave, { roof: 'open' }, eave],
      },
    ],
  };
};

/** How wrong a piece comes out that is sawn by its steps; a level one may lie either way round. mm */
const wrong = (member: Member, way: (typeof WAYS)[number]): number => {
  const [made, wanted] = [sawn(stepsOf(member, false), way), laid(member, false)];
  const straight = sawnWrong(made, wanted);
  return member.axis.level
    ? Math.min(straight, sawnWrong(turnedRound(made, wanted, member.stock.thickness), wanted))
    : straight;
};

const HOUSES = runs(40);

it('porches laid on random houses are framed and proved, or refused with a reason by their own field', () => {
  const framed: Solution[] = [];
  const refused: string[] = [];
  for (const porch of fc.sample(anyPorch, { seed: seeded(88), numRuns: HOUSES })) {
    const job = readJob(JSON.parse(JSON.stringify(inputOf(porch))));
    const solution = job.ok ? solve(job.value, { waysOut: false }) : job;
    if (solution.ok) framed.push(solution.value);
    else refused.push(...solution.problems.map(problemLine));
  }
  process.stdout.write(`${framed.length} of ${HOUSES} porches framed\n`);
  expect(framed.length).toBeGreaterThan(HOUSES / 2);
  // A house whose own ridge comes out too short is refused by its outline.
  for (const text of refused) expect(text).toMatch(/^blocks\.(?:1|0\.outline)/u);
  for (const solution of framed) {
    expect(fit(solution).problems).toEqual([]);
    const porch = solution.members.filter(({ block }) => block === 'porch');
    for (const member of porch)
      for (const way of WAYS)
        expect([member.id, way, wrong(member, way) < 1]).toEqual([member.id, way, true]);
  }
  const [first, second] = framed;
  for (const solution of [first!, second!]) {
    const own = solution.members.filter(
      ({ kind, block }) => block === 'porch' && kind !== 'fascia',
    );
    expect(unseenSpoilings(solution, own.slice(0, 6))).toEqual([]);
  }
}, 300_000);

/** A house with a dormer on its front slope, gable or shed, in from the wall or in line with it. */
const anyDormer = fc.record({
  porch: anyPorch,
  shed: fc.boolean(),
  inLine: fc.boolean(),
  face: fc.integer({ min: 300, max: 800 }),
  wall: fc.integer({ min: 500, max: 1100 }),
  flatter: fc.double({ min: 0.2, max: 0.7, noNaN: true }),
  overhang: fc.constantFrom(0, 250),
  rake: fc.constantFrom(0, 150),
  /** A saddle on the back slope: its width and place there, as shares. */
  saddle: fc.record({
    wide: fc.double({ min: 0.08, max: 0.18, noNaN: true }),
    at: fc.double({ min: 0.15, max: 0.3, noNaN: true }),
    pitch: fc.integer({ min: 18, max: 40 }),
  }),
});

type Dormer = typeof anyDormer extends fc.Arbitrary<infer T> ? T : never;

const withDormer = ({ porch, shed, saddle, ...own }: Dormer): JobInput => {
  const { blocks, ...input } = inputOf({ ...porch, standing: false });
  const lower = Math.tan(porch.lower * RAD);
  const face = own.inLine ? 0 : own.face;
  const [from, to] = [
    porch.at * porch.along - porch.wide / 2,
    porch.at * porch.along + porch.wide / 2,
  ];
  return {
    ...input,
    blocks: blocks.slice(0, 1),
    saddles: [
      {
        block: 'main',
        side: 2,
        along: [0.5, 0.5 + saddle.wide].map((share) => share * porch.along) as [number, number],
        at: saddle.at * porch.across,
        pitch: `${Math.min(saddle.pitch, porch.lower)}°`,
      },
    ],
    dormers: [
      {
        block: 'main',
        side: 0,
        along: [from, to],
        face,
        plate: face * lower + own.wall,
        roof: shed ? 'shed' : 'gable',
        pitch: shed
          ? { rise: own.flatter * lower, run: 1 }
          : `${Math.min(porch.upper, porch.lower)}°`,
        overhang: own.overhang,
        rake: own.rake,
      },
    ],
  };
};

it('dormers and saddles on random houses are framed, proved and sawn, or refused by their own field', () => {
  const framed: Solution[] = [];
  const refused: string[] = [];
  for (const dormer of fc.sample(anyDormer, { seed: seeded(1126), numRuns: HOUSES })) {
    const job = readJob(JSON.parse(JSON.stringify(withDormer(dormer))));
    const solution = job.ok ? solve(job.value, { waysOut: false }) : job;
    if (solution.ok) framed.push(solution.value);
    else refused.push(...solution.problems.map(problemLine));
  }
  process.stdout.write(`${framed.length} of ${HOUSES} dormers framed\n`);
  expect(framed.length).toBeGreaterThan(HOUSES / 2);
  for (const text of refused)
    expect(text).toMatch(/^(?:dormers\.0|saddles\.0|blocks\.0\.outline)/u);
  for (const solution of framed) {
    expect(fit(solution).problems).toEqual([]);
    const made = solution.members.filter(
      ({ block, kind }) => block !== 'main' || kind === 'false-tail' || kind === 'opening-jack',
    );
    for (const member of made)
      for (const way of WAYS)
        expect([member.id, way, wrong(member, way) < 1]).toEqual([member.id, way, true]);
  }
}, 300_000);
