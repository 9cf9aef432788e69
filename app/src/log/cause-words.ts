import type { Cause } from '@ogee/core/src/log';
import type { Job } from '@ogee/core/src/job';
import { writeLength } from '../ui/length-entry';

/** What each cause is called, and what its measure is more or less of. */
const CAUSE_WORDS: Readonly<Record<Cause, readonly [what: string, more: string, less: string]>> = {
  span: ['the span is not as entered', 'wider', 'narrower'],
  'wall-bowed': ['the wall is bowed here', 'out', 'in'],
  'ridge-height': ['the ridge stands at another height: the pitch is off', 'higher', 'lower'],
  'ridge-pushed': ['the ridge is pushed sideways', 'away', 'this way'],
  'plate-height': ['the plate is at another height here', 'higher', 'lower'],
  'ridge-thickness': ['half the ridge’s thickness was not taken off', '', ''],
  length: ['the piece was cut to another length', 'longer', 'shorter'],
  hap: ['its height above the plate is unlike the list’s', 'more', 'less'],
  'purlin-height': ['the purlin stands at another height', 'higher', 'lower'],
  complement: ['the complement of the angle was cut', '', ''],
  'square-17-for-12': ['17 was held on the square instead of 12', '', ''],
  'square-12-for-17': ['12 was held on the square instead of 17', '', ''],
};

export const causeWords = (
  { cause, by }: { readonly cause: Cause; readonly by: number | null },
  display: Job['display'],
): string => {
  const [what, more, less] = CAUSE_WORDS[cause];
  if (by === null) return what;
  return `${what}, by ${writeLength(Math.round(Math.abs(by) * 10) / 10, display)} ${by > 0 ? more : less}`.trim();
};
