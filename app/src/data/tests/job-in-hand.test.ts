import 'fake-indexeddb/auto';
import type { Job } from '@ogee/core/src/job';
import { openDevice } from '../device';
import { JobInHand } from '../job-in-hand';
import { Outbox } from '../outbox';
import { job, server, stored, until } from './server-in-hand';

let outbox: Outbox;
let count = 0;
beforeEach(async () => {
  jest.restoreAllMocks();
  count += 1;
  const device = openDevice(`test-${count}`);
  await device.keepCopy(stored(1, job('first')));
  outbox = new Outbox(device);
});
afterEach(() => outbox.dispose());

const open = async (): Promise<JobInHand> => new JobInHand('j', outbox, await outbox.state('j'));

describe('a field in hand', () => {
  const wall = (mm: number) => (before: Job) => ({
    ...before,
    blocks: before.blocks.map((block) => ({
      ...block,
      outline: [
        [0, 0],
        [mm, 0],
        [mm, 6000],
        [0, 6000],
      ] as [number, number][],
    })),
  });

  it('previews every key from the job as it was, and is one entry when it is left', async () => {
    const there = server();
    const hand = await open();
    for (const mm of [2, 27, 270, 2700, 27000]) hand.whileTyping('wall', () => hand.edit(wall(mm)));
    expect(hand.read()).toMatchObject({ state: 'entering' });
    expect(hand.read().job.blocks[0]!.outline[1]).toEqual([27000, 0]);
    expect(there.state.saves).toBe(0);
    hand.leave('wall', 'Wall 1: 9000 mm → 27000 mm');
    await until(() => hand.read().state === 'saved');
    expect([hand.read().revision, there.state.saves]).toEqual([2, 1]);
    expect(hand.read().undo).toBe('Wall 1: 9000 mm → 27000 mm');
    hand.dispose();
  });

  it('shows nothing of what is refused, keeps it from counting, and is put back whole', async () => {
    server();
    const hand = await open();
    hand.whileTyping('wall', () => hand.edit(wall(2700)));
    hand.whileTyping('wall', () => hand.edit(wall(0)));
    expect(hand.read().job.blocks[0]!.outline[1]).toEqual([9000, 0]);
    expect(hand.read().inHand!.problem!.path.slice(0, 3)).toEqual(['blocks', 0, 'outline']);
    expect(hand.leave('wall', 'x')).toBe(false);
    hand.putBack('wall');
    expect(hand.read()).toMatchObject({ state: 'saved', inHand: null, undo: null });
    hand.dispose();
  });

  it('taken up before another was left, counts with what it said', async () => {
    const there = server();
    const hand = await open();
    hand.whileTyping('corners', () => hand.edit(wall(9500)), 'Corners: 4 → 5');
    hand.takeUp('elsewhere');
    await until(() => hand.read().state === 'saved');
    expect([there.state.saves, hand.read().undo]).toEqual([1, 'Corners: 4 → 5']);
    hand.dispose();
  });

  it('is undone by one step and done again by one, in whatever units', async () => {
    const there = server();
    const hand = await open();
    hand.edit(wall(12000), 'Wall 1');
    hand.edit((now) => ({ ...now, display: { ...now.display, units: 'imperial' } }), 'units');
    hand.undo();
    expect(hand.read().job).toMatchObject({ display: { units: 'imperial' } });
    expect(hand.read().job.blocks[0]!.outline[1]).toEqual([9000, 0]);
    hand.redo();
    expect(hand.read().job.blocks[0]!.outline[1]).toEqual([12000, 0]);
    await until(() => hand.read().state === 'saved');
    expect(there.current().job.display.units).toBe('imperial');
    hand.dispose();
  });

  it('a change that the checks refuse outright is not taken, and said', async () => {
    server();
    const hand = await open();
    const noEaves = (before: Job): Job => ({
      ...before,
      blocks: before.blocks.map((block) => ({
        ...block,
        sides: block.sides.map(() => ({ roof: 'gable' as const, overhang: 0 })),
      })),
    });
    expect(hand.edit(noEaves, 'x')).toBe(false);
    expect(hand.read()).toMatchObject({
      state: 'saved',
      notTaken: { path: ['blocks', 0, 'sides'] },
    });
    hand.dispose();
  });
});

describe('what others do to a job that is open', () => {
  const news = (since: number) =>
    Promise.resolve([{ revision: since + 1, said: 'Name: first → theirs', by: 'Ben' }]);
  const openWithNews = async (): Promise<JobInHand> =>
    new JobInHand('j', outbox, await outbox.state('j'), undefined, news);

  it('is shown at once, and told with whose it is, until it is seen', async () => {
    const there = server();
    const hand = await openWithNews();
    await outbox.meet(there.saveElsewhere(job('theirs')));
    await until(() => hand.read().news.length > 0);
    expect(hand.read()).toMatchObject({
      job: { name: 'theirs' },
      revision: 2,
      news: [{ revision: 2, by: 'Ben' }],
    });
    hand.seen();
    expect(hand.read().news).toEqual([]);
    hand.dispose();
  });

  it('changes no unit here: a figure without one means what it meant', async () => {
    const there = server();
    const hand = await openWithNews();
    const { display } = hand.read().job;
    const inFeet = { ...display, units: 'imperial' as const };
    await outbox.meet(there.saveElsewhere({ ...job('theirs'), display: inFeet }));
    await until(() => hand.read().job.name === 'theirs');
    expect(hand.read().job.display).toEqual(display);
    hand.edit((now) => ({ ...now, display: { ...now.display, pitch: 'in12' } }), 'Angles');
    await until(() => hand.read().state === 'saved');
    expect(there.current().job.display).toEqual({ ...display, pitch: 'in12' });
    hand.dispose();
  });

  it('moves nothing under a field in hand, and comes when that is left; both stand', async () => {
    const there = server();
    const hand = await openWithNews();
    hand.whileTyping('about', () => hand.edit((now) => ({ ...now, about: 'mine' })));
    await outbox.meet(there.saveElsewhere(job('theirs')));
    await new Promise((resolve) => setTimeout(resolve, 60));
    expect(hand.read()).toMatchObject({ job: { name: 'first', about: 'mine' }, news: [] });
    // With nothing typed the mark does not say that all is as it is with the server.
    hand.withdraw('about');
    expect(hand.read().state).toBe('behind');
    hand.whileTyping('about', () => hand.edit((now) => ({ ...now, about: 'mine' })));
    hand.leave('about', 'About: mine');
    await until(() => hand.read().state === 'saved');
    expect(there.current().job).toMatchObject({ name: 'theirs', about: 'mine' });
    await until(() => hand.read().job.name === 'theirs');
    hand.dispose();
  });
});
