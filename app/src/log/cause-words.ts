import type { Cause } from '@ogee/core/src/log';
import type { Job } from '@ogee/core/src/job';
import { writeTenth } from '../ui/length-entry';

/** Each cause in a sentence: with its measure, and which way that is off. */
const CAUSE_WORDS: Readonly<Record<Cause, (by: string, more: boolean) => string>> = {
  span: (by, more) => `the span is ${by} ${more ? 'wider' : 'narrower'} than entered`,
  'wall-bowed': (by, more) => `the wall is bowed ${more ? 'out' : 'in'} by ${by} here`,
  'ridge-height': (by, more) =>
    `the pitch is off: the ‹ridge› stands ${by} ${more ? 'higher' : 'lower'} than planned`,
  'ridge-pushed': (by, more) =>
    `the ‹ridge› is pushed ${by} ${more ? 'away' : 'this way'}, off its centre line`,
  'plate-height': (by, more) => `the ‹plate› stands ${by} ${more ? 'higher' : 'lower'} here`,
  'ridge-thickness': () => 'half the ‹ridge›’s thickness was not taken off',
  length: (by, more) => `the piece was cut ${by} too ${more ? 'long' : 'short'}`,
  hap: (by, more) => `its ‹height above plate› is ${by} ${more ? 'more' : 'less'} than the list’s`,
  'purlin-height': (by, more) => `the purlin stands ${by} too ${more ? 'high' : 'low'}`,
  complement: () => 'the upper cut was sawn to the complement of its angle',
  'square-17-for-12': () => '17 was held on the square instead of 12',
  'square-12-for-17': () => '12 was held on the square instead of 17',
};

/** A cause in the crew's units; terms of the trade stand in ‹angle quotes›. */
export const causeWords = (
  { cause, by }: { readonly cause: Cause; readonly by: number | null },
  display: Job['display'],
): string => {
  const mm = by ?? 0;
  return CAUSE_WORDS[cause](writeTenth(Math.abs(mm), display), mm > 0);
};
