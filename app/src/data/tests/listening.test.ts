import type { Change, ChangesPage } from '@ogee/core/src/wire';
import { Listening, type Means } from '../listening';

const page = (at: number, changes: readonly Change[] = [], more: object = {}): ChangesPage => ({
  changes: [...changes],
  last: `s.${at}`,
  missed: false,
  build: null,
  ...more,
});
const saved = (id: string): Change => ({
  kind: 'job',
  id,
  revision: 2,
  entry: null,
  device: 'another phone',
});

/** Windows of a device, and a server in the test's hands. */
const device = () => {
  const turns: (() => Promise<void>)[] = [];
  const state = { streams: 0, asked: [] as (string | null)[], answer: page(0) };
  let told: (data: unknown) => void = () => undefined;
  const means: Means = {
    ask: (after) => {
      state.asked.push(after);
      return Promise.resolve(state.answer);
    },
    stream: (tell) => {
      state.streams += 1;
      told = tell;
      return { end: () => undefined };
    },
    alone: async (_name, work) => {
      turns.push(work);
      if (turns.length > 1) return;
      while (turns.length > 0) {
        await turns[0]?.();
        turns.shift();
      }
    },
    inSight: () => true,
  };
  return {
    state,
    means,
    tell: (one: ChangesPage) => told(JSON.stringify(one)),
    fail: () => told('closed'),
  };
};

const windows: Listening[] = [];
const open = (means: Means): ChangesPage[] => {
  const heard: ChangesPage[] = [];
  windows.push(new Listening((one) => heard.push(one), means));
  return heard;
};
beforeEach(() => jest.useFakeTimers({ doNotFake: ['setImmediate', 'nextTick', 'queueMicrotask'] }));
afterEach(() => {
  for (const one of windows.splice(0)) one.dispose();
  jest.useRealTimers();
});

/** What windows tell each other takes its own way. */
const passedOn = async (): Promise<void> => {
  for (let i = 0; i < 5; i += 1) await new Promise((resolve) => setImmediate(resolve));
};

it('hears by one stream for all windows of a device', async () => {
  const { state, means, tell } = device();
  const [one, other] = [open(means), open(means)];
  tell(page(4));
  tell(page(5, [saved('j')]));
  await passedOn();
  expect(state.streams).toBe(1);
  expect(one.map(({ changes }) => changes)).toEqual([[], [saved('j')]]);
  expect(other.map(({ changes }) => changes)).toEqual([[], [saved('j')]]);
  // A beat is no news.
  tell(page(5));
  await passedOn();
  expect([one.length, other.length]).toEqual([2, 2]);
});

it('knows when it has missed something: a place that leaps, or another server', () => {
  const { means, tell } = device();
  const heard = open(means);
  tell(page(4));
  tell(page(5, [saved('j')]));
  tell(page(7, [saved('j')]));
  tell({ ...page(1), last: 't.1' });
  expect(heard.map(({ missed }) => missed)).toEqual([true, false, true, true]);
});

it('asks where there is no stream, from the place that it knows, and tries for one again', async () => {
  const { state, means, fail, tell } = device();
  const heard = open(means);
  tell(page(4));
  fail();
  state.answer = page(5, [saved('j')]);
  await jest.advanceTimersByTimeAsync(1600);
  expect(state.asked).toEqual(['s.4']);
  expect(heard.at(-1)).toMatchObject({ changes: [saved('j')], missed: false });
  await jest.advanceTimersByTimeAsync(10_000);
  expect(state.streams).toBe(2);
  const asked = state.asked.length;
  tell(page(5));
  await jest.advanceTimersByTimeAsync(6000);
  expect(state.asked).toHaveLength(asked);
});

it('takes a stream that says nothing for dead', async () => {
  const { state, means, tell } = device();
  open(means);
  tell(page(4));
  await jest.advanceTimersByTimeAsync(28_000);
  expect(state.streams).toBe(2);
  expect(state.asked.length).toBeGreaterThan(0);
});
