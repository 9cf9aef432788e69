import type { RequestHandler } from 'express';
import { WIRE_HEADER, WIRE_VERSION } from '@ogee/core';
import { refuse } from './refusal';

const LOOPBACK = ['localhost', '127.0.0.1', '[::1]', '::1'];

const READS = new Set(['GET', 'HEAD', 'OPTIONS']);

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

/**
 * Whoever names a version of what is sent must name this server's own, before anything is written: an app that is older or
 * newer keeps what it has and is loaded anew. Other programs name none.
 */
export const agreedVersion: RequestHandler = (request, response, next) => {
  const named = request.get(WIRE_HEADER);
  if (READS.has(request.method) || named === undefined || named === String(WIRE_VERSION)) {
    next();
    return;
  }
  response.set('Upgrade', `${WIRE_HEADER}/${WIRE_VERSION}`);
  throw refuse(
    426,
    'version',
    WIRE_HEADER,
    `this server reads version ${WIRE_VERSION} of what the app sends, not ${named.slice(0, 20)}; load the app anew`,
  );
};

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
