import { solidOf } from '../..';
import { v3, volume } from '../../../geom';
import { readJob, type JobInput } from '../../../job';
import { pathText, problemLine } from '../../../problem';
import { fit, solve, type Solution } from '../../../solve';
import { buildingInput, problemsOf } from '../../../tests/building';
import { pitchRad } from '../../../units';

const BARGE = { thickness: 38, depth: 184 };
const LOOKOUT = { thickness: 38, depth: 89 };

const inputOf = (
  pitch: string,
  overhang: number,
  tail: 'plumb' | 'square',
  lookouts?: 'laid-in',
): JobInput => {
  const input = buildingInput({
    along: 7000,
    across: 5000,
    pitch,
    ends: ['gable', 'gable'],
    framing: { tail, ...(lookouts && { lookouts }) },
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

it.each(['butted', 'laid-in'] as const)(
  'a gable with a break has barges up to it and past it, %s lookouts on each',
  (way) => {
    // So steep below that the last rung there comes to the barge above it too.
    const input = inputOf('60°', 250, 'plumb', way === 'laid-in' ? way : undefined);
    const [block] = input.blocks;
    const sides = block!.sides.map((side) =>
      side.roof === 'eave' ? { ...side, breaks: [{ at: 1200, pitch: '25°' }] } : side,
    );
    const timber = { ...input.timber, purlin: { thickness: 50, depth: 300 } };
    const solution = solutionOf({ ...input, timber, blocks: [{ ...block!, sides }] });
    expect(of(solution, 'barge').reduce((sum, { count }) => sum + count, 0)).toBe(8);
    expect(fit(solution).problems).toEqual([]);
  },
);

it('a barge wants the size of its lookouts too, and none are framed without one', () => {
  const { lookout: _, ...timber } = inputOf('6/12', 250, 'plumb').timber;
  const without = { ...inputOf('6/12', 250, 'plumb'), timber };
  expect(problemsOf(without).map(({ path }) => pathText(path))).toEqual(['timber.lookout']);
  const flush = solutionOf(inputOf('6/12', 0, 'plumb'));
  expect([...of(flush, 'barge'), ...of(flush, 'lookout')]).toEqual([]);
});

describe.each([
  ['6/12', 450, 'plumb'],
  ['40°', 300, 'square'],
  ['9/12', 600, 'plumb'],
] as const)('lookouts laid in at %s, %s mm out, %s tails', (pitch, overhang, tail) => {
  const solution = solutionOf(inputOf(pitch, overhang, tail, 'laid-in'));
  const theta = pitchRad(pitch);
  const lookouts = solution.members.filter(({ kind }) => kind === 'lookout');

  it('run from the barge in through the gable’s rafter to the next one', () => {
    // The next rafter's middle stands at the spacing from the first gable's face; at the other what is left of 7000.
    const within = [400 - 38 / 2, 7000 - 17 * 400 - 38 / 2];
    const runs = lookouts.map(({ axis }) => axis.runMm - (overhang - BARGE.thickness));
    for (const wanted of within)
      expect(runs.filter((mm) => Math.abs(mm - wanted) < 1e-6).length).toBe(runs.length / 2);
    const rake = (2500 + 450) / Math.cos(theta);
    const between =
      rake - 2 * LOOKOUT.depth - LOOKOUT.thickness * Math.tan(theta) - 19 / Math.cos(theta);
    expect(lookouts.length).toBe(4 * (Math.ceil(between / 400) + 1));
  });

  it('each in a housing of its own size, sawn out of the rafter in the gable', () => {
    const housed = solution.members.filter(({ notches }) =>
      notches.some((notch) => notch.for === 'housing'),
    );
    expect(housed.length).toBe(4);
    const all = (members: typeof housed) =>
      members.reduce(
        (sum, member) => sum + solidOf(member).reduce((wood, piece) => wood + volume(piece), 0),
        0,
      );
    const whole = housed.map((member) => ({
      ...member,
      notches: member.notches.filter((notch) => notch.for !== 'housing'),
    }));
    expect(all(whole) - all(housed)).toBeCloseTo(
      lookouts.length * LOOKOUT.thickness * LOOKOUT.depth * 38,
      2,
    );
    for (const { cuts } of of(solution, 'common').filter(({ count }) => count === 4))
      for (const { name, faceAngle, edgeAngle } of cuts) {
        if (!name.startsWith('housing')) continue;
        expect(faceAngle).toBeCloseTo(name === 'housing' ? 90 : 0, 6);
        expect(edgeAngle).toBeCloseTo(0, 6);
      }
  });

  it('are proved: an empty housing, one lookout gone or pushed in are seen', () => {
    expect(fit(solution).problems).toEqual([]);
    for (const lookout of [lookouts[0]!, lookouts[2]!]) {
      const gone = solution.members.filter((member) => member !== lookout);
      expect(fit({ ...solution, members: gone }).problems.length).toBeGreaterThan(0);
      const up = v3.scale(lookout.frame.e, 3);
      const moved = solution.members.map((member) =>
        member !== lookout
          ? member
          : { ...member, frame: { ...member.frame, origin: v3.add(member.frame.origin, up) } },
      );
      expect(fit({ ...solution, members: moved }).problems.length).toBeGreaterThan(0);
    }
  });
});

it('lookouts laid in take no more than half of the rafter', () => {
  const input = inputOf('6/12', 300, 'plumb', 'laid-in');
  const thick = { ...input, timber: { ...input.timber, lookout: { thickness: 95, depth: 89 } } };
  expect(problemsOf(thick).map(({ path }) => pathText(path))).toEqual(['timber.lookout.thickness']);
});
