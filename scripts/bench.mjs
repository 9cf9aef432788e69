import { spawn } from 'node:child_process';
import { mkdtempSync, readdirSync, readFileSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import { build as bundle } from 'esbuild';
import { build } from './build.mjs';
import { installPackages } from './install.mjs';
import { must, ROOT } from './run.mjs';

/** `npm run bench`: solve times, bytes of the first load, saves a second. Medians; this machine's noise beside them. */
await installPackages();
await build();
// Bundled as the solver's worker is, so that what is timed is what runs.
const solving = join(mkdtempSync(join(tmpdir(), 'ogee-bench-')), 'solve.cjs');
await bundle({
  entryPoints: [join(ROOT, 'core', 'bench', 'solve.ts')],
  outfile: solving,
  bundle: true,
  platform: 'node',
  target: 'es2022',
  minify: true,
  logLevel: 'warning',
});
await must('solving', process.execPath, [solving]);

const files = (folder) =>
  readdirSync(folder).flatMap((name) => {
    const path = join(folder, name);
    return statSync(path).isDirectory() ? files(path) : [path];
  });
const DIST = join(ROOT, 'app', 'dist');
const firstLoad = files(DIST).filter((path) => /\.(html|js|css|ttf|svg)$/.test(path));
const bytes = (size) => `${(size / 1000).toFixed(0)} kB`;
const raw = firstLoad.reduce((sum, path) => sum + statSync(path).size, 0);
const zipped = firstLoad.reduce((sum, path) => sum + gzipSync(readFileSync(path)).length, 0);
process.stdout.write(
  `first load: ${bytes(raw)} in ${firstLoad.length} files, ${bytes(zipped)} gzipped\n`,
);

const RUNS = 7;
const SAVES = 200;

const server = spawn(
  process.execPath,
  [
    'server/dist/main.mjs',
    '--port',
    '0',
    '--samples',
    '--data',
    mkdtempSync(join(tmpdir(), 'ogee-bench-')),
  ],
  { cwd: ROOT, stdio: ['ignore', 'pipe', 'ignore'] },
);
const base = await new Promise((resolve) =>
  server.stdout.on('data', (part) => resolve(/http:\S+/.exec(part.toString())[0])),
);
const { jobs } = await (await fetch(`${base}/api/jobs`)).json();
let stored = await (await fetch(`${base}/api/jobs/${jobs[0].id}`)).json();
const rates = [];
for (let runIndex = 0; runIndex < RUNS; runIndex += 1) {
  const started = performance.now();
  for (let i = 0; i < SAVES; i += 1) {
    const response = await fetch(`${base}/api/jobs/${stored.id}`, {
      method: 'PUT',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({ revision: stored.revision, job: stored.job }),
    });
    stored = await response.json();
  }
  rates.push((SAVES * 1000) / (performance.now() - started));
}
rates.sort((a, b) => a - b);
process.stdout.write(
  `save: median ${rates[Math.floor(RUNS / 2)].toFixed(0)} a second, one after another (least ${rates[0].toFixed(0)}, most ${rates[RUNS - 1].toFixed(0)}; ${RUNS} runs of ${SAVES})\n`,
);
server.kill('SIGTERM');
