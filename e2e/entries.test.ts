import type { Page } from 'puppeteer-core';
import { appInBrowser } from './support/app-in-browser';
import { startApp, storedJob } from './support/app-server';
import {
  byId,
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

const SAMPLES = ['Gannet Point', 'Quince Yard', 'Heron Slip'];

const openOnPhone = async (name: string, base = app.server.base): Promise<Page> => {
  const page = await openPage(app.browser, PHONE);
  await openSample(page, base, name);
  return page;
};

const goTo = (page: Page, place: string): Promise<void> => tap(page, `place-${place}`);

const valueOf = (page: Page, id: string): Promise<string> =>
  page.$eval(byId(id), (field) => (field as HTMLInputElement).value);

interface Revision {
  readonly revision: number;
  readonly said: string | null;
}

const historyOf = async (page: Page): Promise<Revision[]> => {
  const { origin, pathname } = new URL(page.url());
  const id = /job\/([^/]+)/.exec(pathname)![1]!;
  const answer = await fetch(`${origin}/api/jobs/${id}/revisions`);
  return ((await answer.json()) as { revisions: Revision[] }).revisions;
};

describe('every field of every sample job', () => {
  it.each(SAMPLES)(
    'typed anew key by key changes nothing and makes no revision: %s',
    async (name) => {
      const page = await openOnPhone(name);
      const before = await storedJob(page);
      let typed = 0;
      for (const place of ['site', 'roof', 'timber']) {
        await goTo(page, place);
        const ids = await page.$$eval('input[data-testid^="field-"]', (fields) =>
          fields.map((field) => field.getAttribute('data-testid')!),
        );
        for (const id of ids) {
          const value = await valueOf(page, id);
          await page.focus(byId(id));
          await page.$eval(byId(id), (field) => (field as HTMLInputElement).select());
          await page.keyboard.type(value);
          await leaveField(page);
          typed += 1;
        }
      }
      expect(typed).toBeGreaterThan(12);
      await settled(page);
      const after = await storedJob(page);
      expect([after.revision, after.job]).toEqual([before.revision, before.job]);
      await page.close();
    },
  );
});

describe('a number typed over another', () => {
  it('bends nothing on its way: one revision with its sentence, undone and done again by one step', async () => {
    const page = await openOnPhone('Heron Slip');
    await goTo(page, 'site');
    const before = await storedJob(page);
    const field = 'field-blocks.0.outline';
    const was = await valueOf(page, field);
    await typeInto(page, field, `44'`);
    // What is on its way is shown, and marked as not counting yet.
    await waitForText(page, 'save-state', 'Not taken yet');
    expect((await storedJob(page)).revision).toBe(before.revision);
    await settled(page);
    const after = await storedJob(page);
    expect(after.revision).toBe(before.revision + 1);
    const [newest] = await historyOf(page);
    expect(newest!.said).toBe(`Wall 1, along: ${was} → 44' 0"`);
    // The wing stands where it stood, as far from its corner.
    expect(after.job.blocks[1]).toEqual(before.job.blocks[1]);
    await tap(page, 'undo');
    await settled(page);
    expect((await storedJob(page)).job).toEqual(before.job);
    await tap(page, 'redo');
    await settled(page);
    expect((await storedJob(page)).job).toEqual(after.job);
    await tap(page, 'undo');
    await settled(page);
    await page.close();
  });

  it('is put back by Escape', async () => {
    const page = await openOnPhone('Heron Slip');
    await goTo(page, 'site');
    const before = await storedJob(page);
    const was = await valueOf(page, 'field-blocks.0.outline');
    await typeInto(page, 'field-blocks.0.outline', `30'`);
    await page.keyboard.press('Escape');
    await page.waitForFunction(
      (selector, wanted) => (document.querySelector(selector) as HTMLInputElement).value === wanted,
      {},
      byId('field-blocks.0.outline'),
      was,
    );
    await settled(page);
    expect(await storedJob(page)).toEqual(before);
    await page.close();
  });

  it('that no wall can be stays in its field with the reason, and breaks no screen', async () => {
    const page = await openOnPhone('Quince Yard');
    const before = await storedJob(page);
    const field = 'field-blocks.0.outline.0';
    for (const text of ['0', '-1', '9'.repeat(200), '1 mm', 'forty']) {
      await goTo(page, 'site');
      await typeInto(page, field, text);
      await leaveField(page);
      await page.waitForSelector('[role=main] [role=alert]');
      expect(await valueOf(page, field)).toBe(text);
      // It is still there after the window was closed, and still counts for nothing.
      await page.reload();
      await page.waitForSelector(byId(field));
      expect(await valueOf(page, field)).toBe(text);
      expect((await storedJob(page)).job).toEqual(before.job);
      for (const place of ['roof', 'timber', 'cuts', 'fit']) {
        await goTo(page, place);
        const shown = await page.evaluate(() => document.body.innerText);
        expect([text, shown]).not.toEqual([text, expect.stringContaining('This screen failed')]);
      }
      await goTo(page, 'site');
      await page.focus(byId(field));
      await page.keyboard.press('Escape');
    }
    await page.close();
  });

  it('is on the device at once: a window killed in the middle of it loses nothing', async () => {
    const page = await openOnPhone('Quince Yard');
    await goTo(page, 'timber');
    const url = page.url();
    await typeInto(page, 'field-framing.spacing', '45');
    await new Promise((resolve) => setTimeout(resolve, 50));
    await page.close();
    const again = await openPage(app.browser, PHONE);
    await again.goto(url, { waitUntil: 'networkidle0' });
    await again.waitForSelector(byId('field-framing.spacing'));
    expect(await valueOf(again, 'field-framing.spacing')).toBe('45');
    await again.focus(byId('field-framing.spacing'));
    await again.keyboard.press('Escape');
    await again.close();
  });
});

it('asks whom a pitch is for, and leaves no wing behind', async () => {
  const page = await openOnPhone('Heron Slip');
  await goTo(page, 'site');
  await typeInto(page, 'field-blocks.0.sides.0.pitch', '10');
  await settled(page);
  const pitches = ({ job }: Awaited<ReturnType<typeof storedJob>>): unknown[] =>
    job.blocks.map(({ sides }) =>
      sides.flatMap((side) => (side.roof === 'eave' ? [side.pitch] : [])),
    );
  expect(new Set(pitches(await storedJob(page)).flat())).toEqual(new Set(['10/12']));
  await tap(page, 'undo');
  await settled(page);
  await press(page, '“main” only');
  await typeInto(page, 'field-blocks.0.sides.0.pitch', '10');
  await settled(page);
  const [main, wing] = pitches(await storedJob(page));
  expect([new Set(main as string[]), new Set(wing as string[])]).toEqual([
    new Set(['10/12']),
    new Set(['9/12']),
  ]);
  await tap(page, 'undo');
  await settled(page);
  await page.close();
});

it('carries view and part in the address, and names each page', async () => {
  const page = await openOnPhone('Heron Slip');
  await goTo(page, 'roof');
  await press(page, 'Side');
  await press(page, 'wing');
  await page.waitForFunction(() => location.search.includes('part='));
  const url = new URL(await page.evaluate(() => location.href));
  expect([url.searchParams.get('view'), url.searchParams.get('part')]).toEqual(['side', '1']);
  expect(await page.title()).toBe('Roof · Heron Slip · Ogee');
  const shared = await openPage(app.browser, PHONE);
  await shared.goto(url.href, { waitUntil: 'networkidle0' });
  await shared.waitForSelector('[aria-label^="From wall 1, to scale"]');
  const chosen = await shared.$$eval('[role=radio][aria-checked=true]', (radios) =>
    radios.map((radio) => (radio as HTMLElement).innerText),
  );
  expect(chosen.join(' ')).toMatch(/Side.*wing/);
  await shared.close();
  await page.close();
});

describe('without a signal', () => {
  it('opens, edits, creates and deletes; all goes out when the server is back, from any page', async () => {
    const own = await startApp();
    const page = await openPage(app.browser, PHONE);
    await page.goto(own.base, { waitUntil: 'networkidle0' });
    // The first visit keeps the app, and the jobs of the list.
    await page.evaluate(() => navigator.serviceWorker.ready);
    await page.waitForFunction(() => navigator.serviceWorker.controller !== null);
    await page.waitForNetworkIdle();
    await page.setOfflineMode(true);
    await page.reload({ waitUntil: 'domcontentloaded' });
    // Not opened before, and here all the same.
    await tap(page, 'job-Quince Yard');
    await page.waitForSelector(byId('cut-list'));
    const url = page.url();
    await goTo(page, 'timber');
    await typeInto(page, 'field-framing.spacing', '450');
    await leaveField(page);
    await waitForText(page, 'save-state', 'the server is away');
    await page.click('[aria-label="All jobs"]');
    await waitForText(page, 'jobs-away', 'One entry waits on this device');
    await tap(page, 'new-job');
    await typeInto(page, 'new-name-field', 'Made in a field');
    await tap(page, 'new-create');
    await page.waitForSelector(byId('cut-list'));
    await page.click('[aria-label="All jobs"]');
    await waitForText(page, 'jobs-away', '2 entries wait');
    await tap(page, 'more-Made in a field');
    await press(page, 'Duplicate');
    await page.waitForSelector(byId('job-Made in a field, copy'));
    await page.reload({ waitUntil: 'domcontentloaded' });
    await page.waitForSelector(byId('job-Made in a field'));
    await tap(page, 'more-Made in a field');
    await press(page, 'Delete …');
    await press(page, 'Delete Made in a field');
    await page.waitForSelector(byId('job-Made in a field'), { hidden: true });
    await page.setOfflineMode(false);
    await page.waitForSelector(byId('jobs-away'), { hidden: true, timeout: 35_000 });
    const { jobs } = (await (await fetch(`${own.base}/api/jobs`)).json()) as {
      jobs: { name: string }[];
    };
    expect(jobs.map(({ name }) => name).sort()).toEqual(
      [...SAMPLES, 'Made in a field, copy'].sort(),
    );
    await page.goto(url, { waitUntil: 'networkidle0' });
    const { job, revision } = await storedJob(page);
    expect([job.framing.spacing, revision]).toEqual([450, 2]);
    await page.close();
    await own.stop();
  });
});

it('keeps the focus on the page: after Enter in a name, Tab past the keys, “Work it out”', async () => {
  const page = await openPage(app.browser, WIDE);
  await page.goto(app.server.base, { waitUntil: 'networkidle0' });
  const focused = (): Promise<string> =>
    page.evaluate(() => document.activeElement?.tagName.toLowerCase() ?? 'none');
  await tap(page, 'new-job');
  await typeInto(page, 'new-name-field', 'Kept in sight');
  await page.keyboard.press('Enter');
  expect(await page.evaluate(() => document.activeElement?.getAttribute('data-testid'))).toBe(
    'new-name-field',
  );
  await typeInto(page, 'new-along', '9 m');
  // Through every key of the row, past its end, and until the row has folded.
  for (let i = 0; i < 8; i += 1) {
    await page.keyboard.press('Tab');
    expect([i, await focused()]).not.toEqual([i, 'body']);
  }
  await new Promise((resolve) => setTimeout(resolve, 700));
  expect(await focused()).not.toBe('body');
  await page.focus(byId('new-create'));
  await page.keyboard.press('Enter');
  await page.waitForSelector(byId('cut-list'));
  await page.waitForFunction(() => document.activeElement !== document.body);
  await page.goto(app.server.base, { waitUntil: 'networkidle0' });
  await tap(page, 'more-Kept in sight');
  await press(page, 'Rename');
  await typeInto(page, 'rename-field', 'Renamed');
  await page.keyboard.press('Enter');
  await page.waitForSelector(byId('job-Renamed'));
  await page.waitForFunction(() => document.activeElement !== document.body);
  await page.close();
});

it('lists what was deleted, to be brought back, and asks before it deletes', async () => {
  const page = await openPage(app.browser, PHONE);
  await page.goto(app.server.base, { waitUntil: 'networkidle0' });
  await tap(page, 'more-Gannet Point');
  // A stray Enter on the way opens questions; it never deletes.
  await page.keyboard.press('Enter');
  await page.keyboard.press('Enter');
  await page.waitForSelector(byId('job-Gannet Point'));
  await page.reload({ waitUntil: 'networkidle0' });
  await tap(page, 'more-Gannet Point');
  await press(page, 'Delete …');
  await press(page, 'Delete Gannet Point');
  await page.waitForSelector(byId('job-Gannet Point'), { hidden: true });
  await page.reload({ waitUntil: 'networkidle0' });
  await tap(page, 'show-deleted');
  await waitForText(page, 'deleted-jobs', 'Gannet Point');
  expect(await textOf(page, 'deleted-jobs')).toContain('deleted');
  await press(page, 'Bring back Gannet Point');
  await page.waitForSelector(byId('job-Gannet Point'));
  await page.close();
});
