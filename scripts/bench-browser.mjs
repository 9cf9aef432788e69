import { spawn } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import lighthouse from 'lighthouse';
import puppeteer from 'puppeteer-core';
import { keyToFigure, reopened } from './bench-figures.mjs';
import {
  byId,
  KEYS,
  median,
  openPage,
  PHONE,
  pressAgain,
  quiet,
  say,
  SETTLED_MS,
  spread,
  wallInHand,
  WIDE,
} from './bench-page.mjs';
import { findBrowser } from './install.mjs';
import { ROOT } from './run.mjs';

/** What a framer waits for, measured in a real Chromium on the built app. Beside each figure stands what is wanted. */
/** From when on a task of the main thread counts as long. ms */
const LONG_MS = 50;
const OLD_PHONE = 4;

/** Hipped houses of 12 by 7 m in rows, as many as make so many boards. */
const row = (name, houses, spacing) => ({
  format: 'ogee-job',
  version: 1,
  name,
  display: { units: 'metric' },
  timber: {
    common: { thickness: 38, depth: 184 },
    hip: { thickness: 38, depth: 235 },
    ridge: { thickness: 38, depth: 235 },
    fascia: { thickness: 19, depth: 184 },
    plateWidth: 140,
  },
  framing: { spacing, seat: { depthFraction: 0.25 } },
  blocks: Array.from({ length: houses }, (_, at) => {
    const x = (at % 6) * 20_000;
    const y = Math.floor(at / 6) * 15_000;
    const eave = { roof: 'eave', pitch: '35°', overhang: 450 };
    return {
      id: `house-${at + 1}`,
      outline: [
        [x, y],
        [x + 12_000 + 10 * at, y],
        [x + 12_000 + 10 * at, y + 7000],
        [x, y + 7000],
      ],
      sides: [eave, eave, eave, eave],
    };
  }),
});

const startServer = async () => {
  const data = mkdtempSync(join(tmpdir(), 'ogee-bench-'));
  const server = spawn(
    process.execPath,
    ['server/dist/main.mjs', '--port', '0', '--samples', '--web', 'app/dist', '--data', data],
    { cwd: ROOT, stdio: ['ignore', 'pipe', 'ignore'] },
  );
  const base = await new Promise((resolve, reject) => {
    server.once('exit', (code) => reject(new Error(`the server ended with ${code}`)));
    server.stdout.on('data', (part) => resolve(/http:\S+/.exec(part.toString())[0]));
  });
  const create = async (job) => {
    const id = randomUUID();
    const answer = await fetch(`${base}/api/jobs`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({ id, job }),
    });
    if (!answer.ok) throw new Error(await answer.text());
    return id;
  };
  return { base, create, stop: () => server.kill('SIGTERM') };
};

/** Bytes that the first visit of an address fetches before the page stands. */
const firstLoad = async (browser, url, ready) => {
  const opened = await openPage(browser, PHONE);
  let bytes = 0;
  await opened.cdp.send('Network.enable');
  opened.cdp.on('Network.loadingFinished', ({ encodedDataLength }) => {
    bytes += encodedDataLength;
  });
  await opened.page.goto(url);
  await opened.page.waitForSelector(ready);
  await opened.page.evaluate(() => document.fonts.ready.then(() => true));
  await quiet(opened);
  await opened.close();
  return bytes;
};

/**
 * A digit more and a digit less in a wall's length, each until list and plan are painted: the main thread's own work, how
 * long that took by the clock, and its long tasks.
 */
const keystrokes = async (browser, url, size, slower) => {
  const opened = await openPage(browser, size);
  const { page } = opened;
  await page.goto(url);
  const { field, number } = await wallInHand(opened);
  await opened.slowDown(slower);
  await opened.longTasks();
  // The caret that blinks meanwhile, and the profiler's own questions, are no work of a key.
  const counted = async () => [await opened.workMs(), await opened.busyMs()];
  const during = async (act) => {
    await quiet(opened);
    const before = await counted();
    await act();
    // Nothing is asked of the page meanwhile: an answer is work of its main thread too.
    await new Promise((resolve) => setTimeout(resolve, SETTLED_MS));
    return (await counted()).map((ms, i) => ms - before[i]);
  };
  const idle = [];
  for (let at = 0; at < KEYS; at += 1) idle.push(await during(() => undefined));
  const rest = [0, 1].map((i) => median(idle.map((one) => one[i])));
  const work = [];
  const byClock = [];
  const tasks = [];
  // The first presses compile what they run.
  for (let at = -4; at < KEYS; at += 1) {
    await quiet(opened);
    if (at <= 0) await opened.longTasks();
    const took = await during(() => pressAgain(page, at));
    const refused = await page.$eval(field, (input) => input.getAttribute('aria-invalid'));
    if (refused === 'true') throw new Error(`"${number}" with a digit more is refused`);
    if (at < 0) continue;
    work.push(took[0] - rest[0]);
    byClock.push(took[1] - rest[1]);
    tasks.push(...(await opened.longTasks()));
  }
  await opened.close();
  return { work, byClock, tasks };
};

const pressAndWait = async (opened, press, ready) => {
  const started = performance.now();
  await press();
  await opened.page.waitForSelector(ready, { timeout: 60_000 });
  await opened.page.evaluate(
    () =>
      new Promise((resolve) => {
        globalThis.requestAnimationFrame(() => setTimeout(resolve));
      }),
  );
  return performance.now() - started;
};

