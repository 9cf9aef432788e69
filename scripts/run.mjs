import { spawn } from 'node:child_process';
import { fileURLToPath } from 'node:url';

export const ROOT = fileURLToPath(new URL('..', import.meta.url));

/** Runs a command from the root. Resolves with its exit code and, with `capture`, what it printed. */
export const run = (command, args, { env = {}, capture = false, timeoutMs = 0 } = {}) =>
  new Promise((resolve) => {
    const child = spawn(command, args, {
      cwd: ROOT,
      env: { ...process.env, ...env },
      stdio: capture ? ['ignore', 'pipe', 'pipe'] : ['ignore', 'inherit', 'inherit'],
    });
    const parts = [];
    for (const stream of [child.stdout, child.stderr])
      stream?.on('data', (data) => parts.push(data));
    const timer = timeoutMs > 0 ? setTimeout(() => child.kill('SIGKILL'), timeoutMs) : null;
    child.on('error', (error) => parts.push(Buffer.from(`${error.message}\n`)));
    child.on('close', (code) => {
      if (timer !== null) clearTimeout(timer);
      resolve({ code: code ?? 1, text: Buffer.concat(parts).toString() });
    });
  });

/** The same, ending this process when the command fails. */
export const must = async (what, command, args, options) => {
  const started = Date.now();
  process.stdout.write(`· ${what} …\n`);
  const { code, text } = await run(command, args, options);
  if (code !== 0) {
    process.stdout.write(`${text}\n${what} failed (exit ${code}).\n`);
    process.exit(1);
  }
  process.stdout.write(`  done in ${((Date.now() - started) / 1000).toFixed(0)} s\n`);
};
