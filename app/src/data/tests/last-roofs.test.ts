import 'fake-indexeddb/auto';
import { newJob, type Job } from '@ogee/core/src/job';
import { solve } from '@ogee/core/src/solve';
import { roofAnswer } from '../../solver/answers';
import { storeGone } from './store-gone';
import { keepLastRoof, lastRoof, type LastRoof } from '../last-roofs';

const DISPLAY = { units: 'metric', fraction: 16, pitch: 'degrees', terms: 'uk' } as const;

const roof = (along: number): LastRoof => {
  const job: Job = newJob('t', DISPLAY, along, 6000, '35°');
  const solved = solve(job);
  if (!solved.ok) throw new Error('a plain house is framed');
  return { job, ...roofAnswer(solved.value) };
};

describe('the roof that a job was worked out to last', () => {
  it('is had again by the build that kept it, and by no other', async () => {
    const one = roof(9000);
    await keepLastRoof('a', one, 'build 1');
    expect(await lastRoof('a', 'build 1')).toEqual(structuredClone(one));
    expect(await lastRoof('a', 'build 2')).toBeNull();
    expect(await lastRoof('b', 'build 1')).toBeNull();
    expect(await lastRoof('a', null)).toBeNull();
  });

  it('is let go when many others were opened since', async () => {
    const one = roof(9000);
    jest.spyOn(Date, 'now').mockImplementation(() => (tick += 1));
    let tick = 0;
    for (let i = 0; i < 30; i += 1) await keepLastRoof(`job ${i}`, one, 'build 1');
    expect(await lastRoof('job 0', 'build 1')).toBeNull();
    expect(await lastRoof('job 29', 'build 1')).not.toBeNull();
    jest.restoreAllMocks();
  });

  it('is none where the device keeps nothing', async () => {
    const gone = storeGone();
    await keepLastRoof('a', roof(9000), 'build 1');
    expect(await lastRoof('a', 'build 1')).toBeNull();
    gone.mockRestore();
  });
});
