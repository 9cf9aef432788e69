import { appInBrowser } from './support/app-in-browser';
import { createJob, jobNamed, startApp, storedJob } from './support/app-server';
import {
  byId,
  launch,
  leaveField,
  openPage,
  openSample,
  PHONE,
  press,
  settled,
  tap,
  textOf,
  typeInto,
  waitForText,
  WIDE,
} from './support/browser';

jest.setTimeout(300_000);

const app = appInBrowser();

describe('at a wide screen', () => {
  it('shows list, plan and sheet together, and is worked by keys', async () => {
    const page = await openPage(app.browser, WIDE);
    await openSample(page, app.server.base, 'Heron Slip');
    await page.waitForSelector(byId('plan'));
    await page.keyboard.press('j');
    await page.waitForFunction(() => location.pathname.endsWith('/cuts/RT1'));
    await page.keyboard.press('j');
    await page.waitForFunction(() => location.pathname.endsWith('/cuts/RT2'));
    await page.keyboard.press('k');
    await page.waitForFunction(() => location.pathname.endsWith('/cuts/RT1'));
    await page.waitForSelector(byId('piece-sheet'));
    const [list, plan, sheet] = await Promise.all(
      ['cut-list', 'plan', 'piece-sheet'].map(
        async (id) => (await (await page.$(byId(id)))!.boundingBox())!,
      ),
    );
    expect(list!.x + list!.width).toBeLessThanOrEqual(plan!.x + 1);
    expect(plan!.x + plan!.width).toBeLessThanOrEqual(sheet!.x + 1);
    await page.keyboard.type('?');
    await page.waitForSelector('[role=dialog]');
    await page.keyboard.press('Escape');
    await page.waitForSelector('[role=dialog]', { hidden: true });
    await page.keyboard.press('3');
    await page.waitForFunction(() => location.pathname.endsWith('/timber'));
  });

  it('follows each key in list and plan, and tells of changes when the field is left', async () => {
    const page = await openPage(app.browser, WIDE);
    await openSample(page, app.server.base, 'Heron Slip');
    await tap(page, 'place-site');
    const field = 'field-blocks.0.outline.1';
    await page.waitForSelector(byId(field));
    await page.waitForSelector(byId('plan'));
    const shown = () => Promise.all(['cut-list', 'plan'].map((id) => textOf(page, id)));
    const [list, plan] = await shown();
    await typeInto(page, field, `22' 0 1/2`);
    await page.waitForFunction(
      (id, before) => document.querySelector<HTMLElement>(id)?.innerText !== before,
      {},
      byId('cut-list'),
      list,
    );
    expect((await shown())[1]).not.toBe(plan);
    expect(await page.$(byId('changes'))).toBeNull();
    await leaveField(page);
    await waitForText(page, 'changes', 'changed');
  });

  it('takes each of many quick steps', async () => {
    const page = await openPage(app.browser, WIDE);
    // A job of its own: the others' stay as they are.
    const sample = await fetch(
      `${app.server.base}/api/jobs/${await jobNamed(app.server.base, 'Gannet Point')}`,
    );
    const { job } = (await sample.json()) as { job: object };
    const id = await createJob(app.server.base, { ...job, name: 'Sanderling Steps' });
    await page.goto(`${app.server.base}/job/${id}/site`);
    await press(page, 'Another number of corners');
    await page.waitForSelector('[aria-label="more: Corners"]');
    const before = (await storedJob(page)).job.blocks[0]!.outline.length;
    await page.evaluate(() => {
      const step = (): void =>
        document.querySelector<HTMLElement>('[aria-label="more: Corners"]')?.click();
      for (const ms of [0, 10, 20]) setTimeout(step, ms);
    });
    await waitForText(page, 'save-state', 'Not taken yet');
    await settled(page);
    expect((await storedJob(page)).job.blocks[0]!.outline).toHaveLength(before + 3);
  });

  it('reaches every control by Tab, each with a name', async () => {
    const page = await openPage(app.browser, PHONE);
    await openSample(page, app.server.base, 'Quince Yard');
    await tap(page, 'place-timber');
    const nameless = await page.$$eval(
      '[role=button],[role=link],[role=radio],input,button,a',
      (controls) =>
        controls
          .filter((c) => {
            const text = (c.getAttribute('aria-label') ?? '') + (c as HTMLElement).innerText;
            // Of choices, one is a stop of the Tab key, and the arrows go on from it.
            const stop =
              c.closest('[role=radiogroup]')?.querySelector('[role=radio][tabindex="0"]') ?? c;
            return text.trim() === '' || (stop as HTMLElement).tabIndex < 0;
          })
          .map((c) => c.outerHTML.slice(0, 120)),
    );
    expect(nameless).toEqual([]);
    const chosen = (): Promise<string> =>
      page.evaluate(() => document.activeElement?.textContent ?? '');
    await page.focus('[role=radiogroup] [role=radio][tabindex="0"]');
    const before = await chosen();
    await page.keyboard.press('ArrowRight');
    expect(await chosen()).toContain('✓');
    expect(await chosen()).not.toBe(before);
    await page.keyboard.press('ArrowLeft');
    expect(await chosen()).toBe(before);
  });

  it('leads past the head by the first Tab, and to the first entry by a key', async () => {
    const page = await openPage(app.browser, WIDE);
    await openSample(page, app.server.base, 'Quince Yard');
    await tap(page, 'place-site');
    await page.waitForSelector('[data-testid^="field-"]');
    await page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur());
    await page.keyboard.press('e');
    await page.waitForFunction(() => document.activeElement instanceof HTMLInputElement);
    await page.reload({ waitUntil: 'networkidle0' });
    await page.keyboard.press('Tab');
    await page.waitForFunction(
      () => (document.activeElement?.getBoundingClientRect().top ?? -1) >= 0,
    );
    await page.keyboard.press('Enter');
    expect(await page.evaluate(() => document.activeElement?.id)).toBe('main');
    expect(new URL(page.url()).hash).toBe('');
  });

  it('tries every joint and says what to mind', async () => {
    const page = await openPage(app.browser, PHONE);
    await openSample(page, app.server.base, 'Quince Yard');
    await tap(page, 'place-fit');
    await page.waitForSelector(byId('fit'));
    const said = await textOf(page, 'fit');
    expect(said).toContain('It stands, and it closes');
    const [, joints] = /(\d+) joints close, worst gap 0.0 mm/.exec(said)!;
    expect(Number(joints)).toBeGreaterThan(100);
    const [, carried] = /(\d+) boards carried/.exec(said)!;
    expect(Number(carried)).toBeGreaterThan(50);
    expect(said).toMatch(/least bearing \d+ mm/);
    expect(said).toContain('No ceiling ties are given');
  });

  it('has no touch target under 48 px, and nothing wider than the phone', async () => {
    const page = await openPage(app.browser, PHONE);
    await openSample(page, app.server.base, 'Heron Slip');
    for (const place of ['site', 'roof', 'timber', 'cuts', 'fit']) {
      await tap(page, `place-${place}`);
      await page.waitForFunction((end) => location.pathname.endsWith(end), {}, place);
      const small = await page.$$eval('[role=button],[role=link],[role=radio],input', (controls) =>
        controls
          .map((c) => ({
            box: c.getBoundingClientRect(),
            name: (c as HTMLElement).innerText || c.getAttribute('aria-label'),
          }))
          .filter(({ box }) => box.width > 0 && (box.height < 47.5 || box.width < 47.5))
          .map(({ name, box }) => `${name ?? ''} ${box.width}×${box.height}`),
      );
      expect([place, small]).toEqual([place, []]);
      expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(
        390,
      );
    }
  });
});

