import type { Misfit, Verdict } from '@ogee/core/src/cutting-day';
import { misfitWords } from '../misfits';

const METRIC = { units: 'metric', fraction: 16, pitch: 'degrees', terms: 'uk' } as const;

const misfit = (verdict: Verdict, more: Partial<Misfit> = {}): Misfit => ({
  sawn: {
    mark: 'HJ1',
    kind: 'hip-jack',
    hand: 'left',
    member: '',
    stock: { thickness: 45, depth: 195 },
    longPoint: 2000,
    left: [],
    right: [],
  },
  count: 1,
  verdict,
  heir: 'HJ1',
  byMm: 12,
  elsewhere: null,
  ...more,
});

it('says by how much, and what to do', () => {
  expect(misfitWords(misfit('long'), METRIC)).toEqual({
    what: '12 mm too long',
    then: 'saw it again as HJ1: there is wood enough',
  });
  expect(misfitWords(misfit('short', { byMm: -12, elsewhere: 'HJ3' }), METRIC)).toEqual({
    what: '12 mm too short',
    then: 'it can be sawn down to HJ3',
  });
});

it('names the line by its new mark where that is another', () => {
  expect(misfitWords(misfit('short', { byMm: -3.66, heir: 'HJ2' }), METRIC).what).toBe(
    '3.7 mm too short for HJ2',
  );
});

it('never says that a short piece can be sawn again as what it was meant for', () => {
  for (const verdict of ['short', 'cuts'] as const) {
    const { then } = misfitWords(misfit(verdict), METRIC);
    expect(then).toMatch(/start again/u);
  }
});

it('tells what is too many from what is no longer wanted', () => {
  expect(misfitWords(misfit('spare'), METRIC).what).toBe('more than are wanted');
  expect(misfitWords(misfit('spare', { heir: null }), METRIC).what).toBe('no longer wanted');
});
