import { solidOf, type Member } from '../../frame';
import { toWorld, v3, type Vec3 } from '../../geom';
import type { Solution } from '../../solve';
import { buildingInput, solvedInput } from '../../tests/building';
import { framedHouses } from '../../tests/asked';
import { runs, seeded } from '../../tests/effort';
import { raisingOf, type RaisingStep, type Stages } from '..';

const TOUCH_MM = 1.5;
const WALK_MM = 15;
const IN_MM = 4;

interface Solid {
  readonly middles: readonly Vec3[];
  readonly holds: (p: Vec3) => boolean;
}

/** It touches others in narrow strips: its edges are walked. */
const crosses = ({ kind }: Member): boolean => kind === 'roof-purlin' || kind === 'fascia';

/** A board as a cloud of points on its faces, and a question whether a point touches its wood: nothing of the proof. */
const solidIn = (member: Member): Solid => {
  const faces = solidOf(member).map((piece) =>
    piece
      .map(({ points }) => points.map((p) => toWorld(member.frame, p)))
      .filter((points) => points.length > 2),
  );
  const middle = (points: readonly Vec3[]): Vec3 =>
    v3.scale(
      points.reduce((sum, p) => v3.add(sum, p)),
      1 / points.length,
    );
  const convex = faces.map((piece) => {
    const centre = middle(piece.map(middle));
    return piece.flatMap((points) => {
      const [a, b, c] = points;
      if (a === undefined || b === undefined || c === undefined) return [];
      const normal = v3.unit(v3.cross(v3.sub(b, a), v3.sub(c, a)));
      if (!Number.isFinite(normal[0])) return [];
      const out = v3.dot(normal, v3.sub(centre, a)) > 0 ? v3.scale(normal, -1) : normal;
      return [{ out, at: v3.dot(out, a) }];
    });
  });
  return {
    middles: faces.flat().flatMap((points) => {
      const own = middle(points);
      const walked = points.flatMap((p, i) => {
        const q = points[(i + 1) % points.length] ?? p;
        const steps = crosses(member) ? Math.ceil(v3.distance(p, q) / WALK_MM) : 1;
        return Array.from({ length: steps }, (_, k) => v3.lerp(p, q, k / steps));
      });
      return [
        own,
        ...walked.map((p) => v3.lerp(p, own, Math.min(0.5, IN_MM / v3.distance(p, own)))),
      ];
    }),
    holds: (p) =>
      convex.some((planes) => planes.every(({ out, at }) => v3.dot(out, p) < at + TOUCH_MM)),
  };
};

const touching = (one: Solid, other: Solid): boolean =>
  one.middles.some(other.holds) || other.middles.some(one.holds);

/** What stands on walls, hangs on them, or lies on plates or the ground needs no timber to touch; nor does a purlin that ends on walls. */
const stands = ({ kind, notches, ends }: Member): boolean =>
  (kind === 'under-purlin' && ends.every(({ meets }) => meets === null)) ||
  [
    'post',
    'rafter-tie',
    'gable-stud',
    'strut',
    'ledger',
    'sleeper',
    'backing',
    'false-tail',
  ].includes(kind) ||
  notches.some(({ for: what }) => what === 'plate');

/** Marks of members that go up before anything they touch, or before what they are cut against. */
const inTheAir = ({ members }: Solution, steps: readonly RaisingStep[]): string[] => {
  const byId = new Map(members.map((member) => [member.id, member]));
  const solids = new Map(members.map((member) => [member.id, solidIn(member)]));
  const up: string[] = [];
  return steps.flatMap(({ members: raised }) => {
    up.push(...raised);
    return raised.filter((id) => {
      const [member, solid] = [byId.get(id), solids.get(id)];
      if (member === undefined || solid === undefined) return true;
      const cutOn = [
        ...member.ends.filter(({ at, name }) => at !== 'tail' && !name.startsWith('tail')),
        ...member.notches.flatMap((notch) => (notch.for === 'housing' ? [] : [notch.seat])),
      ];
      const hangs = ({ meets, name }: (typeof cutOn)[number]): boolean =>
        meets !== null && !up.includes(meets) && !/^(scarf|abutment)/.test(name);
      // Edges are mitred to each other, and hang on tails.
      if (!crosses(member) && cutOn.some(hangs)) return true;
      return (
        !stands(member) &&
        !up.some((other) => {
          const against = solids.get(other);
          return other !== id && against !== undefined && touching(solid, against);
        })
      );
    });
  });
};

const standing = (solution: Solution): Solution => ({
  ...solution,
  members: solution.members.filter(
    ({ block }) => !solution.roof.laid.some((on) => on.block === block),
  ),
});

const houses = framedHouses(runs(28), seeded(20261126));

