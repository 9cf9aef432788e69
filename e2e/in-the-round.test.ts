import type { Page } from 'puppeteer-core';
import { storedJob } from './support/app-server';
import {
  byId,
  choose,
  framePicture,
  pickTimber,
  press,
  settled,
  stillness,
  tap,
  textOf,
} from './support/browser';
import { onPhone, type Opened } from './support/on-phone';

jest.setTimeout(300_000);

let page: Page;
let close: Opened['close'];

beforeAll(async () => {
  ({ page, close } = await onPhone('Heron Slip'));
  await tap(page, 'place-roof');
  await page.waitForSelector(byId('plan'));
});
afterAll(() => close());

/** The names that stand on the plan. */
const names = (): Promise<string[]> =>
  page.$$eval(`${byId('plan')} text`, (texts) => texts.map(({ textContent }) => textContent));

const disabled = (label: string): Promise<boolean> =>
  page.$eval(
    `[aria-label="${label}"]`,
    (element) => element.getAttribute('aria-disabled') === 'true',
  );

type Touch = readonly [number, number];

/** Fingers on the glass, from where they start to where they end. */
const gesture = async (paths: readonly (readonly [from: Touch, to: Touch])[]): Promise<void> => {
  const client = await page.createCDPSession();
  const at = (share: number) =>
    paths.map(([from, to], id) => ({
      x: from[0] + (to[0] - from[0]) * share,
      y: from[1] + (to[1] - from[1]) * share,
      id,
    }));
  await client.send('Input.dispatchTouchEvent', { type: 'touchStart', touchPoints: at(0) });
  for (const share of [0.2, 0.4, 0.6, 0.8, 1])
    await client.send('Input.dispatchTouchEvent', { type: 'touchMove', touchPoints: at(share) });
  await client.send('Input.dispatchTouchEvent', { type: 'touchEnd', touchPoints: [] });
  await client.detach();
  await stillness(page, () => page.$eval(byId('plan'), ({ innerHTML }) => innerHTML));
};

it('the plan is pinched open, dragged, and shown whole again; a drag opens no piece', async () => {
  const before = await names();
  // All of it: names of hips and ridges, none of the rafters.
  expect(before).toContain('R1');
  expect(before.some((name) => /^C\d/u.test(name))).toBe(false);
  expect(await disabled('Whole plan')).toBe(true);
  const box = (await (await page.$(byId('plan')))!.boundingBox())!;
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  await gesture([
    [
      [x - 20, y],
      [x - 130, y],
    ],
    [
      [x + 20, y],
      [x + 130, y],
    ],
  ]);
  expect(await disabled('Whole plan')).toBe(false);
  const close = await names();
  expect(close.some((name) => /^[CHV]\w*\d/u.test(name) && !before.includes(name))).toBe(true);
  const address = page.url();
  const placed = (): Promise<string> =>
    page.$eval(`${byId('plan')} path`, (path) => path.getAttribute('d') ?? '');
  const was = await placed();
  await gesture([
    [
      [x, y],
      [x + 70, y + 40],
    ],
  ]);
  expect(await placed()).not.toBe(was);
  expect(page.url()).toBe(address);
  await page.click('[aria-label="Whole plan"]');
  await page.waitForFunction(
    () =>
      document.querySelector('[aria-label="Whole plan"]')?.getAttribute('aria-disabled') === 'true',
  );
  expect(await names()).toEqual(before);
});

it('what the lines are is out of the way until it is asked for', async () => {
  expect(await page.$(byId('plan-key'))).toBeNull();
  await page.click('[aria-label="Show what the lines are"]');
  expect(await textOf(page, 'plan-key')).toContain('Valley jack');
  await page.click('[aria-label="Hide what the lines are"]');
  expect(await page.$(byId('plan-key'))).toBeNull();
});

it('the frame goes up step by step, in one go or half and half, and the address keeps the step', async () => {
  await press(page, 'Raise');
  await page.waitForSelector(`${byId('frame-3d')} canvas`, { timeout: 30_000 });
  const step = async (): Promise<{ at: number; of: number; text: string }> => {
    const text = await textOf(page, 'raising');
    const [, at = '', of = ''] = /Step (\d+) of (\d+)/u.exec(text) ?? [];
    return { at: Number(at), of: Number(of), text };
  };
  const first = await step();
  expect(first).toMatchObject({ at: 1 });
  expect(first.text).toContain('Rafter ties');
  expect(first.text).toMatch(/brace/iu);
  const seen: string[] = [];
  for (let i = 1; i < first.of; i += 1) {
    await page.click('[aria-label="Next step"]');
    seen.push((await step()).text);
  }
  expect(await disabled('Next step')).toBe(true);
  expect(seen.join()).toContain('above the plate at every end frame');
  expect(seen.at(-1)).toContain('Sheathing');
  await page.click('[aria-label="Step before"]');
  const kept = await step();
  await page.reload({ waitUntil: 'networkidle0' });
  await page.waitForSelector(byId('raising'), { timeout: 30_000 });
  expect((await step()).text).toBe(kept.text);
  await choose(page, 'How it is raised', 'Half and half');
  await page.waitForFunction(
    (id) => document.querySelector<HTMLElement>(id)?.innerText.includes('half 1'),
    {},
    byId('raising'),
  );
  expect((await step()).of).toBeGreaterThan(first.of);
});

it('the frame is cut away, seen from above, and a timber lifted out with its joints', async () => {
  await press(page, '3D');
  await page.waitForSelector(`${byId('frame-3d')} canvas`, { timeout: 30_000 });
  const whole = await framePicture(page);
  await pickTimber(page);
  const picked = await framePicture(page, whole);
  await press(page, 'Lift it out');
  await framePicture(page, picked);
  await press(page, 'Put it back');
  await tap(page, 'frame-shown');
  await page.click('[aria-label="Cut the frame away"]');
  const cut = await framePicture(page, picked);
  await page.focus('input[type=range]');
  await page.keyboard.press('End');
  const further = await framePicture(page, cut);
  await choose(page, 'Seen from', 'Above');
  await framePicture(page, further);
});

it('fixings are counted by the crew’s own rules, each change one entry', async () => {
  await tap(page, 'place-timber');
  await page.waitForSelector(byId('fixings'));
  const before = await storedJob(page);
  const hangers = async (): Promise<number> =>
    Number(/(\d+)\s+hangers, two flanges/u.exec(await textOf(page, 'fixings'))?.[1] ?? 0);
  const had = await hangers();
  await press(page, 'Rafter against the ridge');
  await choose(page, 'Rafter against the ridge: fixed by', 'hangers, two flanges');
  await page.waitForFunction(
    (id, was) =>
      Number(
        /(\d+)\s+hangers, two flanges/u.exec(
          document.querySelector<HTMLElement>(id)?.innerText ?? '',
        )?.[1] ?? 0,
      ) > was,
    {},
    byId('fixings'),
    had,
  );
  await settled(page);
  const after = await storedJob(page);
  expect(after.revision).toBe(before.revision + 1);
  expect(after.job.fixings).toEqual([{ place: 'rafter-at-ridge', fixing: 'hanger', each: 3 }]);
  await press(page, 'As the list has it');
  await settled(page);
  expect((await storedJob(page)).job.fixings).toEqual([]);
});
