import { chmodSync, mkdirSync, readdirSync, renameSync, rmSync } from 'node:fs';
import { dirname, join } from 'node:path';
import type { Knex } from 'knex';

/** Of the last seven days on which one was made, and of the last four weeks, the newest copy each. */
const DAYS = 7;
const WEEKS = 4;
/** And of those made before the tables were changed, the last three. */
const BEFORE_CHANGES = 3;

/** Why a copy was made: at a start or after a day, or before the tables are changed. */
export type Reason = 'daily' | 'before-change';

const NAME = /^ogee-(\d{4}-\d\d-\d\d)T(\d\d-\d\d-\d\d)-(daily|before-change)\.sqlite$/;

/** Where the copies of a database lie. */
export const copiesOf = (file: string): string => join(dirname(file), 'copies');

/** The copies of a database by their names, newest first. */
export const copiesIn = (folder: string): string[] => {
  try {
    return readdirSync(folder)
      .filter((name) => NAME.test(name))
      .sort()
      .reverse();
  } catch {
    return [];
  }
};

/** Monday of a day's week, by which copies of one week are known. */
const weekOf = (day: string): string => {
  const date = new Date(`${day}T00:00:00Z`);
  date.setUTCDate(date.getUTCDate() - ((date.getUTCDay() + 6) % 7));
  return date.toISOString().slice(0, 10);
};

/** The first of each group, of so many groups in their order. */
const firstOfEach = (names: readonly string[], group: (name: string) => string, most: number) => {
  const first = new Map<string, string>();
  for (const name of names) if (!first.has(group(name))) first.set(group(name), name);
  return [...first.values()].slice(0, most);
};

/** Which of the copies, newest first, are kept. */
export const kept = (names: readonly string[]): Set<string> => {
  const dayOf = (name: string): string => NAME.exec(name)?.[1] ?? '';
  return new Set([
    ...firstOfEach(names, dayOf, DAYS),
    ...firstOfEach(names, (name) => weekOf(dayOf(name)), WEEKS),
    ...names.filter((name) => name.endsWith('-before-change.sqlite')).slice(0, BEFORE_CHANGES),
  ]);
};

/** Makes a whole copy of a database that is in use, and lets go of copies that are too many. */
export const copy = async (
  database: Knex,
  file: string,
  reason: Reason,
  now = new Date(),
): Promise<void> => {
  const folder = copiesOf(file);
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  const at = now.toISOString().slice(0, 19).replaceAll(':', '-');
  const whole = join(folder, `ogee-${at}-${reason}.sqlite`);
  const fresh = join(folder, 'being-made.sqlite');
  rmSync(fresh, { force: true });
  await database.raw('VACUUM INTO ?', [fresh]);
  chmodSync(fresh, 0o600);
  renameSync(fresh, whole);
  const names = copiesIn(folder);
  const stay = kept(names);
  for (const name of names) if (!stay.has(name)) rmSync(join(folder, name), { force: true });
};

const HOUR_MS = 3600 * 1000;

/**
 * Makes a copy on every day on which the server runs; looked after hourly, so that a machine that slept makes up for it.
 *
 * @returns how to end it
 */
export const copyDaily = (database: Knex, file: string): (() => void) => {
  const look = (): void => {
    const today = new Date().toISOString().slice(0, 10);
    if (copiesIn(copiesOf(file)).some((name) => name.startsWith(`ogee-${today}`))) return;
    // A disk that is full makes none: asked again in an hour.
    void copy(database, file, 'daily').catch(() => undefined);
  };
  const hourly = setInterval(look, HOUR_MS);
  hourly.unref();
  return () => clearInterval(hourly);
};
