import type { Clash, Job } from '@ogee/core/src/job';
import { v2, type Vec2 } from '@ogee/core/src/geom';
import { pathText } from '@ogee/core/src/problem';
import { writeLength, writeStock } from '../ui/length-entry';
import { placeName } from './place-name';

type Display = Job['display'];

/** Numbers that are no lengths. */
const COUNTS: ReadonlySet<string> = new Set([
  'every',
  'each',
  'corner',
  'side',
  'fraction',
  'scarf',
]);
const ANGLES: ReadonlySet<string> = new Set(['maxTilt']);

/** A field's name in the file as words: `plateWidth` is “plate width”. */
const spaced = (key: string): string => key.replaceAll(/([a-z])([A-Z])/g, '$1 $2').toLowerCase();

const isPoint = (value: unknown): value is Vec2 =>
  Array.isArray(value) && value.length === 2 && value.every((one) => typeof one === 'number');

/** A value as a person reads it. */
const valueWords = (value: unknown, key: string, display: Display): string => {
  if (value === undefined) return 'taken away';
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  if (typeof value === 'number') {
    if (COUNTS.has(key)) return String(value);
    return ANGLES.has(key) ? `${value}°` : writeLength(value, display);
  }
  if (typeof value === 'string') return value;
  if (typeof value !== 'object' || value === null) return 'changed';
  if (Array.isArray(value)) {
    const [a, b] = value as unknown[];
    // A wall, by its ends.
    if (isPoint(a) && isPoint(b)) return writeLength(v2.distance(a, b), display);
    return value.map((one) => valueWords(one, key, display)).join(' to ');
  }
  const { thickness, depth, rise, run } = value as Partial<Record<string, number>>;
  if (thickness !== undefined && depth !== undefined)
    return writeStock({ thickness, depth }, display);
  if (rise !== undefined && run !== undefined) return `${Number(rise.toFixed(3))}/${run}`;
  const parts = Object.entries(value);
  if (parts.length > 3) return 'changed';
  return parts.map(([name, one]) => `${spaced(name)} ${valueWords(one, name, display)}`).join(', ');
};

/** Groups of fields whose own names say too little. */
const GROUPS: Readonly<Record<string, string>> = {
  timber: 'timber',
  collarTies: 'collar ties',
  rafterTies: 'rafter ties',
  sheathing: 'sheathing',
  roofing: 'roofing',
};

const capital = (words: string): string => words.slice(0, 1).toUpperCase() + words.slice(1);

/** What both changed, with what it is here and there. */
export interface ClashWords {
  readonly id: string;
  readonly what: string;
  readonly mine: string;
  readonly theirs: string;
}

export const clashWords = ({ path, mine, theirs }: Clash, job: Job): ClashWords => {
  const { display } = job;
  const named = [...path].reverse().find((key) => typeof key === 'string') ?? '';
  const [list, number] = path;
  const inList = typeof number === 'number';
  const field = named;
  const own = inList && path.length === 2 ? '' : field === 'outline' ? 'length' : spaced(field);
  const place = inList
    ? placeName(job, path)
    : path.length === 1
      ? ''
      : (GROUPS[String(list)] ?? '');
  return {
    id: pathText(path),
    what: capital([...new Set([place, own])].filter((word) => word !== '').join(' · ')),
    mine: valueWords(mine, field, display),
    theirs: valueWords(theirs, field, display),
  };
};

/** Clashes in words, each once: a rectangle's opposite wall says what its wall says. */
export const clashesInWords = (clashes: readonly Clash[], job: Job): readonly ClashWords[] => {
  const said = new Set<string>();
  return clashes.flatMap((clash) => {
    const words = clashWords(clash, job);
    const isOutline = clash.path.includes('outline');
    const key = `${isOutline ? clash.path.slice(0, 2).join('.') : words.id} ${words.mine} ${words.theirs}`;
    if (said.has(key)) return [];
    said.add(key);
    return [words];
  });
};
