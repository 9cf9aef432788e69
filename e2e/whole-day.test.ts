import { newJob, solve, readJob, type CutListEntry, type Job } from '@ogee/core';
import type { Browser, Page } from 'puppeteer-core';
import { createJob, loggedIn, startApp, storedJob, type AppServer } from './support/app-server';
import {
  byId,
  choose,
  launch,
  leaveField,
  openPage,
  PHONE,
  press,
  settled,
  tap,
  textOf,
  typeInto,
  waitForText,
} from './support/browser';

jest.setTimeout(300_000);

let server: AppServer;
let browser: Browser;
let page: Page;
let id = '';

const METRIC: Job['display'] = { units: 'metric', fraction: 16, pitch: 'degrees', terms: 'uk' };

beforeAll(async () => {
  [server, browser] = await Promise.all([startApp(), launch()]);
  id = await createJob(server.base, newJob('Whole day', METRIC, 9000, 6000, '35°'));
  page = await openPage(browser, PHONE);
  await page.goto(`${server.base}/job/${id}/site`, { waitUntil: 'networkidle0' });
}, 120_000);
afterAll(async () => {
  await browser.close();
  await server.stop();
});

const lines = async (): Promise<readonly CutListEntry[]> => {
  const read = readJob((await storedJob(page)).job);
  const solved = read.ok ? solve(read.value) : read;
  if (!solved.ok) throw new Error('the stored job is a roof');
  return solved.value.cuts.members;
};
/** The commons that the most pieces are cut to. */
const common = async (): Promise<CutListEntry> =>
  (await lines())
    .filter(({ kind }) => kind === 'common')
    .reduce((most, one) => (one.count > most.count ? one : most));

const logged = () => loggedIn(server.base, id);

const diagonal = ({ blocks }: Job): number => {
  const [one, , three] = blocks[0]!.outline;
  return Math.hypot(three![0] - one![0], three![1] - one![1]);
};

it('measured out of square, by tape and by the laser: the corners and the marks are told', async () => {
  await tap(page, 'to-as-built');
  await page.waitForSelector(byId('as-built'));
  await typeInto(page, 'measured-as-built/main/diagonal/0', '10846');
  await leaveField(page);
  await waitForText(page, 'off-as-built/main/diagonal/0', '+29.3 mm !');
  await tap(page, 'instruments');
  await choose(page, 'Laser (simulated)', 'Connected');
  await tap(page, 'measured-as-built/main/wall/0');
  await tap(page, 'take-reading');
  await leaveField(page);
  await waitForText(page, 'off-as-built/main/wall/0', '+4 mm !');
  // The wall over against it is as long.
  await typeInto(page, 'measured-as-built/main/wall/2', '9004');
  await leaveField(page);
  await page.waitForSelector(byId('marks-moved'));
  await waitForText(page, 'off-as-built/main/wall/2', '+4 mm !');
  await page.waitForSelector(byId('log-state'), { hidden: true });
  const measured = (await logged()).flatMap((line) =>
    line.kind === 'measurement' ? [[line.path, line.value, line.source]] : [],
  );
  expect(measured).toEqual([
    ['as-built/main/diagonal/0', 10846, 'typed'],
    ['as-built/main/wall/0', 9004, 'laser'],
    ['as-built/main/wall/2', 9004, 'typed'],
  ]);
});

it('framed to the true plan: the job’s plates are those that were measured', async () => {
  await tap(page, 'take-as-built');
  await page.waitForSelector(byId('as-built-taken'));
  await settled(page);
  const { job } = await storedJob(page);
  expect(diagonal(job)).toBeCloseTo(10846, 3);
  await waitForText(page, 'off-as-built/main/diagonal/0', 'as planned');
});

it('the tape of a plate names the pieces of the true plan', async () => {
  await tap(page, 'place-cuts');
  await tap(page, 'story-tapes');
  await page.waitForSelector(byId('story-tape'));
  expect(await textOf(page, 'story-tape')).toContain((await common()).mark);
});

it('its pattern is shown, sawn first, and said to be traced from', async () => {
  const { mark, count } = await common();
  await tap(page, 'to-patterns');
  await page.waitForSelector(byId('patterns'));
  await press(page, mark);
  await waitForText(page, 'traced', 'as the pattern');
  await page.goto(`${server.base}/job/${id}/saw?piece=${mark}.plain`, {
    waitUntil: 'domcontentloaded',
  });
  await waitForText(page, 'pattern-words', 'mark it PATTERN');
  expect(await textOf(page, 'left-to-saw')).toBe(String(count));
  await tap(page, 'tick');
  await waitForText(page, 'left-to-saw', String(count - 1));
  await waitForText(page, 'pattern-words', 'Trace it from the pattern');
  const [tick] = (await logged()).filter(({ kind }) => kind === 'tick');
  expect(tick).toMatchObject({ pattern: true, sawn: { mark } });
});

