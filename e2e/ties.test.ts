import type { Browser, Page } from 'puppeteer-core';
import type { CutListEntry, Job } from '@ogee/core';
import {
  aloud,
  commandLine,
  jobNamed,
  startApp,
  storedJob,
  type AppServer,
} from './support/app-server';
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
  spoken,
  tap,
  textOf,
  typeInto,
  waitForText,
} from './support/browser';

jest.setTimeout(300_000);

let server: AppServer;
let browser: Browser;
let page: Page;

/** The station alone, its rafters 180 above the plate: figures that can be worked out by heart. */
const stationAlone = async (): Promise<void> => {
  const address = `${server.base}/api/jobs/${await jobNamed(server.base, 'Gannet Point')}`;
  const stored = (await (await fetch(address)).json()) as { revision: number; job: Job };
  const { blocks, framing } = stored.job;
  const job = {
    ...stored.job,
    blocks: blocks.slice(0, 1),
    framing: { ...framing, seat: { hap: 180 } },
    roofPurlins: [],
    dormers: [],
  };
  const answer = await fetch(address, {
    method: 'PUT',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify({ revision: stored.revision, job }),
  });
  expect(answer.status).toBe(200);
};

beforeAll(async () => {
  server = await startApp();
  browser = await launch();
  page = await openPage(browser, PHONE);
  await stationAlone();
  await openSample(page, server.base, 'Gannet Point');
});
afterAll(async () => {
  await browser.close();
  await server.stop();
});

/** The list of the command line for what is stored, by kind. */
const listed = async (kind: string): Promise<CutListEntry[]> => {
  await settled(page);
  const { job } = await storedJob(page);
  const list = JSON.parse(commandLine(job)) as { members: CutListEntry[] };
  return list.members.filter((entry) => entry.kind === kind);
};

it('sets ties and purlins by thumb, and the list is that of the command line', async () => {
  // The list as the crew knows it: what changes is told against that.
  await tap(page, 'place-cuts');
  await page.waitForSelector(byId('cut-list'));
  await tap(page, 'place-timber');
  await choose(page, 'Ceiling ties', 'On the wall plates');
  await choose(page, 'Collars', 'By height');
  await page.waitForSelector(byId('field-collarTies.bottom'));
  await typeInto(page, 'field-collarTies.bottom', '1100');
  await leaveField(page);
  await choose(page, 'Under the rafters', 'Plumb');
  await choose(page, 'How far in', 'A distance');
  await page.waitForSelector(byId('field-purlins.0.at'));
  await typeInto(page, 'field-purlins.0.at', '800');
  await leaveField(page);
  const [collar] = await listed('collar-tie');
  const [joist] = await listed('rafter-tie');
  const [purlin] = await listed('purlin');
  // Span 4200, slope 1 in 1, 180 above the plate, held 12 off square.
  expect(collar!.length.longPoint).toBeCloseTo(4200 - 2 * (1100 - 180 + 12 * Math.SQRT2), 6);
  expect(joist!.length.longPoint).toBeCloseTo(4200, 6);
  expect(purlin!.length.theory).toBeCloseTo(6300, 6);
  await tap(page, 'place-cuts');
  for (const entry of [collar!, joist!, purlin!]) {
    await page.waitForSelector(byId(`piece-${entry.mark}`));
    const row = await textOf(page, `piece-${entry.mark}`);
    expect(row).toContain(`${entry.count} off`);
    expect(row).toContain(String(Math.round(entry.length.longPoint)));
  }
});

it('says which marks changed and by how much, until the list is read', async () => {
  await waitForText(page, 'changes', 'changed');
  await tap(page, 'changes-open');
  const said = await textOf(page, 'changes');
  expect(said).toMatch(/RT1\s+new, 15 off/);
  // The collar of the sample was a third of the span less its hold-off.
  const before = 4200 / 3 - 24 * Math.SQRT2;
  const after = 4200 - 2 * (1100 - 180 + 12 * Math.SQRT2);
  expect(said).toContain(`(+${Math.round((after - before) * 100) / 100} mm)`);
  expect(await textOf(page, 'piece-CT1')).toContain('was ');
  await tap(page, 'changes-read');
  await page.waitForFunction((id) => document.querySelector(id) === null, {}, byId('changes'));
  expect(await textOf(page, 'piece-CT1')).not.toContain('was ');
});

