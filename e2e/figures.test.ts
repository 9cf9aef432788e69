import { startApp, type AppServer } from './support/app-server';
import { byId, launch, openPage, openSample, PHONE, tap, waitForText } from './support/browser';
import type { Browser } from 'puppeteer-core';

jest.setTimeout(120_000);

let server: AppServer;
let browser: Browser;

beforeAll(async () => {
  [server, browser] = await Promise.all([startApp(), launch()]);
}, 120_000);
afterAll(async () => {
  await browser.close();
  await server.stop();
});

const kept = (): Promise<boolean> =>
  new Promise((resolve) => {
    const request = indexedDB.open('ogee-roofs');
    request.onsuccess = () => {
      const { result } = request;
      const count = result.objectStoreNames.contains('roofs')
        ? result.transaction('roofs').objectStore('roofs').count()
        : null;
      const done = (is: boolean): void => {
        result.close();
        resolve(is);
      };
      if (count === null) done(false);
      else count.onsuccess = () => done(count.result > 0);
    };
  });

it('a job opens with the list of last time, marked, and nothing is sawn before it is proved anew', async () => {
  const page = await openPage(browser, PHONE);
  await openSample(page, server.base, 'Heron Slip');
  await tap(page, 'place-cuts');
  await page.waitForSelector(byId('cut-list'));
  const boards = await page.$eval('main h2, main [role="heading"]', (one) => one.textContent);
  await page.waitForSelector(byId('being-proved'), { hidden: true });
  while (!(await page.evaluate(kept))) await new Promise((resolve) => setTimeout(resolve, 100));

  // A solver that never answers: what stands is what was kept.
  await page.evaluateOnNewDocument(() => {
    globalThis.Worker = class extends EventTarget {
      onerror = null;
      onmessage = null;
      onmessageerror = null;
      postMessage(): void {
        // It is asked in vain.
      }
      terminate(): void {
        // It never ran.
      }
    };
  });
  await page.reload();
  await page.waitForSelector(byId('cut-list'));
  expect(await page.$eval('main h2, main [role="heading"]', (one) => one.textContent)).toBe(boards);
  await waitForText(page, 'save-state', 'Being proved');
  await page.close();
});

it('figures that are still to be proved are shown and not sawn from', async () => {
  const page = await openPage(browser, PHONE);
  // The proof alone is held back.
  await page.evaluateOnNewDocument(() => {
    const Own = globalThis.Worker;
    globalThis.Worker = class extends Own {
      override postMessage(message: { path?: readonly string[] }, ...rest: unknown[]): void {
        if (message.path?.[0] === 'prove') return;
        super.postMessage(message, ...(rest as [Transferable[]]));
      }
    };
  });
  await openSample(page, server.base, 'Gannet Point');
  await tap(page, 'place-cuts');
  await page.waitForSelector(byId('cut-list'));
  await waitForText(page, 'save-state', 'Being proved');
  await tap(page, 'to-saw');
  await waitForText(page, 'tick', 'Proving');
  expect(await page.$eval(byId('tick'), (one) => one.getAttribute('aria-disabled'))).toBe('true');
  await page.close();
});
