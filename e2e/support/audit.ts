import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import type { AxeResults } from 'axe-core';
import type { Page } from 'puppeteer-core';

const SOURCE = readFileSync(createRequire(__filename).resolve('axe-core/axe.min.js'), 'utf8');

/** Beside what is on by default. */
const RULES = {
  'label-content-name-mismatch': { enabled: true },
  'target-size': { enabled: true },
  'focus-order-semantics': { enabled: true },
  'css-orientation-lock': { enabled: true },
};

/** Every finding of axe on the page as it stands: rule, gravity, and the first places. */
export const findings = async (page: Page): Promise<string[]> => {
  await page.evaluate(SOURCE);
  const { violations } = (await page.evaluate(
    `axe.run(document, { rules: ${JSON.stringify(RULES)} })`,
  )) as AxeResults;
  return violations.map(
    ({ id, impact, nodes }) =>
      `${impact ?? ''} ${id} × ${nodes.length}: ${nodes
        .slice(0, 2)
        .map(({ html }) => html.slice(0, 200))
        .join(' | ')}`,
  );
};