it('refuses a collar in the ridge beside its field, keeping what was typed', async () => {
  await tap(page, 'place-timber');
  await typeInto(page, 'field-collarTies.bottom', '1900');
  await leaveField(page);
  await page.waitForFunction(() => document.body.innerText.includes('would stand in the ridge'));
  const field = await page.$eval(
    byId('field-collarTies.bottom'),
    (input) => (input as HTMLInputElement).value,
  );
  expect(field).toContain('1900');
  await typeInto(page, 'field-collarTies.bottom', '1100');
  await leaveField(page);
  await page.waitForFunction(() => !document.body.innerText.includes('would stand in the ridge'));
});

it('hangs barges and their ladder on or off under the roof', async () => {
  await tap(page, 'place-roof');
  await press(page, 'Not framed here');
  expect(await listed('barge')).toEqual([]);
  await press(page, 'A ladder');
  const [barge] = await listed('barge');
  expect(barge!.count).toBe(4);
  expect((await listed('lookout'))[0]!.length.body).toBeCloseTo(200 - 45, 6);
});

it('lays purlins over the rafters and laps the joists by thumb, as the command line has them', async () => {
  await tap(page, 'place-timber');
  await choose(page, 'On the rafters', 'Over them');
  await page.waitForSelector(byId('field-roofPurlins.0.spacing'));
  await typeInto(page, 'field-roofPurlins.0.spacing', '700');
  await leaveField(page);
  await choose(page, 'From wall to wall', 'Lapped half-way');
  await page.waitForSelector(byId('field-rafterTies.lap'));
  await typeInto(page, 'field-rafterTies.lap', '120');
  await leaveField(page);
  const purlins = await listed('purlin');
  const [joist] = await listed('rafter-tie');
  // Over both gables, which the roof hangs over by 200.
  const over = purlins.filter(({ length }) => Math.abs(length.body - (6300 + 400)) < 1e-6);
  expect(over).toHaveLength(1);
  expect(joist!.length.body).toBeCloseTo(4200 / 2 + 120, 6);
  await tap(page, 'place-cuts');
  await tap(page, `piece-${over[0]!.mark}`);
  await page.waitForSelector(byId('running-rafter'));
  const tape = await textOf(page, 'running-rafter');
  for (const mm of [60, 760, 1460]) expect(tape).toContain(`${mm} mm`);
});

it('settles the eave by its figures: a soffit gives the overhang, an overhang the soffit', async () => {
  await tap(page, 'place-roof');
  await choose(page, 'Worked out from the other two', 'The overhang');
  await typeInto(page, 'field-eave.framing.soffit', '250');
  await leaveField(page);
  await settled(page);
  const { job } = await storedJob(page);
  const side = job.blocks[0]!.sides[0]!;
  const [common] = await listed('common');
  // From the plate down: the tail’s plumb cut less what its top stands higher.
  const overhang = 'overhang' in side ? side.overhang : 0;
  const { hap } = common!.seat!;
  expect(overhang + 170 * Math.SQRT2 - hap).toBeCloseTo(250, 3);
  expect(common!.length.tail).toBeCloseTo(overhang * Math.SQRT2, 3);
  // The figure on the drawing leads to its field.
  await tap(page, 'eave-hap');
  const focused = await page.evaluate(() => document.activeElement?.getAttribute('data-testid'));
  expect(focused).toBe('field-eave.framing.seat.hap');
  await choose(page, 'Worked out from the other two', 'The soffit');
  await typeInto(page, `field-eave.blocks.0.sides.0.overhang`, '350');
  await leaveField(page);
  await settled(page);
  expect((await textOf(page, 'eave-soffit')).replace(/\s+/g, ' ')).toContain(
    `${Math.round(350 + 170 * Math.SQRT2 - hap)} mm below`,
  );
});

