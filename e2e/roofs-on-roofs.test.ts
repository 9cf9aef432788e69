import type { Browser, Page } from 'puppeteer-core';
import type { CutList, CutListEntry, JobInput } from '@ogee/core';
import { commandLine, createJob, startApp, storedJob, type AppServer } from './support/app-server';
import {
  byId,
  choose,
  launch,
  leaveField,
  openPage,
  openSample,
  PHONE,
  press,
  settled,
  tap,
  typeInto,
} from './support/browser';

jest.setTimeout(300_000);

let server: AppServer;
let browser: Browser;
let page: Page;

const EAVE = { roof: 'eave', pitch: '8/12', overhang: 450 } as const;

/** A store 9 × 7 m, a porch with framed valleys in the middle of its front. */
const STORE: JobInput = {
  format: 'ogee-job',
  version: 1,
  name: 'Lapwing Store',
  display: { units: 'metric', terms: 'us' },
  timber: {
    common: { thickness: 38, depth: 140 },
    ridge: { thickness: 38, depth: 184 },
    valley: { thickness: 38, depth: 184 },
    sheathing: 18,
  },
  framing: { spacing: 400, seat: { width: 80 } },
  blocks: [
    {
      id: 'main',
      outline: [
        [0, 0],
        [9000, 0],
        [9000, 7000],
        [0, 7000],
      ],
      sides: [EAVE, { roof: 'gable' }, EAVE, { roof: 'gable' }],
    },
    {
      id: 'porch',
      outline: [
        [3000, -1800],
        [6000, -1800],
        [6000, 3000],
        [3000, 3000],
      ],
      sides: [{ roof: 'gable' }, EAVE, { roof: 'open' }, EAVE],
    },
  ],
};

beforeAll(async () => {
  server = await startApp();
  await createJob(server.base, STORE);
  browser = await launch();
  page = await openPage(browser, PHONE);
  await openSample(page, server.base, 'Lapwing Store');
});
afterAll(async () => {
  await browser.close();
  await server.stop();
});

/** The list of the command line for what is stored. */
const listed = async (): Promise<CutList> => {
  await settled(page);
  const { job } = await storedJob(page);
  return JSON.parse(commandLine(job)) as CutList;
};

const ofKind = ({ members }: CutList, kind: string): CutListEntry[] =>
  members.filter((entry) => entry.kind === kind);

const count = (entries: readonly CutListEntry[]): number =>
  entries.reduce((sum, entry) => sum + entry.count, 0);

it('lays a porch on the house, on sleepers, and the house may stand already', async () => {
  expect(count(ofKind(await listed(), 'valley'))).toBe(2);
  await tap(page, 'place-roof');
  await choose(page, 'Part of the building', 'porch');
  await choose(page, 'Where it meets the other roof', 'Laid on it');
  const laid = await listed();
  expect(ofKind(laid, 'valley')).toEqual([]);
  expect(ofKind(laid, 'sleeper')).toEqual([]);
  const [jack] = ofKind(laid, 'valley-jack');
  // Both roofs rise 8 in 12: the line at the complement, the saw tilted by the lower slope.
  const slope = (Math.atan2(8, 12) * 180) / Math.PI;
  const foot = jack!.cuts.find(({ at }) => at === 'bottom')!;
  expect(foot.faceAngle).toBeCloseTo(90 - slope, 6);
  expect(foot.faceTilt).toBeCloseTo(slope, 6);

  await choose(page, 'Its rafters’ feet stand', 'On sleepers');
  await page.waitForSelector(byId('field-timber.sleeper.thickness'));
  await typeInto(page, 'field-timber.sleeper.thickness', '30');
  await leaveField(page);
  const [sleeper] = ofKind(await listed(), 'sleeper');
  expect(sleeper!.count).toBe(2);
  const between = Math.acos(Math.cos((slope * Math.PI) / 180) ** 2);
  expect(sleeper!.setBack).toBeCloseTo(30 / Math.tan(between), 6);

  await choose(page, 'Part of the building', 'main');
  await choose(page, 'The house itself', 'Stands already');
  const alone = await listed();
  expect(new Set(alone.members.map(({ block }) => block))).toEqual(new Set(['porch']));
  // Two chalk lines, the ridge's centre, and where the upper sheathing comes down.
  expect(alone.notes.filter(({ code }) => code === 'chalk-line')).toHaveLength(4);
  // Its ridge measured: the pitch falls out of its height.
  await typeInto(page, 'field-blocks.0.ridge', '2500');
  await leaveField(page);
  const measured = (await listed()).members.find(({ kind }) => kind === 'valley-jack');
  const tilted = measured!.cuts.find(({ at }) => at === 'bottom')!;
  const { job } = await storedJob(page);
  const { pitch } = job.blocks[0]!.sides[0] as { pitch: { rise: number; run: number } };
  expect(tilted.faceTilt).toBeCloseTo((Math.atan2(pitch.rise, pitch.run) * 180) / Math.PI, 6);
  await tap(page, 'undo');
  await choose(page, 'The house itself', 'To be framed');
});

