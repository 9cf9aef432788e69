import { spawn } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { mkdtempSync, readdirSync, readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import lighthouse from 'lighthouse';
import puppeteer from 'puppeteer-core';
import { findBrowser } from './install.mjs';
import { ROOT } from './run.mjs';

/** What a framer waits for, measured in a real Chromium on the built app. Beside each figure stands what is wanted. */
const PHONE = { width: 390, height: 844, isMobile: true, hasTouch: true };
const WIDE = { width: 1280, height: 800 };
const KEYS = 11;
/** From when on a task of the main thread counts as long. ms */
const LONG_MS = 50;
const OLD_PHONE = 4;
/** Long after the last that a key does, its roof drawn. ms */
const SETTLED_MS = 800;

const say = (line) => process.stdout.write(`${line}\n`);
const median = (numbers) => [...numbers].sort((a, b) => a - b)[Math.floor(numbers.length / 2)];
const spread = (numbers) =>
  `median ${median(numbers).toFixed(1)} ms (least ${Math.min(...numbers).toFixed(1)}, most ${Math.max(...numbers).toFixed(1)}; ${numbers.length} runs)`;

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

const byId = (id) => `[data-testid="${id}"]`;

/** What a page's main thread has done so far: its own work, and by the clock, where it waits for a core too. ms */
const counterOf = async (page, timeDomain) => {
  const cdp = await page.createCDPSession();
  await cdp.send('Performance.enable', { timeDomain });
  return async () => {
    const { metrics } = await cdp.send('Performance.getMetrics');
    return metrics.find(({ name }) => name === 'TaskDuration').value * 1000;
  };
};

/** A page with the profiler's counters at hand. */
const openPage = async (browser, size, slower = 1) => {
  const context = await browser.createBrowserContext();
  const page = await context.newPage();
  await page.setViewport(size);
  const cdp = await page.createCDPSession();
  const workMs = await counterOf(page, 'threadTicks');
  const busyMs = await counterOf(page, 'timeTicks');
  /** Long tasks since the last call. */
  const longTasks = () => page.evaluate(() => globalThis.tasks.splice(0));
  await page.evaluateOnNewDocument(() => {
    globalThis.tasks = [];
    new globalThis.PerformanceObserver((list) => {
      for (const { duration } of list.getEntries()) globalThis.tasks.push(duration);
    }).observe({ type: 'longtask', buffered: true });
  });
  const slowDown = (rate) => page.emulateCPUThrottling(rate);
  if (slower !== 1) await slowDown(slower);
  return { page, cdp, workMs, busyMs, longTasks, slowDown, close: () => context.close() };
};

/** Waits until the main thread has had nothing to do for a while. */
const quiet = async ({ page, busyMs }, forMs = 250) => {
  for (let last = await busyMs(); ;) {
    await new Promise((resolve) => setTimeout(resolve, forMs));
    const now = await busyMs();
    if (now - last < 5) return page;
    last = now;
  }
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
  const field = 'input[data-testid="field-blocks.0.outline.1"]';
  await page.waitForSelector(field, { timeout: 60_000 });
  await quiet(opened);
  await page.click(field);
  await quiet(opened);
  // Half a millimetre or half an inch more, and back.
  const number = await page.$eval(field, (input) => {
    input.select();
    return input.value.replace(/( mm|")$/, '');
  });
  await page.keyboard.type(`${number}.5`);
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
    const took = await during(() => page.keyboard.press(at % 2 === 0 ? 'Backspace' : '5'));
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

const share = (numbers, part) =>
  [...numbers].sort((a, b) => a - b)[
    Math.min(numbers.length - 1, Math.floor(numbers.length * part))
  ];

/** The processes that run a browser's pages and their workers. */
const renderersOf = (browser) => {
  const parents = new Map();
  for (const pid of readdirSync('/proc').filter((name) => /^\d+$/.test(name))) {
    try {
      const stat = readFileSync(`/proc/${pid}/stat`, 'utf8');
      parents.set(Number(pid), Number(stat.slice(stat.lastIndexOf(')') + 2).split(' ')[1]));
    } catch {
      // Ended meanwhile.
    }
  }
  const own = browser.process().pid;
  const isOwn = (pid) => pid === own || (parents.has(pid) && isOwn(parents.get(pid)));
  return [...parents.keys()].filter((pid) => {
    try {
      return isOwn(pid) && readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes('--type=renderer');
    } catch {
      return false;
    }
  });
};

/** Stopped and let go again in turn: page and worker get this share of their time. ms */
const TURN_MS = 20;

/** Holds a browser's pages AND workers to a share of their speed, by the clock. Returns how to let them go. */
const holdTo = (browser, part) => {
  if (part === 1) return () => undefined;
  const send = (signal) => {
    for (const pid of renderersOf(browser)) {
      try {
        process.kill(pid, signal);
      } catch {
        // Ended meanwhile.
      }
    }
  };
  let held = true;
  const turn = (running) => {
    if (!held) return;
    send(running ? 'SIGCONT' : 'SIGSTOP');
    setTimeout(() => turn(!running), TURN_MS * (running ? part : 1 - part));
  };
  turn(true);
  return () => {
    held = false;
    send('SIGCONT');
  };
};

/**
 * From the key to the painted figure, by the clock: a digit more and a digit less in a wall's length, each until a length
 * of the list beside it has changed and is painted.
 */
const keyToFigure = async (browser, url, part) => {
  const opened = await openPage(browser, WIDE);
  const { page } = opened;
  await page.goto(url);
  const field = 'input[data-testid="field-blocks.0.outline.1"]';
  await page.waitForSelector(field, { timeout: 60_000 });
  await page.waitForSelector(byId('cut-list'), { timeout: 60_000 });
  await quiet(opened);
  await page.click(field);
  const number = await page.$eval(field, (input) => {
    input.select();
    return input.value.replace(/( mm|")$/, '');
  });
  await page.keyboard.type(`${number}.5`);
  await quiet(opened);
  await page.evaluate(() => {
    globalThis.figures = [];
    let pressed = null;
    document.addEventListener('keydown', ({ timeStamp }) => (pressed = timeStamp), true);
    new globalThis.MutationObserver(() => {
      const since = pressed;
      pressed = null;
      if (since === null) return;
      globalThis.requestAnimationFrame(() => {
        const { port1, port2 } = new globalThis.MessageChannel();
        port1.onmessage = () => globalThis.figures.push(performance.now() - since);
        port2.postMessage(null);
      });
    }).observe(document.querySelector('[data-testid="cut-list"]'), {
      subtree: true,
      childList: true,
      characterData: true,
    });
  });
  const letGo = holdTo(browser, part);
  for (let at = -6; at < 2 * KEYS; at += 1) {
    await page.keyboard.press(at % 2 === 0 ? 'Backspace' : '5');
    await new Promise((resolve) => setTimeout(resolve, SETTLED_MS / part));
  }
  letGo();
  // The first presses compile what they run.
  const times = (await page.evaluate(() => globalThis.figures)).slice(6);
  await opened.close();
  return `median ${median(times).toFixed(0)} ms, nine of ten within ${share(times, 0.9).toFixed(0)} ms (${times.length} keys)`;
};

/** From the page's standing to the list that this device worked out last, and to its being worked out anew. */
const reopened = async (browser, url) => {
  const opened = await openPage(browser, WIDE);
  const { page } = opened;
  await page.goto(`${url}/cuts`);
  await page.waitForSelector(byId('cut-list'), { timeout: 60_000 });
  await quiet(opened, 1500);
  const times = [];
  for (let at = 0; at < KEYS; at += 1) {
    await page.evaluateOnNewDocument(() => {
      const marks = (globalThis.stood = {});
      new globalThis.MutationObserver(() => {
        if (document.querySelector('main, [role="banner"]')) marks.page ??= performance.now();
        if (document.querySelector('[data-testid="cut-list"]')) marks.list ??= performance.now();
      }).observe(document, { subtree: true, childList: true });
    });
    await page.reload();
    await page.waitForSelector(byId('cut-list'), { timeout: 60_000 });
    await quiet(opened);
    times.push(await page.evaluate(() => globalThis.stood.list - globalThis.stood.page));
  }
  await opened.close();
  return times;
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