it('puts studs in the gables, struts under the purlins, and the mitre on a sheet of plywood', async () => {
  await choose(page, 'In the gable, under its rafters', 'Not framed here');
  expect(await listed('gable-stud')).toEqual([]);
  await choose(page, 'In the gable, under its rafters', 'Gable studs, flat');
  expect((await listed('gable-stud'))[0]!.count).toBe(4);
  await openSample(page, server.base, 'Quince Yard');
  await tap(page, 'place-cuts');
  await tap(page, 'piece-P1');
  await page.waitForSelector(byId('set-out-full-size'));
  await tap(page, 'set-out-full-size');
  for (let i = 0; i < 4; i += 1) await tap(page, 'development-next');
  const [purlin] = await listed('purlin');
  const read = await textOf(page, 'development-read');
  const of = (name: string) => purlin!.cuts.find((cut) => cut.name === name)!;
  expect(read).toContain(`${of('side').faceAngle.toFixed(1)}°`);
  expect(read).toContain(`${of('edge').edgeAngle.toFixed(1)}°`);
});

it('braces the hips by thumb, all alike or one by one, and the list is that of the command line', async () => {
  page = await openPage(browser, PHONE);
  await openSample(page, server.base, 'Heron Slip');
  await tap(page, 'place-timber');
  await choose(page, 'Under the hips of “main”', 'A brace each');
  await page.waitForSelector(byId('field-hipBraces.0.foot'));
  await typeInto(page, 'field-hipBraces.0.foot', `7'`);
  await leaveField(page);
  // Where the wing goes on, no hip rises; the three others are braced alike.
  const alike = await listed('hip-brace');
  expect(alike.reduce((sum, { count }) => sum + count, 0)).toBe(3);
  const { job } = await storedJob(page);
  expect(job.hipBraces!.map(({ foot }) => Math.round(foot))).toEqual([2134, 2134, 2134]);
  await choose(page, 'Under the hips of “main”', 'Hip by hip');
  await choose(page, 'Under the hip between walls 4 and 1', 'Nothing');
  const left = await listed('hip-brace');
  expect(left.reduce((sum, { count }) => sum + count, 0)).toBe(2);
  await tap(page, 'place-cuts');
  for (const { mark, count, length } of left) {
    await page.waitForSelector(byId(`piece-${mark}`));
    expect(await textOf(page, `piece-${mark}`)).toContain(`${count} off`);
    expect(await spoken(page, `piece-${mark}`)).toBe(aloud(length.longPoint));
  }
});

it('lays one slope over two walls, then a ridge on posts, each as the command line has it', async () => {
  page = await openPage(browser, PHONE);
  await openSample(page, server.base, 'Gannet Point');
  await tap(page, 'place-timber');
  await choose(page, 'The ridge board is carried by', 'Posts, as a beam');
  await page.waitForSelector(byId('field-blocks.0.ridgeBeam.spacing'));
  await typeInto(page, 'field-blocks.0.ridgeBeam.spacing', '2000');
  await leaveField(page);
  const [post] = await listed('ridge-post');
  expect(post!.count).toBeGreaterThan(3);
  await tap(page, 'place-cuts');
  await page.waitForSelector(byId(`piece-${post!.mark}`));
  expect(await spoken(page, `piece-${post!.mark}`)).toBe(
    `${Math.round(post!.length.longPoint)} millimetres`,
  );
  await tap(page, 'place-timber');
  await choose(page, 'The ridge board is carried by', 'The rafters');
  expect(await listed('ridge-post')).toEqual([]);
  await tap(page, 'place-roof');
  await choose(page, 'Wall 3', 'Over a high wall');
  const [over] = await listed('common');
  expect(over!.upper!.hap).toBeCloseTo(over!.seat!.hap, 6);
  await choose(page, 'Wall plate of wall 3', 'As it stands');
  const stands = byId('field-blocks.0.sides.2.raise');
  await page.waitForSelector(stands);
  await settled(page);
  const { job } = await storedJob(page);
  const side = job.blocks[0]!.sides[2]!;
  const raise = 'raise' in side ? side.raise! : 0;
  await typeInto(page, 'field-blocks.0.sides.2.raise', String(Math.round(raise) + 10));
  await leaveField(page);
  const [typed] = await listed('common');
  expect(typed!.seat!.hap - typed!.upper!.hap).toBeGreaterThan(9);
  await tap(page, 'place-cuts');
  await tap(page, `piece-${typed!.mark}`);
  await waitForText(page, 'piece-sheet', 'Heel over the upper wall');
});
