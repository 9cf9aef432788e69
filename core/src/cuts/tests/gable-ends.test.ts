import { readJob, type JobInput } from '../../job';
import { problemLine } from '../../problem';
import { fit, solve, type Solution } from '../../solve';
import { buildingInput } from '../../tests/building';
import { pitchRad } from '../../units';

const BARGE = { thickness: 38, depth: 184 };
const LOOKOUT = { thickness: 38, depth: 89 };

const inputOf = (pitch: string, overhang: number, tail: 'plumb' | 'square'): JobInput => {
  const input = buildingInput({
    along: 7000,
    across: 5000,
    pitch,
    ends: ['gable', 'gable'],
    framing: { tail },
    timber: { barge: BARGE, lookout: LOOKOUT },
  });
  const [block] = input.blocks;
  const sides = block!.sides.map((side) => (side.roof === 'gable' ? { ...side, overhang } : side));
  return { ...input, blocks: [{ ...block!, sides }] };
};

const solutionOf = (input: JobInput): Solution => {
  const job = readJob(input);
  if (!job.ok) throw new Error(job.problems.map(problemLine).join('; '));
  const solution = solve(job.value);
  if (!solution.ok) throw new Error(solution.problems.map(problemLine).join('; '));
  return solution.value;
};

const of = ({ cuts }: Solution, kind: string) => cuts.members.filter((one) => one.kind === kind);

describe.each([
  ['6/12', 250, 'plumb'],
  ['9/12', 300, 'square'],
  ['40°', 180, 'plumb'],
  ['12/12', 220, 'square'],
] as const)('gable ends at %s, %s mm out, %s tails', (pitch, overhang, tail) => {
  const solution = solutionOf(inputOf(pitch, overhang, tail));
  const theta = pitchRad(pitch);
  const [common] = of(solution, 'common');
  const [barge, ...otherBarges] = of(solution, 'barge');
  const [lookout, ...otherLookouts] = of(solution, 'lookout');

  it('have one barge a slope, as long as the commons to the middle of the ridge, with their tail', () => {
    expect(otherBarges).toEqual([]);
    expect(barge!.count).toBe(4);
    expect(barge!.length.theory).toBeCloseTo(2500 / Math.cos(theta), 6);
    // No ridge stands between the two: they meet on its middle.
    expect(barge!.length.body).toBeCloseTo(barge!.length.theory, 6);
    expect(barge!.length.tail).toBeCloseTo(common!.length.tail, 6);
    const [top] = barge!.cuts;
    expect(top!.faceAngle).toBeCloseTo((theta * 180) / Math.PI, 6);
  });

  it('stand on rungs: the overhang less the barge, no further apart than the rafters', () => {
    expect(otherLookouts).toEqual([]);
    expect(lookout!.length.body).toBeCloseTo(overhang - BARGE.thickness, 6);
    const rake = (2500 + 450) / Math.cos(theta);
    const between = rake - LOOKOUT.thickness - LOOKOUT.depth * Math.tan(theta);
    expect(lookout!.count).toBe(4 * (Math.ceil(between / 400) + 1));
  });

  it('are proved: none loose, none missing', () => {
    expect(fit(solution).problems).toEqual([]);
    const without = (kind: string) => {
      const gone = solution.members.find((member) => member.kind === kind);
      return { ...solution, members: solution.members.filter((member) => member !== gone) };
    };
    for (const kind of ['barge', 'lookout'])
      expect(fit(without(kind)).problems.length).toBeGreaterThan(0);
  });
});

it('a barge wants the size of its lookouts too, and none are framed without one', () => {
  const { lookout: _, ...timber } = inputOf('6/12', 250, 'plumb').timber;
  const job = readJob({ ...inputOf('6/12', 250, 'plumb'), timber });
  const solution = job.ok ? solve(job.value) : job;
  expect(solution.ok ? [] : solution.problems.map(({ path }) => path)).toEqual(['timber.lookout']);
  const flush = solutionOf(inputOf('6/12', 0, 'plumb'));
  expect([...of(flush, 'barge'), ...of(flush, 'lookout')]).toEqual([]);
});
