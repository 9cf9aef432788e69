import { solidOf } from '../frame';
import { toWorld } from '../geom';
import { degrees, radians } from '../units';
import type { Job } from '../job';
import { problemLine } from '../problem';
import { fit, solve, type Solution } from '../solve';
import { countOf, entriesOf, entryOf } from './building';
import { crossed, ell, halfHip, jobOf, leanTo, oneBlock, tee } from './houses';

const solvedJob = (job: Job): Solution => {
  const solution = solve(job);
  if (!solution.ok) throw new Error(solution.problems.map(problemLine).join('\n'));
  return solution.value;
};

/** 9/12 on both sides of a square corner. */
const M = 0.75;
const PER_RUN = Math.sqrt(2 + M * M);
const common = (run: number): number => run * Math.sqrt(1 + M * M);

const square: [number, number][] = [
  [0, 0],
  [10000, 0],
  [10000, 6000],
  [0, 6000],
];

describe('a wing on a hip roof', () => {
  const solution = solvedJob(tee());
  const [long, short] = entriesOf(solution, 'valley');

  it('supported: one valley runs on to the main ridge, the other stops against it', () => {
    expect(long!.length.theory).toBeCloseTo(PER_RUN * 3000, 6);
    expect(short!.length.theory).toBeCloseTo(PER_RUN * 2000, 6);
    expect(long!.plan!.map((deg) => deg.toFixed(6))).toEqual(['45.000000', '45.000000']);
    expect(long!.drop).toBeNull();
    // Cheek on the ridge's side: half its thickness, measured along the valley's plan line.
    const cos = Math.cos(radians(long!.slope));
    expect(long!.length.body * cos).toBeCloseTo((3000 - 19) * Math.SQRT2, 6);
    // Into the corner between the wing's ridge and the face of the valley that runs on; the ridge comes first.
    expect(short!.length.body * cos).toBeCloseTo((2000 - 19) * Math.SQRT2, 6);
    expect(short!.cuts.filter(({ at }) => at === 'top')).toHaveLength(2);
  });

  it('its ridge runs from the gable to where the planes meet', () => {
    const wing = entriesOf(solution, 'ridge').find(({ block }) => block === 'wing')!;
    expect(wing.length.theory).toBeCloseTo(3000 + 2000, 6);
  });

  it('valley jacks step by the jack difference, with a cheek of 45° at their feet', () => {
    const jacks = entriesOf(solution, 'valley-jack').filter(({ block }) => block === 'main');
    expect(jacks.length).toBeGreaterThan(2);
    const theory = jacks.map((jack) => jack.length.theory).sort((a, b) => b - a);
    // 200 mm apart seen from the two valleys together: the wing stands 200 mm off the main layout.
    const steps = theory.slice(1).map((length, i) => (theory[i]! - length) / 250);
    for (const step of steps) expect(step).toBeCloseTo(Math.round(step), 6);
    const handed = { left: 0, right: 0 };
    for (const jack of jacks) {
      const foot = jack.cuts.find(({ at }) => at === 'bottom')!;
      expect(foot.faceTilt).toBeCloseTo(45, 6);
      // The long point is at the foot: on the left where the valley falls away to the left.
      for (const id of jack.members) {
        const { ends, frame } = solution.members.find((one) => one.id === id)!;
        const face = ends.find(({ at }) => at === 'bottom')!.keep.normal;
        const leansLeft = face[0] * frame.s[0] + face[1] * frame.s[1] < 0;
        handed[leansLeft ? 'left' : 'right'] += 1;
      }
      expect(jack.length.tail).toBe(0);
    }
    const listed = (hand: 'left' | 'right'): number =>
      jacks.reduce((sum, { hands }) => sum + hands[hand], 0);
    expect({ left: listed('left'), right: listed('right') }).toEqual(handed);
    expect(Math.min(handed.left, handed.right)).toBeGreaterThan(0);
  });

  it('to the ridge’s end: two valleys alike, double cheeks, and a header that carries them', () => {
    const other = solvedJob(tee({ framing: { valleys: 'to-ridge-end' } }));
    const valley = entryOf(other, 'valley');
    expect(valley.count).toBe(2);
    expect(valley.length.theory).toBeCloseTo(PER_RUN * 2000, 6);
    expect(valley.cuts.filter(({ at }) => at === 'top')).toHaveLength(2);
    const header = entryOf(other, 'header');
    const ends = other.members.find(({ kind }) => kind === 'header')!.ends;
    for (const { meets } of ends)
      expect(other.members.find(({ id }) => id === meets)!.kind).toMatch(/jack|common/);
    expect(header.length.theory - header.length.body).toBeCloseTo(38, 6);
    expect(fit(other).problems).toEqual([]);
  });

  it('as wide as the main range, both valleys and its ridge run to the main ridge', () => {
    const level = solvedJob(tee({ width: 6000 }));
    const valley = entryOf(level, 'valley');
    expect([valley.count, valley.length.theory.toFixed(6)]).toEqual([
      2,
      (PER_RUN * 3000).toFixed(6),
    ]);
    expect(fit(level).problems).toEqual([]);
  });
});

