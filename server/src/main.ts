import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { join, resolve } from 'node:path';
import { buildIn, createApp } from './app';
import { addSamples } from './demo';
import { requestLog } from './request-log';
import { readSettings, type Settings } from './settings';
import { Changes } from './store/changes';
import { copyDaily } from './store/copies';
import { JobStore } from './store/jobs';
import { LogStore } from './store/log';
import { openDatabase, Unusable } from './store/open';

/** Who is slower than this is let go. ms */
const HEADERS_MS = 10_000;
const REQUEST_MS = 20_000;
const IDLE_MS = 5_000;
/** From the signal on, requests under way have this long. ms */
const LEAVING_MS = 3_000;

/** Ends the start with one sentence. */
const giveUp = (sentence: string): never => {
  process.stderr.write(`${sentence}\n`);
  process.exit(1);
};

const settingsFrom = (words: readonly string[]): Settings => {
  try {
    return readSettings(words);
  } catch (error) {
    return giveUp(error instanceof Error ? error.message : 'The flags are off.');
  }
};

// What it writes is for its own eyes: jobs, copies and logs.
process.umask(0o077);
const settings = settingsFrom(process.argv.slice(2));
const logger = requestLog(settings.log === null ? null : resolve(settings.log));
const file = join(resolve(settings.data), 'ogee.sqlite');
const database = await openDatabase(file).catch((error: unknown) =>
  giveUp(error instanceof Unusable ? error.message : `The database ${file} cannot be opened.`),
);
const web = settings.web === null ? null : resolve(settings.web);
const changes = new Changes(buildIn(web));
const store = new JobStore(database, undefined, changes);
const noMoreCopies = copyDaily(database, file);
let leaving = false;
if (settings.samples && (await store.isEmpty())) await addSamples(store);

const server = createServer(
  {
    headersTimeout: HEADERS_MS,
    requestTimeout: REQUEST_MS,
    keepAliveTimeout: IDLE_MS,
    connectionsCheckingInterval: 2_000,
  },
  createApp({
    store,
    log: new LogStore(database, undefined, changes),
    changes,
    logger,
    web,
    names: [settings.host, ...settings.names],
    leaving: () => leaving,
  }),
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

/**
 * Takes no new requests, also on connections that stand; lets whoever listens for changes go; lets what is under way
 * finish its writes, then closes the database. Slow clients are let go.
 */
const stop = (): void => {
  leaving = true;
  noMoreCopies();
  changes.end();
  server.close(() => void database.destroy().then(() => logger.info('stopped')));
  server.closeIdleConnections();
  setTimeout(() => server.closeAllConnections(), LEAVING_MS).unref();
};
process.once('SIGTERM', stop);
process.once('SIGINT', stop);
