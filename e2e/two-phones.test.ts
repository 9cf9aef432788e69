import { readJob, solve, type StoredJob } from '@ogee/core';
import type { Browser, Page } from 'puppeteer-core';
import { jobNamed, loggedIn, startApp, type AppServer } from './support/app-server';
import {
  byId,
  launch,
  openPage,
  PHONE,
  tap,
  textOf,
  typeInto,
  waitForText,
} from './support/browser';

jest.setTimeout(300_000);

let server: AppServer;
const browsers: Browser[] = [];
const phones: Page[] = [];
let id = '';
/** A line with pieces enough for all that is ticked here: both phones saw on it. */
let mark = '';

/** A clock that the test can turn on; a script of the page's own, so that nothing of the test's compiler is in it. */
const CLOCK = `
  const Real = Date;
  let later = Number(sessionStorage.getItem('later') ?? 0);
  window.Date = class extends Real {
    constructor(...at) {
      if (at.length === 0) super(Real.now() + later);
      else super(...at);
    }
    static now() {
      return Real.now() + later;
    }
  };
  window.turnClock = (ms) => {
    later += ms;
    sessionStorage.setItem('later', String(later));
  };
`;

const anHourLater = (page: Page): Promise<void> =>
  page.evaluate(() =>
    (window as unknown as { turnClock: (ms: number) => void }).turnClock(3_600_000),
  );

const phone = async (who: string): Promise<Page> => {
  const browser = await launch();
  browsers.push(browser);
  const page = await openPage(browser, PHONE);
  await page.evaluateOnNewDocument(CLOCK);
  await page.goto(server.base, { waitUntil: 'networkidle0' });
  await page.evaluate(() => navigator.serviceWorker.ready);
  await page.waitForFunction(() => navigator.serviceWorker.controller !== null);
  await page.goto(`${server.base}/job/${id}/saw?piece=${mark}.plain`, {
    waitUntil: 'domcontentloaded',
  });
  await page.waitForSelector(byId('next-piece'));
  await typeInto(page, 'who', who);
  await page.evaluate(() => (document.activeElement as HTMLElement).blur());
  phones.push(page);
  return page;
};

const sawn = async (page: Page): Promise<number> =>
  Number(/^(\d+) of/u.exec(await textOf(page, 'day-done'))?.[1] ?? NaN);

const seesSawn = (page: Page, count: number): Promise<unknown> =>
  page.waitForFunction(
    (selector, start) =>
      document.querySelector<HTMLElement>(selector)?.innerText.startsWith(start) === true,
    { timeout: 45_000 },
    byId('day-done'),
    `${count} of`,
  );

/** Ticks pieces one by one, each when the one before is counted. */
const tick = async (page: Page, pieces: number): Promise<void> => {
  for (let i = 0; i < pieces; i += 1) {
    const before = await sawn(page);
    await tap(page, 'tick');
    await seesSawn(page, before + 1);
  }
};

const allWithServer = (page: Page): Promise<unknown> =>
  page.waitForSelector(byId('log-state'), { hidden: true, timeout: 45_000 });

const logged = () => loggedIn(server.base, id);

beforeAll(async () => {
  server = await startApp();
  id = await jobNamed(server.base, 'Quince Yard');
  const { job } = (await (await fetch(`${server.base}/api/jobs/${id}`)).json()) as StoredJob;
  const read = readJob(job);
  const solved = read.ok ? solve(read.value) : read;
  if (!solved.ok) throw new Error('a sample is a roof');
  ({ mark } = solved.value.cuts.members.reduce((most, line) =>
    line.hands.plain > most.hands.plain ? line : most,
  ));
  await phone('Ada');
  await phone('Ben');
}, 120_000);
afterAll(async () => {
  await Promise.all(browsers.map((browser) => browser.close()));
  await server.stop();
});

it('what one phone ticks, the other sees', async () => {
  const [ada, ben] = phones as [Page, Page];
  await tick(ada, 1);
  await seesSawn(ben, 1);
  expect((await logged()).map(({ kind, by }) => [kind, by])).toEqual([['tick', 'Ada']]);
});

it('an hour without the server: both tick, one takes back, one is closed and opened; nothing is lost', async () => {
  const [ada, ben] = phones as [Page, Page];
  await server.kill();
  await tick(ada, 2);
  await tick(ben, 3);
  await waitForText(ada, 'log-state', '2 lines are on this device');
  await Promise.all([anHourLater(ada), anHourLater(ben)]);
  await tick(ada, 1);
  await tap(ada, 'undo-tick');
  await seesSawn(ada, 3);
  // Closed and opened where there is no server: everything is on the phone.
  await ben.reload({ waitUntil: 'domcontentloaded' });
  await ben.waitForSelector(byId('next-piece'), { timeout: 20_000 });
  await seesSawn(ben, 4);
  server = await server.again();
  await Promise.all([allWithServer(ada), allWithServer(ben)]);
  // 1 before, 2 + 1 of Ada's less the one taken back, 3 of Ben's.
  await Promise.all([seesSawn(ada, 6), seesSawn(ben, 6)]);
  const lines = await logged();
  expect(lines.filter(({ kind }) => kind === 'tick')).toHaveLength(7);
  expect(lines.filter(({ kind }) => kind === 'undo')).toHaveLength(1);
  expect(new Set(lines.map((line) => line.id)).size).toBe(8);
  const times = lines.map(({ at }) => Date.parse(at));
  expect(Math.max(...times) - Math.min(...times)).toBeGreaterThan(3_500_000);
  // The clocks that were turned are said to be off.
  await waitForText(ada, 'clock-off', '1 hour ahead');
});

it('the server killed and stopped while both are ticking: each tick comes once', async () => {
  const [ada, ben] = phones as [Page, Page];
  const before = (await logged()).length;
  const sawnBefore = await sawn(ada);
  for (const end of ['kill', 'stop', 'kill'] as const) {
    await Promise.all([tap(ada, 'tick'), tap(ben, 'tick')]);
    await server[end]();
    await Promise.all([tap(ada, 'tick'), tap(ben, 'tick')]);
    server = await server.again();
  }
  await Promise.all([allWithServer(ada), allWithServer(ben)]);
  await Promise.all([seesSawn(ada, sawnBefore + 12), seesSawn(ben, sawnBefore + 12)]);
  const lines = await logged();
  expect(lines).toHaveLength(before + 12);
  expect(new Set(lines.map((line) => line.id)).size).toBe(before + 12);
  expect(lines.filter(({ by }) => by === 'Ada').length).toBeGreaterThan(0);
  expect(lines.filter(({ by }) => by === 'Ben').length).toBeGreaterThan(0);
});
