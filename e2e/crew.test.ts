import { solve, readJob, type Job } from '@ogee/core';
import type { Browser, Page } from 'puppeteer-core';
import { jobNamed, startApp, type AppServer } from './support/app-server';
import { byId, launch, leaveField, openPage, PHONE, tap, typeInto } from './support/browser';
import { STORE_CLOSED } from './support/store';

jest.setTimeout(900_000);

/** So many days of so many acts; the attack goes through more, and others. */
const DAYS = Number(process.env['OGEE_CREW'] ?? 1);
const ACTS = 18;
const FIRST = Number(process.env['OGEE_SEED'] ?? 3);

/** Numbers that look like chance and are the same every time. */
const chance = (seed: number) => {
  let state = seed >>> 0;
  return (below: number): number => {
    state = (Math.imul(state, 1_664_525) + 1_013_904_223) >>> 0;
    return Math.floor((state / 2 ** 32) * below);
  };
};

/** What each of the two types into, by its field: some is one's own, some is both's. */
const FIELDS = [
  { id: 'field-framing.spacing', get: (job: Job) => job.framing.spacing, least: 400 },
  { id: 'field-framing.shortestJack', get: (job: Job) => job.framing.shortestJack, least: 150 },
  { id: 'field-timber.plateWidth', get: (job: Job) => job.timber.plateWidth ?? 0, least: 90 },
] as const;

interface Phone {
  readonly who: string;
  readonly browser: Browser;
  page: Page;
  /** Its store is closed: without a signal too, an entry could only wait in its window. */
  closed: boolean;
}

let server: AppServer;
let id = '';
const phones: Phone[] = [];

const open = async (browser: Browser, who: string): Promise<Page> => {
  const page = await openPage(browser, PHONE);
  await page.evaluateOnNewDocument(
    `try { localStorage.setItem('ogee.who', ${JSON.stringify(who)}) } catch {}`,
  );
  await page.goto(`${server.base}/job/${id}/timber`, { waitUntil: 'domcontentloaded' });
  await page.waitForSelector(byId(FIELDS[0].id), { timeout: 30_000 });
  return page;
};

beforeAll(async () => {
  server = await startApp();
  id = await jobNamed(server.base, 'Quince Yard');
  for (const who of ['Ada', 'Ben']) {
    const browser = await launch();
    const first = await openPage(browser, PHONE);
    await first.goto(server.base, { waitUntil: 'networkidle0' });
    await first.waitForFunction(() => navigator.serviceWorker.controller !== null);
    await first.close();
    phones.push({ who, browser, page: await open(browser, who), closed: false });
  }
}, 120_000);
afterAll(async () => {
  await Promise.all(phones.map(({ browser }) => browser.close()));
  await server.stop();
});

const stored = async (): Promise<{ revision: number; job: Job }> =>
  (await (await fetch(`${server.base}/api/jobs/${id}`)).json()) as { revision: number; job: Job };

/** Answers what is asked, where something is. */
const answer = async (page: Page, mine: boolean): Promise<void> => {
  if ((await page.$(byId('conflict'))) !== null)
    await tap(page, mine ? 'keep-mine' : 'take-theirs').catch(() => undefined);
};

const allSaved = (page: Page): Promise<boolean> =>
  page.$eval(byId('save-state'), (mark) =>
    (mark as HTMLElement).innerText.includes('Saved · revision'),
  );

it('two browsers through anything: every edit reaches the server, and both show the same', async () => {
  const counts = { edits: 0, asked: 0 };
  for (let day = 0; day < DAYS; day += 1) {
    const dice = chance(FIRST + day);
    const typed = new Map<string, { readonly who: string; readonly value: number }[]>();
    let asked = 0;
    for (let act = 0; act < ACTS; act += 1) {
      const phone = phones[dice(2)]!;
      switch (dice(8)) {
        case 0:
          await server.kill();
          server = await server.again();
          break;
        case 1:
          if (!phone.closed) await phone.page.setOfflineMode(true);
          break;
        case 2:
          await phone.page.setOfflineMode(false);
          break;
        case 3:
          // The page is killed, and opened again, with a signal or without.
          await phone.page.close({ runBeforeUnload: false });
          phone.page = await open(phone.browser, phone.who);
          phone.closed = false;
          break;
        case 4:
          // Its store is closed for as long as the page stands.
          await phone.page.setOfflineMode(false);
          await phone.page.evaluate(STORE_CLOSED);
          phone.closed = true;
          break;
        default: {
          const field = FIELDS[dice(FIELDS.length)]!;
          const value = field.least + dice(50);
          if ((await phone.page.$(byId('conflict'))) !== null) break;
          await typeInto(phone.page, field.id, `${value} mm`);
          await leaveField(phone.page);
          typed.set(field.id, [...(typed.get(field.id) ?? []), { who: phone.who, value }]);
          counts.edits += 1;
          // A window that alone holds an entry is not killed before it is sent.
          await phone.page.waitForFunction(
            (selector) =>
              !document.querySelector<HTMLElement>(selector)?.innerText.includes('window only') &&
              !document.querySelector<HTMLElement>(selector)?.innerText.includes('Keeping'),
            { timeout: 30_000 },
            byId('save-state'),
          );
        }
      }
    }
    for (const { page } of phones) {
      await page.setOfflineMode(false);
      await page.evaluate(() => window.dispatchEvent(new Event('online')));
    }
    for (const end = Date.now() + 90_000; Date.now() < end;) {
      const saved = await Promise.all(phones.map(({ page }) => allSaved(page)));
      if (saved.every(Boolean)) break;
      for (const { page } of phones) {
        if ((await page.$(byId('conflict'))) !== null) asked += 1;
        await answer(page, dice(2) === 0);
      }
      await new Promise((resolve) => setTimeout(resolve, 300));
    }
    const { job, revision } = await stored();
    for (const { page } of phones)
      await page.waitForFunction(
        (selector, wanted) =>
          document.querySelector<HTMLElement>(selector)?.innerText.includes(wanted),
        { timeout: 20_000 },
        byId('save-state'),
        `revision ${revision}`,
      );
    for (const { id: field, get } of FIELDS) {
      const values = typed.get(field) ?? [];
      const last = values.at(-1);
      if (last === undefined) continue;
      const stands = Math.round(get(job));
      if (asked === 0 && values.every(({ who }) => who === last.who))
        expect([day, field, stands]).toEqual([day, field, last.value]);
      else expect(values.map(({ value }) => value)).toContain(stands);
      for (const { page } of phones)
        expect(
          await page.$eval(byId(field), (input) => parseFloat((input as HTMLInputElement).value)),
        ).toBe(stands);
    }
    // The job that came of it is a roof.
    const read = readJob(job);
    expect(read.ok && solve(read.value).ok).toBe(true);
    counts.asked += asked;
  }
  process.stdout.write(
    `${DAYS} days of two browsers: ${counts.edits} edits made, all acknowledged, 0 lost, ${counts.asked} asked about\n`,
  );
});
