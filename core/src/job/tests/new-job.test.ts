import { readJob, newJob, type NewShape } from '..';
import { solve } from '../../solve';

const DISPLAY = { fraction: 16, pitch: 'in12', terms: 'us' } as const;

describe('a job to start from', () => {
  it.each<[NewShape, readonly string[]]>([
    ['hip', ['hip', 'hip-jack', 'king-common', 'ridge']],
    ['gable', ['common', 'ridge']],
    ['lean-to', ['common']],
  ])('%s is a job that saws, in both units and all sizes', (shape, kinds) => {
    for (const units of ['imperial', 'metric'] as const)
      for (const timber of ['planed', 'sawn'] as const) {
        const job = newJob('t', { ...DISPLAY, units }, 9000, 6000, '8/12', { shape, timber });
        expect(readJob(job)).toEqual({ ok: true, value: job });
        const solution = solve(job);
        const framed = solution.ok ? new Set(solution.value.members.map(({ kind }) => kind)) : null;
        expect([...(framed ?? [])]).toEqual(expect.arrayContaining([...kinds]));
      }
  });

  it('has sawn sections of the full size, and those of a job before where it is given one', () => {
    const display = { ...DISPLAY, units: 'imperial' } as const;
    const sawn = newJob('t', display, 9000, 6000, '8/12', { timber: 'sawn' });
    expect(sawn.timber.common).toEqual({ thickness: 50.8, depth: 203.2 });
    const own = { ...sawn.timber, common: { thickness: 44, depth: 220 } };
    expect(newJob('t', display, 9000, 6000, '8/12', { timber: own }).timber).toEqual(own);
  });
});
