import { pathText, spoken, type Problem } from '@ogee/core';
import type { ErrorRequestHandler, RequestHandler } from 'express';
import { z } from 'zod';
import { Taken, Unreadable } from '../store/jobs';

/** An answer other than success, as data; the error handler turns it into the response. */
export class Refusal extends Error {
  constructor(
    readonly status: number,
    readonly problems: readonly { code: string; path: string; text: string }[],
    readonly extra: object = {},
  ) {
    super(`refused with ${status}`);
  }
}

export const refuse = (status: number, code: string, path: string, text: string): Refusal =>
  new Refusal(status, [{ code, path, text }]);

export const noSuchJob = (id: string): Refusal =>
  refuse(404, 'absent', 'id', `there is no job ${id}`);

export const badJob = (problems: readonly Problem[]): Refusal =>
  new Refusal(
    400,
    problems.map((problem) => ({
      code: problem.code,
      text: spoken(problem.text),
      path: problem.path[0] === 'job' ? 'job' : `job.${pathText(problem.path)}`,
    })),
  );

/** Checks a part of the request against its schema. */
export const checked = <T>(schema: z.ZodType<T>, data: unknown, where: string): T => {
  const parsed = schema.safeParse(data);
  if (parsed.success) return parsed.data;
  throw new Refusal(
    400,
    parsed.error.issues.map((issue) => ({
      code: 'request',
      path: issue.path.length === 0 ? where : issue.path.join('.'),
      text: issue.message,
    })),
  );
};

export const noSuchPlace: RequestHandler = (request) => {
  throw refuse(404, 'absent', request.path, 'there is nothing here');
};

const statusOf = (error: unknown): number | null => {
  const status = z.object({ status: z.number().int() }).safeParse(error);
  return status.success ? status.data.status : null;
};

const BODY_TEXT: Readonly<Record<number, string>> = {
  400: 'the body is not JSON',
  413: 'the body is too large; a job file has at most 512 kB',
  415: 'the body is in an encoding that is not read here',
};

const STORAGE_TEXT: Readonly<Record<string, string>> = {
  SQLITE_FULL: 'the server’s disk is full; nothing was saved',
  SQLITE_READONLY: 'the server’s folder is read-only; nothing was saved',
  SQLITE_CORRUPT: 'the server’s database is damaged; nothing was saved',
  SQLITE_NOTADB: 'the server’s database is damaged; nothing was saved',
  SQLITE_BUSY: 'another program holds the server’s database; nothing was saved',
};

/** What is wrong with the server's disk, in a sentence; null where it is something else. */
const storageText = (error: unknown): string | null => {
  const code = z.object({ code: z.string() }).safeParse(error);
  if (!code.success || !code.data.code.startsWith('SQLITE_')) return null;
  const known = Object.keys(STORAGE_TEXT).find((one) => code.data.code.startsWith(one));
  return known === undefined
    ? code.data.code.startsWith('SQLITE_IOERR')
      ? 'the server cannot write to its disk; nothing was saved'
      : null
    : (STORAGE_TEXT[known] ?? null);
};

/** Every failure becomes `{ problems }`; ours (5xx) is logged with its stack and told without it. */
export const answerRefusal: ErrorRequestHandler = (error: unknown, request, response, _next) => {
  if (error instanceof Refusal) {
    response.status(error.status).json({ problems: error.problems, ...error.extra });
    return;
  }
  const status = statusOf(error);
  if (status !== null && status >= 400 && status < 500) {
    const text = BODY_TEXT[status] ?? 'the request cannot be read';
    response.status(status).json({ problems: [{ code: 'request', path: 'body', text }] });
    return;
  }
  if (error instanceof Taken) {
    response.status(409).json({ problems: [{ code: 'taken', path: 'id', text: error.message }] });
    return;
  }
  request.log.error({ err: error });
  const storage = storageText(error);
  if (storage !== null) {
    response.status(503).json({ problems: [{ code: 'storage', path: 'job', text: storage }] });
    return;
  }
  if (error instanceof Unreadable) {
    const text = `${error.message}; nothing was changed, and its other revisions are kept`;
    response.status(500).json({ problems: [{ code: 'unreadable', path: 'revision', text }] });
    return;
  }
  const text = 'the server failed; nothing was saved';
  response.status(500).json({ problems: [{ code: 'server', path: request.path, text }] });
};
