/** What the benches in the browser share: a page with its counters, a field in hand, how numbers are told. */
export const PHONE = { width: 390, height: 844, isMobile: true, hasTouch: true };
export const WIDE = { width: 1280, height: 800 };
export const KEYS = 11;
/** Long after the last that a key does, its roof drawn. ms */
export const SETTLED_MS = 800;

export const say = (line) => process.stdout.write(`${line}\n`);
/** The number that so large a part of them does not reach. */
export const share = (numbers, part) =>
  [...numbers].sort((a, b) => a - b)[
    Math.min(numbers.length - 1, Math.floor(numbers.length * part))
  ];
export const median = (numbers) => share(numbers, 0.5);
export const spread = (numbers) =>
  `median ${median(numbers).toFixed(1)} ms (least ${Math.min(...numbers).toFixed(1)}, most ${Math.max(...numbers).toFixed(1)}; ${numbers.length} runs)`;

export const byId = (id) => `[data-testid="${id}"]`;

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
export const openPage = async (browser, size, slower = 1) => {
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
export const quiet = async ({ page, busyMs }, forMs = 250) => {
  for (let last = await busyMs(); ;) {
    await new Promise((resolve) => setTimeout(resolve, forMs));
    const now = await busyMs();
    if (now - last < 5) return page;
    last = now;
  }
};

/** A wall's length in hand, half a millimetre or half an inch longer: the digit that a bench types and takes away. */
export const wallInHand = async (opened) => {
  const { page } = opened;
  const field = 'input[data-testid="field-blocks.0.outline.1"]';
  await page.waitForSelector(field, { timeout: 60_000 });
  await quiet(opened);
  await page.click(field);
  await quiet(opened);
  const number = await page.$eval(field, (input) => {
    input.select();
    return input.value.replace(/( mm|")$/, '');
  });
  await page.keyboard.type(`${number}.5`);
  return { field, number };
};

/** Takes the digit away, and types it again. */
export const pressAgain = (page, at) => page.keyboard.press(at % 2 === 0 ? 'Backspace' : '5');
