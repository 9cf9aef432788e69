import type { Browser } from 'puppeteer-core';
import { startApp, type AppServer } from './app-server';
import { launch } from './browser';

/** The app on a port of its own and a browser to open it in: both are there from a suite's first test to its last. */
export interface AppInBrowser {
  readonly server: AppServer;
  readonly browser: Browser;
}

/** Starts both before the tests of a suite, and stops them after. */
export const appInBrowser = (): AppInBrowser => {
  let server: AppServer | null = null;
  let browser: Browser | null = null;
  beforeAll(async () => {
    server = await startApp();
    browser = await launch();
  });
  afterAll(async () => {
    await browser?.close();
    await server?.stop();
  });
  const started = <T>(one: T | null): T => {
    if (one === null) throw new Error('asked for before the first test');
    return one;
  };
  return {
    get server() {
      return started(server);
    },
    get browser() {
      return started(browser);
    },
  };
};
