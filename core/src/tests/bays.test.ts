import type { JobInput } from '../job';
import { degrees } from '../units';
import { solidOf } from '../frame';
import { toWorld, v2, v3 } from '../geom';
import { problemLine } from '../problem';
import { fit, solve, type Solution } from '../solve';
import { entriesOf } from './building';
import { jobOf } from './houses';

type Point = [number, number];
type Block = JobInput['blocks'][number];

interface Bay {
  /** Along the house's wall, the corners of the bay's own wall taken off at 45°, and how far out that stands. mm */
  readonly wide: number;
  readonly splay: number;
  readonly out: number;
  readonly overhang: number;
}

/** The middle of the bay, along the house. mm */
const MIDDLE = 5000;

/** A bay of three walls (and two short ones, where it stands out further than it is splayed) on a long house. */
const blocksOf = ({ wide, splay, out, overhang }: Bay, pitch: string): Block[] => {
  const eave = { roof: 'eave', pitch, overhang } as const;
  const [from, to] = [MIDDLE - wide / 2, MIDDLE + wide / 2];
  const outline: Point[] = [
    [from + splay, -out],
    [to - splay, -out],
    [to, splay - out],
    [to, 3000],
    [from, 3000],
    [from, splay - out],
  ];
  const main: Point[] = [
    [0, 0],
    [10000, 0],
    [10000, 7000],
    [0, 7000],
  ];
  return [
    { id: 'main', outline: main, sides: [eave, { roof: 'gable' }, eave, { roof: 'gable' }] },
    { id: 'bay', outline, sides: [eave, eave, eave, { roof: 'open' }, eave, eave] },
  ];
};

type Framing = Partial<JobInput['framing']>;

const framed = (bay: Bay, framing: Framing = {}, pitch = '8/12'): Solution => {
  const solution = solve(jobOf(blocksOf(bay, pitch), framing));
  if (!solution.ok) throw new Error(solution.problems.map(problemLine).join('\n'));
  expect(fit(solution.value).problems.map(({ text }) => text)).toEqual([]);
  expect(solution.value.withheld).toEqual([]);
  return solution.value;
};

const FLUSH: Bay = { wide: 3200, splay: 900, out: 900, overhang: 450 };

describe('a bay whose splayed walls come to the corners it makes with the house', () => {
  const solution = framed(FLUSH);

  it('has its valleys halfway between its sides’ eaves and the house’s, its hips halfway between its own', () => {
    for (const valley of entriesOf(solution, 'valley'))
      expect(valley.plan!.map((deg) => deg.toFixed(6))).toEqual(['45.000000', '45.000000']);
    const hips = entriesOf(solution, 'hip').filter(({ length }) => length.theory > 500);
    expect(hips.length).toBeGreaterThan(0);
    for (const hip of hips) expect(hip.plan!.map((deg) => deg.toFixed(6))).toContain('67.500000');
  });

  it('sets no timber on the valley that lies in the overhang, which runs 22.5° off the wall’s square', () => {
    const [corner] = solution.roof.edges.filter(
      (edge) => edge.kind === 'valley' && Math.abs(edge.to[1]) < 1e-6,
    );
    const off = v2.sub(v3.inPlan(corner!.from), v3.inPlan(corner!.to));
    expect(degrees(Math.atan2(Math.abs(off[0]), Math.abs(off[1])))).toBeCloseTo(22.5, 6);
    expect(solution.roof.lines.filter(({ kind }) => kind === 'valley')).toHaveLength(2);
    expect(solution.cuts.notes.map(({ code }) => code)).toContain('valley-in-overhang');
  });

  it('no tail comes out past the fascias of the corner', () => {
    for (const member of solution.members) {
      if (member.kind === 'fascia') continue;
      for (const local of solidOf(member).flatMap((faces) =>
        faces.flatMap(({ points }) => points),
      )) {
        const [x, y] = toWorld(member.frame, local);
        // Where the house has its eave, and where the bay's splayed wall has its.
        const beside = Math.min(Math.abs(x - 3400), Math.abs(x - 6600));
        const splayed = (x < MIDDLE ? x - 3400 : 6600 - x) + y;
        const out = Math.max(y, splayed / Math.SQRT2);
        if (beside < 300) expect(out).toBeGreaterThan(-450 - 1e-6);
      }
    }
  });

  it('is its own mirror: of its hips and their jacks there are as many of either hand', () => {
    for (const kind of ['hip', 'hip-jack'] as const)
      for (const { hands } of entriesOf(solution, kind)) expect(hands.left).toBe(hands.right);
  });
});

describe('bays as they are built', () => {
  const shapes: [string, Bay][] = [
    ['flush, without overhang', { ...FLUSH, overhang: 0 }],
    ['flush and narrow', { wide: 2900, splay: 900, out: 900, overhang: 300 }],
    ['on short walls of its own', { wide: 3000, splay: 700, out: 1000, overhang: 300 }],
    [
      'on walls no longer than a valley is thick',
      { wide: 2800, splay: 700, out: 724, overhang: 0 },
    ],
  ];
  const ways: [string, Framing][] = [
    ['hips to the commons', {}],
    ['hips to the ridge', { hipAtRidge: 'to-ridge' }],
    ['square tails', { tail: 'square' }],
    ['from the corners, jacks of a metre at least', { layout: 'corner', shortestJack: 1000 }],
  ];
  it.each(shapes.flatMap(([shape, bay]) => ways.map(([way, f]) => [shape, way, bay, f] as const)))(
    '%s, %s: framed whole',
    (_, _way, bay, framing) => {
      framed(bay, framing);
    },
  );
});
