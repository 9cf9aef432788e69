import { existsSync, readdirSync, statSync } from 'node:fs';
import { createRequire } from 'node:module';
import { join } from 'node:path';
import { ROOT } from './run.mjs';

/** `npm run -s ogee -- …`: the built command, built first where it is missing or older than what it is built from. */
const BUILT = join(ROOT, 'core', 'dist', 'ogee.compiled');
const SOURCES = ['core/src', 'core/build.mjs', 'package-lock.json'];

const newest = (path) => {
  const { mtimeMs } = statSync(path);
  if (!statSync(path).isDirectory()) return mtimeMs;
  return readdirSync(path, { withFileTypes: true })
    .filter(({ name }) => name !== 'tests')
    .reduce((ms, { name }) => Math.max(ms, newest(join(path, name))), mtimeMs);
};

const isOld = () =>
  !existsSync(BUILT) ||
  SOURCES.some((source) => newest(join(ROOT, source)) > statSync(BUILT).mtimeMs);

if (isOld()) {
  const { buildCommand } = await import('../core/build.mjs');
  await buildCommand();
}
createRequire(import.meta.url)(join(ROOT, 'core', 'dist', 'ogee.cjs'));
