import { fromOtherEnd } from '../../list';
import { v2, v3, type Vec2 } from '../../geom';
import { cornersOf, type Member } from '../../frame';
import type { Solution } from '../../solve';
import { buildingInput, solvedInput } from '../../tests/building';
import { framedHouses } from '../../tests/asked';

const barn = (more = {}) =>
  solvedInput({
    ...buildingInput({
      along: 9000,
      across: 6000,
      pitch: '9/12',
      ends: ['gable', 'gable'],
      framing: { layout: 'corner', spacing: 600 },
    }),
    ...more,
  });

const tapes = ({ cuts }: Solution, on: string, of: string) =>
  cuts.marks.filter((tape) => tape.on === on && tape.of.startsWith(of));

it('marks a plain wall: the first flush, then on centres, the last flush', () => {
  const [wall] = tapes(barn(), 'plate', 'main.0');
  expect(wall?.length).toBeCloseTo(9000, 9);
  const near = wall?.at.map(({ mm }) => mm) ?? [];
  // Fifteen spaces of 600: on centres, the end pairs flush inside the gables.
  const wanted = [0, ...Array.from({ length: 14 }, (_, k) => (k + 1) * 600 - 19), 9000 - 38];
  expect(near).toEqual(wanted.map((mm): unknown => expect.closeTo(mm, 6)));
  expect(
    wall?.at.every(({ edge, wide }) => edge === 'near' && Math.abs((wide ?? 0) - 38) < 1e-9),
  ).toBe(true);
});

it('reads the same from the other end: lengths less what was read, and what it is wide', () => {
  const [wall] = tapes(barn(), 'plate', 'main.0');
  const back = fromOtherEnd(wall!);
  expect(back.at).toHaveLength(wall!.at.length);
  for (const { mm, wide = 0, mark } of wall!.at) {
    const found = back.at.find((one) => Math.abs(one.mm + mm + wide - 9000) < 1e-6);
    expect(found?.mark).toBe(mark);
  }
  const twice = fromOtherEnd(back);
  expect(twice.at.map(({ mm }) => mm)).toEqual(
    wall!.at.map(({ mm }): unknown => expect.closeTo(mm, 9)),
  );
});

it('marks both faces of a ridge where the pairs come, opposite ones at one figure', () => {
  const [left, right] = tapes(barn(), 'ridge', 'main.ridge.0');
  expect(left?.length).toBeCloseTo(9000, 6);
  expect(left?.at.map(({ mm }) => mm)).toEqual(
    right?.at.map(({ mm }): unknown => expect.closeTo(mm, 6)),
  );
  expect(left?.at).toHaveLength(16);
  expect(left?.from).toMatch(/left face/u);
});

it('a ridge in lengths has a tape for each', () => {
  const solution = barn({
    timber: {
      common: { thickness: 38, depth: 184 },
      ridge: { thickness: 38, depth: 235, longest: 6000 },
      plateWidth: 140,
    },
  });
  const found = tapes(solution, 'ridge', 'main.ridge.0');
  expect(found).toHaveLength(4);
  const marks = found.filter(({ from }) => from.includes('left')).flatMap(({ at }) => at);
  // A rafter at the scarf leans on both.
  expect(marks.length).toBeGreaterThanOrEqual(16);
});

/** How far along a line a timber reaches just inside a wall's face, by its own corners: nothing of the tapes. */
const reach = (
  member: Member,
  from: Vec2,
  along: Vec2,
  inward: Vec2,
): readonly [number, number] => {
  const way = v2.unit(v3.inPlan(member.frame.a));
  const us = cornersOf(member).map((p) => {
    const off = v2.sub(v3.inPlan(p), from);
    // Back along the timber's own direction on to the line.
    const t = v2.dot(off, inward) / v2.dot(way, inward);
    return v2.dot(v2.sub(off, v2.scale(way, t)), along);
  });
  return [Math.min(...us), Math.max(...us)];
};

it('agrees with the members’ own solids on random houses', () => {
  let marks = 0;
  for (const solution of framedHouses(28, 512)) {
    const ids = new Map(solution.cuts.members.map(({ mark, members }) => [mark, members]));
    for (const tape of solution.cuts.marks.filter(({ on }) => on === 'plate')) {
      const [block, side] = [
        tape.of.slice(0, tape.of.lastIndexOf('.')),
        tape.of.slice(tape.of.lastIndexOf('.') + 1),
      ];
      const line = solution.roof.blocks.find(({ id }) => id === block)?.sides[Number(side)];
      if (line === undefined) throw new Error(tape.of);
      for (const { mm, wide = 0, mark } of tape.at) {
        marks += 1;
        const own = solution.members.filter(({ id }) => ids.get(mark)?.includes(id));
        const fits = own.some((member) => {
          const [low, high] = reach(member, line.start, line.along, line.inward);
          return Math.abs(low - mm) < 0.01 && Math.abs(high - mm - wide) < 0.01;
        });
        expect([tape.of, mark, mm, fits]).toEqual([tape.of, mark, mm, true]);
      }
    }
  }
  expect(marks).toBeGreaterThan(200);
});
