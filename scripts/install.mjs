import { createHash } from 'node:crypto';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { must, ROOT } from './run.mjs';

const STAMP = join(ROOT, 'node_modules', '.ogee-lock');

/** Installs the packages of the lock file, unless exactly these are there already. */
export const installPackages = async () => {
  const lock = createHash('sha256')
    .update(readFileSync(join(ROOT, 'package-lock.json')))
    .digest('hex');
  if (existsSync(STAMP) && readFileSync(STAMP, 'utf8') === lock) return;
  await must('installing packages (4 to 5 minutes the first time)', 'npm', [
    'ci',
    '--no-audit',
    '--no-fund',
  ]);
  writeFileSync(STAMP, lock);
};

const BROWSERS = ['/usr/bin/chromium', '/usr/bin/chromium-browser'];

/** A Chromium for the browser tests: the one named by CHROMIUM, one on the machine, or Debian's package. */
export const findBrowser = async () => {
  const known = () => [process.env.CHROMIUM, ...BROWSERS].find((path) => path && existsSync(path));
  if (known() === undefined) {
    const env = { DEBIAN_FRONTEND: 'noninteractive' };
    await must('updating the package list', 'apt-get', ['update', '-qq'], { env, capture: true });
    await must('installing Chromium', 'apt-get', ['install', '-y', '-qq', 'chromium'], {
      env,
      capture: true,
    });
  }
  const found = known();
  if (found === undefined) throw new Error('No Chromium was found; name one with CHROMIUM=/path.');
  return found;
};
