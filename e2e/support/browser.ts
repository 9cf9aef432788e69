import { existsSync, mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import puppeteer, { type Browser, type Page } from 'puppeteer-core';

export const PHONE = { width: 390, height: 844, isMobile: true, hasTouch: true } as const;
export const WIDE = { width: 1280, height: 800 } as const;

const PLACES = ['/usr/bin/chromium', '/usr/bin/chromium-browser'];

/** Chromium without a window, with flags beside its usual ones. */
export const launch = (flags: readonly string[] = []): Promise<Browser> => {
  const executablePath = [process.env['CHROMIUM'], ...PLACES].find(
    (path) => path !== undefined && existsSync(path),
  );
  if (executablePath === undefined) throw new Error('no Chromium; npm test installs it');
  return puppeteer.launch({
    executablePath,
    userDataDir: mkdtempSync(join(tmpdir(), 'ogee-chromium-')),
    args: [
      '--headless=new',
      '--no-sandbox',
      '--disable-quic',
      '--no-first-run',
      '--disable-background-networking',
      '--disable-component-update',
      '--disable-sync',
      // 3D without a graphics card.
      '--use-angle=swiftshader',
      '--enable-unsafe-swiftshader',
      // All else is painted without it, in half the time.
      '--disable-gpu-compositing',
      '--disable-gpu-rasterization',
      ...flags,
    ],
  });
};

/** What went wrong on any page since the last test. */
const faults: string[] = [];

afterEach(() => {
  const found = faults.splice(0);
  expect(found).toEqual([]);
});

/** A page that fails the test when the app throws, logs an error, or breaks the content policy. */
export const openPage = async (
  browser: Browser,
  size: typeof PHONE | typeof WIDE,
): Promise<Page> => {
  const page = await browser.newPage();
  page.on('pageerror', (error) =>
    faults.push(error instanceof Error ? error.message : String(error)),
  );
  page.on('console', (message) => {
    // A refused request is the app's own matter; the test says whether it dealt with it. A page that is left, or a
    // server that is stopped, while the service worker is fetched, says so too.
    const own = ['Failed to load resource', 'occurred when fetching the script'];
    if (message.type() === 'error' && !own.some((words) => message.text().includes(words)))
      faults.push(message.text());
  });
  page.setDefaultTimeout(20_000);
  await page.setViewport(size);
  return page;
};

export const byId = (id: string): string => `[data-testid="${id}"]`;

/** No field but the one in hand has its keys out: those of the field left fold a moment later, and things move then. */
const still = (page: Page): Promise<unknown> =>
  page.waitForFunction(() => {
    const inHand = document.activeElement instanceof HTMLInputElement ? 1 : 0;
    return document.querySelectorAll('[aria-label="Keys the number pad lacks"]').length <= inHand;
  });

/** Touches what the selector finds, once it stands still on the screen. */
const touch = async (page: Page, selector: string): Promise<void> => {
  await still(page);
  await page.locator(selector).click();
};

/** Touches what has that id; of a place of the job, until its page stands: it may have to be fetched first. */
export const tap = async (page: Page, id: string): Promise<void> => {
  await touch(page, byId(id));
  const [, place] = id.split('place-');
  if (place === undefined) return;
  await page.waitForFunction((end) => location.pathname.endsWith(end), {}, place);
  await page.waitForSelector('[aria-label="Opening …"]', { hidden: true });
};

/** Puts the caret in a field, as a thumb does (which tries again when it missed), and types over what stands there. */
export const typeInto = async (page: Page, id: string, text: string): Promise<void> => {
  const inField = (): Promise<boolean> =>
    page.$eval(byId(id), (element) => element === document.activeElement);
  await tap(page, id);
  if (!(await inField())) await tap(page, id);
  if (!(await inField())) throw new Error(`touching ${id} does not put the caret in it`);
  // The field selects what stands in it a moment after it takes the focus; no thumb is quicker.
  await new Promise((resolve) => setTimeout(resolve, 80));
  await page.keyboard.down('Control');
  await page.keyboard.press('a');
  await page.keyboard.up('Control');
  await page.keyboard.type(text);
};

export const textOf = (page: Page, id: string): Promise<string> =>
  page.$eval(byId(id), (element) => (element instanceof HTMLElement ? element.innerText : ''));

/** What a screen reader says of the figure inside. */
export const spoken = async (page: Page, id: string): Promise<string | null> => {
  await page.waitForSelector(`${byId(id)} [aria-label]`);
  return page.$eval(`${byId(id)} [aria-label]`, (element) => element.getAttribute('aria-label'));
};

export const waitForText = (page: Page, id: string, part: string): Promise<unknown> =>
  page.waitForFunction(
    (selector, wanted) => document.querySelector<HTMLElement>(selector)?.innerText.includes(wanted),
    { timeout: 20_000 },
    byId(id),
    part,
  );

/** From the jobs to one of the samples, as it is with the server. */
export const openSample = async (page: Page, base: string, name: string): Promise<void> => {
  await page.goto(base, { waitUntil: 'networkidle0' });
  await tap(page, `job-${name}`);
  await waitForText(page, 'save-state', 'Saved');
};

/** Leaves the field in hand, so that what was typed counts. */
export const leaveField = (page: Page): Promise<void> =>
  page.evaluate(() => {
    if (document.activeElement instanceof HTMLElement) document.activeElement.blur();
  });

/** Every entry is on the device before it is sent: waits until the last one is with the server. */
export const settled = async (page: Page): Promise<void> => {
  await leaveField(page);
  await waitForText(page, 'save-state', 'Saved · revision');
  await new Promise((resolve) => setTimeout(resolve, 50));
  await waitForText(page, 'save-state', 'Saved · revision');
};

/** Touches the button or choice that reads so. */
export const press = (page: Page, words: string): Promise<void> =>
  touch(
    page,
    `::-p-xpath(//*[(@role='button' or @role='radio' or @role='checkbox' or self::button) and contains(normalize-space(.), ${JSON.stringify(words)})])`,
  );

/** Chooses within the group of that name. */
export const choose = (page: Page, group: string, words: string): Promise<void> =>
  page
    .locator(
      `::-p-xpath(//*[@role='radiogroup' and @aria-label=${JSON.stringify(group)}]//*[@role='radio' and contains(., ${JSON.stringify(words)})])`,
    )
    .click();

/** What of the page is asked for, once it has been the same three times in a row, and is not what it was. */
export const stillness = async (
  page: Page,
  read: () => Promise<string>,
  before: string | null = null,
): Promise<string> => {
  const frame = (): Promise<unknown> =>
    page.evaluate(() => new Promise((resolve) => setTimeout(resolve, 50)));
  const end = Date.now() + 20_000;
  for (let [last, same] = ['', 0]; Date.now() < end; await frame()) {
    const now = await read();
    same = now !== '' && now === last && now !== before ? same + 1 : 0;
    if (same >= 2) return now;
    last = now;
  }
  throw new Error('what is on the page does not come to rest as something else');
};

/** The picture of the frame in the round, once it stands still and is another than `before`. */
export const framePicture = (page: Page, before: string | null = null): Promise<string> =>
  stillness(
    page,
    () =>
      page.$eval(`${byId('frame-3d')} canvas`, (element) => {
        if (!(element instanceof HTMLCanvasElement)) return '';
        const blank = document.createElement('canvas');
        [blank.width, blank.height] = [element.width, element.height];
        const picture = element.toDataURL();
        return picture === blank.toDataURL() ? '' : picture;
      }),
    before,
  );

/** Where an element stands on the screen, once it no longer moves. */
export const restingPlace = async (
  page: Page,
  id: string,
): Promise<{ x: number; y: number; width: number; height: number }> =>
  JSON.parse(
    await stillness(page, () =>
      page.$eval(byId(id), (element) => JSON.stringify(element.getBoundingClientRect())),
    ),
  ) as { x: number; y: number; width: number; height: number };

/** Touches the frame in the round here and there until a timber is named. */
export const pickTimber = async (page: Page): Promise<void> => {
  const canvas = await page.waitForSelector(`${byId('frame-3d')} canvas`, { timeout: 30_000 });
  await framePicture(page);
  const box = await canvas?.boundingBox();
  if (box == null) throw new Error('the frame has no place on the screen');
  for (const [x, y] of [
    [0.5, 0.5],
    [0.45, 0.45],
    [0.55, 0.55],
    [0.4, 0.55],
    [0.6, 0.45],
    [0.5, 0.62],
  ] as const) {
    if ((await textOf(page, 'frame-3d')).includes('Lift it out')) return;
    await page.mouse.click(box.x + box.width * x, box.y + box.height * y);
    // A touch beside every timber names none.
    await page
      .waitForFunction(
        (selector) =>
          document.querySelector<HTMLElement>(selector)?.innerText.includes('Lift it out'),
        { timeout: 1000 },
        byId('frame-3d'),
      )
      .catch(() => null);
  }
};
