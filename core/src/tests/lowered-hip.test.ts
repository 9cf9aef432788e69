import { bellyOf, solidOf, type Member } from '../frame';
import { toWorld } from '../geom';
import type { JobInput } from '../job';
import { problemLine } from '../problem';
import { fit, solve, type Solution } from '../solve';
import { entriesOf, entryOf } from './building';
import { eave, jobOf, rectangle } from './houses';
import { sawHouse } from './saw-house';
import { unseenSpoilings } from './spoil-houses';

const M = 0.75;
const HIP = { thickness: 38, depth: 184 };

const house = (
  hipLowered: number | undefined,
  framing: Partial<JobInput['framing']> = {},
  hip = HIP,
): Solution => {
  const sides = [1, 2, 3, 4].map(() => eave('9/12', 400));
  const job = jobOf(
    [rectangle('main', [0, 0, 9000, 6000], sides)],
    { ...framing, ...(hipLowered !== undefined && { hipLowered }) },
    { hip },
  );
  const solution = solve(job);
  if (!solution.ok) throw new Error(solution.problems.map(problemLine).join('\n'));
  expect(fit(solution.value).problems.map(({ text }) => text)).toEqual([]);
  return solution.value;
};

const hipOf = ({ members }: Solution): Member => members.find(({ kind }) => kind === 'hip')!;

it.each([20, 45])('a hip lowered by %s mm stands so much lower and has its own seat', (lowered) => {
  const plain = house(undefined);
  const low = house(lowered);
  const [before, after] = [entryOf(plain, 'hip'), entryOf(low, 'hip')];
  expect(after.drop).toBeCloseTo(before.drop!, 9);
  expect(after.lowered).toBe(lowered);
  expect(before.lowered).toBeUndefined();
  // (depth ÷ cos slope − hap + drop + lowered) ÷ rise of the hip
  const phi = Math.atan(M / Math.SQRT2);
  const hap = low.roof.blocks[0]!.sides[0]!.hapMm;
  const plumb = HIP.depth / Math.cos(phi) - hap + after.drop! + lowered;
  expect(after.seat!.plumbDepth).toBeCloseTo(plumb, 6);
  expect(after.seat!.width).toBeCloseTo((plumb * Math.SQRT2) / M, 6);
  expect(after.seat!.hap).toBeCloseTo(before.seat!.hap - lowered, 6);
  // Read off the top's own corners too.
  const top = (one: Solution): number => {
    const hip = hipOf(one);
    const zs = solidOf(hip).flatMap((piece) =>
      piece.flatMap(({ points }) => points.map((p) => toWorld(hip.frame, p)[2])),
    );
    return Math.max(...zs);
  };
  expect(top(plain) - top(low)).toBeGreaterThan(0.9 * lowered);
  expect(low.cuts.notes.map(({ code }) => code)).toContain('hip-lowered');
  // What leans on it is sawn as before: its sides stand where they stood.
  expect(entriesOf(low, 'hip-jack').map(({ length }) => length.body)).toEqual(
    entriesOf(plain, 'hip-jack').map(({ length }) => expect.closeTo(length.body, 6) as number),
  );
});

it('jacks’ cheeks bear on the whole of their cut, where the hip is low enough', () => {
  // How far the lowest corner of a jack's cheek hangs under the hip's underside there.
  const hangs = (one: Solution): number => {
    const hip = hipOf(one);
    const { normal, offset } = bellyOf(hip);
    const jacks = one.members.filter(
      ({ kind, ends }) => kind === 'hip-jack' && ends.some(({ meets }) => meets === hip.id),
    );
    expect(jacks.length).toBeGreaterThan(4);
    return Math.max(
      ...jacks.flatMap((jack) =>
        solidOf(jack).flatMap((piece) =>
          piece.flatMap(({ tag, points }) =>
            typeof tag === 'object' && 'meets' in tag && tag.meets === hip.id
              ? points.map((q) => {
                  const [x, y, z] = toWorld(jack.frame, q);
                  return (offset - normal[0] * x - normal[1] * y) / normal[2] - z;
                })
              : [],
          ),
        ),
      ),
    );
  };
  const before = hangs(house(undefined));
  expect(before).toBeGreaterThan(15);
  expect(hangs(house(30))).toBeCloseTo(before - 30, 6);
  expect(hangs(house(Math.ceil(before)))).toBeLessThanOrEqual(0);
});

it('a hip that is backed or left square is not lowered', () => {
  for (const hipTop of ['back', 'none'] as const) {
    const hips = [house(undefined, { hipTop }), house(40, { hipTop })].map(hipOf);
    expect(hips[1]!.topMm).toBe(hips[0]!.topMm);
  }
});

it('a lowered hip is held to its height, and sawn by its steps', () => {
  const solution = house(30);
  const hips = solution.members.filter(({ kind }) => kind === 'hip');
  expect(unseenSpoilings(solution, hips)).toEqual([]);
  let most = 0;
  sawHouse(solution, (_, mm) => {
    most = Math.max(most, mm);
  });
  expect(most).toBeLessThan(1);
});
