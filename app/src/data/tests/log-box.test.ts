import 'fake-indexeddb/auto';
import type { LogEntry } from '@ogee/core/src/log';
import type { LogPage } from '@ogee/core/src/wire';
import { api, Refused } from '../api';
import { openDevice } from '../device';
import { openLogShelf, type LogShelf } from '../log-shelf';
import { Outbox } from '../outbox';

let made = 0;
const note = (text: string): LogEntry => {
  made += 1;
  return {
    id: `00000000-0000-4000-8000-${String(made).padStart(12, '0')}`,
    at: new Date(Date.UTC(2026, 0, 1, 8, 0, made)).toISOString(),
    by: '',
    kind: 'note',
    text,
  };
};

/** A server in the test's hands: it keeps each line once, and can be away, or lose its answer. */
const server = () => {
  const lines: LogEntry[] = [];
  const state = { away: false, lost: 0, calls: 0, known: true, bad: '' };
  jest.spyOn(api, 'addToLog').mockImplementation((_job, entries) => {
    state.calls += 1;
    if (state.away) return Promise.reject(new TypeError('no answer'));
    if (!state.known) return Promise.reject(new Refused(404, [], null));
    if (entries.some((one) => one.kind === 'note' && one.text === state.bad))
      return Promise.reject(new Refused(400, [{ path: 'entries', text: 'bad' }], null));
    for (const entry of entries) if (!lines.some(({ id }) => id === entry.id)) lines.push(entry);
    if (state.lost > 0) {
      state.lost -= 1;
      return Promise.reject(new TypeError('the answer was lost'));
    }
    return Promise.resolve(null);
  });
  jest.spyOn(api, 'log').mockImplementation((_job, after): Promise<LogPage> =>
    Promise.resolve({
      entries: lines
        .map((entry, i) => ({ seq: i + 1, received: entry.at, entry }))
        .filter(({ seq }) => seq > after),
      more: false,
    }),
  );
  return { state, lines };
};

let shelf: LogShelf;
let shelves = 0;
let box: Outbox;
beforeEach(() => {
  shelves += 1;
  shelf = openLogShelf(`log-${shelves}`);
  box = new Outbox(openDevice(`box-${shelves}`), shelf);
});
afterEach(() => {
  box.dispose();
  jest.restoreAllMocks();
});

const texts = (lines: readonly { readonly entry: LogEntry }[]): string[] =>
  lines.map(({ entry }) => (entry.kind === 'note' ? entry.text : entry.kind)).sort();

it('keeps a line on the device before it is sent, and knows when the server has it', async () => {
  const { state, lines } = server();
  state.away = true;
  await box.log.append('j', [note('one')]);
  await box.send();
  expect(lines).toEqual([]);
  expect(await shelf.waiting()).toHaveLength(1);
  expect(box.away).toBe(true);
  state.away = false;
  await box.send();
  expect(texts(lines.map((entry) => ({ entry })))).toEqual(['one']);
  expect(await shelf.waiting()).toEqual([]);
  expect(texts((await box.log.kept('j')).lines)).toEqual(['one']);
});

it('a lost answer makes no second line', async () => {
  const { state, lines } = server();
  state.lost = 1;
  await box.log.append('j', [note('one')]);
  await box.send();
  await box.send();
  expect(state.calls).toBe(2);
  expect(lines).toHaveLength(1);
  expect(await shelf.waiting()).toEqual([]);
});

it('an hour without a signal: all goes in batches when it is back, each line once', async () => {
  const { state, lines } = server();
  state.away = true;
  for (let i = 0; i < 130; i += 1) await box.log.append('j', [note(`line ${i}`)]);
  state.away = false;
  state.calls = 0;
  await box.send();
  expect(lines).toHaveLength(130);
  expect(state.calls).toBe(3);
});

it('one line that the server will not take keeps no other back', async () => {
  const { state, lines } = server();
  state.away = true;
  await box.log.append('j', [note('good'), note('bad'), note('better')]);
  state.away = false;
  state.bad = 'bad';
  await box.send();
  expect(texts(lines.map((entry) => ({ entry })))).toEqual(['better', 'good']);
  const kept = (await box.log.kept('j')).lines;
  expect(kept.filter(({ at }) => at === 'refused')).toHaveLength(1);
  expect(await shelf.waiting()).toEqual([]);
});

it('lines of a job that the server does not know yet wait for it', async () => {
  const { state, lines } = server();
  state.known = false;
  await box.log.append('j', [note('one')]);
  await box.send();
  expect(await shelf.waiting()).toHaveLength(1);
  state.known = true;
  await box.send();
  expect(lines).toHaveLength(1);
});

it('brings what another phone wrote, beside what waits here', async () => {
  const { state, lines } = server();
  lines.push(note('theirs'));
  state.away = true;
  await box.log.append('j', [note('mine')]);
  await box.log.fetch('j');
  expect(texts((await box.log.kept('j')).lines)).toEqual(['mine', 'theirs']);
  state.away = false;
  await box.send();
  await box.log.fetch('j');
  const both = (await box.log.kept('j')).lines;
  expect(texts(both)).toEqual(['mine', 'theirs']);
  // Mine is still mine after it came back from the server: that is the one that can be taken back here.
  expect(texts(both.filter(({ own }) => own))).toEqual(['mine']);
});

it('a device that keeps nothing holds the line in the window, and sends it', async () => {
  const { state, lines } = server();
  state.away = true;
  jest.spyOn(shelf, 'add').mockRejectedValue(new Error('full'));
  await box.log.append('j', [note('one')]);
  expect((await box.log.kept('j')).lines.map(({ at }) => at)).toEqual(['window']);
  state.away = false;
  await box.send();
  expect(lines).toHaveLength(1);
  expect(texts((await box.log.kept('j')).lines)).toEqual(['one']);
});
