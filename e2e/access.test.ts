import type { Browser } from 'puppeteer-core';
import { jobNamed, startApp, type AppServer } from './support/app-server';
import { findings, lighthouseFindings } from './support/audit';
import { byId, launch, openPage, PHONE, WIDE } from './support/browser';

let server: AppServer;
let browser: Browser;
beforeAll(async () => {
  [server, browser] = await Promise.all([startApp(), launch()]);
}, 60_000);
afterAll(async () => {
  await browser.close();
  await server.stop();
});

/** Every place, and what stands when it is whole. */
const PAGES = [
  ['', 'new-job'],
  ['site', 'save-state'],
  ['roof', 'lines'],
  ['timber', 'save-state'],
  ['cuts', 'cut-list'],
  ['cuts/HJ2', 'piece-sheet'],
  ['fit', 'fit'],
  ['history', 'name-1'],
  ['saw', 'next-piece'],
  ['log', 'note'],
  ['patterns', 'traced'],
  ['as-built', 'as-built'],
  ['try/C1', 'causes'],
  ['/bench', 'outcome'],
  ['/practice', 'answer-0'],
] as const;

const addressOf = (path: string, id: string): string =>
  path === '' || path.startsWith('/') ? server.base + path : `${server.base}/job/${id}/${path}`;

const wing = (): Promise<string> => jobNamed(server.base, 'Heron Slip');

it.each([
  ['on a phone, in light', PHONE, 'light'],
  ['on a wide screen, in dark', WIDE, 'dark'],
] as const)(
  'axe finds nothing %s',
  async (_where, size, theme) => {
    const page = await openPage(browser, size);
    await page.emulateMediaFeatures([{ name: 'prefers-color-scheme', value: theme }]);
    const id = await wing();
    const found: string[] = [];
    for (const [path, mark] of PAGES) {
      await page.goto(addressOf(path, id));
      await page.waitForSelector(byId(mark));
      found.push(...(await findings(page)).map((one) => `${path}: ${one}`));
    }
    expect(found).toEqual([]);
    await page.close();
  },
  300_000,
);

it('Lighthouse finds nothing', async () => {
  const id = await wing();
  for (const path of ['', `/job/${id}/cuts`])
    expect([path, await lighthouseFindings(browser, server.base + path)]).toEqual([path, []]);
}, 300_000);

it('cuts no figure off, and nothing runs past the edge, at twice the size of text', async () => {
  // What a phone has left when everything on it is twice as large.
  const page = await openPage(browser, PHONE);
  await page.setViewport({ ...PHONE, width: PHONE.width / 2, height: PHONE.height / 2 });
  const id = await wing();
  for (const [path, mark] of PAGES) {
    await page.goto(addressOf(path, id));
    await page.waitForSelector(byId(mark));
    const past = await page.evaluate(() =>
      [...document.querySelectorAll('[role=img][aria-label], button, [role=button], input')]
        .filter((one) => one.closest('[data-testid=board],[data-testid=plan]') === null)
        .filter((one) => one.getBoundingClientRect().right > window.innerWidth + 1)
        .map((one) => one.getAttribute('aria-label') ?? one.textContent),
    );
    const wide = await page.evaluate(() => document.documentElement.scrollWidth);
    expect([path, past, wide]).toEqual([path, [], PHONE.width / 2]);
  }
  await page.close();
}, 300_000);
