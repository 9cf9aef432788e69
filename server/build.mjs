import { build } from 'esbuild';

/** One file for Node; native and self-loading packages stay outside. */
await build({
  entryPoints: ['server/src/main.ts'],
  outfile: 'server/dist/main.mjs',
  bundle: true,
  platform: 'node',
  format: 'esm',
  target: 'node20',
  external: [
    'better-sqlite3',
    'knex',
    'compression',
    'express',
    'express-static-gzip',
    'helmet',
    'pino',
    'pino-http',
    'rate-limiter-flexible',
    'rotating-file-stream',
    'zod-openapi',
  ],
  logLevel: 'warning',
});
