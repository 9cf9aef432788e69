import { createHash } from 'node:crypto';
import { existsSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { promisify } from 'node:util';
import { brotliCompress, constants, gzip } from 'node:zlib';
import { must, ROOT } from './run.mjs';

const STAMP = join(ROOT, 'app', 'dist', '.built-from');
const SOURCES = [
  'core/src',
  'server/src',
  'core/build.mjs',
  'server/build.mjs',
  'app/app',
  'app/src',
  'app/public',
  'app/stand-ins',
  'package-lock.json',
];
const SETTINGS = [
  'app.json',
  'babel.config.js',
  'build-fonts.mjs',
  'build-worker.mjs',
  'metro.config.js',
  'minify.js',
  'tailwind.config.js',
];
const EXPORT_LIMIT_MS = 12 * 60 * 1000;

const filesUnder = (path) =>
  statSync(path).isDirectory()
    ? readdirSync(path)
        .sort()
        .flatMap((name) => filesUnder(join(path, name)))
    : [path];

/** Made here from the sources themselves. */
const MADE = /public\/(\w+\.worker\.js|fonts\/)/;

const sourceHash = () => {
  const hash = createHash('sha256');
  for (const source of [...SOURCES, ...SETTINGS.map((name) => `app/${name}`)]) {
    for (const file of filesUnder(join(ROOT, source)).filter((path) => !MADE.test(path)))
      hash.update(file.slice(ROOT.length)).update(readFileSync(file));
  }
  return hash.digest('hex');
};

/** Largest file of the app that is kept for working without a signal: the 3D part is the largest. bytes */
const LARGEST = 8 * 1024 * 1024;

/**
 * Writes the service worker: the whole app is on the device after the first visit. A new version waits until every
 * window of the old one is closed, so that none loses a part it has not loaded yet. What the jobs API answers is never
 * kept here; entries and copies of jobs have their own place.
 */
const offlineShell = async () => {
  const started = Date.now();
  // Only here: on a fresh machine this file is read before the packages are installed.
  const { generateSW } = await import('workbox-build');
  const { count, warnings } = await generateSW({
    globDirectory: join(ROOT, 'app', 'dist'),
    globPatterns: ['**/*.{html,js,css,ttf,woff2,svg,png,ico,webmanifest}'],
    globIgnores: ['sw.js'],
    swDest: join(ROOT, 'app', 'dist', 'sw.js'),
    inlineWorkboxRuntime: true,
    sourcemap: false,
    clientsClaim: true,
    cleanupOutdatedCaches: true,
    navigateFallback: '/index.html',
    navigateFallbackDenylist: [/^\/api\//, /^\/healthz/, /^[^?]*\.[a-z0-9]+$/i],
    maximumFileSizeToCacheInBytes: LARGEST,
  });
  if (warnings.length > 0) throw new Error(warnings.join('; '));
  process.stdout.write(
    `· the app for working without a signal: ${count} files (${((Date.now() - started) / 1000).toFixed(0)} s)\n`,
  );
};

/** What is worth compressing, and from what size on. bytes */
const COMPRESSIBLE = /\.(html|js|css|svg|webmanifest)$/;
const LEAST = 1024;

/** Beside each text file of the app lies the same one compressed as far as it goes: the server sends that. */
const compressed = async () => {
  const started = Date.now();
  const files = filesUnder(join(ROOT, 'app', 'dist')).filter(
    (path) => COMPRESSIBLE.test(path) && statSync(path).size >= LEAST,
  );
  const written = files.map(async (path) => {
    const text = readFileSync(path);
    const asText = { [constants.BROTLI_PARAM_MODE]: constants.BROTLI_MODE_TEXT };
    writeFileSync(`${path}.br`, await promisify(brotliCompress)(text, { params: asText }));
    writeFileSync(
      `${path}.gz`,
      await promisify(gzip)(text, { level: constants.Z_BEST_COMPRESSION }),
    );
  });
  await Promise.all(written);
  process.stdout.write(
    `· compressing ${files.length} files (${((Date.now() - started) / 1000).toFixed(0)} s)\n`,
  );
};

/** Builds worker, web app and server, unless what stands there was built from these very sources. */
export const build = async () => {
  const hash = sourceHash();
  if (existsSync(STAMP) && readFileSync(STAMP, 'utf8') === hash) return;
  await must('building the solver’s worker', 'node', ['app/build-worker.mjs']);
  await must('making the fonts small', 'node', ['app/build-fonts.mjs']);
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
  await offlineShell();
  await compressed();
  await must('building the server', 'node', ['server/build.mjs']);
  await must('building the command', 'node', ['core/build.mjs']);
  writeFileSync(STAMP, hash);
};
