import { readdirSync, readFileSync } from 'node:fs';
import {
  byId,
  KEYS,
  median,
  openPage,
  pressAgain,
  quiet,
  SETTLED_MS,
  share,
  wallInHand,
  WIDE,
} from './bench-page.mjs';

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
export const keyToFigure = async (browser, url, part) => {
  const opened = await openPage(browser, WIDE);
  const { page } = opened;
  await page.goto(url);
  await page.waitForSelector(byId('cut-list'), { timeout: 60_000 });
  await wallInHand(opened);
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
    await pressAgain(page, at);
    await new Promise((resolve) => setTimeout(resolve, SETTLED_MS / part));
  }
  letGo();
  // The first presses compile what they run.
  const times = (await page.evaluate(() => globalThis.figures)).slice(6);
  await opened.close();
  return `median ${median(times).toFixed(0)} ms, nine of ten within ${share(times, 0.9).toFixed(0)} ms (${times.length} keys)`;
};

/** From the first thing that the app puts on the page to the list that this device worked out last. */
export const reopened = async (browser, url) => {
  const opened = await openPage(browser, WIDE);
  const { page } = opened;
  await page.goto(`${url}/cuts`);
  await page.waitForSelector(byId('cut-list'), { timeout: 60_000 });
  await quiet(opened, 1500);
  await page.evaluateOnNewDocument(() => {
    const marks = (globalThis.stood = {});
    new globalThis.MutationObserver(() => {
      // The app's own page, not the few words that stand in the file until it has started.
      if (document.querySelector('[data-testid="skip-link"]')) marks.page ??= performance.now();
      if (document.querySelector('[data-testid="cut-list"]')) marks.list ??= performance.now();
    }).observe(document, { subtree: true, childList: true });
  });
  const times = [];
  for (let at = 0; at < KEYS; at += 1) {
    await page.reload();
    await page.waitForSelector(byId('cut-list'), { timeout: 60_000 });
    await quiet(opened);
    times.push(await page.evaluate(() => globalThis.stood.list - globalThis.stood.page));
  }
  await opened.close();
  return times;
};
