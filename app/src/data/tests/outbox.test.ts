import 'fake-indexeddb/auto';
import type { Job } from '@ogee/core/src/job';
import { openDB } from 'idb';
import { openDevice, type Device } from '../device';
import { takeOverDrafts } from '../former-drafts';
import { JobInHand } from '../job-in-hand';
import { Outbox } from '../outbox';
import { takeOverTexts, TypedTexts } from '../typed-texts';
import { job, named, server, stored, until } from './server-in-hand';

/** What localStorage does, in memory. */
const storage = (texts: Record<string, string> = {}): Storage => {
  const kept = new Map(Object.entries(texts));
  return {
    get length() {
      return kept.size;
    },
    key: (at) => [...kept.keys()][at] ?? null,
    getItem: (key) => kept.get(key) ?? null,
    removeItem: (key) => kept.delete(key),
    setItem: (key, text) => kept.set(key, text),
    clear: () => kept.clear(),
  } satisfies Storage;
};

let device: Device;
let outbox: Outbox;
let count = 0;
beforeEach(async () => {
  jest.restoreAllMocks();
  count += 1;
  device = openDevice(`test-${count}`);
  await device.keepCopy(stored(1, job('first')));
  outbox = new Outbox(device);
});
afterEach(() => outbox.dispose());

const open = async (): Promise<JobInHand> => new JobInHand('j', outbox, await outbox.state('j'));

describe('an entry on its way', () => {
  it('is on the device before it is sent, and saved once', async () => {
    const there = server();
    const hand = await open();
    hand.edit(named('second'), 'Name: first → second');
    expect(hand.read()).toMatchObject({ state: 'keeping', job: { name: 'second' } });
    await until(() => hand.read().state === 'saved');
    expect(hand.read().revision).toBe(2);
    expect(there.current().job.name).toBe('second');
    expect(await outbox.waiting()).toEqual([]);
    hand.dispose();
  });

  it('goes out in order, one at a time, however fast they come', async () => {
    const there = server();
    const hand = await open();
    for (const name of ['a', 'b', 'c', 'd']) hand.edit(named(name), name);
    await until(() => hand.read().state === 'saved');
    expect(hand.read().revision).toBe(5);
    expect(there.current().job.name).toBe('d');
    hand.dispose();
  });

  it('whose answer was lost is no conflict with oneself', async () => {
    const there = server();
    there.state.lost = 1;
    const hand = await open();
    hand.edit(named('once'), 'once');
    await until(() => hand.read().state === 'saved');
    expect([hand.read().revision, hand.read().stop]).toEqual([2, null]);
    hand.dispose();
  });

  it('waits while the server is away, over a closed window, and goes out from any other', async () => {
    const there = server();
    there.state.away = true;
    const hand = await open();
    hand.edit(named('kept'), 'kept');
    await until(() => hand.read().state === 'away');
    hand.dispose();
    outbox.dispose();
    there.state.away = false;
    // Another window over the same device, which never opened the job.
    outbox = new Outbox(device);
    expect((await open()).read().job.name).toBe('kept');
    await outbox.send();
    expect(there.current().job.name).toBe('kept');
  });

  it('made in two windows at once keeps both changes', async () => {
    const there = server();
    there.state.away = true;
    const other = new Outbox(device);
    const [one, two] = [await open(), new JobInHand('j', other, await other.state('j'))];
    one.edit((now) => ({ ...now, name: 'mine' }), 'name');
    two.edit((now) => ({ ...now, about: 'theirs' }), 'about');
    there.state.away = false;
    await until(() => one.read().state === 'saved' || one.read().state === 'away');
    await outbox.send();
    await other.send();
    expect(there.current().job).toMatchObject({ name: 'mine', about: 'theirs' });
    other.dispose();
    one.dispose();
    two.dispose();
  });

  it('over what was saved elsewhere stops, and goes on as the person says', async () => {
    const there = server();
    const hand = await open();
    there.saveElsewhere(job('elsewhere'));
    hand.edit(named('mine'), 'mine');
    await until(() => hand.read().stop !== null);
    expect(hand.read()).toMatchObject({ state: 'stopped', stop: { why: 'conflict' } });
    await hand.keepMine();
    await until(() => hand.read().state === 'saved');
    expect(there.current()).toMatchObject({ revision: 3, job: { name: 'mine' } });

    there.saveElsewhere(job('again elsewhere'));
    hand.edit(named('mine again'), 'mine again');
    await until(() => hand.read().stop !== null);
    await hand.takeTheirs();
    await until(() => hand.read().state === 'saved');
    // Mine went into the history, theirs is on top.
    expect(there.current()).toMatchObject({ revision: 6, job: { name: 'again elsewhere' } });
    expect(hand.read().job.name).toBe('again elsewhere');
    hand.dispose();
  });

  it('says so when the device keeps nothing, and is sent from this window', async () => {
    const there = server();
    there.state.away = true;
    const full = new DOMException('full', 'QuotaExceededError');
    jest.spyOn(device, 'append').mockRejectedValue(full);
    jest.spyOn(device, 'putBack').mockRejectedValue(full);
    const hand = await open();
    hand.edit(named('unkept'), 'unkept');
    await until(() => hand.read().state === 'unkept-away');
    there.state.away = false;
    await outbox.send();
    await until(() => hand.read().state === 'saved');
    expect(there.current().job.name).toBe('unkept');
    hand.dispose();
  });

  it('of a job that the full device has no copy of is opened and sent all the same', async () => {
    const there = server();
    const full = new DOMException('full', 'QuotaExceededError');
    jest.spyOn(device, 'append').mockRejectedValue(full);
    jest.spyOn(device, 'keepCopy').mockRejectedValue(full);
    await outbox.meet(there.saveElsewhere(job('newer')));
    const hand = await open();
    expect(hand.read()).toMatchObject({ revision: 2, job: { name: 'newer' } });
    for (const name of ['unkept', 'unkept again']) hand.edit(named(name), name);
    await until(() => hand.read().state === 'saved');
    expect(there.current()).toMatchObject({ revision: 4, job: { name: 'unkept again' } });
    hand.dispose();
  });

  it('that cannot be read any more is set aside, and kept', async () => {
    const database = await openDB(`test-${count}`);
    await database.add('entries', { id: 'x', jobId: 'j', act: 'save', job: {}, said: 's' });
    database.close();
    expect((await open()).read().job.name).toBe('first');
    expect(await outbox.aside()).toBe(1);
    expect(await outbox.waiting()).toEqual([]);
  });
});

