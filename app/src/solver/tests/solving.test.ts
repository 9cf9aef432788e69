import { newJob, type Job } from '@ogee/core/src/job';
import { Solving } from '../solving';
import { thread } from './thread-in-hand';

const DISPLAY = { units: 'metric', fraction: 16, pitch: 'degrees', terms: 'uk' } as const;
const job = (along: number): Job => newJob('t', DISPLAY, along, 6000, '35°');

beforeEach(() => jest.useFakeTimers());
afterEach(() => jest.useRealTimers());
const later = (ms: number) => jest.advanceTimersByTimeAsync(ms);

describe('the roof on screen', () => {
  it('is of the very job, or is marked: on its way, then slow', async () => {
    const solver = thread();
    const solving = new Solving(solver);
    solving.solve(job(9000));
    await later(200);
    expect(solving.read().solving).toBe('current');
    await later(200);
    expect(solving.read().solving).toBe('working');
    await later(3000);
    expect(solving.read().solving).toBe('slow');
    solver.asked[0]!.answer();
    await later(0);
    expect(solving.read()).toMatchObject({ solving: 'current', problems: [] });
    expect(solving.read().roof!.job).toBe(solver.asked[0]!.of);
  });

  it('skips what was overtaken: of many quick edits only the first and the last are solved', async () => {
    const solver = thread();
    const solving = new Solving(solver);
    for (const along of [9000, 9100, 9200, 9300]) solving.solve(job(along));
    solver.asked[0]!.answer();
    await later(0);
    expect(solving.read().roof).toBeNull();
    solver.asked[1]!.answer();
    await later(0);
    expect(solver.asked).toHaveLength(2);
    expect(solving.read().roof!.job.blocks[0]!.outline[1]).toEqual([9300, 0]);
  });

  it('ends a long solve for a newer edit, and begins anew', async () => {
    const solver = thread();
    const solving = new Solving(solver);
    solving.solve(job(9000));
    await later(1000);
    solving.solve(job(9500));
    expect(solver.restarts).toEqual(['a newer edit']);
    solver.asked[1]!.answer();
    await later(0);
    expect(solving.read().roof!.job.blocks[0]!.outline[1]).toEqual([9500, 0]);
  });

  it('can be stopped, and is marked so until it is asked for again', async () => {
    const solver = thread();
    const solving = new Solving(solver);
    solving.solve(job(9000));
    await later(4000);
    solving.stop();
    await later(0);
    expect(solving.read().solving).toBe('stopped');
    solving.again();
    solver.asked[1]!.answer();
    await later(0);
    expect(solving.read().solving).toBe('current');
  });

  it('of a solver that died is the last good one, marked', async () => {
    const solver = thread();
    const solving = new Solving(solver);
    solving.solve(job(9000));
    solver.asked[0]!.answer();
    await later(0);
    const good = solving.read().roof;
    solving.solve(job(9500));
    solver.asked[1]!.fail(new Error('out of memory'));
    await later(0);
    expect(solving.read()).toMatchObject({ solving: 'failed', roof: good });
    solving.dispose();
  });
});
