import type { JobInput } from '../../../job';
import { halfSpace } from '../../../geom';
import { fit, type Solution } from '../../../solve';
import { buildingInput, solvedInput } from '../../../tests/building';

const PITCH = '9/12';
const HOUSE = { along: 9000, across: 6000, pitch: PITCH };

const input = (
  hipDepth: number,
  more: Partial<JobInput> = {},
  set: 'canted' | 'plumb' = 'canted',
): JobInput => {
  const own = buildingInput({
    ...HOUSE,
    timber: { purlin: { thickness: 75, depth: 150 }, hip: { thickness: 45, depth: hipDepth } },
  });
  return { ...own, purlins: [{ block: 'main', side: 0, at: 0.5, set }], ...more };
};

type Opening = NonNullable<JobInput['openings']>[number];

const ALONG: [number, number] = [4000, 4800];
const WINDOW: Opening = { name: 'w', block: 'main', side: 0, along: ALONG, up: [900, 2100] };

type Side = JobInput['blocks'][number]['sides'][number];

const eave = { roof: 'eave', pitch: PITCH, overhang: 400 } as const;

/** The house with a wing from one place along its front to another, so far out, and a purlin on the front's slope. */
const winged = (
  valleyMm: number,
  [from, to, out]: readonly [number, number, number],
  end: Side,
  at: number | { readonly distance: number },
): Solution => {
  const own = buildingInput({
    ...HOUSE,
    timber: {
      purlin: { thickness: 75, depth: 150 },
      hip: { thickness: 45, depth: 235 },
      valley: { thickness: valleyMm, depth: 235 },
    },
  });
  const outline: [number, number][] = [
    [from, out],
    [to, out],
    [to, 3000],
    [from, 3000],
  ];
  return solvedInput({
    ...own,
    blocks: [...own.blocks, { id: 'wing', outline, sides: [end, eave, { roof: 'open' }, eave] }],
    purlins: [{ block: 'main', side: 0, at }],
  });
};

const purlinsOf = ({ members }: Solution) =>
  members.filter(({ kind, side }) => kind === 'under-purlin' && side === 0);

describe('a purlin across a window', () => {
  it.each(['canted', 'plumb'] as const)(
    '%s: stops under the trimmers, flush with the edges of what is kept clear',
    (set) => {
      const solution = solvedInput(input(235, { openings: [WINDOW] }, set));
      expect(fit(solution).problems).toEqual([]);
      const [one, other] = purlinsOf(solution);
      // From the mitre on the hip, halfway up, to the window; and from its other edge to the other hip.
      const half = HOUSE.across / 4;
      expect(one!.axis.runMm).toBeCloseTo(ALONG[0] - half, 6);
      expect(other!.axis.runMm).toBeCloseTo(HOUSE.along - half - ALONG[1], 6);
      expect(solution.cuts.notes.map(({ code }) => code)).toContain('purlin-cut');
    },
  );

  it('is found by the proof where it runs through, and where it stops short', () => {
    const solution = solvedInput(input(235, { openings: [WINDOW] }));
    const whole = solvedInput(input(235));
    const [through] = purlinsOf(whole);
    const [first, ...rest] = purlinsOf(solution);
    const others = solution.members.filter((member) => !purlinsOf(solution).includes(member));
    const found = (members: Solution['members']): readonly string[] =>
      fit({ ...solution, members }).problems.map(({ kind }) => kind);
    expect(found([...others, { ...through!, id: first!.id }])).toContain('misplaced');
    const short = first!.ends.map((end) =>
      end.at === 'top' ? { ...end, keep: halfSpace([3900, 0, 0], [1, 0, 0]) } : end,
    );
    expect(found([...others, { ...first!, ends: short }, ...rest])).toContain('misplaced');
  });

  it('beside the window, or higher up the roof, stays whole', () => {
    const high: Opening = { ...WINDOW, up: [400, 1200] };
    expect(purlinsOf(solvedInput(input(235, { openings: [high] })))).toHaveLength(1);
  });
});

describe('a purlin under a hip', () => {
  it('that hangs a little lower has a lip; much lower, stops at its side and hangs there', () => {
    const lipped = purlinsOf(solvedInput(input(235)))[0]!;
    expect(lipped.notches).toHaveLength(2);
    const solution = solvedInput(input(400));
    const [hung] = purlinsOf(solution);
    expect(hung!.notches).toEqual([]);
    const stops = hung!.ends.filter(({ name }) => name === 'cheek cut');
    expect(stops.map(({ at }) => at).sort()).toEqual(['bottom', 'top']);
    for (const { meets, keep } of stops) {
      const hip = solution.members.find(({ id }) => id === meets)!;
      expect(hip.kind).toBe('hip');
      // Its side face: half its thickness off its middle.
      const off =
        keep.offset - (keep.normal[0] * hip.frame.origin[0] + keep.normal[1] * hip.frame.origin[1]);
      expect(Math.abs(off)).toBeCloseTo(22.5, 6);
    }
    expect(fit(solution).problems).toEqual([]);
    expect(solution.cuts.notes.map(({ code }) => code)).toContain('purlin-hung');
  });
});

describe('a purlin between a hip and a valley', () => {
  it('tells the set-back of the lip at each: half that timber’s thickness, along the purlin', () => {
    const solution = winged(63, [6000, 9000, -2500], eave, { distance: 900 });
    const [entry] = solution.cuts.members.filter(({ kind }) => kind === 'purlin');
    const told = entry!.cuts.flatMap(({ setBack }) => setBack ?? []);
    const [hip, valley] = [45, 63].map((thickness) => (thickness / 2) * Math.SQRT2);
    for (const mm of told)
      expect(Math.min(Math.abs(mm - hip!), Math.abs(mm - valley!))).toBeLessThan(1e-6);
    expect(told.some((mm) => Math.abs(mm - hip!) < 1e-6)).toBe(true);
    expect(told.some((mm) => Math.abs(mm - valley!) < 1e-6)).toBe(true);
    // Canted, its highest edge is the uphill one.
    const { frame, stock } = purlinsOf(solution)[0]!;
    const sine = Math.sin(Math.atan(0.75));
    expect(entry!.heights![0]!.top).toBeCloseTo(frame.origin[2] + (stock.thickness / 2) * sine, 6);
  });
});

describe('a purlin at the height where a wing’s valleys meet', () => {
  it('stops at the valleys, which carry it, and goes on behind them', () => {
    const solution = winged(45, [3000, 6000, -2000], { roof: 'gable' }, 0.5);
    expect(solution.withheld).toEqual([]);
    expect(fit(solution).problems).toEqual([]);
    const kinds = purlinsOf(solution).map(({ ends }) =>
      ends.flatMap(({ meets }) => solution.members.find(({ id }) => id === meets)?.kind ?? []),
    );
    expect(kinds).toHaveLength(2);
    for (const met of kinds) expect(met).toContain('valley');
  });
});
