import type { Browser } from 'puppeteer-core';
import { startApp, type AppServer } from './support/app-server';
import { findings } from './support/audit';
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
] as const;

const wing = async (): Promise<string> => {
  const { jobs } = (await (await fetch(`${server.base}/api/jobs`)).json()) as {
    jobs: { id: string; name: string }[];
  };
  return jobs.find(({ name }) => name === 'Heron Slip')!.id;
};

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
      await page.goto(path === '' ? server.base : `${server.base}/job/${id}/${path}`);
      await page.waitForSelector(byId(mark));
      found.push(...(await findings(page)).map((one) => `${path}: ${one}`));
    }
    expect(found).toEqual([]);
    await page.close();
  },
  120_000,
);