describe('other plans', () => {
  it('an L: the hip breaks to the lower ridge', () => {
    const solution = solvedJob(ell());
    const broken = entriesOf(solution, 'hip').find(({ count }) => count === 1)!;
    expect(broken.length.theory).toBeCloseTo(PER_RUN * (3000 - 2000), 6);
    expect(broken.seat).toBeNull();
    const cautions = solution.cuts.notes.filter(({ level }) => level === 'caution');
    expect(cautions.find(({ text }) => text.includes('breaks to a lower ridge'))!.member).toBe(
      broken.mark,
    );
    expect(countOf(solution, 'hip')).toBe(4);
    expect(countOf(solution, 'cripple-jack')).toBeGreaterThan(0);
    // One fascia along the wall that both blocks share.
    const east = entriesOf(solution, 'fascia').map(({ length }) => length.theory);
    expect(east.some((length) => Math.abs(length - (9000 + 450)) < 1e-6)).toBe(true);
  });

  it('a cross of equal ranges: four valleys, one ridge through, the other in two', () => {
    const solution = solvedJob(crossed());
    expect(countOf(solution, 'valley')).toBe(4);
    expect(countOf(solution, 'ridge')).toBe(3);
    expect(fit(solution).problems).toEqual([]);
  });

  it('a lean-to: plain commons up to the wall', () => {
    const solution = solvedJob(leanTo());
    const rafter = entriesOf(solution, 'common').find(({ block }) => block === 'porch')!;
    expect(rafter.length.theory).toBeCloseTo(2000 * Math.sqrt(1 + 1 / 9), 6);
    expect(rafter.length.body).toBeCloseTo(rafter.length.theory, 6);
    expect(rafter.count).toBe(9);
    expect(solution.cuts.notes.some(({ text }) => text.includes('ledger'))).toBe(true);
    expect(fit(solution).problems).toEqual([]);
  });

  it('a porch’s fascia runs on under the higher eave to the wall, along every tail', () => {
    const hipped = solvedJob(leanTo({ ends: 'eave' }));
    const side = entriesOf(hipped, 'fascia').find(
      ({ block, side }) => block === 'porch' && side !== 0,
    )!;
    expect([side.count, side.length.theory]).toEqual([2, 2300]);
    expect(fit(hipped).problems).toEqual([]);
  });

  it('an eave that a wing parts: every tail names the length of fascia it is cut to', () => {
    const solution = solvedJob(tee());
    const { members } = solution;
    const ids = new Set(members.map(({ id }) => id));
    const named = members.flatMap(({ ends }) => ends.flatMap(({ meets }) => meets ?? []));
    expect(named.filter((id) => !ids.has(id))).toEqual([]);
    const south = members.filter(({ id }) => id.startsWith('main.fascia.0'));
    expect(south).toHaveLength(2);
    for (const { id } of south) expect(named).toContain(id);
    expect(fit(solution).problems).toEqual([]);
  });

  it('a fascia stops at the rafter that stands along it in the inner corner', () => {
    // The wing's fascias run past the main range's tails, and a rafter of that stands in the line of each.
    const house = solvedJob(tee({ width: 3830, pitch: '8/12' }));
    const sides = house.members.filter(({ id }) => /^wing\.fascia\.[13]$/.test(id));
    expect(sides).toHaveLength(2);
    expect(fit(house).problems).toEqual([]);
  });

  it('a half-hip: its hips start on the raised plate', () => {
    const solution = solvedJob(halfHip());
    const hip = entryOf(solution, 'hip');
    expect(hip.count).toBe(2);
    expect(hip.length.theory).toBeCloseTo(PER_RUN * (3000 - 1200 / M), 6);
    expect(hip.seat).not.toBeNull();
    expect(entryOf(solution, 'king-common').length.theory).toBeCloseTo(common(1400), 6);
    expect(fit(solution).problems).toEqual([]);
  });

  it('a hexagon: six hips in one point', () => {
    const outline = Array.from({ length: 6 }, (_, k): [number, number] => [
      4000 * Math.cos((k * Math.PI) / 3),
      4000 * Math.sin((k * Math.PI) / 3),
    ]);
    const solution = solvedJob(oneBlock(outline, Array<string>(6).fill('9/12')));
    const hip = entryOf(solution, 'hip');
    expect(hip.count).toBe(6);
    // Hip slope: m · sin 60°; its plan run is the circle's radius.
    expect(Math.tan(radians(hip.slope))).toBeCloseTo(M * Math.sin(Math.PI / 3), 9);
    expect(hip.length.theory).toBeCloseTo(4000 / Math.cos(radians(hip.slope)), 6);
    expect(fit(solution).problems).toEqual([]);
  });
});

