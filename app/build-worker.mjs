import { build, context } from 'esbuild';

const here = (path) => new URL(path, import.meta.url).pathname;

/** Each thread as one classic worker script in public/, which the export copies. */
const options = {
  entryPoints: [here('./src/solver/solver.worker.ts'), here('./src/data/listening.worker.ts')],
  outdir: here('./public'),
  entryNames: '[name]',
  bundle: true,
  format: 'iife',
  target: 'es2022',
  minify: true,
  logLevel: 'warning',
};

if (process.argv.includes('--watch')) await (await context(options)).watch();
else await build(options);
