import type { Page } from 'puppeteer-core';
import type { CutList } from '@ogee/core';
import { commandLine, inches, storedJob } from './support/app-server';
import { byId, choose, tap, textOf } from './support/browser';
import { onPhone, type Opened } from './support/on-phone';
import { findings } from './support/audit';

jest.setTimeout(300_000);

let page: Page;
let close: Opened['close'];

beforeAll(async () => {
  ({ page, close } = await onPhone('Heron Slip'));
  await tap(page, 'place-cuts');
});
afterAll(() => close());

it('a wall’s tape is read from either end, to the near edge or the centre, as the command line has it', async () => {
  const list = JSON.parse(commandLine((await storedJob(page)).job)) as CutList;
  const wall = list.marks.find(({ on, of }) => on === 'plate' && of === 'main.0')!;
  await tap(page, 'story-tapes');
  await page.waitForSelector(byId('story-tape'));
  const flat = async (): Promise<string> =>
    (await textOf(page, 'story-tape')).replace(/\s+/gu, ' ');
  const told = (mm: number): string => inches(mm).replace(/\s+/gu, ' ');
  for (const { mm, mark } of wall.at) expect(await flat()).toContain(`${told(mm)} ${mark}`);
  await choose(page, 'Hooked over', 'The other end');
  const [last] = [...wall.at].reverse();
  const back = wall.length! - last!.mm - last!.wide!;
  expect(await flat()).toContain(`${told(back)} ${last!.mark}`);
  await choose(page, 'Figures to', 'Center');
  expect(await flat()).toContain(`${told(back + last!.wide! / 2)} ${last!.mark}`);
  expect(await findings(page)).toEqual([]);
});
