import { boardOf, memberOf, newJob, solve, type BoardDrawing, type CutListEntry } from '@ogee/core';
import { angleSummary, complement, faceSetting } from '../angle-text';
import { stepsFor } from '../steps';

const DISPLAY = { units: 'imperial', fraction: 16, pitch: 'in12', terms: 'us' } as const;
const DEGREES = { ...DISPLAY, units: 'metric', pitch: 'degrees' } as const;
const solution = solve(newJob('t', DISPLAY, 9144, 6096, '9/12'));
if (!solution.ok) throw new Error('refused');
const piece = (mark: string): CutListEntry =>
  solution.value.cuts.members.find((entry) => entry.mark === mark)!;
const boardOfPiece = (mark: string): BoardDrawing =>
  boardOf(memberOf(solution.value, piece(mark))!);
const steps = (mark: string, mirrored: boolean, backed: boolean): string[] =>
  stepsFor(piece(mark), boardOfPiece(mark), mirrored, backed, DISPLAY);

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
});

describe('stepsFor', () => {
  it('goes crown, hook, top, heel, seat, tail, mark', () => {
    const all = steps('C1', false, false).join('\n');
    const order = [
      'crown up',
      'Hook the tape',
      'Plumb cut: from 0"',
      'Heel: from',
      'Seat: measure',
      'Tail cut: from',
      'Pencil C1',
    ];
    const found = order.map((words) => all.indexOf(words));
    expect(found).toEqual([...found].sort((a, b) => a - b));
    expect(Math.min(...found)).toBeGreaterThanOrEqual(0);
  });

  it('leans a jack’s saw in from its long face, whichever hand is drawn', () => {
    const { hand } = boardOfPiece('HJ1');
    const left = hand !== 'left';
    expect(steps('HJ1', left, false).join()).toContain(
      'left face towards you'.replace('left', left ? 'right' : 'left'),
    );
    expect(steps('HJ1', false, false)[2]).toContain(
      hand === 'left' ? 'far face ends shorter' : 'far face ends longer',
    );
    expect(steps('HJ1', true, false)[2]).toContain(
      hand === 'left' ? 'far face ends longer' : 'far face ends shorter',
    );
  });

  it('gives a hip two cheeks at each end, and backs it only when the job does', () => {
    const plain = steps('H1', false, false);
    expect(plain.filter((step) => step.includes('Second'))).toHaveLength(2);
    expect(plain.join()).not.toContain('Back the top edge');
    expect(steps('H1', false, true).join()).toContain('Back the top edge: bevel 25.1° and 25.1°');
  });
});
