import type { Browser, Page } from 'puppeteer-core';
import { jobNamed, loggedIn, startApp, storedJob, type AppServer } from './support/app-server';
import {
  byId,
  choose,
  launch,
  leaveField,
  openPage,
  PHONE,
  press,
  tap,
  textOf,
  typeInto,
  waitForText,
} from './support/browser';

jest.setTimeout(300_000);

let server: AppServer;
let browser: Browser;
let page: Page;

beforeAll(async () => {
  [server, browser] = await Promise.all([startApp(), launch()]);
  page = await openPage(browser, PHONE);
  await page.goto(server.base, { waitUntil: 'networkidle0' });
  await tap(page, 'to-bench');
  await press(page, 'Millimetres');
}, 60_000);
afterAll(async () => {
  await browser.close();
  await server.stop();
});

const write = async (field: string, text: string): Promise<void> => {
  await typeInto(page, field, text);
  await leaveField(page);
};

it('says what is wanted, what cannot be, and what comes out', async () => {
  expect(await textOf(page, 'outcome')).toContain('Two of the four are wanted');
  await write('bench-run', '4000');
  await write('bench-length', '3000');
  await waitForText(page, 'outcome', 'the length has to be more than 4000 mm');
  await write('bench-length', '5000');
  await waitForText(page, 'outcome', '36.87°');
  expect(await textOf(page, 'outcome')).toContain('3000 mm');
  await page.waitForSelector('[aria-label="The triangle to scale"]');
});

it('a level fills the slope in hand, and what stood there goes by its own key', async () => {
  await press(page, 'Slope');
  await press(page, 'Triangle');
  await tap(page, 'instruments');
  await choose(page, 'Level (simulated)', 'Connected');
  await write('bench-run', '3000');
  await tap(page, 'bench-slope');
  await tap(page, 'take-reading');
  await leaveField(page);
  // The stand-in reads 36.9° where nothing is known, and 0.2 more the first time.
  await waitForText(page, 'outcome', '37.10°');
});

it('a result is written in the log of a job', async () => {
  await tap(page, 'to-a-log');
  await page.waitForSelector(byId('logs'));
  await press(page, 'Gannet Point');
  await waitForText(page, 'written', 'Gannet Point');
  const id = await jobNamed(server.base, 'Gannet Point');
  const logged = () => loggedIn(server.base, id);
  for (let i = 0; i < 40 && (await logged()).length === 0; i += 1)
    await new Promise((resolve) => setTimeout(resolve, 100));
  const [line] = await logged();
  expect(line).toMatchObject({ kind: 'note' });
  expect(JSON.stringify(line)).toContain('Triangle: Length');
});

it('a result begins a job: twice the run across, at its slope', async () => {
  await tap(page, 'start-job');
  await page.waitForSelector(byId('save-state'));
  await waitForText(page, 'save-state', 'Saved');
  const { job } = await storedJob(page);
  const ys = job.blocks[0]!.outline.map(([, y]) => y);
  expect(Math.max(...ys) - Math.min(...ys)).toBeCloseTo(6000, 3);
  expect(job.blocks[0]!.sides[0]).toMatchObject({ roof: 'eave', pitch: '37.1°' });
});

it('lengths are put together one by one, each in sight', async () => {
  await page.goto(`${server.base}/bench?units=imperial&sum=sum`, { waitUntil: 'networkidle0' });
  await write('sum-part', '223 1/2');
  await tap(page, 'sum-add');
  await write('sum-part', '10 1/2');
  await tap(page, 'sum-add');
  await page.waitForSelector('[aria-label="19 feet 6 inches"]');
  await write('sum-part', '6');
  await tap(page, 'sum-less');
  await page.waitForSelector('[aria-label="19 feet"]');
});

it('an exercise is marked with its reason, and what is missed is counted', async () => {
  await page.goto(`${server.base}/practice`, { waitUntil: 'networkidle0' });
  await page.waitForSelector(byId('answer-0'));
  const asked = await textOf(page, 'exercise');
  await tap(page, 'answer-0');
  await page.waitForSelector(byId('why'));
  expect(await textOf(page, 'mixed-up')).toMatch(/[01] of 1 missed/u);
  // The right one is told, whichever was touched.
  expect(await textOf(page, 'exercise')).toContain('✓');
  await tap(page, 'next-exercise');
  await page.waitForFunction(
    (selector, was) => {
      const now = document.querySelector<HTMLElement>(selector)?.innerText;
      return now !== undefined && now !== was && !now.includes('✓');
    },
    {},
    byId('exercise'),
    asked,
  );
  // Kept on the device.
  await page.reload({ waitUntil: 'networkidle0' });
  await waitForText(page, 'mixed-up', 'of 1 missed');
});