it('opens the roof for a chimney with a saddle behind it, and refuses one through the ridge', async () => {
  await choose(page, 'Part of the building', 'main');
  await tap(page, 'add-opening');
  await page.waitForSelector(byId('opening-0'));
  await typeInto(page, 'field-openings.0.along.0', '500');
  await leaveField(page);
  await typeInto(page, 'field-openings.0.along.1', '1000');
  await leaveField(page);
  const open = await listed();
  expect(count(ofKind(open, 'trimmer'))).toBe(2);
  const [header] = ofKind(open, 'header');
  expect(header!.count).toBe(2);
  // Fifty kept clear at each side.
  expect(header!.length.body).toBeCloseTo(1100, 6);
  await choose(page, 'Behind opening 1', 'A saddle');
  const saddled = await listed();
  const ridge = saddled.members.find(
    ({ kind, block }) => kind === 'ridge' && block.startsWith('saddle'),
  );
  // Of the roof's own pitch, its ridge runs half its width, less the sheathing at each side.
  expect(ridge!.length.theory).toBeCloseTo((1000 - 2 * 18) / 2, 6);

  await typeInto(page, 'field-openings.0.up.0', '2800');
  await leaveField(page);
  await page.waitForFunction(() => /runs into a hip|ridge/u.test(document.body.innerText));
  await typeInto(page, 'field-openings.0.up.0', '1000');
  await leaveField(page);
  expect(count(ofKind(await listed(), 'trimmer'))).toBe(2);
});

it('sets a dormer on the house, and says what is in its way', async () => {
  await choose(page, 'Part of the building', 'main');
  await press(page, 'Take opening 1 away');
  await tap(page, 'add-dormer');
  await page.waitForSelector(byId('dormer-0'));
  await choose(page, 'Dormer 1 over', 'Wall 3');
  const gabled = await listed();
  expect(count(ofKind(gabled, 'cheek-stud'))).toBeGreaterThan(1);
  expect(count(ofKind(gabled, 'trimmer'))).toBe(4);
  // In line with the wall: false tails where the rafters were.
  await typeInto(page, 'field-dormers.0.face', '0');
  await leaveField(page);
  const inLine = await listed();
  expect(count(ofKind(inLine, 'false-tail'))).toBe(count(ofKind(inLine, 'opening-jack')));

  await choose(page, 'Roof of dormer 1', 'Shed, by pitch');
  await typeInto(page, 'field-dormers.0.pitch', '3/12');
  await leaveField(page);
  const shed = (await listed()).members.filter(
    ({ kind, block }) => kind === 'common' && block === 'dormer 1',
  );
  for (const { slope } of shed) expect(slope).toBeCloseTo((Math.atan2(3, 12) * 180) / Math.PI, 6);

  await typeInto(page, 'field-dormers.0.plate', '3500');
  await leaveField(page);
  await page.waitForFunction(() =>
    /over the top of the slope it stands on/u.test(document.body.innerText),
  );
});
