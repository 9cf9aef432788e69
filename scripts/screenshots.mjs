import { spawn } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import puppeteer from 'puppeteer-core';
import { build } from './build.mjs';
import { findBrowser, installPackages } from './install.mjs';
import { ROOT } from './run.mjs';

/** `npm run screenshots`: one current picture of each main view, from the sample jobs, into docs/screenshots/. */
const PHONE = { width: 390, height: 844, isMobile: true, hasTouch: true, deviceScaleFactor: 2 };
const WIDE = { width: 1280, height: 800 };
const VIEWS = [
  ['jobs-phone', PHONE, 'light', null, ''],
  ['site-phone', PHONE, 'light', 'Quince Yard', 'site'],
  ['roof-phone', PHONE, 'light', 'Heron Slip', 'roof'],
  ['timber-phone', PHONE, 'dark', 'Gannet Point', 'timber'],
  ['cuts-phone', PHONE, 'light', 'Heron Slip', 'cuts'],
  ['hip-phone-dark', PHONE, 'dark', 'Heron Slip', 'cuts/H1'],
  ['hip-wide', WIDE, 'light', 'Heron Slip', 'cuts/H1'],
  ['frame-phone', PHONE, 'light', 'Heron Slip', 'roof', '3D'],
  ['raise-phone', PHONE, 'light', 'Gannet Point', 'roof?step=6', 'Raise'],
  ['fit-phone', PHONE, 'light', 'Heron Slip', 'fit'],
  ['saw-phone', PHONE, 'light', 'Heron Slip', 'saw?piece=HJ2.left'],
  ['saw-wide', WIDE, 'light', 'Gannet Point', 'saw'],
  ['try-phone', PHONE, 'dark', 'Heron Slip', 'try/C1', undefined, 'What you see'],
  ['as-built-phone', PHONE, 'light', 'Quince Yard', 'as-built'],
  [
    'bench-phone',
    PHONE,
    'light',
    null,
    'bench?sum=hip',
    undefined,
    undefined,
    ['bench-one', '8/12'],
  ],
  ['practice-phone', PHONE, 'light', null, 'practice'],
  ['two-walls-phone', PHONE, 'light', 'Gannet Point, one slope over two walls', 'roof', '3D'],
  ['house-beside-wide', WIDE, 'light', 'Gannet Point, a house beside', 'roof'],
];

/** The station of Gannet Point alone, as other roofs. */
const alone = ({ dormers: _d, purlins: _p, roofPurlins: _r, ...job }, name, side, more) => ({
  ...job,
  name,
  dormers: [],
  purlins: [],
  roofPurlins: [],
  blocks: [
    { ...job.blocks[0], sides: job.blocks[0].sides.map((one, i) => (i === 2 ? side(one) : one)) },
    ...(more?.blocks ?? []),
  ],
  saddles: more?.saddles ?? [],
});
const OTHERS = [
  (job) =>
    alone(job, 'Gannet Point, one slope over two walls', () => ({ roof: 'high', overhang: 350 })),
  (job) => {
    const [length, depth] = job.blocks[0].outline[2];
    const [eave] = job.blocks[0].sides;
    const end = { roof: 'gable', overhang: 0 };
    const block = 'beside';
    const saddle = { side: 2, along: [0, length], at: 0, pitch: '3/12', sheathing: 0 };
    return alone(job, 'Gannet Point, a house beside', (one) => ({ ...one, overhang: 0 }), {
      blocks: [
        {
          id: block,
          outline: [
            [length, 2 * depth],
            [0, 2 * depth],
            [0, depth],
            [length, depth],
          ],
          plate: 0,
          sides: [eave, end, { ...eave, overhang: 0 }, end],
          join: 'framed',
          existing: true,
        },
      ],
      saddles: [
        { ...saddle, id: 'gutter 1', block: 'main' },
        { ...saddle, id: 'gutter 2', block },
      ],
    });
  },
];

