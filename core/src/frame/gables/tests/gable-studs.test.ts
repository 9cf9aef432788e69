import { solidOf } from '../..';
import { v3 } from '../../../geom';
import { fit, type Solution } from '../../../solve';
import {
  buildingInput,
  entriesOf,
  refusalOf,
  solvedInput,
  type Building,
} from '../../../tests/building';
import { degrees, pitchRad } from '../../../units';

const STUD = { thickness: 38, depth: 89 };
const GABLED: Building = { along: 6000, across: 5000, pitch: '9/12', ends: ['gable', 'gable'] };

const studded = (building: Partial<Building> = {}, stud = STUD): Solution => {
  const { timber, ...rest } = building;
  return solvedInput(buildingInput({ ...GABLED, ...rest, timber: { ...timber, gableStud: stud } }));
};

describe.each([
  ['6/12', 400, 0],
  ['9/12', 400, 0.7],
  ['32.5°', 600, 2.1],
  ['14/12', 450, 0],
] as const)('gable studs at %s, %s mm apart, turned %s', (pitch, spacing, turned) => {
  const solution = studded({ pitch, turned, framing: { spacing } });
  const [theta, m] = [pitchRad(pitch), Math.tan(pitchRad(pitch))];
  const studs = entriesOf(solution, 'gable-stud');
  const { hap } = entriesOf(solution, 'common')[0]!.seat!;

  it('stand from the plate to the rafter’s underside, half a space beside the peak and on', () => {
    const under = (run: number): number => hap + run * m - 184 / Math.cos(theta);
    for (const [i, { length, count }] of studs.entries()) {
      expect(length.theory).toBeCloseTo(under(2500 - (i + 0.5) * spacing), 6);
      expect(count).toBe(4);
    }
    // As many as fit: the next would be out of the roof, or lower than it is deep.
    const next = 2500 - (studs.length + 0.5) * spacing;
    expect(hap + next * m < STUD.depth || next < STUD.depth / 2).toBe(true);
  });

  it('differ by spacing × rise ÷ run; their edges by their depth × rise ÷ run', () => {
    for (const [i, { length }] of studs.entries()) {
      expect(length.longPoint - length.shortPoint).toBeCloseTo(STUD.depth * m, 6);
      const next = studs[i + 1];
      if (next !== undefined)
        expect(length.longPoint - next.length.longPoint).toBeCloseTo(spacing * m, 6);
    }
    expect(solution.cuts.notes.some(({ code }) => code === 'studs-differ')).toBe(true);
  });

  it('have the pitch across their wide face above, and are square below', () => {
    const [top, foot] = studs[0]!.cuts;
    expect(top!.faceAngle).toBeCloseTo(degrees(theta), 6);
    expect(top!.faceTilt).toBeCloseTo(0, 6);
    expect([foot!.faceAngle, foot!.faceTilt, foot!.square]).toEqual([0, 0, null]);
    expect(studs[0]!.slope).toBe(90);
  });

  it('are proved, and missed wherever one is gone or moved along its wall', () => {
    expect(fit(solution).problems).toEqual([]);
    const own = solution.members.filter(({ kind }) => kind === 'gable-stud');
    for (const gone of own) {
      const members = solution.members.filter((member) => member !== gone);
      expect(fit({ ...solution, members }).problems.map(({ kind }) => kind)).toContain('missing');
    }
  });
});

it('from the corners, one that would stand half under the ridge stands right under it', () => {
  const solution = studded({ across: 4840, framing: { layout: 'corner' } });
  const [middle] = entriesOf(solution, 'gable-stud');
  const ridge = solution.members.find(({ kind }) => kind === 'ridge')!;
  expect(middle!.count).toBe(2);
  expect(middle!.length.theory).toBeCloseTo(
    ridge.frame.origin[2] + ridge.topMm - ridge.stock.depth,
    6,
  );
  expect(fit(solution).problems).toEqual([]);
});

