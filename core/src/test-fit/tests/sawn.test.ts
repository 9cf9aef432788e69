import { memberOf } from '../../cuts';
import { solidOf, type EndCut, type Member } from '../../frame';
import { planeAt, toWorld, v2, v3, type HalfSpace, type Vec2, type Vec3 } from '../../geom';
import type { Cause } from '../../log';
import type { Solution } from '../../solve';
import { buildingInput, solvedInput } from '../../tests/building';
import { likelyCauses, type Seen } from '..';

/**
 * Faults sawn into the timber itself: a member's half-spaces are altered, the board is sawn by them, and the gaps are
 * measured between the corners of that solid and the faces that the right one lies on. Nothing of it knows how the
 * causes are worked out.
 */
const solution: Solution = solvedInput(
  buildingInput({ along: 9000, across: 6000, pitch: '7/12', framing: { seat: { hap: 110 } } }),
);
const pieceOf = (kind: string): Member =>
  memberOf(
    solution,
    solution.cuts.members.find((line) => line.kind === kind),
  )!;

const upper = ({ ends }: Member): EndCut => ends.find(({ at }) => at === 'top')!;
const moved = ({ normal, offset }: HalfSpace, by: number): HalfSpace => ({
  normal,
  offset: offset + by,
});

const withUpper = (member: Member, keep: (was: HalfSpace) => HalfSpace): Member => ({
  ...member,
  ends: member.ends.map((end) => (end.at === 'top' ? { ...end, keep: keep(end.keep) } : end)),
});

/** A seat sawn deeper or shallower: what it stands on comes up to another height of the piece. */
const withSeat = (member: Member, by: number): Member => ({
  ...member,
  notches: member.notches.map((notch) => ({
    ...notch,
    seat: { ...notch.seat, keep: moved(notch.seat.keep, by) },
  })),
});

/** The corners of the sawn upper cut, highest first, in the world. */
const cornersOfCut = (member: Member): Vec3[] => {
  const end = upper(member);
  return solidOf(member)
    .flatMap((solid) => solid.filter(({ tag }) => tag === end))
    .flatMap(({ points }) => points.map((p) => toWorld(member.frame, p)))
    .sort((p, q) => q[2] - p[2]);
};

const along = (member: Member): Vec2 => v2.unit(v3.inPlan(member.frame.a));

/** Level, in the piece's own direction, from a point to a face. */
const levelTo = (member: Member, face: HalfSpace, p: Vec3): number => {
  const [u, v] = along(member);
  return -planeAt(face, p) / v3.dot(face.normal, [u, v, 0]);
};

/** What a sawn piece shows, lifted by so much until its seat lies on the plate, against the piece that it should be. */
const seenOf = (right: Member, sawn: Member, lift: number): Seen => {
  const at = (p: Vec3): Vec3 => [p[0], p[1], p[2] + lift];
  const corners = cornersOfCut(sawn).map(at);
  const face = upper(right).keep;
  const [high, low] = [corners[0]!, corners[corners.length - 1]!];
  return {
    'top-gap': levelTo(right, face, high),
    'bottom-gap': levelTo(right, face, low),
    'top-step': high[2] - cornersOfCut(right)[0]![2],
    'plate-step': lift,
    hap: lift,
  };
};

const first = (member: Member, seen: Seen) =>
  likelyCauses(solution.members, member, { held: 'seated', others: null, seen })[0]!;

const HALF_RIDGE = 19;

interface Fault {
  readonly sawn: (right: Member) => Member;
  readonly lift: number;
  readonly by: number | null;
}

const SQUARE_TO = (member: Member): number => v3.dot(upper(member).keep.normal, member.frame.a);

const FAULTS: Readonly<Partial<Record<Cause, Fault>>> = {
  length: {
    sawn: (right) => withUpper(right, (keep) => moved(keep, -13 * SQUARE_TO(right))),
    lift: 0,
    by: -13,
  },
  'ridge-thickness': {
    sawn: (right) => withUpper(right, (keep) => moved(keep, HALF_RIDGE)),
    lift: 0,
    by: null,
  },
  hap: { sawn: (right) => withSeat(right, 8), lift: 8, by: 8 },
};

it.each(Object.entries(FAULTS) as [Cause, Fault][])(
  'a common sawn with the fault %s is found out, as large as it is',
  (cause, { sawn, lift, by }) => {
    const right = pieceOf('common');
    const found = first(right, seenOf(right, sawn(right), lift));
    expect(found.cause).toBe(cause);
    if (by !== null) expect(found.byMm).toBeCloseTo(by, 2);
  },
);

it('a common sawn to the complement is found out by the wedge at its lower edge', () => {
  const right = pieceOf('common');
  const { frame, topMm, stock } = right;
  const { keep } = upper(right);
  const mark = cornersOfCut(right)[0]!;
  // The plumb line's two shares, along the board and square to its edge, changed about; through the same mark.
  const [a, e] = [v3.dot(keep.normal, frame.a), v3.dot(keep.normal, frame.e)];
  const normal = v3.add(v3.scale(frame.a, Math.abs(e)), v3.scale(frame.e, -Math.abs(a)));
  const sawn = withUpper(right, () => ({ normal, offset: v3.dot(normal, mark) }));
  const seen = seenOf(right, sawn, 0);
  expect(Math.abs(seen['top-gap']!)).toBeLessThan(0.01);
  expect(Math.abs(seen['bottom-gap']!)).toBeGreaterThan(50);
  expect(stock.depth).toBeGreaterThan(topMm);
  expect(first(right, seen).cause).toBe('complement');
});

it('a hip too long by half of what it lies against is found out too', () => {
  const right = pieceOf('hip');
  const meets = upper(right).meets;
  const half = solution.members.find(({ id }) => id === meets)!.stock.thickness / 2;
  const tops = right.ends.filter(({ at }) => at === 'top');
  const sawn = withUpper(right, (keep) => moved(keep, half));
  const far = (member: Member): number =>
    Math.max(...cornersOfCut(member).map((p) => v2.dot(v3.inPlan(p), along(right))));
  const over = far(sawn) - far(right);
  expect(tops.length).toBeGreaterThan(0);
  expect(over).toBeGreaterThan(half);
  const seen: Seen = {
    'top-gap': -over,
    'bottom-gap': -over,
    'top-step': over * Math.tan(right.axis.slopeRad),
    hap: 0,
  };
  expect(first(right, seen).cause).toBe('ridge-thickness');
});

it('the right piece, sawn and laid where it belongs, shows nothing', () => {
  for (const kind of ['common', 'king-common']) {
    const right = pieceOf(kind);
    for (const mm of Object.values(seenOf(right, right, 0))) expect(mm).toBeCloseTo(0, 6);
  }
});
