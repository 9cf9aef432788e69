import { readJob, type JobInput } from '../../../job';
import { problemLine } from '../../../problem';
import { fit, solve, type Solution } from '../../../solve';
import { buildingInput, refusalOf } from '../../../tests/building';
import { pitchRad } from '../../../units';

const BLOCK = { thickness: 38, depth: 400 };
const SPACING = 400;
const COMMON = 38;

const inputOf = (pitch: string, ends: 'eave' | 'gable', depth = BLOCK.depth): JobInput =>
  buildingInput({
    along: 8000,
    across: 6000,
    pitch,
    ends: [ends, ends],
    timber: { blocking: { ...BLOCK, depth } },
  });

const solutionOf = (input: JobInput): Solution => {
  const job = readJob(input);
  if (!job.ok) throw new Error(job.problems.map(problemLine).join('; '));
  const solution = solve(job.value);
  if (!solution.ok) throw new Error(solution.problems.map(problemLine).join('; '));
  return solution.value;
};

const blocksOf = ({ cuts }: Solution) => cuts.members.filter(({ kind }) => kind === 'blocking');

describe.each(['5/12', '9/12', '38°'])('eave blocks at %s', (pitch) => {
  const m = Math.tan(pitchRad(pitch));

  it('fill the gaps between rafters: a space less a rafter, up to the slope over their inner face', () => {
    const solution = solutionOf(inputOf(pitch, 'gable'));
    const [block] = blocksOf(solution);
    const hap = solution.cuts.members.find(({ kind }) => kind === 'common')!.seat!.hap;
    expect(block!.length.body).toBeCloseTo(SPACING - COMMON, 6);
    expect(block!.stock.depth).toBeCloseTo(hap + m * BLOCK.thickness, 6);
    const rafters = solution.members.filter(({ kind }) => kind === 'common').length;
    const blocks = blocksOf(solution).reduce((sum, { count }) => sum + count, 0);
    // Between the rafters of each side, none outside its first and last.
    expect(blocks).toBe(rafters - 2);
    expect(fit(solution).problems).toEqual([]);
  });

  it('are cut along the hips at the corners, in both hands', () => {
    const solution = solutionOf(inputOf(pitch, 'eave'));
    const corner = blocksOf(solution).filter(({ cuts }) =>
      cuts.some(({ edgeAngle }) => edgeAngle > 1),
    );
    expect(corner.length).toBeGreaterThan(0);
    for (const { cuts, hands } of corner) {
      const angles = cuts.map(({ edgeAngle }) => edgeAngle).sort((p, q) => p - q);
      expect(angles.at(-1)).toBeCloseTo(45, 6);
      expect(hands.left).toBe(hands.right);
    }
    expect(fit(solution).problems).toEqual([]);
  });

  it('are missed where one is left out', () => {
    const solution = solutionOf(inputOf(pitch, 'gable'));
    const gone = solution.members.find(({ kind }) => kind === 'blocking');
    const members = solution.members.filter((member) => member !== gone);
    expect(fit({ ...solution, members }).problems.map(({ kind }) => kind)).toContain('missing');
  });
});

it('a block too shallow to reach the slope is refused with the depth that would', () => {
  const refused = (depth: number): string => refusalOf(inputOf('9/12', 'gable', depth));
  const [, least] = /at least ([\d.]+) mm/.exec(refused(100))!;
  expect(refused(100)).toContain('timber.blocking.depth: ');
  expect(refused(Number(least))).toBe('');
  expect(refused(Number(least) - 0.5)).not.toBe('');
});
