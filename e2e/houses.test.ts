import { type CutList, type FitReport } from '@ogee/core';
import type { Browser, Page } from 'puppeteer-core';
import {
  aloud,
  commandLine,
  inches,
  startApp,
  storedJob,
  type AppServer,
} from './support/app-server';
import {
  byId,
  launch,
  openPage,
  PHONE,
  pickTimber,
  press,
  restingPlace,
  settled,
  spoken,
  tap,
  textOf,
  typeInto,
} from './support/browser';

jest.setTimeout(300_000);

let server: AppServer;
let browser: Browser;
let page: Page;
const loaded: string[] = [];

beforeAll(async () => {
  server = await startApp();
  browser = await launch();
  page = await openPage(browser, PHONE);
  page.on('request', (request) => loaded.push(request.url()));
});
afterAll(async () => {
  await browser.close();
  await server.stop();
});

const start = async (name: string, along: string, across: string, pitch: string): Promise<void> => {
  await page.goto(server.base, { waitUntil: 'networkidle0' });
  await tap(page, 'new-job');
  await typeInto(page, 'new-name-field', name);
  await typeInto(page, 'new-along', along);
  await typeInto(page, 'new-across', across);
  await typeInto(page, 'new-pitch', pitch);
  await tap(page, 'new-create');
  await page.waitForSelector(byId('cut-list'));
};

/** A wing at the end of wall 1 of a house 33' long, flush with it. */
const addWing = async (): Promise<void> => {
  await tap(page, 'place-site');
  await press(page, 'Add a wing');
  await press(page, 'Wall 1');
  await typeInto(page, 'field-new.width', `13'`);
  await typeInto(page, 'field-new.projection', `10'`);
  await typeInto(page, 'field-new.fromCorner', `20'`);
  await press(page, 'Add the wing');
  await settled(page);
};

/** Every line of the list on screen, its count and its length, is the command line's. */
const listIsTheCommandLines = async (): Promise<CutList> => {
  await settled(page);
  await tap(page, 'place-cuts');
  await page.waitForSelector(byId('cut-list'));
  const list = JSON.parse(commandLine((await storedJob(page)).job)) as CutList;
  const rows = await page.$$eval('[data-testid^="piece-"]', (all) =>
    all.map((row) => row.getAttribute('data-testid')),
  );
  expect(rows).toEqual(list.members.map(({ mark }) => `piece-${mark}`));
  for (const { mark, count, length } of list.members) {
    expect(await textOf(page, `piece-${mark}`)).toContain(`${count} off`);
    expect([mark, await spoken(page, `piece-${mark}`)]).toEqual([mark, aloud(length.longPoint)]);
  }
  return list;
};

const closesAsTheCommandLineSays = async (): Promise<void> => {
  const report = JSON.parse(commandLine((await storedJob(page)).job, 'fit')) as FitReport;
  expect(report.problems).toEqual([]);
  await tap(page, 'place-fit');
  await page.waitForSelector(byId('fit'));
  const { joints } = report;
  expect(await textOf(page, 'fit')).toContain(`${joints} joints close, worst gap 0.0 mm`);
};

