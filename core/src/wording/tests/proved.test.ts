import { newJob } from '../../job';
import { fit, solve, type Solution } from '../../solve';
import { proved } from '..';

const DISPLAY = { units: 'imperial', fraction: 16, pitch: 'in12', terms: 'us' } as const;
const job = newJob('t', DISPLAY, 9144, 6096, '9/12');

const framed = (): Solution => {
  const solution = solve(job);
  if (!solution.ok) throw new Error('refused');
  return solution.value;
};

describe('what was proved, in words', () => {
  const sound = framed();

  it('of a sound frame: carried, closed, seated, no bare strip, in place', () => {
    const report = fit(sound);
    const lines = proved(report, job);
    expect(lines.every(({ holds }) => holds)).toBe(true);
    const all = lines.map(({ text }) => text).join('\n');
    expect(all).toContain(`${sound.members.length} boards carried`);
    expect(all).toContain(`${report.joints} joints close, worst gap 0.0 mm`);
    expect(all).toContain(
      'no bare strip wider than 1\u2032 4\u2033'.replace('\u2032', "'").replace('\u2033', '"'),
    );
    expect(all).toMatch(/least bearing \d/);
  });

  it('of a frame without its ridge: what does not hold is told as such', () => {
    const members = sound.members.filter(({ kind }) => kind !== 'ridge');
    const lines = proved(fit({ ...sound, members }), job);
    const failing = lines.filter(({ holds }) => !holds).map(({ text }) => text);
    expect(failing.some((text) => text.includes('carried by nothing'))).toBe(true);
    expect(failing.some((text) => text.includes('places of the roof are bare'))).toBe(true);
  });
});
