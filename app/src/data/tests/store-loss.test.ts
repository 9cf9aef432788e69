import 'fake-indexeddb/auto';
import type { LogEntry } from '@ogee/core/src/log';
import { deleteDB, openDB } from 'idb';
import { api } from '../api';
import { openDevice } from '../device';
import { JobInHand } from '../job-in-hand';
import { openLogShelf } from '../log-shelf';
import { Outbox } from '../outbox';
import { job, named, server, stored, until } from './server-in-hand';
import { storeGone, storeSilent } from './store-gone';

let count = 0;
let name = '';
let outbox: Outbox;
let hand: JobInHand;
beforeEach(async () => {
  jest.restoreAllMocks();
  count += 1;
  name = `lost-${count}`;
  outbox = new Outbox(openDevice(name), openLogShelf(`${name}-log`));
  await outbox.meet(stored(1, job('first')));
  hand = new JobInHand('j', outbox, await outbox.state('j'));
});
afterEach(() => {
  hand.dispose();
  outbox.dispose();
});

/** What the store itself has of entries. */
const onDevice = async (): Promise<string[]> =>
  (await openDevice(name).waiting()).map(({ said }) => said);

const tick = (at: number): LogEntry => ({
  id: `00000000-0000-4000-8000-${String(at).padStart(12, '0')}`,
  at: `2026-01-01T08:00:${String(at).padStart(2, '0')}Z`,
  by: '',
  kind: 'note',
  text: `line ${at}`,
});

describe('the store goes away', () => {
  it('while the server is there: what is typed is sent from memory at once, in order', async () => {
    const there = server();
    storeGone();
    for (const one of ['a', 'b', 'c']) hand.edit(named(one), one);
    await until(() => hand.read().state === 'saved');
    expect(there.current()).toMatchObject({ revision: 4, job: { name: 'c' } });
    expect(hand.read()).toMatchObject({ revision: 4, job: { name: 'c' } });
  });

  it('while both are away: it is said to be in this window only, and goes out when the server is back', async () => {
    const there = server();
    there.state.away = true;
    storeGone();
    hand.edit(named('a'), 'a');
    await until(() => hand.read().state === 'unkept-away');
    there.state.away = false;
    await outbox.send();
    await until(() => hand.read().state === 'saved');
    expect(there.current().job.name).toBe('a');
  });

  it('with entries that it had kept: they are still sent, before those made later', async () => {
    const there = server();
    there.state.away = true;
    hand.edit(named('kept'), 'kept');
    await until(() => hand.read().state === 'away');
    await deleteDB(name);
    hand.edit((now) => ({ ...now, about: 'made later' }), 'later');
    await until(() => hand.read().state === 'away');
    // Put back where it was lost.
    expect(await onDevice()).toEqual(['kept', 'later']);
    there.state.away = false;
    await outbox.send();
    expect(there.current()).toMatchObject({
      revision: 3,
      job: { name: 'kept', about: 'made later' },
    });
  });

  it('and answers again: what was in the window only is on the device', async () => {
    const there = server();
    there.state.away = true;
    const gone = storeGone();
    hand.edit(named('a'), 'a');
    await until(() => hand.read().state === 'unkept-away');
    gone.mockRestore();
    await outbox.send();
    await until(() => hand.read().state === 'away');
    expect(await onDevice()).toEqual(['a']);
  });

  it('and does not even say so: nobody waits for it long', async () => {
    const there = server();
    storeSilent();
    hand.edit(named('a'), 'a');
    expect(hand.read().state).toBe('keeping');
    await until(() => there.current().job.name === 'a', 12_000);
    await until(() => hand.read().state === 'saved', 12_000);
  }, 30_000);

  it('by another window that deletes it: that one is not kept waiting', async () => {
    server();
    hand.edit(named('a'), 'a');
    await until(() => hand.read().state === 'saved');
    const newer = await openDB(name, 2);
    newer.close();
    // A newer app has it now: this window goes on from memory.
    hand.edit(named('b'), 'b');
    await until(() => hand.read().state === 'saved');
    expect(hand.read().revision).toBe(3);
  });

  it('and lines of the log are neither lost nor uncounted', async () => {
    const lines: LogEntry[] = [];
    jest.spyOn(api, 'addToLog').mockImplementation((_job, entries) => {
      lines.push(...entries);
      return Promise.resolve(null);
    });
    await outbox.log.append('j', [tick(1), tick(2)]);
    await outbox.send();
    expect((await outbox.log.kept('j')).lines).toHaveLength(2);
    storeGone();
    expect((await outbox.log.kept('j')).lines).toHaveLength(2);
    await outbox.log.append('j', [tick(3)]);
    await outbox.send();
    expect(lines.map(({ id }) => id)).toEqual([1, 2, 3].map((at) => tick(at).id));
    expect((await outbox.log.kept('j')).lines.map(({ at }) => at)).toEqual([
      'server',
      'server',
      'server',
    ]);
  });

  it('with a log whose server’s lines are read anew, once', async () => {
    const theirs = [1, 2, 3].map((at) => ({ seq: at, received: tick(at).at, entry: tick(at) }));
    const read = jest
      .spyOn(api, 'log')
      .mockImplementation((_job, after) =>
        Promise.resolve({ entries: theirs.filter(({ seq }) => seq > after), more: false }),
      );
    const other = new Outbox(openDevice(name), openLogShelf(`${name}-log`));
    await other.log.fetch('j');
    other.dispose();
    storeGone();
    await outbox.log.fetch('j');
    expect((await outbox.log.kept('j')).lines).toHaveLength(3);
    await outbox.log.fetch('j');
    expect(read.mock.calls.map(([, after]) => after)).toEqual([0, 0, 3]);
  });
});
