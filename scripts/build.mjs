import { createHash } from 'node:crypto';
import { existsSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { must, ROOT } from './run.mjs';

const STAMP = join(ROOT, 'app', 'dist', '.built-from');
const SOURCES = [
  'core/src',
  'server/src',
  'server/build.mjs',
  'app/app',
  'app/src',
  'app/public',
  'package-lock.json',
];
const SETTINGS = [
  'app.json',
  'babel.config.js',
  'build-worker.mjs',
  'metro.config.js',
  'tailwind.config.js',
];
const EXPORT_LIMIT_MS = 12 * 60 * 1000;

const filesUnder = (path) =>
  statSync(path).isDirectory()
    ? readdirSync(path)
        .sort()
        .flatMap((name) => filesUnder(join(path, name)))
    : path.endsWith('solver.worker.js')
      ? []
      : [path];

const sourceHash = () => {
  const hash = createHash('sha256');
  for (const source of [...SOURCES, ...SETTINGS.map((name) => `app/${name}`)]) {
    for (const file of filesUnder(join(ROOT, source)))
      hash.update(file.slice(ROOT.length)).update(readFileSync(file));
  }
  return hash.digest('hex');
};

/** Builds worker, web app and server, unless what stands there was built from these very sources. */
export const build = async () => {
  const hash = sourceHash();
  if (existsSync(STAMP) && readFileSync(STAMP, 'utf8') === hash) return;
  await must('building the solver’s worker', 'node', ['app/build-worker.mjs']);
  await must(
    'building the web app (2 to 5 minutes the first time)',
    'npm',
    ['run', '-s', 'export', '-w', 'app'],
    {
      env: { EXPO_OFFLINE: '1', EXPO_NO_TELEMETRY: '1', CI: '1' },
      capture: true,
      timeoutMs: EXPORT_LIMIT_MS,
    },
  );
  await must('building the server', 'node', ['server/build.mjs']);
  writeFileSync(STAMP, hash);
};
