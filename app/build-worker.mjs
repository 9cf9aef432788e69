import { build, context } from 'esbuild';

/** The solver as one classic worker script in public/, which the export copies. */
const options = {
  entryPoints: [new URL('./src/solver/solver.worker.ts', import.meta.url).pathname],
  outfile: new URL('./public/solver.worker.js', import.meta.url).pathname,
  bundle: true,
  format: 'iife',
  target: 'es2022',
  minify: true,
  logLevel: 'warning',
};

if (process.argv.includes('--watch')) await (await context(options)).watch();
else await build(options);
