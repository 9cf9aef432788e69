import { newJob, type Job } from '@ogee/core/src/job';
import { plainly } from '@ogee/core/src/sentence';
import { Solving } from '../solving';
import { thread } from './thread-in-hand';

const DISPLAY = { units: 'metric', fraction: 16, pitch: 'degrees', terms: 'uk' } as const;
const job = (along: number): Job => newJob('t', DISPLAY, along, 6000, '35°');

/** A solver's thread, and what follows it; told of a job, its figures and their proof answered, where one is given. */
const followed = async (first?: Job) => {
  const solver = thread();
  const solving = new Solving(solver);
  if (first !== undefined) {
    solving.solve(first);
    solver.asked[0]!.answer();
    await later(0);
    solver.asked[1]!.answer();
    await later(0);
  }
  return { solver, solving };
};

beforeEach(() => jest.useFakeTimers());
afterEach(() => jest.useRealTimers());
const later = (ms: number) => jest.advanceTimersByTimeAsync(ms);

describe('the roof on screen', () => {
  it('is of the very job, or is marked: on its way, then slow', async () => {
    const { solver, solving } = await followed();
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
    const { solver, solving } = await followed();
    for (const along of [9000, 9100, 9200, 9300]) solving.solve(job(along));
    solver.asked[0]!.answer();
    await later(0);
    expect(solving.read().roof).toBeNull();
    solver.asked[1]!.answer();
    await later(0);
    // The third is its proof.
    expect(solver.asked).toHaveLength(3);
    expect(solving.read().roof!.job.blocks[0]!.outline[1]).toEqual([9300, 0]);
  });

  it('ends a long solve for a newer edit, and begins anew', async () => {
    const { solver, solving } = await followed();
    solving.solve(job(9000));
    await later(1000);
    solving.solve(job(9500));
    expect(solver.restarts).toEqual(['a newer edit']);
    solver.asked[1]!.answer();
    await later(0);
    expect(solving.read().roof!.job.blocks[0]!.outline[1]).toEqual([9500, 0]);
  });

  it('can be stopped, and is marked so until it is asked for again', async () => {
    const { solver, solving } = await followed();
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

  it('shows its figures first, marked, and is proved right after', async () => {
    const { solver, solving } = await followed();
    solving.solve(job(6000));
    solver.asked[0]!.answer();
    await later(0);
    const figures = solving.read().roof!;
    expect(figures.proved).toBe(false);
    expect(figures.cuts.members.length).toBeGreaterThan(0);
    solver.asked[1]!.answer();
    await later(0);
    const proved = solving.read().roof!;
    expect(proved).toMatchObject({ proved: true, serial: figures.serial });
    // Nothing of it is drawn anew.
    expect(proved.cuts).toBe(figures.cuts);
  });

  it('stands back to the last proved one where a newer one is disproved', async () => {
    const { solver, solving } = await followed(job(9000));
    const good = solving.read().roof;
    solving.solve(job(6000));
    solver.asked[2]!.answer();
    await later(0);
    expect(solving.read().roof).not.toBe(good);
    const why = {
      code: 'not-framed',
      path: ['blocks', 0],
      text: plainly('it does not hold'),
    } as const;
    solver.asked[3]!.give({ ok: false, problems: [why] });
    await later(0);
    expect(solving.read()).toMatchObject({ roof: good, problems: [why] });
  });

  it('loses the pieces that its proof takes away, as a roof of its own', async () => {
    const { solver, solving } = await followed();
    solving.solve(job(6000));
    solver.asked[0]!.answer();
    await later(0);
    const figures = solving.read().roof!;
    const cuts = { ...figures.cuts, members: figures.cuts.members.slice(1) };
    const to = { cuts, plan: figures.plan };
    solver.asked[1]!.give({ ok: true, value: { since: null, change: { to } } });
    await later(0);
    const proved = solving.read().roof!;
    expect(proved).toMatchObject({ proved: true, cuts });
    // What was asked of the former one is asked of it anew.
    expect(proved.serial).not.toBe(figures.serial);
  });

  it('proves no roof that a newer one has taken the place of', async () => {
    const { solver, solving } = await followed();
    solving.solve(job(6000));
    solver.asked[0]!.answer();
    await later(0);
    solving.solve(job(9000));
    solver.asked[2]!.answer();
    await later(0);
    const newest = solving.read().roof;
    solver.asked[1]!.give({
      ok: false,
      problems: [{ code: 'not-framed', path: ['blocks', 0], text: plainly('no') }],
    });
    await later(0);
    expect(solving.read()).toMatchObject({ roof: newest, problems: [] });
  });

  it('of another time stands at once, marked, and gives way without being drawn anew', async () => {
    const { solver, solving: first } = await followed(job(9000));
    const { cuts, plan } = first.read().roof!;
    const kept = structuredClone({ job: job(9000), cuts, plan });

    const opened = new Solving(solver, kept);
    const { roof } = opened.read();
    expect(roof).toMatchObject({ proved: false, job: kept.job });
    opened.solve(job(9000));
    // It is of this very job: not called stale, however long it takes.
    await later(1000);
    expect(opened.read().solving).toBe('current');
    for (const next of [2, 3]) {
      solver.asked[next]!.answer();
      await later(0);
    }
    expect(opened.read().roof).toMatchObject({ proved: true, serial: roof!.serial });
    expect(opened.read().roof!.cuts).toBe(kept.cuts);

    const changed = new Solving(solver, kept);
    changed.solve(job(9500));
    expect(changed.read().solving).toBe('working');
    solver.asked[4]!.answer();
    await later(0);
    expect(changed.read().roof!.job.blocks[0]!.outline[1]).toEqual([9500, 0]);
  });

  it('of a solver that died is the last good one, marked', async () => {
    const { solver, solving } = await followed(job(9000));
    const good = solving.read().roof;
    solving.solve(job(9500));
    solver.asked[2]!.fail(new Error('out of memory'));
    await later(0);
    expect(solving.read()).toMatchObject({ solving: 'failed', roof: good });
    solving.dispose();
  });
});
