import type { Browser, Page } from 'puppeteer-core';
import { startApp, storedJob, type AppServer } from './support/app-server';
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

jest.setTimeout(300_000);

let server: AppServer;
const browsers: Browser[] = [];
let ada: Page;
let ben: Page;

const FIELD = 'field-framing.spacing';

/** A phone with the job open at its timber, listening. */
const phone = async (who: string): Promise<Page> => {
  const browser = await launch();
  browsers.push(browser);
  const page = await openPage(browser, PHONE);
  await page.evaluateOnNewDocument(`localStorage.setItem('ogee.who', ${JSON.stringify(who)})`);
  await openSample(page, server.base, 'Quince Yard');
  await tap(page, 'place-timber');
  await page.waitForSelector(byId(FIELD));
  return page;
};

beforeAll(async () => {
  server = await startApp();
  [ada, ben] = await Promise.all([phone('Ada'), phone('Ben')]);
  // The page listens once it stands.
  await new Promise((resolve) => setTimeout(resolve, 4000));
});
afterAll(async () => {
  await Promise.all(browsers.map((browser) => browser.close()));
  await server.stop();
});

const type = async (page: Page, mm: number): Promise<void> => {
  await typeInto(page, FIELD, `${mm} mm`);
  await settled(page);
};

/** Waits until a page's field shows so much; ms that it took. */
const shows = async (page: Page, mm: number): Promise<number> => {
  const from = Date.now();
  await page.waitForFunction(
    (selector, wanted) =>
      (document.querySelector<HTMLInputElement>(selector)?.value ?? '').startsWith(wanted),
    { timeout: 20_000 },
    byId(FIELD),
    String(mm),
  );
  return Date.now() - from;
};

it('an open page shows within two seconds what another phone saved, and whose it is', async () => {
  await type(ada, 431);
  expect(await shows(ben, 431)).toBeLessThan(2000);
  await waitForText(ben, 'news', 'Ada');
  expect(await textOf(ben, 'news')).toContain('431');
  const { revision } = await storedJob(ben);
  await waitForText(ben, 'save-state', `Saved · revision ${revision}`);
  await tap(ben, 'news-seen');
  await ben.waitForSelector(byId('news'), { hidden: true });
  // One's own change is no news.
  expect(await ada.$(byId('news'))).toBeNull();
});

it('nothing moves under a field in hand; what came is there when it is left', async () => {
  await typeInto(ben, FIELD, '43');
  await type(ada, 432);
  await new Promise((resolve) => setTimeout(resolve, 2500));
  expect(await ben.$eval(byId(FIELD), (field) => (field as HTMLInputElement).value)).toBe('43');
  expect(await ben.$(byId('news'))).toBeNull();
  await ben.keyboard.press('Escape');
  await shows(ben, 432);
  await waitForText(ben, 'news', '432');
});

it('a page that was away is up to date as soon as it is back', async () => {
  await ben.setOfflineMode(true);
  await type(ada, 433);
  await ben.setOfflineMode(false);
  await ben.evaluate(() => window.dispatchEvent(new Event('online')));
  expect(await shows(ben, 433)).toBeLessThan(2000);
});

it('what two phones enter at once without a signal both stands', async () => {
  const SITE = 'field-blocks.0.outline';
  await tap(ben, 'place-site');
  await ben.waitForSelector(byId(`${SITE}.0`)).catch(() => null);
  await ben.setOfflineMode(true);
  await typeInto(ben, 'field-blocks.0.sides.0.pitch', '37°');
  await leaveField(ben);
  await waitForText(ben, 'save-state', 'On this device');
  await type(ada, 436);
  await ben.setOfflineMode(false);
  await ben.evaluate(() => window.dispatchEvent(new Event('online')));
  await settled(ben);
  const { job } = await storedJob(ben);
  expect([job.framing.spacing, job.blocks[0]?.sides[0]]).toMatchObject([436, { pitch: '37°' }]);
  expect(await ben.$(byId('conflict'))).toBeNull();
  await tap(ben, 'place-timber');
  await shows(ben, 436);
});

it('what both entered is asked, with both figures, and either stands', async () => {
  await ben.setOfflineMode(true);
  await typeInto(ben, FIELD, '500 mm');
  await leaveField(ben);
  await waitForText(ben, 'save-state', 'On this device');
  await type(ada, 438);
  await ben.setOfflineMode(false);
  await ben.evaluate(() => window.dispatchEvent(new Event('online')));
  await ben.waitForSelector(byId('conflict'));
  const asked = await textOf(ben, 'conflict');
  for (const figure of ['500', '438']) expect(asked).toContain(figure);
  await tap(ben, 'keep-mine');
  await settled(ben);
  expect(await shows(ada, 500)).toBeLessThan(4000);
});

it('without a stream it is asked for', async () => {
  await ben.evaluateOnNewDocument(`
    const Real = Worker;
    window.Worker = class extends Real {
      constructor(url, ...rest) {
        if (String(url).includes('listening')) throw new Error('no stream');
        super(url, ...rest);
      }
    };
  `);
  await ben.reload({ waitUntil: 'networkidle0' });
  await ben.waitForSelector(byId(FIELD));
  await new Promise((resolve) => setTimeout(resolve, 4000));
  await type(ada, 434);
  expect(await shows(ben, 434)).toBeLessThan(2500);
  await leaveField(ben);
});

it('the log of another phone too', async () => {
  for (const page of [ada, ben]) {
    const { origin, pathname } = new URL(page.url());
    await page.goto(`${origin}/job/${pathname.split('/')[2] ?? ''}/log`, {
      waitUntil: 'networkidle0',
    });
    await page.waitForSelector(byId('note'));
  }
  await new Promise((resolve) => setTimeout(resolve, 4000));
  await typeInto(ada, 'note', 'the plate is 6 low');
  await ada.keyboard.press('Enter');
  // The caret stays in the field.
  expect(await ada.evaluate(() => document.activeElement?.getAttribute('data-testid'))).toBe(
    'note',
  );
  const from = Date.now();
  await ben.waitForFunction(() => document.body.innerText.includes('the plate is 6 low'));
  expect(Date.now() - from).toBeLessThan(2500);
});
