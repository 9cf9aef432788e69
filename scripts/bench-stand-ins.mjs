import { mkdtempSync, readdirSync, rmSync, statSync } from 'node:fs';
import { createRequire } from 'node:module';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { run, ROOT } from './run.mjs';

const { BY_TIME, RULES } = createRequire(import.meta.url)(
  join(ROOT, 'app', 'stand-ins', 'rules.js'),
);

/** What is worth standing on a package's insides for. kB */
const WORTH_KB = 5;

const scriptsIn = (folder) =>
  readdirSync(folder, { recursive: true, encoding: 'utf8' })
    .filter((name) => name.endsWith('.js'))
    .reduce((sum, name) => sum + statSync(join(folder, name)).size, 0) / 1000;

/** The app's scripts, as they are shipped but not compressed, without one of the rules. kB */
const sizeWithout = async (rule) => {
  const folder = mkdtempSync(join(tmpdir(), 'ogee-export-'));
  const { code, text } = await run(
    'npm',
    ['run', '-s', 'export', '-w', 'app', '--', '--output-dir', folder],
    {
      capture: true,
      env: { EXPO_OFFLINE: '1', CI: '1', ...(rule === null ? {} : { OGEE_WITHOUT_RULE: rule }) },
    },
  );
  if (code !== 0) throw new Error(text);
  const kB = scriptsIn(join(folder, '_expo'));
  rmSync(folder, { recursive: true });
  return kB;
};

/** What each rule of `app/stand-ins/rules.js` saves of what the app loads: the whole app is built once without each. */
export const benchStandIns = async () => {
  const whole = await sizeWithout(null);
  process.stdout.write(`the app’s scripts: ${whole.toFixed(0)} kB\n`);
  for (const rule of RULES) {
    const saved = (await sizeWithout(rule)) - whole;
    const worth =
      saved >= WORTH_KB
        ? ''
        : rule === BY_TIME
          ? '; it stands for the time it saves'
          : `; under ${WORTH_KB}: it goes`;
    process.stdout.write(`${rule}: saves ${saved.toFixed(1)} kB${worth}\n`);
  }
};

if (process.argv[1] === import.meta.filename) await benchStandIns();