describe('an end out of square', () => {
  const corner = degrees(Math.atan2(6000, -1000));
  const solution = solvedJob(
    oneBlock([square[0]!, square[1]!, [9000, 6000], square[3]!], Array<string>(4).fill('9/12')),
  );

  it('puts each hip on the true bisector of its corner', () => {
    const plans = entriesOf(solution, 'hip').map(({ plan }) => plan!);
    const halves = [(180 - (180 - corner)) / 2, 45, (180 - corner) / 2];
    for (const half of halves)
      expect(plans.some(([a, b]) => Math.abs(a - half) < 1e-6 && Math.abs(b - half) < 1e-6)).toBe(
        true,
      );
  });

  it('stands the end common square to its plate, off the ridge’s line', () => {
    const king = entriesOf(solution, 'king-common').find(({ hands }) => hands.plain === 0)!;
    expect(king.cuts[0]!.faceTilt).toBeCloseTo(Math.abs(90 - corner), 6);
    expect(king.length.theory).toBeCloseTo(common(3000), 6);
  });

  it('tilts the jacks’ cheeks by each corner’s own half angle', () => {
    const tilts = new Set(
      entriesOf(solution, 'hip-jack').map(({ cuts }) => cuts[0]!.faceTilt.toFixed(3)),
    );
    expect([...tilts].sort()).toEqual(
      [45, 90 - corner / 2, corner / 2].map((tilt) => tilt.toFixed(3)).sort(),
    );
  });
});

it('a gable out of square: no rafter stands past the roof’s edge, tails and all', () => {
  const eave = { roof: 'eave' as const, pitch: '9/12', overhang: 450 };
  const gable = { roof: 'gable' as const };
  const outline: [number, number][] = [square[0]!, square[1]!, square[2]!, [1000, 6000]];
  const solution = solvedJob(jobOf([{ id: 'main', outline, sides: [eave, gable, eave, gable] }]));
  // The west wall leans 1 in 6, and its roof has no overhang.
  const inside = solution.members
    .filter(({ kind }) => kind === 'common')
    .flatMap((member) =>
      solidOf(member).flatMap((piece) =>
        piece.flatMap(({ points }) => points.map((p) => toWorld(member.frame, p))),
      ),
    )
    .map(([x, y]) => (x * 6 - y) / Math.hypot(6, 1));
  expect(Math.min(...inside)).toBeGreaterThan(-0.01);
  expect(fit(solution).problems).toEqual([]);
});

describe('unequal pitches', () => {
  const solution = solvedJob(oneBlock(square, ['9/12', '12/12', '9/12', '12/12']));
  const hip = entryOf(solution, 'hip');

  it('lay the hip where m1·d1 = m2·d2', () => {
    const [less, more] = [...hip.plan!].sort((a, b) => a - b);
    expect(less).toBeCloseTo(degrees(Math.atan(0.75)), 9);
    expect(more).toBeCloseTo(degrees(Math.atan(1 / 0.75)), 9);
    expect(Math.tan(radians(hip.slope))).toBeCloseTo(0.75 * 0.8, 9);
  });

  it('drop to the lower arris and back each side to its own plane', () => {
    // Fall of each plane square off the hip: m1·cos 53.13°, m2·cos 36.87°.
    expect(hip.drop).toBeCloseTo(19 * Math.max(0.75 * 0.6, 1 * 0.8), 6);
    const cos = Math.cos(radians(hip.slope));
    const backing = [0.75 * 0.6, 0.8].map((fall) => degrees(Math.atan(fall * cos)));
    expect(hip.backing!.map((deg) => deg.toFixed(6)).sort()).toEqual(
      backing.map((deg) => deg.toFixed(6)).sort(),
    );
  });

  it('give the jacks of each side their own tilt', () => {
    const tilts = entriesOf(solution, 'hip-jack').map(({ side, cuts }) => [
      side! % 2,
      cuts[0]!.faceTilt.toFixed(4),
    ]);
    expect(new Set(tilts.map(String))).toEqual(new Set(['0,53.1301', '1,36.8699']));
  });
});
