import { newJob, withWing } from '../../job';
import { problemLine } from '../../problem';
import { solve } from '../../solve';
import { elevationView } from '..';

const display = { units: 'metric', fraction: 16, pitch: 'degrees', terms: 'uk' } as const;
const house = withWing(newJob('t', display, 10000, 6000, '45°'), 0, 0, {
  width: 3000,
  projection: 2000,
  fromCorner: 2000,
});

const roofOf = () => {
  const solution = solve(house);
  if (!solution.ok) throw new Error(problemLine(solution.problems[0]!));
  return solution.value.roof;
};

it('is to scale: as wide as the roof, as high as its ridge', () => {
  const roof = roofOf();
  const side = elevationView(roof, 'side');
  const end = elevationView(roof, 'end');
  const overhang = 400;
  expect(side.right - side.left).toBeCloseTo(10000 + 2 * overhang, 6);
  expect(end.right - end.left).toBeCloseTo(6000 + overhang + 2000, 6);
  const ridge = 3000 + (roof.blocks[0]?.sides[0]?.hapMm ?? 0);
  expect([side.top, end.top].map(Math.round)).toEqual([ridge, ridge].map(Math.round));
});

it('draws what is near over what is far: the wing’s gable over the main slope', () => {
  const { panels } = elevationView(roofOf(), 'side');
  const slope = panels.findIndex(
    ({ of, points }) =>
      of === 'roof' &&
      Math.max(...points.map(([x]) => x)) - Math.min(...points.map(([x]) => x)) > 9000,
  );
  const gable = panels.reduce(
    (last, { of, points }, i) =>
      of === 'wall' && Math.max(...points.map(([, z]) => z)) > 1000 ? i : last,
    -1,
  );
  expect(slope).toBeGreaterThanOrEqual(0);
  expect(gable).toBeGreaterThan(slope);
  for (const [i, panel] of panels.slice(1).entries())
    expect(panel.away).toBeLessThanOrEqual(panels[i]!.away);
});