await installPackages();
const executablePath = await findBrowser();
await build();
const data = mkdtempSync(join(tmpdir(), 'ogee-shots-'));
const server = spawn(
  process.execPath,
  ['server/dist/main.mjs', '--port', '0', '--samples', '--web', 'app/dist', '--data', data],
  { cwd: ROOT, stdio: ['ignore', 'pipe', 'ignore'] },
);
const base = await new Promise((resolve) =>
  server.stdout.on('data', (part) => resolve(/http:\S+/.exec(part.toString())[0])),
);
const { jobs } = await (await fetch(`${base}/api/jobs`)).json();
const gannet = jobs.find((one) => one.name === 'Gannet Point');
const { job: station } = await (await fetch(`${base}/api/jobs/${gannet.id}`)).json();
for (const other of OTHERS) {
  const [id, job] = [randomUUID(), other(station)];
  const answer = await fetch(`${base}/api/jobs`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify({ id, job }),
  });
  if (!answer.ok) throw new Error(await answer.text());
  jobs.push({ id, name: job.name });
}
const browser = await puppeteer.launch({
  executablePath,
  userDataDir: join(data, 'chromium'),
  args: [
    '--headless=new',
    '--no-sandbox',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--use-angle=swiftshader',
    '--enable-unsafe-swiftshader',
    '--ignore-gpu-blocklist',
  ],
});
for (const [name, size, theme, job, place, view, heading, typed] of VIEWS) {
  const page = await browser.newPage();
  await page.setViewport(size);
  await page.emulateMediaFeatures([{ name: 'prefers-color-scheme', value: theme }]);
  const path =
    job === null ? `/${place}` : `/job/${jobs.find((one) => one.name === job).id}/${place}`;
  await page.goto(base + path, { waitUntil: 'networkidle0' });
  await page.evaluate(() => document.fonts.ready.then(() => true));
  await page.waitForFunction(() => !document.body.innerText.includes(' …'), { timeout: 60_000 });
  if (view !== undefined) {
    await (
      await page.waitForSelector(`::-p-xpath(//*[@role='radio' and contains(., '${view}')])`)
    ).click();
    await new Promise((resolve) => setTimeout(resolve, 4000));
  }
  if (typed !== undefined) {
    const [field, text] = typed;
    await page.type(`[data-testid="${field}"]`, text);
    await page.keyboard.press('Tab');
    await new Promise((resolve) => setTimeout(resolve, 1000));
  }
  if (heading !== undefined) {
    const found = await page.waitForSelector(`::-p-xpath(//*[text()='${heading}'])`);
    await found.evaluate((element) => element.scrollIntoView());
    await new Promise((resolve) => setTimeout(resolve, 500));
  }
  await page.screenshot({ path: join(ROOT, 'docs', 'screenshots', `${name}.png`) });
  await page.close();
  process.stdout.write(`docs/screenshots/${name}.png\n`);
}
/** Ben saves a spacing while this phone, without a signal, enters another: what both changed is asked, over the history. */
const question = async () => {
  const page = await browser.newPage();
  await page.setViewport(PHONE);
  await page.emulateMediaFeatures([{ name: 'prefers-color-scheme', value: 'light' }]);
  const { id } = jobs.find((one) => one.name === 'Heron Slip');
  await page.goto(`${base}/job/${id}/timber`, { waitUntil: 'networkidle0' });
  const field = '[data-testid="field-framing.spacing"]';
  await page.waitForSelector(field);
  await page.setOfflineMode(true);
  await page.click(field, { clickCount: 3 });
  await page.type(field, '2 ft');
  await page.$eval(field, (element) => element.blur());
  const { job, revision } = await (await fetch(`${base}/api/jobs/${id}`)).json();
  await fetch(`${base}/api/jobs/${id}`, {
    method: 'PUT',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify({
      revision,
      job: { ...job, framing: { ...job.framing, spacing: 18 * 25.4 } },
      by: 'Ben',
      device: 'phone-of-ben',
      said: `Spacing, on center: 1' 4" → 1' 6"`,
    }),
  });
  await page.setOfflineMode(false);
  await page.evaluate(() => window.dispatchEvent(new Event('online')));
  await page.waitForSelector('[data-testid="conflict"]');
  await page.click('[aria-label="History"]');
  await page.waitForSelector('[data-testid^="restore-"]');
  await page.screenshot({ path: join(ROOT, 'docs', 'screenshots', 'history-phone.png') });
  process.stdout.write('docs/screenshots/history-phone.png\n');
};
await question();
await browser.close();
server.kill('SIGTERM');