it('tried in place it is 3 mm short all over: the span is 6 wider, and taken into the job', async () => {
  const { mark } = await common();
  const before = (await storedJob(page)).job;
  await page.goto(`${server.base}/job/${id}/cuts/${mark}`, { waitUntil: 'domcontentloaded' });
  await tap(page, 'to-try');
  for (const [sign, mm] of [
    ['top-gap', '3'],
    ['bottom-gap', '3'],
    ['top-step', '0'],
  ] as const) {
    await typeInto(page, `sign-${sign}`, mm);
    await leaveField(page);
  }
  await press(page, 'All show it');
  await waitForText(page, 'cause-0', 'the span is 6 mm wider');
  await typeInto(page, 'reason', 'measured across at three rafters');
  await tap(page, 'take-0');
  await page.waitForSelector(byId('taken'));
  await settled(page);
  const { job } = await storedJob(page);
  const across = ({ blocks }: Job): number => {
    const ys = blocks[0]!.outline.map(([, y]) => y);
    return Math.max(...ys) - Math.min(...ys);
  };
  expect(across(job) - across(before)).toBeCloseTo(6, 1);
  const kinds = (await logged()).map(({ kind }) => kind);
  expect(kinds.slice(-2)).toEqual(['test', 'correction']);
  expect((await logged()).at(-1)).toMatchObject({ reason: 'measured across at three rafters' });
});

it('the pattern that was sawn is told to be too short now', async () => {
  await page.goto(`${server.base}/job/${id}/saw`, { waitUntil: 'domcontentloaded' });
  await waitForText(page, 'misfits', 'too short');
  // 3 level, along a slope of 35°.
  expect(await textOf(page, 'misfits')).toMatch(/3\.[67] mm too short/u);
});

it('several at once are ticked, and taken back', async () => {
  const { mark, count } = await common();
  await page.goto(`${server.base}/job/${id}/saw?piece=${mark}.plain`, {
    waitUntil: 'domcontentloaded',
  });
  await waitForText(page, 'left-to-saw', String(count));
  await tap(page, 'more-at-once');
  await tap(page, 'more-at-once');
  await tap(page, 'tick');
  await waitForText(page, 'left-to-saw', String(count - 3));
  await tap(page, 'undo-tick');
  await waitForText(page, 'left-to-saw', String(count));
  await page.keyboard.press('s');
  await waitForText(page, 'left-to-saw', String(count - 1));
  await page.keyboard.press('ArrowRight');
  await page.waitForFunction(
    (selector, was) => document.querySelector<HTMLElement>(selector)?.innerText !== was,
    {},
    byId('next-mark-name'),
    mark,
  );
});

it('the pitch is changed: what is sawn is flagged, and what it still serves is said', async () => {
  await page.goto(`${server.base}/job/${id}/site`, { waitUntil: 'domcontentloaded' });
  await page.waitForSelector(byId('field-blocks.0.sides.0.pitch'));
  await typeInto(page, 'field-blocks.0.sides.0.pitch', '38');
  await settled(page);
  // Where the list is read it is said, not at the saw alone.
  await tap(page, 'place-cuts');
  await waitForText(page, 'sawn-bar', '2 sawn pieces are not on the list');
  await page.goto(`${server.base}/job/${id}/saw`, { waitUntil: 'domcontentloaded' });
  await waitForText(page, 'misfits', '2 sawn pieces are not on the list');
  const said = await textOf(page, 'misfits');
  expect(said).toMatch(/too short|other cuts/u);
  expect(await textOf(page, 'day-done')).toMatch(/^0 of/u);
});

it('the day is in the log, and can be taken away as a table', async () => {
  await page.goto(`${server.base}/job/${id}/log`, { waitUntil: 'domcontentloaded' });
  await page.waitForSelector(byId('line-correction'));
  await typeInto(page, 'note', 'Packed up, rain at four');
  await tap(page, 'add-note');
  await waitForText(page, 'log', 'Packed up, rain at four');
  await press(page, 'Measured');
  await page.waitForFunction(
    (selector) => document.querySelectorAll(selector).length === 0,
    {},
    byId('line-note'),
  );
  const measured = await page.$$eval(byId('line-measurement'), (all) => all.length);
  expect(measured).toBe((await logged()).filter(({ kind }) => kind === 'measurement').length);
});

it('the phone reads a mark aloud, and its screen is kept awake', async () => {
  const listening = await openPage(browser, PHONE);
  await listening.evaluateOnNewDocument(() => {
    const said: string[] = [];
    const awake: string[] = [];
    Object.assign(window, { said, awake });
    // No voice and no lock in a browser without a screen: what is asked of them is written down.
    Object.defineProperty(window, 'speechSynthesis', {
      value: {
        speak: ({ text }: { text: string }) => said.push(text),
        cancel: () => undefined,
        getVoices: () => [],
        pending: false,
        speaking: false,
      },
    });
    Object.defineProperty(navigator, 'wakeLock', {
      value: {
        request: (what: string) => {
          awake.push(what);
          return Promise.resolve({
            release: () => Promise.resolve(),
            addEventListener: () => undefined,
            removeEventListener: () => undefined,
          });
        },
      },
    });
  });
  const { mark } = await common();
  await listening.goto(`${server.base}/job/${id}/saw?piece=${mark}.plain`);
  await listening.waitForSelector(byId('next-piece'));
  await tap(listening, 'read-aloud');
  const heard = await listening.evaluate(() => {
    const { said, awake } = window as unknown as { said: string[]; awake: string[] };
    return { said, awake };
  });
  expect(heard.said.join()).toMatch(/\d+ millimetres/u);
  expect(heard.awake).toContain('screen');
  await listening.close();
});
