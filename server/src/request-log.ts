import { chmodSync, existsSync, mkdirSync } from 'node:fs';
import { basename, dirname } from 'node:path';
import pino, { type DestinationStream, type Logger } from 'pino';
import { createStream } from 'rotating-file-stream';

/** A log file is laid aside at this size, and so many of the last are kept. */
const LARGEST = '10M';
const KEPT = 5;

/** The file of a log, read by nobody else; it never grows past all bounds. */
const rotating = (file: string): DestinationStream => {
  const folder = dirname(file);
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  if (existsSync(file)) chmodSync(file, 0o600);
  const stream = createStream(basename(file), {
    path: folder,
    size: LARGEST,
    maxFiles: KEPT,
    mode: 0o600,
  });
  // A log that cannot be written, on a full disk, stops nothing.
  stream.on('error', () => undefined);
  return stream;
};

/** What is said of a request and of its answer: nothing that a header carries, as that may let somebody in. */
export const serializers = {
  req: ({ id, method, url }: { id: unknown; method: string; url: string }) => ({ id, method, url }),
  res: ({ statusCode }: { statusCode: number }) => ({ statusCode }),
};

/** @param file null logs to standard error */
export const requestLog = (file: string | null): Logger =>
  pino(
    { name: 'ogee' },
    file === null ? pino.destination({ dest: 2, sync: true }) : rotating(file),
  );
