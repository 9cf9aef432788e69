import { mkdtempSync, readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, relative } from 'node:path';
import { build } from './build.mjs';
import { findBrowser, installPackages } from './install.mjs';
import { ROOT, run } from './run.mjs';

/**
 * `npm test`: installs what is missing, then every check and every test. The last line is counted from the runs:
 * each check is one, each test of Jest is one. Before it: the seconds of each part, and the slowest tests.
 */
const SLOWEST = 10;
const total = { passed: 0, failed: 0 };
const parts = [];
const tests = [];

const part = async (name, act) => {
  const started = Date.now();
  const text = await act();
  const seconds = (Date.now() - started) / 1000;
  parts.push({ name, seconds });
  process.stdout.write(`${text(seconds.toFixed(0))}\n`);
};

const check = (name, command, args) =>
  part(name, async () => {
    const { code, text } = await run(command, args, { capture: true });
    total[code === 0 ? 'passed' : 'failed'] += 1;
    return (seconds) =>
      `${code === 0 ? 'ok  ' : 'FAIL'} ${name} (${seconds} s)${code === 0 ? '' : `\n${text}`}`;
  });

const jest = (name, project, { env = {}, more = [] } = {}) =>
  part(name, async () => {
    const file = join(mkdtempSync(join(tmpdir(), 'ogee-jest-')), 'result.json');
    const args = ['--json', `--outputFile=${file}`, '--selectProjects', project, ...more];
    const { code, text } = await run(process.execPath, ['node_modules/jest/bin/jest.js', ...args], {
      capture: true,
      env,
    });
    let result = null;
    try {
      result = JSON.parse(readFileSync(file, 'utf8'));
    } catch {
      // Jest itself fell over: counted below as one failure.
    }
    for (const { name: suite, assertionResults } of result?.testResults ?? [])
      for (const { fullName, duration } of assertionResults)
        tests.push({ suite: relative(ROOT, suite), fullName, seconds: (duration ?? 0) / 1000 });
    const passed = result?.numPassedTests ?? 0;
    // A suite that could not run has no tests to count.
    const failed = (result?.numFailedTests ?? 0) + (result?.numRuntimeErrorTestSuites ?? 0);
    const silent = passed + failed === 0 || (code !== 0 && failed === 0);
    total.passed += passed;
    total.failed += failed + (silent ? 1 : 0);
    const good = code === 0 && !silent;
    const told = text.split('\n').filter((line) => !line.startsWith('{"num'));
    // What suites print of their own, counts and shares, is worth reading when all is well too.
    const figures = told.filter((line) => /^(\d|asked for|more than recorded)/u.test(line));
    return (seconds) =>
      [
        `${good ? 'ok  ' : 'FAIL'} ${name}: ${passed} passed, ${failed} failed (${seconds} s)`,
        ...(good ? figures.map((line) => `     ${line}`) : told),
      ].join('\n');
  });

/** Where what is tested is how long something takes: nothing runs beside it. */
const TIMED = 'e2e/(wide|two-phones|entries)\\.test\\.ts$';

await installPackages();
const browser = await findBrowser();
const started = Date.now();
// Each of the two fills about one core; then suites by as many workers as there are cores.
await Promise.all([
  (async () => {
    await part('build', async () => {
      await build();
      return (seconds) => `ok   build (${seconds} s)`;
    });
    await jest('server', 'server', { more: ['-i'] });
    await jest('app', 'app', { more: ['-i'] });
  })(),
  (async () => {
    await check('types', 'npx', ['tsc', '-b']);
    await check('lint', 'npm', ['run', '-s', 'lint']);
    await check('format', 'npm', ['run', '-s', 'format:check']);
    await check('import rules', 'npm', ['run', '-s', 'imports']);
    await check('docs/openapi.json is what the server says', 'npx', [
      'tsx',
      'server/src/write-openapi.ts',
      '--check',
    ]);
  })(),
]);
await jest('core', 'core', { more: ['--maxWorkers=100%'] });
const env = { CHROMIUM: browser };
await jest('in the browser', 'e2e', {
  env,
  more: ['--maxWorkers=2', `--testPathIgnorePatterns=${TIMED}`, '/node_modules/'],
});
await jest('in the browser, timed', 'e2e', { env, more: ['-i', '--testPathPattern', TIMED] });

const line = (seconds, text) => `${seconds.toFixed(1).padStart(7)} s  ${text}`;
const slowest = tests.sort((a, b) => b.seconds - a.seconds).slice(0, SLOWEST);
process.stdout.write(
  [
    '',
    ...parts.map(({ name, seconds }) => line(seconds, name)),
    line((Date.now() - started) / 1000, 'all, without installing'),
    '',
    `the ${SLOWEST} slowest tests`,
    ...slowest.map(({ seconds, suite, fullName }) => line(seconds, `${suite}: ${fullName}`)),
    '',
    '',
  ].join('\n'),
);
process.exitCode = total.failed === 0 ? 0 : 1;
process.stdout.write(`${total.passed} passed, ${total.failed} failed\n`);
