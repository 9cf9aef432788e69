import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { join, resolve } from 'node:path';
import pino from 'pino';
import { createApp } from './app';
import { addSamples } from './demo';
import { readSettings } from './settings';
import { JobStore } from './store/jobs';
import { openDatabase } from './store/open';

const settings = readSettings(process.argv.slice(2));
const logger = pino(
  { name: 'ogee' },
  pino.destination({ dest: settings.log ?? 2, mkdir: true, sync: true }),
);
const database = await openDatabase(join(resolve(settings.data), 'ogee.sqlite'));
const store = new JobStore(database);
if (settings.samples && (await store.isEmpty())) await addSamples(store);

const server = createServer(
  createApp({ store, logger, web: settings.web === null ? null : resolve(settings.web) }),
);
server.on('error', (error: NodeJS.ErrnoException) => {
  const busy = error.code === 'EADDRINUSE';
  process.stderr.write(
    busy
      ? `Port ${settings.port} is in use; choose another with --port.\n`
      : `The server cannot start: ${error.message}\n`,
  );
  process.exitCode = 1;
  void database.destroy();
});
server.listen(settings.port, settings.host, () => {
  const { port } = server.address() as AddressInfo;
  process.stdout.write(`Ogee is at http://${settings.host}:${port}\n`);
});

/** Takes no new requests, lets those under way finish their writes, then closes the database. */
const stop = (): void => {
  server.close(() => void database.destroy().then(() => logger.info('stopped')));
  server.closeIdleConnections();
};
process.once('SIGTERM', stop);
process.once('SIGINT', stop);