describe('two tabs, one job', () => {
  it('meet a clear choice; both versions end up in the history', async () => {
    const mine = await openPage(app.browser, WIDE);
    // Another window altogether: a tab in the background neither paints nor looks for news.
    const elsewhere = await launch();
    const theirs = await openPage(elsewhere, WIDE);
    await openSample(mine, app.server.base, 'Gannet Point');
    await openSample(theirs, app.server.base, 'Gannet Point');
    await tap(mine, 'place-site');
    await tap(theirs, 'place-site');
    // This one hears of nothing for a while.
    await mine.setOfflineMode(true);
    await typeInto(theirs, 'field-blocks.0.outline.1', '4.4 m');
    await settled(theirs);
    await typeInto(theirs, 'field-blocks.0.outline', '6.4 m');
    await settled(theirs);
    await typeInto(mine, 'field-blocks.0.outline.1', '4.3 m');
    await leaveField(mine);
    await waitForText(mine, 'save-state', 'On this device');
    await mine.setOfflineMode(false);
    await mine.evaluate(() => window.dispatchEvent(new Event('online')));
    await mine.waitForSelector(byId('conflict'));
    const asked = await textOf(mine, 'conflict');
    for (const part of ['4300 mm', '4400 mm', 'stays in the history'])
      expect(asked).toContain(part);
    await tap(mine, 'keep-mine');
    await mine.waitForSelector(byId('conflict'), { hidden: true });
    await waitForText(mine, 'save-state', 'Saved');
    const id = /job\/([^/]+)/.exec(mine.url())![1]!;
    const { job } = (await (await fetch(`${app.server.base}/api/jobs/${id}`)).json()) as {
      job: { blocks: { outline: number[][] }[] };
    };
    // The wall that only the other one changed is as it is there.
    expect(job.blocks[0]!.outline[2]).toEqual([6400, 4300]);
    const { revisions } = (await (
      await fetch(`${app.server.base}/api/jobs/${id}/revisions`)
    ).json()) as { revisions: { revision: number }[] };
    expect(revisions.length).toBeGreaterThanOrEqual(3);
    await elsewhere.close();
  });
});

