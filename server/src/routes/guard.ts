import type { RequestHandler } from 'express';
import { refuse } from './refusal';

const LOOPBACK = ['localhost', '127.0.0.1', '[::1]', '::1'];

const nameOf = (host: string): string => host.replace(/:\d+$/, '').toLowerCase();

/** Whether a host is this machine itself: browsers trust it without TLS. */
export const isLoopback = (host: string): boolean => LOOPBACK.includes(nameOf(host));

/**
 * Answers only to its own names: a page elsewhere whose name was made to point at this machine is told so, and gets
 * nothing.
 *
 * @param names beside the loopback's
 */
export const ownHost = (names: readonly string[]): RequestHandler => {
  const known = new Set([...LOOPBACK, ...names.map((name) => name.toLowerCase())]);
  return (request, _response, next) => {
    const { host } = request.headers;
    if (host !== undefined && known.has(nameOf(host))) next();
    else
      throw refuse(
        421,
        'host',
        'host',
        `this server does not answer to "${host ?? ''}"; start it with --name for another name`,
      );
  };
};

const READS = new Set(['GET', 'HEAD', 'OPTIONS']);

/** Writes come from the app itself or from a program, never from another page. */
export const sameOrigin: RequestHandler = (request, _response, next) => {
  if (READS.has(request.method)) {
    next();
    return;
  }
  const site = request.headers['sec-fetch-site'];
  const { origin, host } = request.headers;
  const foreign =
    site === undefined
      ? origin !== undefined && origin.replace(/^https?:\/\//, '') !== host
      : site !== 'same-origin' && site !== 'none';
  if (foreign) throw refuse(403, 'origin', 'origin', 'a page elsewhere cannot change jobs here');
  next();
};
