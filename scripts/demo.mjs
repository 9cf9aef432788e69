import { parseArgs } from 'node:util';
import { join } from 'node:path';
import { build } from './build.mjs';
import { installPackages } from './install.mjs';
import { ROOT } from './run.mjs';
import { spawn } from 'node:child_process';

/** `npm run demo`: everything from a fresh clone to a running app with the sample jobs. */
const { values } = parseArgs({
  options: {
    port: { type: 'string', default: '8417' },
    data: { type: 'string', default: join(ROOT, '.data') },
  },
});
await installPackages();
await build();
const server = spawn(
  process.execPath,
  [
    'server/dist/main.mjs',
    '--samples',
    '--web',
    'app/dist',
    '--port',
    values.port,
    '--data',
    values.data,
    '--log',
    join(ROOT, '.logs', 'ogee.log'),
  ],
  { cwd: ROOT, stdio: ['ignore', 'inherit', 'inherit'] },
);
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill('SIGTERM'));
server.on('exit', (code) => process.exit(code ?? 0));