it.each([1, 2] as const)(
  'raises every timber once, and none in the air, in %i stages',
  (stages: Stages) => {
    const found = houses.map(standing).flatMap((house, i) => {
      const steps = raisingOf(house, stages);
      const raised = steps.flatMap(({ members }) => members);
      expect([...raised].sort()).toEqual(house.members.map(({ id }) => id).sort());
      return inTheAir(house, steps).map((id) => `${i} ${id}`);
    });
    expect(found).toEqual([]);
  },
);

it('stands a beam on all of its posts and a purlin on its struts, whichever half they are in', () => {
  let carried = 0;
  for (const house of houses.map(standing)) {
    const steps = raisingOf(house, 2);
    const at = (id: string): number => steps.findIndex(({ members }) => members.includes(id));
    for (const { id, kind, ends } of house.members)
      for (const { meets } of kind === 'post' || kind === 'strut' ? ends : [])
        if (meets !== null) {
          carried += 1;
          // One that is scarfed stands on those under each of its lengths.
          expect(at(id)).toBeLessThanOrEqual(at(meets));
        }
  }
  expect(carried).toBeGreaterThan(20);
});

it('would see timbers raised in the wrong order', () => {
  const seen = houses.map(standing).filter((house) => {
    const [frames, ...rest] = raisingOf(house, 1);
    return frames !== undefined && inTheAir(house, [...[...rest].reverse(), frames]).length > 0;
  });
  expect(seen).toHaveLength(houses.length);
});

const barnInput = buildingInput({
  along: 12_000,
  across: 8000,
  pitch: '9/12',
  ends: ['gable', 'gable'],
});
const barn = solvedInput(barnInput);

it('splits a barn with a ridge in two lengths into equal halves, the first covered before the second', () => {
  const { timber } = barnInput;
  const inTwo = { thickness: 38, depth: 235, longest: 6600 };
  const spliced = solvedInput({ ...barnInput, timber: { ...timber, ridge: inTwo } });
  const steps = raisingOf(spliced, 2);
  const commons = (stage: number): number =>
    steps
      .filter((step) => step.stage === stage)
      .flatMap(({ members }) => members)
      .filter((id) => id.includes('.common.')).length;
  expect(commons(1) + commons(2)).toBe(
    spliced.members.filter(({ kind }) => kind === 'common').length,
  );
  expect(Math.abs(commons(1) - commons(2))).toBeLessThanOrEqual(4);
  const covered = steps.findIndex(({ members }) => members.length === 0);
  expect(steps.slice(0, covered + 1).every(({ stage }) => stage === 1)).toBe(true);
  expect(steps.slice(covered + 1).every(({ stage }) => stage === 2)).toBe(true);
});

it('tells the height of the ridge and the diagonals by their closed forms', () => {
  const steps = raisingOf(barn, 1);
  const said = steps.flatMap(({ checks }) => checks).join('\n');
  const common = barn.cuts.members.find(({ kind }) => kind === 'common');
  const hap = common?.seat?.hap ?? 0;
  const thick = barn.members.find(({ kind }) => kind === 'ridge')?.stock.thickness ?? 0;
  // The tops of the rafters meet its sides: its own top stands where they do.
  const top = ((8000 - thick) / 2) * 0.75 + hap;
  expect(said).toContain(`${Math.round(top)} mm above the plate`);
  const diagonal = Math.hypot(12_000, 4000, 4000 * 0.75 + hap);
  expect(said).toContain(`${Math.round(diagonal)} mm both ways`);
});

it('holds a ridge by a pair near each of its ends', () => {
  const frames = raisingOf(barn, 1).find(({ title }) => title.startsWith('Ridge'));
  expect(frames?.members.filter((id) => id.includes('.common.'))).toHaveLength(4);
});

it('lays sleepers by themselves before anything stands on them', () => {
  const base = buildingInput({
    along: 9000,
    across: 7000,
    pitch: '8/12',
    ends: ['gable', 'gable'],
  });
  const eave = { roof: 'eave', pitch: '8/12', overhang: 300 } as const;
  const solution = solvedInput({
    ...base,
    timber: { ...base.timber, sleeper: { thickness: 38, depth: 140 } },
    blocks: [
      ...base.blocks,
      {
        id: 'entry',
        join: 'laid-on',
        outline: [
          [3000, -1500],
          [5400, -1500],
          [5400, 1400],
          [3000, 1400],
        ],
        sides: [{ roof: 'gable' }, eave, { roof: 'open' }, eave],
      },
    ],
  });
  const kinds = new Map(solution.members.map(({ id, kind }) => [id, kind]));
  const step = raisingOf(solution, 1).find(({ members }) =>
    members.some((id) => kinds.get(id) === 'sleeper'),
  )!;
  expect(new Set(step.members.map((id) => kinds.get(id)))).toEqual(new Set(['sleeper']));
});
