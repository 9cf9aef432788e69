import { readJob, withoutBlock, type JobInput } from '../../../job';
import { problemLine } from '../../../problem';
import { spoken } from '../../../sentence';
import { fit } from '../../../solve';
import { laid, sawn, sawnWrong, turnedOnFoot, WAYS } from '../../../tests/sawyer';
import { stepsOf } from '../../../steps';
import { buildingInput, problemsOf, solvedInput } from '../../../tests/building';
import { unseenSpoilings } from '../../../tests/spoil-houses';

type Brace = NonNullable<JobInput['hipBraces']>[number];

const SPAN = 6000;
const M = 9 / 12;
/** A regular hip rises so much per unit of its own plan. */
const HIP = M / Math.SQRT2;

const house = (brace: Partial<Brace> = {}, more: Partial<JobInput> = {}): JobInput => ({
  ...buildingInput({
    along: 9000,
    across: SPAN,
    pitch: '9/12',
    timber: { strut: { thickness: 47, depth: 97 } },
  }),
  hipBraces: [{ block: 'main', corner: 1, at: 2500, foot: 2500, ...brace }],
  ...more,
});

const refusals = (input: JobInput): string[] => problemsOf(input).map(problemLine);

describe.each([
  ['plumb', {}],
  ['leaning in under the hip', { foot: 2100 }],
  ['leaning out', { foot: 2800 }],
  ['on a tie beam', { level: 240 }],
  ['at another corner', { corner: 3 }],
] as const)('a hip brace %s', (_name, change) => {
  const solution = solvedInput(house(change));
  const brace = solution.members.find(({ kind }) => kind === 'hip-brace')!;
  const entry = solution.cuts.members.find(({ kind }) => kind === 'hip-brace')!;

  it('reaches from its support to the hip’s underside, by the closed form', () => {
    const { foot = 2500, level = 0 } = { ...change } as Partial<Brace>;
    const hip = solution.cuts.members.find(({ kind }) => kind === 'hip')!;
    const { hap } = solution.cuts.members.find(({ kind }) => kind === 'common')!.seat!;
    const slope = Math.atan(HIP);
    const rise = hap + 2500 * HIP - hip.drop! - hip.stock.depth / Math.cos(slope) - Number(level);
    expect(entry.length.theory).toBeCloseTo(Math.hypot(2500 - Number(foot), rise), 6);
    // Its head is cut to the hip's slope, read from square across it.
    const leans = Math.atan2(2500 - Number(foot), rise);
    const [head] = entry.cuts;
    expect(head!.faceAngle).toBeCloseTo((Math.abs(slope + leans) * 180) / Math.PI, 6);
  });

  it('is proved, every spoiling of it is seen, and it is sawn by its steps', () => {
    expect(fit(solution).problems).toEqual([]);
    expect(unseenSpoilings(solution, [brace])).toEqual([]);
    for (const way of WAYS) {
      const made = sawn(stepsOf(brace, false), way);
      const wanted = laid(brace, false);
      const turned = turnedOnFoot(made, brace.stock.thickness);
      expect(Math.min(sawnWrong(made, wanted), sawnWrong(turned, wanted))).toBeLessThan(0.5);
    }
  });
});

it('says what it asks of the wall', () => {
  const { cuts } = solvedInput(house());
  expect(cuts.notes.find(({ code }) => code === 'kind-asks')).toMatchObject({
    level: 'caution',
    member: 'HB1',
  });
});

it('is missed where it is asked for and does not stand', () => {
  const solution = solvedInput(house());
  const members = solution.members.filter(({ kind }) => kind !== 'hip-brace');
  const texts = fit({ ...solution, members }).problems.map(({ text }) => spoken(text));
  expect(texts.some((text) => text.includes('missing'))).toBe(true);
});

it.each([
  ['hipBraces.0.corner', { corner: 7 }],
  ['hipBraces.0.at', { at: 9000 }],
  ['hipBraces.0.at', { at: 300, foot: 300 }],
  ['hipBraces.0.foot', { foot: 200 }],
] as const)('is refused at %s: %p', (path, change) => {
  const [told] = refusals(house(change));
  expect(told).toMatch(new RegExp(`^${path}: .*accepted is`, 'u'));
});

it('asks for its size', () => {
  const input = house();
  const { strut: _, ...timber } = input.timber;
  expect(refusals({ ...input, timber })).toEqual([
    expect.stringMatching(/^timber\.strut: missing/),
  ]);
});

it('goes with the part that it stood in', () => {
  const input = house({ block: 'wing', corner: 1 });
  const [main] = input.blocks;
  const wing = { ...main!, id: 'wing' };
  const job = readJob({ ...input, blocks: [main!, wing] });
  if (!job.ok) throw new Error('not read');
  expect(withoutBlock(job.value, 1).hipBraces).toEqual([]);
});