describe('houses built with a thumb', () => {
  it('an L: a wing by its wall, width, projection and distance from a corner', async () => {
    await start('Plover Barn', `33'`, `20'`, '9');
    await addWing();
    const [, wing] = (await storedJob(page)).job.blocks;
    expect(wing!.outline.map((p) => p.map((mm) => Math.round(mm / 304.8)))).toEqual([
      [20, -10],
      [33, -10],
      [33, 10],
      [20, 10],
    ]);
    const list = await listIsTheCommandLines();
    expect(list.members.map(({ kind }) => kind)).toEqual(
      expect.arrayContaining(['valley', 'valley-jack', 'cripple-jack']),
    );
    await closesAsTheCommandLineSays();
  });

  it('its plan names every line with length, slope and plan angles', async () => {
    const list = JSON.parse(commandLine((await storedJob(page)).job)) as CutList;
    await tap(page, 'place-roof');
    const lines = await textOf(page, 'lines');
    for (const entry of list.members.filter(({ plan }) => plan !== null)) {
      expect(lines).toContain(entry.mark);
      expect(lines).toContain(`${entry.slope.toFixed(2)}°`);
      expect(lines).toContain(`${entry.plan![0].toFixed(2)}° and ${entry.plan![1].toFixed(2)}°`);
    }
  });

  it('in 3D, loaded only now, a touch names a timber and a kind can be hidden', async () => {
    expect(loaded.some((url) => url.includes('frame-3d'))).toBe(false);
    await press(page, '3D');
    await pickTimber(page);
    expect(loaded.some((url) => url.includes('frame-3d'))).toBe(true);
    expect(await textOf(page, 'frame-3d')).toMatch(/See [A-Z]+\d+/);
    await tap(page, 'frame-shown');
    await page.click('[aria-label="Show commons"]');
    expect(
      await page.$eval('[aria-label="Show commons"]', (box) => box.getAttribute('aria-checked')),
    ).toBe('false');
  });

  it('an oblique end, from four walls and a diagonal', async () => {
    await start('Dunlin Mill', `36'`, `24'`, '8');
    await tap(page, 'place-site');
    await press(page, 'Four walls, diagonals');
    await typeInto(page, 'field-blocks.0.outline.2', `33'`);
    await typeInto(page, 'field-blocks.0.outline.1', `24' 2 1/4`);
    await typeInto(page, 'field-blocks.0.outline.diagonal', `40' 9 5/8`);
    await settled(page);
    const corners = await textOf(page, 'corners');
    expect(corners).toContain('82.');
    expect(corners).toContain('closed by 7.');
    const list = await listIsTheCommandLines();
    const tilts = new Set(
      list.members
        .filter(({ kind }) => kind === 'hip-jack')
        .map(({ cuts }) => cuts[0]!.faceTilt.toFixed(0)),
    );
    expect(tilts.size).toBeGreaterThan(2);
    await closesAsTheCommandLineSays();
  });

  it('a wall dragged with a finger comes to a round figure, and saws', async () => {
    const before = (await storedJob(page)).job.blocks[0]!.outline;
    await tap(page, 'place-site');
    // Each place keeps its own scroll position: the drawing may stand above what is seen.
    const handle = (await page.waitForSelector(byId('drag-wall-3')))!;
    await restingPlace(page, 'drag-wall-3');
    await handle.evaluate((element) => element.scrollIntoView({ block: 'center' }));
    const knob = await restingPlace(page, 'drag-wall-3');
    const [x, y] = [knob.x + knob.width / 2, knob.y + knob.height / 2];
    await page.touchscreen.touchStart(x, y);
    await page.touchscreen.touchMove(x - 12, y);
    await page.touchscreen.touchMove(x - 24, y + 3);
    await page.touchscreen.touchEnd();
    await settled(page);
    const { outline } = (await storedJob(page)).job.blocks[0]!;
    const wall = Math.hypot(outline[1]![0] - outline[0]![0], outline[1]![1] - outline[0]![1]);
    expect(wall).toBeGreaterThan(before[1]![0] - before[0]![0] + 100);
    expect((wall / 25.4) % 1).toBeCloseTo(0, 6);
    await listIsTheCommandLines();
    await closesAsTheCommandLineSays();
  });

  it('a check diagonal that disagrees is said beside it, and spoils nothing', async () => {
    const before = (await storedJob(page)).job;
    await tap(page, 'place-site');
    await typeInto(page, 'field-blocks.0.outline.check', `50'`);
    await page.waitForSelector('[role=alert]');
    await settled(page);
    expect((await storedJob(page)).job.blocks).toEqual(before.blocks);
  });

  it('walls that no triangle can have are refused with what could be', async () => {
    await typeInto(page, 'field-blocks.0.outline.diagonal', `80'`);
    await page.waitForFunction(() => document.body.innerText.includes('no triangle has walls'));
  });

  it('a mansard: one wall breaks, every eave like it, and its purlins are listed', async () => {
    await start('Teasel Loft', `30'`, `20'`, '20');
    await tap(page, 'place-roof');
    await press(page, 'Break to a lower pitch above');
    await typeInto(page, 'field-blocks.0.sides.0.breaks.0.at', `3'`);
    await typeInto(page, 'field-blocks.0.sides.0.breaks.0.pitch', '6');
    await press(page, 'Every eave of this part like wall 1');
    await settled(page);
    const { job } = await storedJob(page);
    for (const side of job.blocks[0]!.sides)
      expect(side).toMatchObject({ pitch: '20/12', breaks: [{ pitch: '6/12' }] });
    const list = await listIsTheCommandLines();
    const purlins = list.members.filter(({ kind }) => kind === 'purlin');
    // From break to break: 30' and 20' less twice 3'.
    expect(purlins.map(({ length }) => inches(length.theory))).toEqual([`24' 0"`, `14' 0"`]);
    await closesAsTheCommandLineSays();
  });

  it('one measured out of square: its flush wing goes on in line with the end wall', async () => {
    await start('Avocet House', `33'`, `20'`, '9');
    await addWing();
    await press(page, 'main');
    await press(page, 'Four walls, diagonals');
    await typeInto(page, 'field-blocks.0.outline.2', `32' 11"`);
    await typeInto(page, 'field-blocks.0.outline.diagonal', `38' 8"`);
    await settled(page);
    const [main, wing] = (await storedJob(page)).job.blocks;
    const [, at, beside] = main!.outline;
    for (const corner of [1, 2]) {
      const [x, y] = wing!.outline[corner]!;
      const across = (x - at![0]) * (beside![1] - at![1]) - (y - at![1]) * (beside![0] - at![0]);
      expect(Math.abs(across) / Math.hypot(beside![0] - at![0], beside![1] - at![1])).toBeLessThan(
        1e-6,
      );
    }
    // It is still changed by its three numbers.
    await press(page, 'wing');
    await page.waitForSelector(byId('field-blocks.1.outline.fromCorner'));
    await closesAsTheCommandLineSays();
  });

  it('an octagon, by the number of its corners', async () => {
    await start('Bittern Kiosk', `24'`, `24'`, '8');
    await tap(page, 'place-site');
    await press(page, 'Another number of corners');
    for (let i = 0; i < 4; i += 1) {
      await page.click('[aria-label="more: Corners"]');
      await settled(page);
    }
    expect((await storedJob(page)).job.blocks[0]!.outline).toHaveLength(8);
    expect(await textOf(page, 'corners')).toContain('135.00°');
    const list = await listIsTheCommandLines();
    expect(list.members.find(({ kind }) => kind === 'hip')!.count).toBe(8);
    await closesAsTheCommandLineSays();
  });

  it('a small gable above a hip', async () => {
    await start('Wren House', `32'`, `22'`, '8');
    await tap(page, 'place-roof');
    await press(page, 'A gablet above this hip');
    await settled(page);
    expect((await storedJob(page)).job.blocks[0]!.sides[1]).toHaveProperty('gablet.at');
    const list = await listIsTheCommandLines();
    expect(list.members.some(({ kind }) => kind === 'header')).toBe(true);
    await closesAsTheCommandLineSays();
  });

  it('threw nothing and broke no policy on the way', () => {});
});
