import { spawn } from 'node:child_process';
import { installPackages } from './install.mjs';
import { must, ROOT } from './run.mjs';

/** `npm run dev`: the server restarting on change, and Metro serving the app and passing /api on to it. */
const API_PORT = '8418';
await installPackages();
await must('building the solver’s worker', 'node', ['app/build-worker.mjs']);
const start = (command, args, env = {}) =>
  spawn(command, args, { cwd: ROOT, stdio: 'inherit', env: { ...process.env, ...env } });
const children = [
  start('npx', ['tsx', 'watch', 'server/src/main.ts', '--samples', '--port', API_PORT]),
  start('node', ['app/build-worker.mjs', '--watch']),
  start('npm', ['run', '-s', 'start', '-w', 'app'], {
    OGEE_API_PORT: API_PORT,
    EXPO_NO_TELEMETRY: '1',
    EXPO_OFFLINE: '1',
  }),
];
for (const signal of ['SIGINT', 'SIGTERM'])
  process.on(signal, () => children.forEach((child) => child.kill(signal)));
