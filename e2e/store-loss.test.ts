import type { Browser, Page } from 'puppeteer-core';
import { loggedIn, startApp, storedJob, type AppServer } from './support/app-server';
import {
  byId,
  launch,
  leaveField,
  openPage,
  openSample,
  PHONE,
  settled,
  tap,
  textOf,
  typeInto,
  waitForText,
} from './support/browser';
import { STORE_CLOSED } from './support/store';

jest.setTimeout(300_000);

let server: AppServer;
let browser: Browser;

beforeAll(async () => {
  server = await startApp('0', undefined, ['--name', 'yard.test']);
  browser = await launch(['--host-resolver-rules=MAP yard.test 127.0.0.1']);
});
afterAll(async () => {
  await browser.close();
  await server.stop();
});

/** Scripts of the page's own: what a browser does to a store, and what a person does. */
const FULL = `
  for (const name of ['add', 'put'])
    IDBObjectStore.prototype[name] = () => {
      throw new DOMException('full', 'QuotaExceededError');
    };
`;
const SILENT = `
  IDBDatabase.prototype.transaction = () => {
    throw new DOMException('The database connection is closing.', 'InvalidStateError');
  };
  IDBFactory.prototype.open = () => new EventTarget();
`;
const UPGRADED = `new Promise((resolve) => {
  const request = indexedDB.open('ogee', 9);
  request.onsuccess = resolve;
})`;
const DELETED = `Promise.all(
  ['ogee', 'ogee-log', 'ogee-roofs'].map(
    (name) =>
      new Promise((resolve) => {
        const request = indexedDB.deleteDatabase(name);
        request.onsuccess = resolve;
      }),
  ),
)`;
const DENIED = `
  for (const name of ['indexedDB', 'localStorage', 'sessionStorage'])
    Object.defineProperty(window, name, {
      get: () => {
        throw new DOMException('denied', 'SecurityError');
      },
    });
`;

const run = (script: string) => async (page: Page) => void (await page.evaluate(script));

const clear = async (page: Page): Promise<void> => {
  const session = await page.createCDPSession();
  await session.send('Storage.clearDataForOrigin', {
    origin: new URL(page.url()).origin,
    storageTypes: 'all',
  });
  await session.detach();
};

const WAYS: readonly (readonly [string, (page: Page) => Promise<void>])[] = [
  ['closed by the browser', run(STORE_CLOSED)],
  ['full', run(FULL)],
  ['not answering', run(SILENT)],
  ['deleted by another window', run(DELETED)],
  ['upgraded by another window', run(UPGRADED)],
  ['cleared by the person', clear],
];

const spacingOf = async (page: Page): Promise<number> =>
  (await storedJob(page)).job.framing.spacing;

/** Types a spacing and leaves the field. */
const typeSpacing = async (page: Page, mm: number): Promise<void> => {
  await typeInto(page, 'field-framing.spacing', `${mm} mm`);
  await leaveField(page);
};

let spacing = 420;

describe('a store that goes away while a job is open', () => {
  it.each(WAYS)('%s: what is typed and ticked reaches the server', async (_way, goAway) => {
    const page = await openPage(browser, PHONE);
    await openSample(page, server.base, 'Heron Slip');
    await tap(page, 'place-timber');
    await goAway(page);
    spacing += 1;
    await typeSpacing(page, spacing);
    await waitForText(page, 'save-state', 'Saved · revision');
    expect(await spacingOf(page)).toBe(spacing);
    await tap(page, 'place-cuts');
    await tap(page, 'to-saw');
    const id = /job\/([^/]+)/.exec(page.url())?.[1] ?? '';
    const before = (await loggedIn(server.base, id)).length;
    await page.waitForSelector(`${byId('tick')}:not([aria-disabled="true"])`, { timeout: 60_000 });
    const done = await textOf(page, 'day-done');
    await tap(page, 'tick');
    await page.waitForFunction(
      (selector, was) => document.querySelector<HTMLElement>(selector)?.innerText !== was,
      {},
      byId('day-done'),
      done,
    );
    await page.waitForSelector(byId('log-state'), { hidden: true });
    expect(await loggedIn(server.base, id)).toHaveLength(before + 1);
    await page.close();
  });

  it('and the server too: the mark says that it is in this window only, until it is not', async () => {
    const page = await openPage(browser, PHONE);
    await openSample(page, server.base, 'Quince Yard');
    await tap(page, 'place-timber');
    await page.setOfflineMode(true);
    await page.evaluate(STORE_CLOSED);
    await typeSpacing(page, 433);
    await waitForText(page, 'save-state', 'In this window only');
    await waitForText(page, 'unkept', 'Keep this window open');
    await page.setOfflineMode(false);
    await page.evaluate(() => window.dispatchEvent(new Event('online')));
    await settled(page);
    expect(await spacingOf(page)).toBe(433);
    await page.close();
  });
});

it('a browser that keeps nothing at all opens a job, edits it and says so', async () => {
  const page = await openPage(browser, PHONE);
  await page.evaluateOnNewDocument(DENIED);
  await openSample(page, server.base, 'Quince Yard');
  await tap(page, 'place-timber');
  await typeSpacing(page, 437);
  await settled(page);
  expect(await spacingOf(page)).toBe(437);
  await page.close();
});

it('over plain http, entries and ticks work; what is lacking is said once', async () => {
  const base = server.base.replace('127.0.0.1', 'yard.test');
  const page = await openPage(browser, PHONE);
  await openSample(page, base, 'Quince Yard');
  expect(await page.evaluate(() => [isSecureContext, 'locks' in navigator])).toEqual([
    false,
    false,
  ]);
  expect(await textOf(page, 'plain-http')).toContain('plain http');
  await tap(page, 'plain-http-said');
  await tap(page, 'place-timber');
  await typeSpacing(page, 441);
  await settled(page);
  const { origin, pathname } = new URL(page.url());
  const id = pathname.split('/')[2] ?? '';
  const { job } = (await (await fetch(`${server.base}/api/jobs/${id}`)).json()) as {
    job: { framing: { spacing: number } };
  };
  expect(job.framing.spacing).toBe(441);
  // A second window of the same device takes its turn.
  const other = await openPage(browser, PHONE);
  await other.goto(`${origin}/job/${id}/timber`, { waitUntil: 'networkidle0' });
  expect(await other.$(byId('plain-http'))).toBeNull();
  await typeSpacing(other, 442);
  await settled(other);
  await page.close();
  await other.close();
});
