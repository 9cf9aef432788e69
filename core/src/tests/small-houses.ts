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

const anyHouse: fc.Arbitrary<JobInput> = fc.oneof(
  anyBuilding.map(buildingInput),
  anyFourSided,
  anyConvex,
  anyWinged,
  anyBroken,
  anyGablet,
  anyHighWing,
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
