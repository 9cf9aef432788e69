import { solidOf } from '../..';
import { toWorld } from '../../../geom';
import { heightAtWall, readJob, withHeightAtWall, type JobInput } from '../../../job';
import { unseenSpoilings } from '../../../tests/spoil-houses';
import { fit } from '../../../solve';
import { buildingInput, entriesOf, entryOf, solvedInput } from '../../../tests/building';
import { pitchRad } from '../../../units';

const LEDGER = { thickness: 45, depth: 220 };
const RUN = 2400;

type SideInput = JobInput['blocks'][number]['sides'][number];

const eave = (pitch: string): SideInput => ({ roof: 'eave', pitch, overhang: 300 });
const GABLE: SideInput = { roof: 'gable', overhang: 150 };
const WALL: SideInput = { roof: 'wall' };

/** A lean-to 5 m long, 2.4 m out from its wall, which is side 3. */
const leanTo = (
  pitch: string,
  sides: readonly [SideInput, SideInput] = [GABLE, GABLE],
  framing: Partial<JobInput['framing']> = {},
  ledger: boolean = true,
): JobInput => {
  const input = buildingInput({
    along: 5000,
    across: RUN,
    pitch,
    framing,
    timber: ledger ? { ledger: LEDGER } : {},
  });
  const [block] = input.blocks;
  return {
    ...input,
    blocks: [{ ...block!, sides: [eave(pitch), sides[0], WALL, sides[1]] }],
  };
};

describe.each(['3/12', '4/12', '22.5°'])('a ledger that rafters go over, at %s', (pitch) => {
  const theta = pitchRad(pitch);
  const solution = solvedInput(leanTo(pitch, [GABLE, GABLE], { atLedger: 'birdsmouth' }));
  const common = entryOf(solution, 'common');

  it('leaves them their whole length, and a seat of its whole thickness', () => {
    expect(common.length.body).toBeCloseTo(RUN / Math.cos(theta), 6);
    const rafter = solution.members.find(({ kind }) => kind === 'common')!;
    const notch = rafter.notches.find((one) => one.for === 'ledger')!;
    const ledger = solution.members.find(({ kind }) => kind === 'ledger')!;
    const seats = solidOf(rafter).flatMap((piece) =>
      piece.flatMap(({ tag, points }) => (tag === notch.seat ? points : [])),
    );
    const xs = seats.map((p) => toWorld(rafter.frame, p)).filter(([, y]) => y > RUN - 200);
    // From the wall's face to the ledger's, all of it on the ledger's top.
    expect(Math.max(...xs.map(([, y]) => y))).toBeCloseTo(RUN, 6);
    for (const [, , z] of xs) expect(z).toBeCloseTo(ledger.frame.origin[2], 6);
    const under = common.seat!.hap + RUN * Math.tan(theta) - 184 / Math.cos(theta);
    expect(ledger.frame.origin[2]).toBeCloseTo(under, 6);
    // Square to the edge the birdsmouth takes the ledger's thickness times the sine of the slope.
    const heel = solidOf(rafter).flatMap((piece) =>
      piece.flatMap(({ tag, points }) => (tag === notch.heels[0] ? points : [])),
    );
    const deep = heel.map(([, , e]) => e + 184);
    expect(Math.max(...deep)).toBeCloseTo(LEDGER.thickness * Math.sin(theta), 6);
  });

  it('is proved, and every way of spoiling it is seen', () => {
    expect(fit(solution).problems).toEqual([]);
    const own = solution.members.filter(({ kind }) => kind === 'ledger');
    expect(unseenSpoilings(solution, own)).toEqual([]);
  });
});

describe.each(['3/12', '4/12', '22.5°'])('a ledger at %s', (pitch) => {
  const theta = pitchRad(pitch);
  const solution = solvedInput(leanTo(pitch));
  const ledger = entryOf(solution, 'ledger');
  const common = entryOf(solution, 'common');

  it('takes its thickness off the rafters, along the slope', () => {
    expect(common.length.theory).toBeCloseTo(RUN / Math.cos(theta), 6);
    expect(common.length.body).toBeCloseTo((RUN - LEDGER.thickness) / Math.cos(theta), 6);
  });

  it('runs from wall end to wall end, its outer corner in the line of the rafters’ tops', () => {
    expect(ledger.length.body).toBeCloseTo(5000, 6);
    const top = common.seat!.hap + (RUN - LEDGER.thickness) * Math.tan(theta);
    expect(ledger.heights![0]!.abovePlate).toBeCloseTo(top, 6);
  });

  it('is proved, and every way of spoiling it is seen', () => {
    expect(fit(solution).problems).toEqual([]);
    const own = solution.members.filter(({ kind }) => kind === 'ledger');
    expect(unseenSpoilings(solution, own)).toEqual([]);
  });
});

it('where the ends are hipped, it is cut to the hips', () => {
  const solution = solvedInput(leanTo('4/12', [eave('4/12'), eave('4/12')]));
  expect(fit(solution).problems).toEqual([]);
  const { length, cuts } = entryOf(solution, 'ledger');
  expect(length.theory).toBeCloseTo(5000 - 2 * RUN, 6);
  expect(cuts.filter(({ faceTilt }) => Math.abs(faceTilt - 45) < 1e-6)).toHaveLength(2);
});

it('without one the rafters end at the wall itself, and the list says that they want one', () => {
  const solution = solvedInput(leanTo('4/12', [GABLE, GABLE], {}, false));
  const common = entryOf(solution, 'common');
  expect(common.length.body).toBeCloseTo(common.length.theory, 6);
  expect(entriesOf(solution, 'ledger')).toEqual([]);
  expect(solution.cuts.notes.map(({ code }) => code)).toContain('wants-ledger');
});

it.each([{ hap: 120 }, { width: 60 }, { depthFraction: 0.3 }])(
  'the height at the wall gives the pitch and the pitch the height, seat %j',
  (seat) => {
    const read = readJob(leanTo('4/12', [GABLE, GABLE], { seat }));
    if (!read.ok) throw new Error('refused');
    const before = heightAtWall(read.value, 0, 2)!;
    const solution = solvedInput(leanTo('4/12', [GABLE, GABLE], { seat }));
    const { hap } = entryOf(solution, 'common').seat!;
    expect(before).toBeCloseTo(hap + RUN / 3, 6);
    for (const mm of [700, 1234.5, 2000]) {
      const next = withHeightAtWall(read.value, 0, 2, mm);
      expect(heightAtWall(next, 0, 2)).toBeCloseTo(mm, 3);
    }
    // A gable is no wall that it leans against.
    expect(heightAtWall(read.value, 0, 1)).toBeNull();
  },
);
