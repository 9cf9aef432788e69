import type { ManifoldToplevel } from 'manifold-3d';
import { place, type PlacedPiece } from '../src/fit/contact/placed';
import { neighboursOf } from '../src/fit/contact/neighbours';
import { overlapsOf } from '../src/fit/contact/overlaps';
import { BoxIndex } from '../src/geom';
import { fit, type Solution } from '../src/solve';
import { timed } from './timed';

/** Corners that lie on one such grid are one to the kernel. mm */
const GRID_MM = 1e-4;
const RUNS = 15;

/** A convex piece as a mesh of triangles. */
const meshOf = ({ Mesh }: ManifoldToplevel, { faces }: PlacedPiece) => {
  const places = new Map<string, number>();
  const corners: number[] = [];
  const triangles: number[] = [];
  const numberOf = (p: readonly number[]): number => {
    const key = p.map((x) => Math.round(x / GRID_MM)).join();
    const known = places.get(key);
    if (known !== undefined) return known;
    places.set(key, places.size);
    corners.push(...p);
    return places.size - 1;
  };
  for (const { points } of faces) {
    const [first = 0, ...rest] = points.map(numberOf);
    for (const [i, b] of rest.entries()) {
      const c = rest[i + 1];
      if (c !== undefined && b !== c && b !== first && c !== first) triangles.push(first, b, c);
    }
  }
  return new Mesh({
    numProp: 3,
    vertProperties: new Float32Array(corners),
    triVerts: new Uint32Array(triangles),
  });
};

const median = (times: readonly number[]): number =>
  [...times].sort((a, b) => a - b)[Math.floor(times.length / 2)] ?? NaN;

/**
 * The proof beside a general solid kernel: that one is asked, of every two pieces whose boxes touch, how much wood they
 * share. In turns, so that both have the same machine.
 */
export const againstKernel = (kernel: ManifoldToplevel, solution: Solution): void => {
  const placed = solution.members.map((member) => place(member, ''));
  const pieces = placed
    .flatMap((body, of) => body.pieces.map((piece) => ({ of, piece })))
    .map((one, at) => ({ ...one, at }));
  const index = new BoxIndex(pieces, ({ piece }) => piece);
  const pairs = pieces.flatMap(({ of, at, piece }) =>
    index.near(piece).flatMap((other) => (other.of > of ? [[at, other.at] as const] : [])),
  );
  const times = {
    made: [] as number[],
    shared: [] as number[],
    proof: [] as number[],
    own: [] as number[],
  };
  let mm3 = 0;
  let ownMm3 = 0;
  for (let run = 0; run < 2 * RUNS; run += 1) {
    let solids: InstanceType<ManifoldToplevel['Manifold']>[] = [];
    times.made.push(
      timed(() => {
        solids = pieces.map(({ piece }) => new kernel.Manifold(meshOf(kernel, piece)));
      }),
    );
    times.shared.push(
      timed(() => {
        mm3 = 0;
        for (const [i, j] of pairs) {
          const [one, other] = [solids[i], solids[j]];
          if (one === undefined || other === undefined) continue;
          const wood = one.intersect(other);
          mm3 += wood.volume();
          wood.delete();
        }
      }),
    );
    for (const solid of solids) solid.delete();
    const members = solution.members.map((member) => ({ ...member }));
    times.proof.push(timed(() => fit({ ...solution, members })));
    const bodies = members.map((member) => place(member, ''));
    times.own.push(
      timed(() => {
        ownMm3 = overlapsOf(neighboursOf(bodies), () => true).reduce(
          (sum, one) => sum + one.mm3,
          0,
        );
      }),
    );
  }
  const [made, shared, proof, own] = [times.made, times.shared, times.proof, times.own].map((all) =>
    median(all.slice(RUNS)),
  ) as [number, number, number, number];
  process.stdout.write(
    [
      `against a general solid kernel, ${solution.members.length} boards, ${pieces.length} convex pieces, ${pairs.length} pairs whose boxes touch:`,
      `  the kernel: ${shared.toFixed(1)} ms to intersect the pairs, ${made.toFixed(1)} ms to take the pieces in (${mm3.toFixed(1)} mm³ shared)`,
      `  the whole proof: ${proof.toFixed(1)} ms, so ${((shared + made) / proof).toFixed(1)} × (wanted 10)`,
      `  the same question by itself: ${own.toFixed(1)} ms, so ${(shared / own).toFixed(0)} × (${ownMm3.toFixed(1)} mm³ shared)`,
      '',
    ].join('\n'),
  );
};
