import { cpSync, mkdtempSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { brotliCompressSync, gzipSync } from 'node:zlib';
import type { Browser, Page } from 'puppeteer-core';
import { startApp, storedJob, type AppServer } from './support/app-server';
import { byId, launch, openPage, openSample, PHONE, tap, typeInto } from './support/browser';

jest.setTimeout(300_000);

const web = mkdtempSync(join(tmpdir(), 'ogee-web-'));
let server: AppServer;
let browser: Browser;

const indexOf = (folder: string): string => readFileSync(join(folder, 'index.html'), 'utf8');
const entryIn = (html: string): string => /entry-[\w-]+\.js/.exec(html)?.[0] ?? '';

/** Puts the next build in the folder that is served: the same app under another name. */
const deploy = (next: string): void => {
  const scripts = join(web, '_expo', 'static', 'js', 'web');
  const old = entryIn(indexOf(web));
  for (const end of ['', '.br', '.gz'])
    renameSync(join(scripts, `${old}${end}`), join(scripts, `${next}${end}`));
  for (const name of ['index.html', 'sw.js']) {
    const file = join(web, name);
    // The page's own revision is a sum of its text: it changes with it.
    const text = readFileSync(file, 'utf8')
      .replaceAll(old, next)
      .replace(/(index\.html",revision:")\w+/, `$1${next.replaceAll(/\W/g, '')}`);
    writeFileSync(file, text);
    writeFileSync(`${file}.br`, brotliCompressSync(text));
    writeFileSync(`${file}.gz`, gzipSync(text));
  }
};

beforeAll(async () => {
  cpSync(join(__dirname, '..', 'app', 'dist'), web, { recursive: true });
  server = await startApp('0', undefined, ['--web', web]);
  browser = await launch();
});
afterAll(async () => {
  await browser.close();
  await server.stop();
  rmSync(web, { recursive: true, force: true });
});

const runs = (page: Page): Promise<string> =>
  page.evaluate(
    () =>
      [...document.scripts]
        .map(({ src }) => /entry-[\w-]+\.js/.exec(src)?.[0])
        .find((name) => name !== undefined) ?? '',
  );

it('an open app says that a newer one is here, keeps the entry in hand, and is the newer one at a touch', async () => {
  const page = await openPage(browser, PHONE);
  await openSample(page, server.base, 'Quince Yard');
  await page.evaluate(() => navigator.serviceWorker.ready);
  await page.waitForFunction(() => navigator.serviceWorker.controller !== null);
  await tap(page, 'place-timber');
  expect(await page.$(byId('newer'))).toBeNull();
  deploy('entry-second.js');
  await page.waitForSelector(byId('newer'), { timeout: 20_000 });
  await typeInto(page, 'field-framing.spacing', '447 mm');
  const loaded = page.waitForNavigation({ waitUntil: 'domcontentloaded' });
  await page.$eval(byId('load-newer'), (button) => (button as HTMLElement).click());
  await page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur());
  await loaded;
  await page.waitForSelector(byId('field-framing.spacing'));
  expect(await runs(page)).toBe('entry-second.js');
  await page.waitForFunction(
    (selector) =>
      (document.querySelector<HTMLInputElement>(selector)?.value ?? '').startsWith('447'),
    {},
    byId('field-framing.spacing'),
  );
  await page.waitForNetworkIdle();
  expect((await storedJob(page)).job.framing.spacing).toBe(447);
  await page.close();
});

it('the old one does not stay for reloads on end: a page opened over it is the newer one', async () => {
  const page = await openPage(browser, PHONE);
  await openSample(page, server.base, 'Quince Yard');
  await page.waitForFunction(() => navigator.serviceWorker.controller !== null);
  deploy('entry-third.js');
  // The first load finds the newer one, and lays it ready; the second is it.
  await page.reload({ waitUntil: 'networkidle0' });
  await page.waitForFunction(
    async () => (await navigator.serviceWorker.getRegistration())?.waiting != null,
    { timeout: 20_000 },
  );
  await page.reload({ waitUntil: 'domcontentloaded' });
  await page.waitForFunction(
    () => [...document.scripts].some(({ src }) => src.includes('entry-third.js')),
    { timeout: 20_000 },
  );
  await page.close();
});