it('under a purlin that bears in the gable, a stud carries the purlin', () => {
  const input = buildingInput({
    ...GABLED,
    timber: { gableStud: STUD, purlin: { thickness: 75, depth: 150 } },
  });
  const at = (2500 - 200) / 2500;
  const solution = solvedInput({
    ...input,
    purlins: [{ block: 'main', side: 0, at, set: 'plumb' }],
  });
  const carries = solution.members.filter(
    ({ kind, ends }) =>
      kind === 'gable-stud' && ends.some(({ meets }) => /purlin/u.test(meets ?? '')),
  );
  expect(carries).toHaveLength(2);
  expect(fit(solution).problems).toEqual([]);
});

describe.each([
  ['6/12', 400, 0],
  ['9/12', 600, 0.7],
  ['35°', 450, 2.1],
] as const)('studs on edge at %s, %s mm apart, turned %s', (pitch, spacing, turned) => {
  const solution = studded({ pitch, turned, framing: { spacing, gableStuds: 'notched' } });
  const [theta, m] = [pitchRad(pitch), Math.tan(pitchRad(pitch))];
  const studs = entriesOf(solution, 'gable-stud');
  const { hap } = entriesOf(solution, 'common')[0]!.seat!;
  const wide = STUD.thickness * m;

  it('run up beside the rafter to the slope, and are notched up to its underside', () => {
    for (const [i, { length, cuts, members }] of studs.entries()) {
      const run = 2500 - (i + 0.5) * spacing;
      expect(length.theory).toBeCloseTo(hap + run * m, 6);
      expect(length.longPoint).toBeCloseTo(hap + run * m + wide / 2, 6);
      const stud = solution.members.find(({ id }) => id === members[0])!;
      const [notch] = stud.notches;
      const { origin } = stud.frame;
      const { normal, offset } = notch!.seat.keep;
      const seat = (offset - v3.dot(normal, origin)) / normal[2];
      expect(seat).toBeCloseTo(hap + run * m - 184 / Math.cos(theta), 6);
      // What is left beside the rafter is the stud's depth less its thickness.
      const beside = solidOf(stud).flatMap((piece) =>
        piece.flatMap(({ tag, points }) =>
          tag === notch!.heels[0] ? points.map(([, , e]) => e + STUD.depth / 2) : [],
        ),
      );
      for (const left of beside) expect(left).toBeCloseTo(STUD.depth - 38, 6);
      const [top] = cuts;
      expect([top!.faceAngle, top!.faceTilt]).toEqual([
        expect.closeTo(0, 6),
        expect.closeTo(degrees(theta), 6),
      ]);
    }
  });

  it('are proved, and missed wherever one is gone', () => {
    expect(fit(solution).problems).toEqual([]);
    for (const gone of solution.members.filter(({ kind }) => kind === 'gable-stud')) {
      const members = solution.members.filter((member) => member !== gone);
      expect(fit({ ...solution, members }).problems.map(({ kind }) => kind)).toContain('missing');
    }
  });
});

it('on edge they want to be deeper than the rafter is thick, and room beside it', () => {
  const input = (gableStud: typeof STUD, ties: object) => ({
    ...buildingInput({
      ...GABLED,
      framing: { gableStuds: 'notched' },
      timber: { gableStud, rafterTie: { thickness: 38, depth: 140 } },
    }),
    ...ties,
  });
  expect(refusalOf(input({ thickness: 38, depth: 38 }, {}))).toMatch(
    /^timber\.gableStud\.depth: .*over 38/u,
  );
  const tied = refusalOf(input(STUD, { collarTies: { bottom: 1200, every: 1 } }));
  expect(tied).toMatch(/collarTie|gableStuds/u);
});

it('thicker than the rafter they would stand in a tie, and are refused by their field', () => {
  const input = buildingInput({
    ...GABLED,
    timber: { gableStud: { thickness: 80, depth: 89 }, collarTie: STUD },
  });
  expect(refusalOf({ ...input, collarTies: { bottom: 1200, every: 1 } })).toMatch(
    /^timber\.gableStud\.thickness: .*collar-tie/u,
  );
});
