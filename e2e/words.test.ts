import type { Page } from 'puppeteer-core';
import { storedJob } from './support/app-server';
import { byId, press, tap, textOf, waitForText } from './support/browser';
import { onPhone, type Opened } from './support/on-phone';
import { findings } from './support/audit';

jest.setTimeout(300_000);

let page: Page;
let close: Opened['close'];

beforeAll(async () => {
  ({ page, close } = await onPhone('Heron Slip'));
  await tap(page, 'place-timber');
  await page.waitForSelector(byId('field-timber.plateWidth'));
});
afterAll(() => close());

const shown = (): Promise<string> => page.evaluate(() => document.body.innerText);

const touchTerm = (term: string): Promise<void> =>
  page.locator(`[role="link"][aria-label="${term}: what it means"]`).click();

it('explains a term one touch from the word, with a picture, and leads to every other', async () => {
  await touchTerm('king common');
  await page.waitForSelector(byId('glossary'));
  expect(await textOf(page, 'glossary')).toContain('stands in line with the ridge');
  expect(await page.$(`${byId('glossary')} [role="img"] svg`)).not.toBeNull();
  expect(await findings(page)).toEqual([]);
  await press(page, 'birdsmouth');
  await page.waitForFunction(
    (id) => document.querySelector<HTMLElement>(id)?.innerText.includes('notch of seat and heel'),
    {},
    byId('glossary'),
  );
  await page.keyboard.press('Escape');
  await page.waitForFunction((id) => document.querySelector(id) === null, {}, byId('glossary'));
});

it('tells everything in the other country’s words at one choice, and changes no timber by it', async () => {
  const before = (await storedJob(page)).revision;
  expect(await shown()).toContain('Spacing, on center');
  expect(await shown()).not.toContain('Wall plate');
  await press(page, 'British');
  await page.waitForFunction(() => document.body.innerText.includes('Wall plate width'));
  const british = await shown();
  expect(british).toContain('Spacing, at centres');
  expect(british).toContain('Fascia board');
  await tap(page, 'place-cuts');
  await page.waitForFunction(() => document.body.innerText.includes('Hip rafters'));
  await waitForText(page, 'save-state', 'Saved');
  const stored = await storedJob(page);
  expect([stored.revision, stored.job.display.terms]).toEqual([before, 'uk']);
});
