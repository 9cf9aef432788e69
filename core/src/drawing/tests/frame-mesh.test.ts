import { markOf } from '../../cuts';
import { solidOf, type Member } from '../../frame';
import { area2, v3, type Vec2, type Vec3 } from '../../geom';
import type { Solution } from '../../solve';
import { solved } from '../../tests/building';
import { framedHouses } from '../../tests/asked';
import { boardEdges } from '../board-edges';
import { frameMesh } from '..';

const total = (edges: readonly (readonly [Vec3, Vec3])[]): number =>
  edges.reduce((sum, [p, q]) => sum + v3.distance(p, q), 0);

const base = { along: 9000, across: 6000, pitch: '9/12', ends: ['gable', 'gable'] } as const;
const solution = solved(base);
const meshOf = ({ job, roof, members, cuts }: Solution) =>
  frameMesh(job, roof, members, markOf({ cuts }));

/** The outline of a board that is the same all through its thickness, by its left face. */
const profile = (member: Member): number => {
  const half = member.stock.thickness / 2;
  const edges = boardEdges(solidOf(member));
  return total(edges.filter(([p, q]) => [p, q].every((c) => Math.abs(c[1] - half) < 1e-6)));
};

it('draws the edges of a board with a birdsmouth, none where its pieces part', () => {
  const common = solution.members.find(({ kind }) => kind === 'common')!;
  const edges = boardEdges(solidOf(common));
  // Seven corners: two at the ridge, four at seat, heel and tail, one where the seat meets the belly.
  const across = edges.filter(([p, q]) => Math.abs(p[1] - q[1]) > 1);
  expect(across).toHaveLength(7);
  const entry = solution.cuts.members.find(({ kind }) => kind === 'common')!;
  const theta = (entry.slope * Math.PI) / 180;
  const { depth } = common.stock;
  const { width } = entry.seat!;
  // Top edge and belly, plumb cuts at both ends, seat and heel in place of the belly they cut away.
  const top = entry.length.longPoint + entry.length.tail;
  const belly = top - (width * Math.cos(theta) + width * Math.tan(theta) * Math.sin(theta));
  const outline = top + belly + (2 * depth) / Math.cos(theta) + width * (1 + Math.tan(theta));
  expect(profile(common)).toBeCloseTo(outline, 3);
  expect(total(edges)).toBeCloseTo(2 * outline + 7 * common.stock.thickness, 3);
});

it('draws twelve edges of a box', () => {
  const ridge = solution.members.find(({ kind }) => kind === 'ridge')!;
  const { thickness, depth } = ridge.stock;
  const edges = boardEdges(solidOf(ridge));
  expect(edges).toHaveLength(12);
  expect(total(edges)).toBeCloseTo(4 * (9000 + thickness + depth), 3);
});

it('gives every board its own triangles and edges, with the wood’s surface and no more', () => {
  for (const house of [solution, ...framedHouses(12, 41)]) {
    const mesh = meshOf(house);
    expect(mesh.boards).toHaveLength(house.members.length);
    expect(mesh.boards.at(-1)?.corners.to).toBe(mesh.corners.length);
    expect(mesh.boards.at(-1)?.edges.to).toBe(mesh.edges.length);
    expect(mesh.endGrain).toHaveLength(mesh.corners.length / 3);
    for (const [i, { corners }] of mesh.boards.entries()) {
      const faces = solidOf(house.members[i]!).flatMap((piece) => piece);
      const wanted = faces.reduce((sum, { points }) => sum + Math.max(0, points.length - 2) * 9, 0);
      expect(corners.to - corners.from).toBe(wanted);
    }
  }
});

it('knows who is cut against whom, both ways', () => {
  const { boards } = meshOf(solution);
  const ridge = boards.find(({ kind }) => kind === 'ridge')!;
  const commons = boards.filter(({ kind }) => kind === 'common');
  expect([...ridge.meets].sort()).toEqual(commons.map(({ id }) => id).sort());
  for (const { meets } of commons) expect(meets).toContain(ridge.id);
});

it('sets the walls’ plates and the roof’s planes with it', () => {
  const { plates, planes } = meshOf(solution);
  const at = (row: Float32Array, i: number): Vec3 => [row[i]!, row[i + 1]!, row[i + 2]!];
  const flat = (row: Float32Array, wanted: (p: readonly Vec3[]) => boolean): number => {
    let sum = 0;
    for (let i = 0; i < row.length; i += 9) {
      const points = [at(row, i), at(row, i + 3), at(row, i + 6)];
      if (wanted(points)) sum += Math.abs(area2(points.map(([x, y]): Vec2 => [x, y])));
    }
    return sum;
  };
  expect(flat(planes, () => true)).toBeCloseTo(9000 * 6900, -2);
  const tops = flat(plates, (points) => points.every(([, , z]) => Math.abs(z) < 1e-3));
  expect(tops).toBeCloseTo(2 * 9000 * 140, -1);
});
