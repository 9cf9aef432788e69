import { spawn } from 'node:child_process';
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { build as bundle } from 'esbuild';
import { benchInBrowser } from './bench-browser.mjs';
import { benchStandIns } from './bench-stand-ins.mjs';
import { build } from './build.mjs';
import { installPackages } from './install.mjs';
import { must, ROOT } from './run.mjs';

/** `npm run bench`: solve times, saves a second, what is waited for in the browser. Medians; this machine's noise beside them. */
await installPackages();
await build();
// Bundled as the solver's worker is, so that what is timed is what runs.
const solving = join(ROOT, 'node_modules', '.cache', 'ogee-bench', 'solve.mjs');
await bundle({
  entryPoints: [join(ROOT, 'core', 'bench', 'solve.ts')],
  outfile: solving,
  bundle: true,
  format: 'esm',
  external: ['manifold-3d'],
  platform: 'node',
  target: 'es2022',
  minify: true,
  logLevel: 'warning',
});
await must('solving', process.execPath, [solving]);

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
await benchInBrowser();
await benchStandIns();
