/**
 * Job files of other versions.
 *
 * Takes data that say they are a job file, of whatever version; promises data of the version that the schema reads, or
 * one problem where the file is newer than this program. A new version of the schema adds its row here, and nothing
 * else in the program knows that there were others.
 */
import { ok, refused, type Result } from '../../problem';
import { say } from '../../sentence';

/** From a version to the next one: the same job in the next version's words. Defaults are the schema's business. */
export type Migration = (job: Readonly<Record<string, unknown>>) => Record<string, unknown>;

/** The version that the schema reads. */
export const JOB_VERSION = 1;

/** Row n leads from version n to n + 1. Version 1 is the first there was. */
const MIGRATIONS: ReadonlyMap<number, Migration> = new Map();

const versionOf = (data: unknown): number | null =>
  typeof data === 'object' &&
  data !== null &&
  'version' in data &&
  Number.isInteger(data.version) &&
  Number(data.version) > 0
    ? Number(data.version)
    : null;

/**
 * Brings a job file of any version to `current`, row by row. What says no version, or one that never was, is given
 * back as it is: the schema names its fault.
 */
export const toVersion = (
  data: unknown,
  current: number,
  rows: ReadonlyMap<number, Migration>,
): Result<unknown> => {
  const version = versionOf(data);
  if (version === null || version === current) return ok(data);
  if (version > current)
    return refused([
      {
        code: 'newer',
        path: ['version'],
        text: say`the job file is of version ${version}, made by a newer Ogee; this one reads versions up to ${current}. Open it with the newer one: nothing in it was changed`,
      },
    ]);
  let job = data as Record<string, unknown>;
  for (let from = version; from < current; from += 1) {
    const row = rows.get(from);
    if (row === undefined) return ok(data);
    job = { ...row(job), version: from + 1 };
  }
  return ok(job);
};

/** Brings a job file to the version that the schema reads. */
export const toCurrentVersion = (data: unknown): Result<unknown> =>
  toVersion(data, JOB_VERSION, MIGRATIONS);