describe('without the server', () => {
  it('keeps what is entered on the device and saves it when the server is back', async () => {
    const own = await startApp();
    const page = await openPage(app.browser, PHONE);
    await page.goto(own.base, { waitUntil: 'networkidle0' });
    await tap(page, 'job-Quince Yard');
    await waitForText(page, 'save-state', 'Saved');
    await tap(page, 'place-site');
    await page.setOfflineMode(true);
    await typeInto(page, 'field-blocks.0.outline.0', '11.5 m');
    await leaveField(page);
    await waitForText(page, 'save-state', 'the server is away');
    await page.setOfflineMode(false);
    await waitForText(page, 'save-state', 'Saved · revision');
    await own.stop();
  });

  it('says so of a page that has not come yet, and has it when it is asked for anew', async () => {
    const page = await openPage(app.browser, PHONE);
    await page.setBypassServiceWorker(true);
    await page.setRequestInterception(true);
    let away = true;
    page.on('request', (request) => {
      if (away && request.url().includes('later-pages')) void request.abort();
      else void request.continue();
    });
    await page.goto(
      `${app.server.base}/job/${await jobNamed(app.server.base, 'Quince Yard')}/site`,
    );
    await tap(page, 'place-timber');
    await page.waitForFunction(() =>
      document.body.innerText.includes('This page is not on this device yet'),
    );
    // The job and its other pages are there as before.
    await tap(page, 'place-cuts');
    await page.waitForSelector(byId('cut-list'));
    await tap(page, 'place-timber');
    await page.waitForFunction(() => document.body.innerText.includes('not on this device yet'));
    away = false;
    await press(page, 'Try again');
    await page.waitForSelector(byId('field-framing.spacing'));
    await page.waitForFunction(() => document.title.startsWith('Timber'));
  });

  it('says so when a job or a page is not there', async () => {
    const page = await openPage(app.browser, PHONE);
    await page.goto(`${app.server.base}/job/none/cuts`, { waitUntil: 'networkidle0' });
    await page.waitForFunction(() => document.body.innerText.includes('There is no such job'));
    await page.goto(`${app.server.base}/nowhere`, { waitUntil: 'networkidle0' });
    await page.waitForFunction(() => document.body.innerText.includes('There is nothing here'));
  });
});
