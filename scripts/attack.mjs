import { parseArgs } from 'node:util';
import { installPackages } from './install.mjs';
import { run } from './run.mjs';

/**
 * `npm run attack`: the seeded suites, longer and on other houses than `npm test` takes; before an issue is called done.
 * Each round has seeds of its own. A failure names them, and `--seed N --rounds 1` runs them again.
 */
const { values } = parseArgs({
  options: {
    rounds: { type: 'string', default: '3' },
    effort: { type: 'string', default: '3' },
    seed: { type: 'string', default: String(Date.now() % 1_000_000) },
  },
});
const SUITES =
  '(asked-share|properties|out-of-square|working|sawyer|laid-on-houses|spoiling|raising|merge|crew)\\.test';

await installPackages();
let failed = 0;
for (let round = 0; round < Number(values.rounds); round += 1) {
  const seed = Number(values.seed) + 1000 * round;
  process.stdout.write(`· round ${round + 1}: --seed ${seed} --effort ${values.effort}\n`);
  const { code } = await run(
    process.execPath,
    [
      'node_modules/jest/bin/jest.js',
      '--selectProjects',
      'core',
      'app',
      '--maxWorkers=100%',
      '--testPathPattern',
      SUITES,
    ],
    {
      env: {
        OGEE_EFFORT: values.effort,
        OGEE_SEED: String(seed),
        OGEE_DAYS: String(40 * Number(values.effort)),
      },
    },
  );
  if (code !== 0) failed += 1;
}
process.stdout.write(`${Number(values.rounds) - failed} rounds held, ${failed} did not\n`);
process.exitCode = failed === 0 ? 0 : 1;
