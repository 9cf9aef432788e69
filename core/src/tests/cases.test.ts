import { spoken } from '../sentence';
import type { Job, JobInput } from '../job';
import { readJob } from '../job';
import { problemLine, type Problem } from '../problem';
import { fit, solve, type Solution } from '../solve';
import { entriesOf } from './building';
import { jobOf, rectangle } from './houses';

type Side = JobInput['blocks'][number]['sides'][number];

const eave = (pitch: string, overhang = 400): Side => ({ roof: 'eave', pitch, overhang });
const gable: Side = { roof: 'gable' };
const open: Side = { roof: 'open' };
const wall: Side = { roof: 'wall' };
const all = (pitch: string, overhang = 400): Side[] => Array<Side>(4).fill(eave(pitch, overhang));
const gables = (pitch: string, overhang = 400): Side[] => [
  eave(pitch, overhang),
  gable,
  eave(pitch, overhang),
  gable,
];
const wing = (pitch: string, overhang = 400): Side[] => [
  gable,
  eave(pitch, overhang),
  open,
  eave(pitch, overhang),
];
const HAP = { seat: { hap: 130 } } as const;

const proved = (job: Job): Solution => {
  const solution = solve(job);
  if (!solution.ok) throw new Error(solution.problems.map(problemLine).join('\n'));
  expect(fit(solution.value).problems.map(({ text }) => text)).toEqual([]);
  return solution.value;
};

const refusedWith = (job: Job): Problem => {
  const solution = solve(job);
  if (solution.ok) throw new Error('it was framed');
  return solution.problems[0]!;
};

/** The widest bay between rafters of one side, by their places along it. mm */
const widestBay = ({ members }: Solution, block: string, side: number, axis: 0 | 1): number => {
  const at = members
    .filter((one) => one.block === block && one.side === side && one.kind !== 'fascia')
    .map(({ frame }) => frame.origin[axis])
    .sort((p, q) => p - q);
  return Math.max(...at.slice(1).map((u, i) => u - at[i]!));
};

describe('no strip of roof is left bare', () => {
  it('beside a hip that breaks to a lower ridge', () => {
    const job = jobOf(
      [
        rectangle('m', [0, 0, 11000, 7000], all('9/12')),
        rectangle('w', [7000, -3000, 4000, 6500], wing('9/12')),
      ],
      HAP,
    );
    expect(widestBay(proved(job), 'm', 0, 0)).toBeLessThanOrEqual(400 + 1e-6);
  });

  it('round the court of a U', () => {
    proved(
      jobOf(
        [
          rectangle('m', [0, 0, 14000, 6000], all('8/12')),
          rectangle('a', [0, -5000, 4500, 8000], [...all('8/12').slice(0, 2), open, eave('8/12')]),
          rectangle(
            'b',
            [9500, -5000, 4500, 8000],
            [...all('8/12').slice(0, 2), open, eave('8/12')],
          ),
        ],
        HAP,
      ),
    );
  });

  it('beside a wing with a lower plate, whose roof leaves part of the main wall standing', () => {
    const solution = proved(
      jobOf(
        [
          rectangle('m', [0, 0, 11000, 7000], gables('9/12')),
          rectangle('w', [3000, -3000, 4000, 6500], wing('9/12'), { plate: -600 }),
        ],
        HAP,
      ),
    );
    expect(widestBay(solution, 'm', 0, 0)).toBeLessThanOrEqual(400 + 1e-6);
  });

  it('past the top of a hip, at an oblique gable', () => {
    const outline: [number, number][] = [
      [0, 0],
      [9000, 0],
      [3000, 7000],
    ];
    proved(jobOf([{ id: 'm', outline, sides: [eave('8/12'), eave('8/12'), gable] }], HAP));
  });
});

