import { mkdtempSync, readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { build } from './build.mjs';
import { findBrowser, installPackages } from './install.mjs';
import { run } from './run.mjs';

/**
 * `npm test`: installs what is missing, then every check and every test. The last line is counted from the runs:
 * each check is one, each test of Jest is one.
 */
const total = { passed: 0, failed: 0 };

const secondsSince = (started) => ((Date.now() - started) / 1000).toFixed(0);

const check = async (name, command, args) => {
  const started = Date.now();
  const { code, text } = await run(command, args, { capture: true });
  process.stdout.write(`${code === 0 ? 'ok  ' : 'FAIL'} ${name} (${secondsSince(started)} s)\n`);
  if (code !== 0) process.stdout.write(`${text}\n`);
  total[code === 0 ? 'passed' : 'failed'] += 1;
};

const jest = async (name, projects, { env = {}, more = [] } = {}) => {
  const started = Date.now();
  const file = join(mkdtempSync(join(tmpdir(), 'ogee-jest-')), 'result.json');
  const args = [
    'node_modules/jest/bin/jest.js',
    '--json',
    `--outputFile=${file}`,
    '--selectProjects',
    ...projects,
    ...more,
  ];
  const { code, text } = await run(process.execPath, args, { capture: true, env });
  let result = null;
  try {
    result = JSON.parse(readFileSync(file, 'utf8'));
  } catch {
    // Jest itself fell over: counted below as one failure.
  }
  const passed = result?.numPassedTests ?? 0;
  // A suite that could not run has no tests to count.
  const failed = (result?.numFailedTests ?? 0) + (result?.numRuntimeErrorTestSuites ?? 0);
  const silent = passed + failed === 0 || (code !== 0 && failed === 0);
  total.passed += passed;
  total.failed += failed + (silent ? 1 : 0);
  process.stdout.write(
    `${code === 0 && !silent ? 'ok  ' : 'FAIL'} ${name}: ${passed} passed, ${failed} failed (${secondsSince(started)} s)\n`,
  );
  if (code !== 0 || silent)
    process.stdout.write(
      `${text
        .split('\n')
        .filter((line) => !line.startsWith('{"num'))
        .join('\n')}\n`,
    );
};

await installPackages();
const browser = await findBrowser();
await build();
// Lint takes as long as all the other checks together: the two go side by side.
await Promise.all([
  check('lint', 'npx', ['eslint', '.', '--max-warnings', '0']),
  (async () => {
    for (const workspace of ['core', 'server', 'app', 'e2e'])
      await check(`types of ${workspace}`, 'npx', ['tsc', '-p', workspace]);
    await check('format', 'npx', ['prettier', '--check', '.']);
    await check('import rules', 'npm', ['run', '-s', 'imports']);
    await check('docs/openapi.json is what the server says', 'npx', [
      'tsx',
      'server/src/write-openapi.ts',
      '--check',
    ]);
  })(),
]);
// Sums alone: as many at once as there are cores. Where time or a port counts, one after the other.
await jest('core', ['core'], { more: ['--maxWorkers=100%'] });
await jest('server', ['server']);
await jest('app', ['app']);
await jest('in the browser', ['e2e'], { env: { CHROMIUM: browser } });
process.exitCode = total.failed === 0 ? 0 : 1;
process.stdout.write(`${total.passed} passed, ${total.failed} failed\n`);