describe('drafts of the former app', () => {
  const draft = (over: number, of: Job) => JSON.stringify({ over, job: of });

  it('are sent over the revision they were made on, and go from their old place', async () => {
    const there = server();
    const old = storage({ 'ogee.draft.j': draft(1, job('unsent')), else: 'kept' });
    await takeOverDrafts(device, old);
    await outbox.send();
    expect(there.current()).toMatchObject({ revision: 2, job: { name: 'unsent' } });
    expect([old.length, old.getItem('else')]).toEqual([1, 'kept']);
  });

  it('of a job that went on elsewhere wait for a person', async () => {
    const there = server();
    there.saveElsewhere(job('theirs'));
    await device.keepCopy(there.current());
    await takeOverDrafts(device, storage({ 'ogee.draft.j': draft(1, job('unsent')) }));
    await outbox.send();
    expect(there.current().job.name).toBe('theirs');
    expect(await outbox.state('j')).toMatchObject({
      stop: { why: 'conflict', theirs: { revision: 2 } },
      waiting: [{ job: { name: 'unsent' } }],
    });
  });

  it('are one entry however often they are found, and are set aside where unreadable', async () => {
    const texts = { 'ogee.draft.j': draft(1, job('unsent')), 'ogee.draft.k': '{"over":1,"job":{' };
    await takeOverDrafts(device, storage(texts));
    await takeOverDrafts(device, storage({ 'ogee.draft.j': texts['ogee.draft.j'] }));
    expect((await outbox.waiting()).map(({ jobId }) => jobId)).toEqual(['j']);
    expect(await outbox.aside()).toBe(1);
  });
});

describe('what stands typed in a field', () => {
  /** A device that takes its time over everything, until it is let. */
  const slow = () => {
    let go: () => void = () => undefined;
    const gate = new Promise<void>((resolve) => (go = resolve));
    const held: Device = Object.create(device, {
      setTyped: {
        value: (...text: Parameters<Device['setTyped']>) =>
          gate.then(() => device.setTyped(...text)),
      },
      append: {
        value: (...entry: Parameters<Device['append']>) => gate.then(() => device.append(...entry)),
      },
    }) as Device;
    return { held, go };
  };
  const none = () => Promise.resolve();
  const kept = async (): Promise<string | undefined> => (await device.typed('j')).get('a wall');

  it('is whole after a reload that came before the device had written it', async () => {
    const page = storage();
    const texts = new TypedTexts(slow().held, page);
    for (const text of ['f', 'fo', 'for', 'fort', 'forty'])
      void texts.keep('j', 'a wall', text, none);
    await takeOverTexts(device, page);
    expect(await kept()).toBe('forty');
    expect(page.length).toBe(0);
  });

  it('is on the device alone once that has written the newest', async () => {
    const page = storage({ else: 'kept' });
    const texts = new TypedTexts(device, page);
    const first = texts.keep('j', 'a wall', 'f', none);
    for (const text of ['fo', 'for']) void texts.keep('j', 'a wall', text, none);
    await first;
    expect([await kept(), page.length]).toEqual(['for', 1]);
  });

  it('goes only when the entry that it was made into is kept', async () => {
    server();
    await outbox.setTyped('j', 'a wall', '27000');
    const { held, go } = slow();
    const behind = new Outbox(held);
    void behind.append('j', () => ({ act: 'save', job: job('second'), said: 'wall' }));
    const gone = behind.setTyped('j', 'a wall', null);
    await new Promise((resolve) => setTimeout(resolve, 20));
    expect(await kept()).toBe('27000');
    go();
    await gone;
    expect(await kept()).toBeUndefined();
    behind.dispose();
  });
});