describe('no timber hangs in the air', () => {
  it('a wing flush with a gable has no eave along that gable, and no hip out there', () => {
    const solution = proved(
      jobOf(
        [
          rectangle('m', [0, 0, 10000, 6000], gables('9/12', 200)),
          rectangle(
            'b',
            [0, -3000, 4000, 9000],
            [gable, eave('9/12', 200), eave('9/12', 200), eave('9/12', 200)],
          ),
        ],
        { ...HAP, tail: 'square' },
      ),
    );
    expect(entriesOf(solution, 'hip')).toEqual([]);
  });

  it('a porch wrapped round a corner leaves the main hip its seat, its tail and its length', () => {
    const eaves = all('9/12');
    const alone = proved(jobOf([rectangle('m', [0, 0, 9000, 6000], eaves)], HAP));
    const wrapped = proved(
      jobOf(
        [
          rectangle('m', [0, 0, 9000, 6000], eaves),
          {
            id: 's',
            plate: -1800,
            outline: [
              [0, -2000],
              [11000, -2000],
              [11000, 0],
              [0, 0],
            ],
            sides: [eave('3/12', 200), eave('3/12', 200), wall, gable],
          },
          {
            id: 'e',
            plate: -1800,
            outline: [
              [9000, -2000],
              [11000, -2000],
              [11000, 6000],
              [9000, 6000],
            ],
            sides: [eave('3/12', 200), eave('3/12', 200), gable, wall],
          },
        ],
        HAP,
      ),
    );
    const [hip] = entriesOf(alone, 'hip');
    const main = entriesOf(wrapped, 'hip').filter(({ block }) => block === 'm');
    expect(main).toHaveLength(1);
    expect(main[0]!.count).toBe(4);
    expect(main[0]!.length.theory).toBeCloseTo(hip!.length.theory, 6);
    expect(main[0]!.length.tail).toBeCloseTo(hip!.length.tail, 6);
    expect(main[0]!.seat).toEqual(hip!.seat);
  });

  it('two lines too near for two timbers are refused by name', () => {
    const problem = refusedWith(
      jobOf(
        [
          rectangle('m', [0, 0, 11000, 7000], all('9/12')),
          rectangle('w', [6970, -3000, 4000, 6500], wing('9/12')),
        ],
        HAP,
      ),
    );
    expect(problem).toMatchObject({ code: 'line-too-short', path: ['blocks', 0, 'outline'] });
    expect(spoken(problem.text)).toContain('no room for both');
  });
});

describe('what comes to a plate is seated on it', () => {
  it('a jack that comes down on a valley beside the plate is notched over that', () => {
    const solution = proved(
      jobOf(
        [
          rectangle('m', [0, 0, 12000, 7000], gables('9/12')),
          rectangle('w', [4060, -3000, 4000, 6500], wing('9/12')),
        ],
        HAP,
      ),
    );
    const seated = entriesOf(solution, 'valley-jack').filter(({ seat }) => seat !== null);
    expect(seated.length).toBeGreaterThan(0);
    for (const { seat } of seated) expect(seat!.hap).toBeCloseTo(130, 6);
  });

  it('a valley’s heel follows both plates of its inner corner', () => {
    const solution = proved(
      jobOf(
        [
          rectangle('m', [0, 0, 12000, 7000], gables('9/12')),
          rectangle('w', [4000, -3000, 4000, 6500], wing('9/12')),
        ],
        HAP,
      ),
    );
    for (const { cuts } of entriesOf(solution, 'valley')) {
      const heels = cuts.filter(({ at }) => at === 'heel');
      expect(heels.map(({ faceTilt }) => faceTilt.toFixed(6))).toEqual(['45.000000', '45.000000']);
    }
  });

  it('a square tail that would take the seat is cut plumb, and the seat is whole', () => {
    const solution = proved(
      jobOf([rectangle('m', [0, 0, 6000, 5000], gables('12/12', 40))], {
        seat: { hap: 100 },
        tail: 'square',
      }),
    );
    const [common] = entriesOf(solution, 'common');
    const tail = common!.cuts.find(({ at }) => at === 'tail')!;
    expect(tail.faceAngle).toBeCloseTo(45, 6);
    expect(common!.seat!.width).toBeCloseTo(184 * Math.SQRT2 - 100, 6);
    const { widthMm } = fit(solution).seats[0]!;
    expect(widthMm).toBeCloseTo(140, 6);
  });

  it('a side whose rafters do not reach down to their plate is refused', () => {
    const problem = refusedWith(
      jobOf([rectangle('m', [0, 0, 9000, 6000], [eave('20/12'), gable, eave('6/12'), gable])], {
        seat: { depthFraction: 0.25 },
      }),
    );
    expect(problem).toMatchObject({ code: 'seat', path: ['blocks', 0, 'sides', 2, 'pitch'] });
  });
});

