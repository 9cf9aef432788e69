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

const solvedHouse = () => {
  const solution = solve(house);
  if (!solution.ok) throw new Error(problemLine(solution.problems[0]!));
  return solution.value;
};

it('is to scale: as wide as the roof, as high as its ridge', () => {
  const { roof, members } = solvedHouse();
  const side = elevationView(roof, members, 'side');
  const end = elevationView(roof, members, 'end');
  const overhang = 400;
  expect(side.right - side.left).toBeCloseTo(10000 + 2 * overhang, 6);
  expect(end.right - end.left).toBeCloseTo(6000 + overhang + 2000, 6);
  const ridge = 3000 + (roof.blocks[0]?.sides[0]?.hapMm ?? 0);
  expect([side.top, end.top].map(Math.round)).toEqual([ridge, ridge].map(Math.round));
});

it('draws what is near over what is far: the wing’s gable over the main slope', () => {
  const { roof, members } = solvedHouse();
  const { panels } = elevationView(roof, members, 'side');
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

it('shows the timbers of the slopes that look this way, and none of those that look away', () => {
  const { roof, members } = solvedHouse();
  const { panels, left, right, top } = elevationView(roof, members, 'side');
  const timbers = panels.filter(({ of }) => of === 'timber');
  const front = members.filter(
    ({ kind, block, side }) => kind === 'common' && block === 'main' && side === 0,
  );
  const commons = timbers.filter(({ kind }) => kind === 'common');
  expect(commons.length).toBeGreaterThanOrEqual(front.length);
  expect(commons.length).toBeLessThan(members.filter(({ kind }) => kind === 'common').length);
  for (const { points } of timbers) {
    expect(points.length).toBeGreaterThan(2);
    for (const [x, z] of points) {
      expect(x).toBeGreaterThan(left - 50);
      expect(x).toBeLessThan(right + 50);
      expect(z).toBeLessThan(top + 1);
    }
  }
  // A rafter of the front is as high as its rise, plumb cuts and all, and as wide as its timber is thick.
  const [rafter] = front;
  const drawn = commons.filter(({ points }) => {
    const xs = points.map(([x]) => x);
    return Math.abs(Math.max(...xs) - Math.min(...xs) - (rafter?.stock.thickness ?? 0)) < 1e-6;
  });
  expect(drawn.length).toBe(front.length);
});
