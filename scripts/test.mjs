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

/** The suites of Jest, in the order they are told. */
const PROJECTS = [
  ['core', 'core'],
  ['server', 'server'],
  ['app', 'app'],
  ['in the browser', 'e2e'],
];

/** Every suite in one run, two at a time. */
const jest = async (env) => {
  const file = join(mkdtempSync(join(tmpdir(), 'ogee-jest-')), 'result.json');
  const { code, text } = await run(
    process.execPath,
    ['node_modules/jest/bin/jest.js', '--json', `--outputFile=${file}`, '--maxWorkers=2'],
    { capture: true, env },
  );
  const told = text.split('\n').filter((line) => !line.startsWith('{"num'));
  let results = [];
  try {
    results = JSON.parse(readFileSync(file, 'utf8')).testResults;
  } catch {
    // Jest itself fell over: counted below as one failure.
  }
  let failed = 0;
  for (const [name, folder] of PROJECTS) {
    const own = results.filter((suite) => relative(ROOT, suite.name).startsWith(`${folder}/`));
    const asked = own.flatMap(({ assertionResults }) => assertionResults);
    const passed = asked.filter(({ status }) => status === 'passed').length;
    // A suite that could not run has no tests to count.
    const broken = own.filter(
      ({ status, assertionResults }) => status === 'failed' && assertionResults.length === 0,
    ).length;
    const amiss = asked.filter(({ status }) => status === 'failed').length + broken;
    failed += amiss + (passed + amiss === 0 ? 1 : 0);
    total.passed += passed;
    const seconds =
      own.reduce((sum, { startTime, endTime }) => sum + endTime - startTime, 0) / 1000;
    parts.push({ name, seconds });
    process.stdout.write(
      `${amiss === 0 && passed > 0 ? 'ok  ' : 'FAIL'} ${name}: ${passed} passed, ${amiss} failed (${seconds.toFixed(0)} s)\n`,
    );
    for (const { name: suite, assertionResults } of own)
      for (const { fullName, duration } of assertionResults)
        tests.push({ suite: relative(ROOT, suite), fullName, seconds: (duration ?? 0) / 1000 });
  }
  total.failed += failed + (code !== 0 && failed === 0 ? 1 : 0);
  // What suites print of their own, counts and shares, is worth reading when all is well too.
  const figures = told.filter((line) => /^(\d|asked for|more than recorded)/u.test(line));
  for (const line of code === 0 ? figures.map((one) => `     ${one}`) : told)
    process.stdout.write(`${line}\n`);
};

await installPackages();
const browser = await findBrowser();
const started = Date.now();
// Each of the two fills about one core; then suites by as many workers as there are cores.
await Promise.all([
  part('build', async () => {
    await build();
    return (seconds) => `ok   build (${seconds} s)`;
  }),
  (async () => {
    await check('types', 'npm', ['run', '-s', 'types']);
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
await jest({ CHROMIUM: browser });

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