/** Figures in the browser; `only` names the parts wanted. */
export const benchInBrowser = async (
  only = ['load', 'figures', 'keys', 'list', 'sheet', 'audit'],
) => {
  const server = await startServer();
  const browser = await puppeteer.launch({
    executablePath: await findBrowser(),
    userDataDir: mkdtempSync(join(tmpdir(), 'ogee-bench-chromium-')),
    args: ['--headless=new', '--no-sandbox', '--disable-quic', '--no-first-run'],
  });
  try {
    const { base } = server;
    const { jobs } = await (await fetch(`${base}/api/jobs`)).json();
    const wing = `${base}/job/${jobs.find(({ name }) => name.includes('Heron')).id}`;
    const hundred = `${base}/job/${await server.create(row('hundred', 1, 600))}`;
    const fourHundred = `${base}/job/${await server.create(row('four hundred', 3, 400))}`;
    const thousands = `${base}/job/${await server.create(row('thousands', 30, 400))}`;

    if (only.includes('load')) {
      const list = await firstLoad(browser, base, byId('new-job'));
      const piece = await firstLoad(browser, `${wing}/cuts`, byId('cut-list'));
      say(
        `first load, sent: jobs ${(list / 1000).toFixed(0)} kB, an open job ${(piece / 1000).toFixed(0)} kB (wanted 450)`,
      );
    }
    if (only.includes('figures')) {
      for (const [speed, part] of [
        ['full speed (wanted 50)', 1],
        ['page and worker held to a quarter (wanted 200)', 0.25],
      ])
        say(
          `key to figure, by the clock, largest sample, ${speed}: ${await keyToFigure(browser, `${wing}/site`, part)}`,
        );
      say(
        `list of last time, after the page stands: ${spread(await reopened(browser, wing))} (wanted 150)`,
      );
    }
    if (only.includes('keys'))
      for (const [name, url] of [
        ['100 boards (wanted 16.7)', hundred],
        ['400 boards (wanted 50)', fourHundred],
        ['a house with a wing', wing],
      ])
        for (const [screen, size] of [
          ['wide', WIDE],
          ['phone', PHONE],
        ]) {
          const { work, byClock } = await keystrokes(browser, `${url}/site`, size, 1);
          say(
            `keystroke, ${name}, ${screen}: main thread's work ${spread(work)}; by the clock, waiting for a core too, ${median(byClock).toFixed(1)} ms`,
          );
          const { tasks } = await keystrokes(browser, `${url}/site`, size, OLD_PHONE);
          say(
            `  at a quarter of the speed: ${tasks.length} tasks over ${LONG_MS} ms${tasks.length > 0 ? `, longest ${Math.max(...tasks).toFixed(0)} ms` : ''} (wanted none)`,
          );
        }
    if (only.includes('list')) {
      const opened = await openPage(browser, PHONE);
      await opened.page.goto(`${thousands}/site`);
      await opened.page.waitForSelector(byId('add-wing'), { timeout: 60_000 }).catch(() => null);
      await new Promise((resolve) => setTimeout(resolve, 15_000));
      await quiet(opened);
      const times = [];
      for (let at = 0; at < 3; at += 1) {
        times.push(
          await pressAndWait(opened, () => opened.page.click(byId('place-cuts')), byId('cut-list')),
        );
        await opened.page.click(byId('place-site'));
        await quiet(opened);
      }
      const { boards } = await opened.page.evaluate(() => ({ boards: document.title }));
      say(`list of thousands of boards (${boards}) on the screen: ${spread(times)} (wanted 1000)`);
      await opened.close();
    }
    if (only.includes('sheet')) {
      const opened = await openPage(browser, PHONE);
      await opened.page.goto(`${wing}/cuts`);
      await opened.page.waitForSelector(byId('cut-list'), { timeout: 60_000 });
      await quiet(opened);
      const times = [];
      const busy = [];
      for (let at = 0; at < KEYS; at += 1) {
        const rows = await opened.page.$$('[data-testid^="piece-"]');
        const row = rows[at % Math.min(rows.length, 8)];
        await row.scrollIntoView();
        await quiet(opened);
        const before = await opened.busyMs();
        times.push(await pressAndWait(opened, () => row.click(), byId('piece-sheet')));
        await quiet(opened);
        busy.push((await opened.busyMs()) - before);
        await opened.page.click(byId('place-cuts'));
        await opened.page.waitForSelector(byId('cut-list'));
        await quiet(opened);
      }
      say(`sheet open: ${spread(times)}; main thread ${spread(busy)} (wanted 100)`);
      await opened.close();
    }
    if (only.includes('audit'))
      for (const [name, url] of [
        ['jobs', base],
        ['cut list', `${wing}/cuts`],
        ['site', `${wing}/site`],
      ]) {
        const { lhr } = await lighthouse(url, {
          port: Number(new URL(browser.wsEndpoint()).port),
          output: 'json',
          logLevel: 'error',
        });
        const score = (category) => Math.round(100 * lhr.categories[category].score);
        const { audits } = lhr;
        say(
          `throttled phone, ${name}: performance ${score('performance')} (wanted 90), largest paint ${(audits['largest-contentful-paint'].numericValue / 1000).toFixed(1)} s (wanted 2.5), blocked ${audits['total-blocking-time'].numericValue.toFixed(0)} ms, ${(audits['total-byte-weight'].numericValue / 1000).toFixed(0)} kB; accessibility ${score('accessibility')}, best practices ${score('best-practices')}`,
        );
      }
  } finally {
    await browser.close();
    server.stop();
  }
};

if (process.argv[1] === import.meta.filename)
  await benchInBrowser(process.argv.length > 2 ? process.argv.slice(2) : undefined);
