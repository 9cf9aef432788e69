import type { Browser, Page } from 'puppeteer-core';
import { jobNamed, startApp, type AppServer } from './support/app-server';
import { findings, lighthouseFindings } from './support/audit';
import { byId, launch, openPage, PHONE, stillness, WIDE } from './support/browser';

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

/** What runs past the edge, or makes the page wider than the screen, at twice the size of text. */
const cutOff = async (page: Page): Promise<string[]> => {
  // What a phone has left when everything on it is twice as large.
  const [width, height] = [PHONE.width / 2, PHONE.height / 2];
  await page.setViewport({ ...PHONE, width, height });
  // The app lays itself out anew a moment later: read until it rests.
  const found = await stillness(page, () =>
    page.evaluate(() => {
      const past = [
        ...document.querySelectorAll('[role=img][aria-label], button, [role=button], input'),
      ]
        .filter((one) => one.closest('[data-testid=board],[data-testid=plan]') === null)
        .filter((one) => one.getBoundingClientRect().right > window.innerWidth + 1)
        .map((one) => one.getAttribute('aria-label') ?? one.textContent);
      const wide = document.documentElement.scrollWidth;
      const tooWide = wide === window.innerWidth ? [] : [`the page is ${wide} px wide`];
      return JSON.stringify([...past, ...tooWide]);
    }),
  );
  await page.setViewport(PHONE);
  return JSON.parse(found) as string[];
};

const wing = (): Promise<string> => jobNamed(server.base, 'Heron Slip');

it.each([
  ['on a phone, in light', PHONE, 'light'],
  ['on a wide screen, in dark', WIDE, 'dark'],
] as const)(
  'axe finds nothing %s; on a phone, nothing is cut off at twice the size of text',
  async (_where, size, theme) => {
    const page = await openPage(browser, size);
    await page.emulateMediaFeatures([{ name: 'prefers-color-scheme', value: theme }]);
    const id = await wing();
    const found: string[] = [];
    for (const [path, mark] of PAGES) {
      await page.goto(addressOf(path, id));
      await page.waitForSelector(byId(mark));
      // On a wide screen the list stands beside every place: it is looked at in its own.
      const beside = path === 'cuts' ? null : byId('cut-list');
      found.push(...(await findings(page, beside)).map((one) => `${path}: ${one}`));
      if (size === PHONE) found.push(...(await cutOff(page)).map((one) => `${path}: ${one}`));
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
