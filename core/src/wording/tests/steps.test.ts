import type { CutListEntry } from '../../cuts';
import type { Member } from '../../frame';
import { newJob } from '../../job';
import { memberOf } from '../../cuts';
import { solve } from '../../solve';
import { stepsOf } from '../../steps';
import { angleSummary, angleWay, complement, faceSetting, stepWords, type AngleWay } from '..';

const DISPLAY = { units: 'imperial', fraction: 16, pitch: 'in12', terms: 'us' } as const;
const DEGREES = { ...DISPLAY, units: 'metric', pitch: 'degrees' } as const;
const job = newJob('t', DISPLAY, 9144, 6096, '9/12');

const solved = (hipTop: 'drop' | 'back') => {
  const solution = solve({ ...job, framing: { ...job.framing, hipTop } });
  if (!solution.ok) throw new Error('refused');
  return solution.value;
};
type Solved = ReturnType<typeof solved>;
const [dropped, backed] = [solved('drop'), solved('back')];
const piece = (mark: string): CutListEntry =>
  dropped.cuts.members.find((entry) => entry.mark === mark)!;
const member = (mark: string, of = dropped): Member =>
  memberOf(
    of,
    of.cuts.members.find((entry) => entry.mark === mark),
  )!;
const words = (
  mark: string,
  options: { readonly mirrored?: boolean; readonly way?: AngleWay; readonly of?: Solved } = {},
): string[] => {
  const { mirrored = false, way = 'square', of = dropped } = options;
  return stepWords(stepsOf(member(mark, of), mirrored), mark, { display: DISPLAY, way });
};

describe('angles in words', () => {
  it('gives the square’s pair, or degrees', () => {
    const [cheek] = piece('HJ1').cuts;
    expect(faceSetting(cheek!, DISPLAY)).toBe('9 / 12');
    expect(faceSetting(cheek!, DEGREES)).toBe('36.9°');
    expect(angleSummary(piece('H1').cuts, DISPLAY)).toBe('9 / 16.97 · tilt 45.0°');
    expect(angleSummary(piece('R1').cuts, DISPLAY)).toBe('square across');
    expect(complement(36.87)).toBe('53.1°');
  });

  it('tells a piece whose tail or foot wants a tilt from one sawn upright', () => {
    const upright = piece('C1').cuts;
    expect(angleSummary(upright, DISPLAY)).toBe('9 / 12');
    const cheek = { ...upright.find(({ at }) => at === 'tail')!, faceTilt: 45 };
    expect(angleSummary([...upright, cheek], DISPLAY)).toBe('9 / 12 · tail tilt 45.0°');
  });

  it('is the crew’s choice; where it made none, the way it gives its pitches', () => {
    expect(angleWay(job)).toBe('square');
    expect(angleWay({ ...job, display: DEGREES })).toBe('degrees');
    const framing = { ...job.framing, angles: 'two-readings' } as const;
    expect(angleWay({ ...job, framing })).toBe('two-readings');
  });
});

describe('the steps in words', () => {
  it('go crown, hook, top, heel, seat, tail, mark', () => {
    const all = words('C1').join('\n');
    const order = [
      'crown up',
      'Hook the tape',
      'Plumb cut: 0" on the top edge',
      'Heel: ',
      'Seat: ',
      'Tail cut: ',
      'Pencil C1',
    ];
    const found = order.map((part) => all.indexOf(part));
    expect(found).toEqual([...found].sort((a, b) => a - b));
    expect(Math.min(...found)).toBeGreaterThanOrEqual(0);
  });

  it('always say which way a line leans, by every way to mark it', () => {
    expect(words('C1')[2]).toContain(
      'square held at 9 / 12, marked along the rise; short end at the bottom edge',
    );
    expect(words('C1', { way: 'degrees' })[2]).toContain(
      '36.9° from square across; short end at the bottom edge',
    );
    expect(words('C1', { way: 'two-readings' })[2]).toMatch(
      /0" on the top edge, joined to .+ on the bottom edge; short end at the bottom edge/,
    );
    expect(words('R1').join()).toContain('square across the face');
  });

  it('lay both hands left face towards you, and lean the saw the other way for the other', () => {
    const [one, other] = [words('HJ1'), words('HJ1', { mirrored: true })];
    for (const steps of [one, other])
      expect(steps[1]).toBe(
        'Lay it left face towards you, upper end at your left. Hook the tape on the upper end.',
      );
    const lean = (steps: string[]) => /nearer the (upper|lower) end/.exec(steps[2]!)![1];
    expect(new Set([lean(one), lean(other)])).toEqual(new Set(['lower', 'upper']));
  });

  it('give a hip two cheeks at each end: one on each face, the board turned end for end between', () => {
    const steps = words('H1');
    const at = (part: string) => steps.findIndex((step) => step.includes(part));
    expect(steps.filter((step) => step.includes('(first of two)'))).toHaveLength(2);
    expect(steps.filter((step) => step.includes('(second of two)'))).toHaveLength(2);
    const turn = at('Turn the board end for end, crown still up');
    const cheeks = steps.flatMap((step, i) => (step.includes('of two)') ? [i > turn] : []));
    expect(cheeks).toEqual([false, false, true, true]);
  });

  it('back a hip only where the job does, each side by name', () => {
    expect(words('H1').join()).not.toContain('Back the top edge');
    const all = words('H1', { of: backed }).join();
    expect(all).toContain('bevel 25.1° down to the left face');
    expect(all).toContain('bevel 25.1° down to the right face');
  });
});
