import type { Request, RequestHandler } from 'express';
import { RateLimiterMemory, RateLimiterRes } from 'rate-limiter-flexible';
import { Refusal } from './refusal';

/** What one device may do in so many seconds before it is asked to wait. Far beyond what a person does by hand. */
const PER_SECONDS = 5;
const NEW_JOBS = 30;
const WRITES = 200;
const LOG_LINES = 500;

/** Who asks: the device by the id that it gives itself, else the address. Devices behind one address are told apart. */
const whoAsks = (request: Request): string => {
  const device = request.get('ogee-device');
  return device !== undefined && /^[\w-]{8,60}$/.test(device)
    ? `${request.ip ?? ''} ${device}`
    : (request.ip ?? '');
};

const READS = new Set(['GET', 'HEAD', 'OPTIONS']);

const linesIn = (body: unknown): number => {
  if (typeof body !== 'object' || body === null || !('entries' in body)) return 1;
  return Array.isArray(body.entries) ? Math.max(1, body.entries.length) : 1;
};

/**
 * Slows a caller who writes faster than any crew: 429 with `Retry-After` in seconds, and nothing of it is kept. What
 * waits on a phone waits a moment longer.
 */
export const slowed = (): RequestHandler => {
  const limiter = (points: number) => new RateLimiterMemory({ points, duration: PER_SECONDS });
  const [jobs, writes, lines] = [limiter(NEW_JOBS), limiter(WRITES), limiter(LOG_LINES)];
  return async (request, response, next) => {
    if (READS.has(request.method)) {
      next();
      return;
    }
    const who = whoAsks(request);
    const isLog = request.path.endsWith('/log');
    const isNew = request.method === 'POST' && /^\/jobs\/?$/.test(request.path);
    const [limit, cost] = isLog ? [lines, linesIn(request.body)] : isNew ? [jobs, 1] : [writes, 1];
    try {
      await limit.consume(who, cost);
      next();
    } catch (error) {
      if (!(error instanceof RateLimiterRes)) throw error;
      const seconds = Math.max(1, Math.ceil(error.msBeforeNext / 1000));
      response.set('Retry-After', String(seconds));
      next(
        new Refusal(429, [
          {
            code: 'too-fast',
            path: request.path,
            text: `this device writes faster than any crew does; it is taken again in ${seconds} s`,
          },
        ]),
      );
    }
  };
};
