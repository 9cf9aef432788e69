import { execFile } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { promisify } from 'node:util';
import type { AxeResults } from 'axe-core';
import type { Browser, Page } from 'puppeteer-core';

const SOURCE = readFileSync(createRequire(__filename).resolve('axe-core/axe.min.js'), 'utf8');

/** Beside what is on by default. */
const RULES = {
  'label-content-name-mismatch': { enabled: true },
  'target-size': { enabled: true },
  'focus-order-semantics': { enabled: true },
  'css-orientation-lock': { enabled: true },
};

/**
 * Every finding of axe on the page as it stands: rule, gravity, and the first places.
 *
 * @param seen what was looked at before and is passed over, as a selector
 */
export const findings = async (page: Page, seen: string | null = null): Promise<string[]> => {
  await page.evaluate(SOURCE);
  const what = { include: [['html']], ...(seen === null ? {} : { exclude: [[seen]] }) };
  const { violations } = (await page.evaluate(
    `axe.run(${JSON.stringify(what)}, { resultTypes: ['violations'], rules: ${JSON.stringify(RULES)} })`,
  )) as AxeResults;
  return violations.map(
    ({ id, impact, nodes }) =>
      `${impact ?? ''} ${id} × ${nodes.length}: ${nodes
        .slice(0, 2)
        .map(({ html }) => html.slice(0, 200))
        .join(' | ')}`,
  );
};

const LIGHTHOUSE = createRequire(__filename).resolve('lighthouse/cli/index.js');

interface Report {
  readonly audits: Readonly<
    Record<string, { readonly id: string; readonly score: number | null; readonly title: string }>
  >;
}

/** What Lighthouse finds wrong at an address, in its own browser page on a phone: accessibility and good practice. */
export const lighthouseFindings = async (browser: Browser, url: string): Promise<string[]> => {
  const { port } = new URL(browser.wsEndpoint());
  const { stdout } = await promisify(execFile)(
    process.execPath,
    [
      LIGHTHOUSE,
      url,
      `--port=${port}`,
      '--only-categories=accessibility,best-practices',
      '--output=json',
      '--quiet',
    ],
    { maxBuffer: 64 * 1024 * 1024 },
  );
  const { audits } = JSON.parse(stdout) as Report;
  return (
    Object.values(audits)
      // What is not shipped on purpose: maps back to the source.
      .filter(({ id, score }) => score !== null && score < 1 && id !== 'valid-source-maps')
      .map(({ id, title }) => `${id}: ${title}`)
  );
};
