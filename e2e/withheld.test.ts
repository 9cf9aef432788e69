import { appInBrowser } from './support/app-in-browser';
import { createJob, loggedIn, storedJob } from './support/app-server';
import { byId, openPage, PHONE, settled, tap, textOf, WIDE } from './support/browser';

jest.setTimeout(120_000);

const app = appInBrowser();

const eave = { roof: 'eave', pitch: '9/12', overhang: 450 };
const board = { thickness: 38, depth: 235 };

/** A house with a roof window that runs out over its gable. */
const HOUSE = {
  format: 'ogee-job',
  version: 1,
  name: 'Window at the gable',
  display: { units: 'metric', fraction: 16, pitch: 'degrees', terms: 'uk' },
  timber: { common: { thickness: 38, depth: 184 }, hip: board, ridge: board, plateWidth: 140 },
  framing: { spacing: 400, seat: { depthFraction: 0.25 } },
  blocks: [
    {
      id: 'main',
      outline: [
        [0, 0],
        [9000, 0],
        [9000, 6000],
        [0, 6000],
      ],
      sides: [eave, { roof: 'gable' }, eave, { roof: 'gable' }],
    },
  ],
  openings: [{ name: 'window', block: 'main', side: 0, along: [8600, 9400], up: [900, 1700] }],
};

it.each([
  ['on a phone', PHONE],
  ['on a wide screen', WIDE],
])(
  'a part that cannot stand is told in one line, and what would do is one entry: %s',
  async (_where, size) => {
    const id = await createJob(app.server.base, HOUSE);
    const page = await openPage(app.browser, size);
    await page.goto(`${app.server.base}/job/${id}/cuts`, { waitUntil: 'networkidle0' });
    await page.waitForSelector(byId('withheld'));
    expect(await textOf(page, 'withheld')).toContain('1 thing not framed');
    // The roof is given, without red: nothing is refused.
    expect(await page.$(byId('stale'))).toBeNull();
    expect(await page.$(byId('piece-C1'))).not.toBeNull();
    await tap(page, 'withheld-open');
    await page.waitForSelector(byId('accepted'));
    expect(await textOf(page, 'withheld')).toContain('Main, wall 1: "window" runs into');
    const offered = await textOf(page, 'accepted');
    const [from, to] = /(\d+) mm to (\d+) mm/u.exec(offered)!.slice(1).map(Number);
    await tap(page, 'accepted');
    await page.waitForSelector(byId('withheld'), { hidden: true });
    await page.waitForSelector(byId('piece-HD1'));
    await settled(page);
    const stored = await storedJob(page);
    expect(stored.revision).toBe(2);
    expect(stored.job.openings[0]!.along).toEqual([from, to]);
    expect(await loggedIn(app.server.base, id)).toEqual([]);
    await tap(page, 'undo');
    await page.waitForSelector(byId('withheld'));
    await page.close();
  },
);

/** A bay of three walls that is no half octagon by 21 mm: two of its hips pass each other. */
const OFF_THE_OCTAGON = {
  ...HOUSE,
  name: 'Bay a little too deep',
  timber: { ...HOUSE.timber, valley: board },
  openings: [],
  blocks: [
    {
      ...HOUSE.blocks[0]!,
      outline: [
        [0, 0],
        [9000, 0],
        [9000, 7000],
        [0, 7000],
      ],
    },
    {
      id: 'bay',
      outline: [
        [3900, -900],
        [5100, -900],
        [6000, 0],
        [6000, 3500],
        [3000, 3500],
        [3000, 0],
      ],
      sides: [eave, eave, eave, { roof: 'open' }, eave, eave],
    },
  ],
};

it('lines that nearly meet are drawn with their spot, and meet at a touch', async () => {
  const id = await createJob(app.server.base, OFF_THE_OCTAGON);
  const page = await openPage(app.browser, PHONE);
  await page.goto(`${app.server.base}/job/${id}/site`, { waitUntil: 'networkidle0' });
  await page.waitForSelector(byId('stale'));
  await page.waitForSelector(byId('accepted'));
  expect(await page.$$(`${byId('refused-lines')} circle`)).not.toHaveLength(0);
  expect(await textOf(page, 'accepted')).toBe('Take wall 1 of "bay" 21.3 mm further in');
  await tap(page, 'accepted');
  await page.waitForSelector(byId('stale'), { hidden: true });
  await page.waitForSelector(byId('refused-lines'), { hidden: true });
  await settled(page);
  const stored = await storedJob(page);
  expect(stored.revision).toBe(2);
  // Half a regular octagon stands out by its width ÷ (2 + √2).
  expect(stored.job.blocks[1]!.outline[0]![1]).toBeCloseTo(-3000 / (2 + Math.SQRT2), 6);
  expect(await loggedIn(app.server.base, id)).toEqual([]);
  await page.close();
});