describe('the ridge', () => {
  const thick = {
    common: { thickness: 47, depth: 195 },
    hip: { thickness: 50, depth: 225 },
    ridge: { thickness: 32, depth: 260 },
    plateWidth: 140,
  };

  it('hips on it, commons thicker: the king comes to its end, over the ridge’s whole face', () => {
    const job = jobOf([rectangle('m', [0, 0, 11000, 6400], all('9/12', 300))], {
      ...HAP,
      hipAtRidge: 'to-ridge',
    });
    const solution = proved({ ...job, timber: { ...job.timber, ...thick } });
    const king = entriesOf(solution, 'king-common')[0]!;
    expect(king.cuts.filter(({ at }) => at === 'top').map(({ faceTilt }) => faceTilt)).toEqual([0]);
    // It stops half the ridge's thickness past the planes' meeting point.
    const { theory, body } = king.length;
    expect((theory - body) * Math.cos(Math.atan(0.75))).toBeCloseTo(16, 6);
  });

  it('stays level with the rafters’ tops though a steep end comes down over it, and tells its height', () => {
    const sides = [eave('6/12'), eave('16/12'), eave('6/12'), eave('16/12')];
    const solution = proved(
      jobOf([rectangle('m', [0, 0, 11000, 7000], sides)], {
        ...HAP,
        levelFascia: 'vary-overhang',
      }),
    );
    const [ridge] = entriesOf(solution, 'ridge');
    const [height] = ridge!.heights!;
    // The planes' meeting line, less what half the ridge's thickness takes.
    const top = 130 + 0.5 * (3500 - 38 / 2);
    expect(height).toEqual({
      top: expect.closeTo(top, 6),
      abovePlate: expect.closeTo(top, 6),
      fall: 0,
    });
  });
});

describe('what is refused at the door', () => {
  const jobWith = (change: object): unknown => ({
    ...JSON.parse(JSON.stringify(jobOf([rectangle('m', [0, 0, 9000, 6000], all('9/12'))]))),
    ...change,
  });

  it.each([
    [
      'a quarter of a million sides',
      { blocks: [{ id: 'm', outline: [], sides: Array(250_000).fill(gable) }] },
    ],
    [
      'an outline without end',
      { blocks: [{ id: 'm', outline: Array(100_000).fill([0, 0]), sides: [] }] },
    ],
    ['a list where a number should be', { purlins: Array(60_000).fill({}) }],
  ])('%s', (_name, change) => {
    const read = readJob(jobWith(change));
    expect(read.ok).toBe(false);
    if (!read.ok) expect(read.problems).toHaveLength(1);
  });

  it('nesting without end', () => {
    let deep: unknown = 1;
    for (let i = 0; i < 100_000; i += 1) deep = [deep];
    expect(readJob(jobWith({ about: deep }))).toMatchObject({ ok: false });
  });

  it('more rafters than a building has', () => {
    const blocks = Array.from({ length: 40 }, (_, i) =>
      rectangle(`b${i}`, [0, i * 5000, 180_000, 4000], gables('9/12')),
    );
    const read = readJob({ ...(jobWith({}) as object), blocks });
    expect(read).toMatchObject({ ok: false, problems: [{ path: ['framing', 'spacing'] }] });
  });

  it('a block wholly under another: a steep roof swallows the flat one within it', () => {
    const problem = refusedWith(
      jobOf(
        [
          rectangle('lo', [0, 0, 10000, 8000], gables('24/12', 0)),
          rectangle('hi', [0, 1200, 10000, 5600], gables('6/12', 0), { plate: 2400 }),
        ],
        HAP,
      ),
    );
    expect(problem).toMatchObject({ code: 'shape-not-yet', path: ['blocks', 1] });
    expect(spoken(problem.text)).toContain('wholly under');
  });

  it('a lean-to that stands above the eave it leans against', () => {
    const problem = refusedWith(
      jobOf(
        [
          rectangle('m', [0, 0, 10000, 6000], gables('9/12')),
          rectangle('p', [3000, -2700, 3000, 2700], [eave('6/12', 200), gable, wall, gable], {
            plate: -1000,
          }),
        ],
        HAP,
      ),
    );
    expect(problem).toMatchObject({ code: 'step', path: ['blocks', 1, 'sides', 2, 'roof'] });
  });

  it('two roofs back to back, whose eaves drain into one gutter between them', () => {
    const problem = refusedWith(
      jobOf([
        rectangle('west', [0, 0, 6000, 9000], [gable, eave('9/12', 0), gable, eave('9/12', 0)]),
        rectangle('east', [6000, 0, 6000, 9000], [gable, eave('9/12', 0), gable, eave('9/12', 0)]),
      ]),
    );
    expect(problem.code).toBe('shape-not-yet');
    expect(spoken(problem.text)).toContain('gutter');
  });
});
