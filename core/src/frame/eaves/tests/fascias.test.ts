import { halfSpace, v3 } from '../../../geom';
import type { JobInput } from '../../../job';
import { fit, type Solution } from '../../../solve';
import { buildingInput, entriesOf, solvedInput } from '../../../tests/building';
import { radians } from '../../../units';

const DEG = 180 / Math.PI;
const STOCK = { thickness: 22, depth: 195 };

/** A hip roof of two pitches, its tails cut square, its fascias level. */
const house = (long: number, short: number): JobInput => {
  const input = buildingInput({
    along: 9000,
    across: 6240,
    pitch: `${long}°`,
    timber: { fascia: STOCK },
  });
  return {
    ...input,
    framing: { ...input.framing, tail: 'square', levelFascia: 'vary-overhang' },
    blocks: input.blocks.map((block) => ({
      ...block,
      sides: block.sides.map((side, i) => ({
        roof: 'eave' as const,
        pitch: `${i % 2 === 0 ? long : short}°`,
        overhang: side.roof === 'eave' ? (side.overhang ?? 0) : 0,
      })),
    })),
  };
};

const fasciasOf = ({ members }: Solution) => members.filter(({ kind }) => kind === 'fascia');

describe.each([
  [30, 42],
  [35, 35],
  [25, 50],
])('square fascias of %i° and %i° at a corner', (long, short) => {
  const solution = solvedInput(house(long, short));

  it('are mitred midway between their two faces, each by its own angle on its face', () => {
    // The outward normals of the two backs, square to slopes whose eaves run along x and along y.
    const [p, q] = [radians(long), radians(short)];
    const a = [0, -Math.cos(p), -Math.sin(p)] as const;
    const b = [Math.cos(q), 0, -Math.sin(q)] as const;
    const middle = v3.unit(v3.sub(a, b));
    // Tilt off square through the thickness: between the mitre and the board's face.
    const tilt = Math.asin(Math.abs(v3.dot(middle, a))) * DEG;
    // On its face, off square across: where the mitre crosses it.
    const onFace = (
      back: typeof a | typeof b,
      along: readonly [number, number, number],
    ): number => {
      const line = v3.unit(v3.cross(middle, back));
      return Math.asin(Math.abs(v3.dot(line, along))) * DEG;
    };
    const wanted = [onFace(a, [1, 0, 0]), onFace(b, [0, 1, 0])];
    const entries = entriesOf(solution, 'fascia');
    expect(entries.reduce((sum, { count }) => sum + count, 0)).toBe(4);
    for (const { cuts } of entries) {
      const [cut] = cuts;
      expect(cut!.faceTilt).toBeCloseTo(tilt, 6);
      expect(Math.min(...wanted.map((one) => Math.abs(one - cut!.faceAngle)))).toBeLessThan(1e-6);
    }
  });

  it('sawn on the plumb plane between their directions instead, the proof finds them where the pitches are unlike', () => {
    expect(fit(solution).problems).toEqual([]);
    const members = solution.members.map((member) => {
      if (member.kind !== 'fascia') return member;
      const ends = member.ends.map((end) => {
        const next = fasciasOf(solution).find(({ id }) => id === end.meets);
        if (next === undefined) return end;
        const way = end.at === 'top' ? 1 : -1;
        const turn = v3.scale(v3.unit(v3.add(member.frame.a, next.frame.a)), way);
        const corner = end.at === 'top' ? next.frame.origin : member.frame.origin;
        return { ...end, keep: halfSpace(corner, turn) };
      });
      return { ...member, ends };
    });
    expect(fit({ ...solution, members }).problems.length > 0).toBe(long !== short);
  });
});

it('fascias left long want longer boards, and nothing else changes', () => {
  const input = house(30, 30);
  const [exact, long] = [0, 75].map((fasciaLong) =>
    solvedInput({ ...input, framing: { ...input.framing, fasciaLong } }),
  );
  const [before, after] = [exact!, long!].map((one) => entriesOf(one, 'fascia'));
  expect(after!.length).toBe(before!.length);
  for (const [i, { length, cuts }] of after!.entries()) {
    expect(length.blank).toBeCloseTo(before![i]!.length.blank + 150, 6);
    expect(length.longPoint).toBeCloseTo(before![i]!.length.longPoint, 9);
    expect(cuts).toEqual(before![i]!.cuts);
  }
  expect(long!.cuts.notes.map(({ code }) => code)).toContain('fascias-long');
  expect(exact!.cuts.notes.map(({ code }) => code)).not.toContain('fascias-long');
});
