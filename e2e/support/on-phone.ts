import type { Page } from 'puppeteer-core';
import { startApp } from './app-server';
import { launch, openPage, openSample, PHONE } from './browser';

/** A page of a browser and an app of its own, and how both are closed. */
export interface Opened {
  readonly page: Page;
  readonly close: () => Promise<void>;
}

/** One of the samples open on a phone, in an app of its own. */
export const onPhone = async (sample: string): Promise<Opened> => {
  const server = await startApp();
  const browser = await launch();
  const page = await openPage(browser, PHONE);
  await openSample(page, server.base, sample);
  return {
    page,
    close: async () => {
      await browser.close();
      await server.stop();
    },
  };
};
