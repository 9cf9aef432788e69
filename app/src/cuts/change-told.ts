import type { MarkChange } from '@ogee/core/src/cuts';
import type { Job } from '@ogee/core/src/job';
import { writeLength } from '../ui/length-entry';

const signed = (mm: number, display: Job['display']): string =>
  `${mm < 0 ? '−' : '+'}${writeLength(Math.abs(mm), display)}`;

/** By how much the long point did, and what else. */
export const changeTold = ({ was, is, cut }: MarkChange, display: Job['display']): string => {
  if (was === null) return `new, ${is?.count ?? 0} off`;
  if (is === null) return `gone, ${was.count} off before`;
  const count = was.count === is.count ? '' : `${was.count} → ${is.count} off`;
  if (!cut) return count;
  const by = is.length.longPoint - was.length.longPoint;
  const shown = (mm: number): string => writeLength(mm, display);
  const long =
    shown(was.length.longPoint) === shown(is.length.longPoint)
      ? 'its cuts, not its length'
      : `${shown(was.length.longPoint)} → ${shown(is.length.longPoint)} (${signed(by, display)})`;
  return count === '' ? long : `${long} · ${count}`;
};

/** By how much a mark's long point is another than it was; null where it is new, gone, or only of another number. */
export const changedBy = ({ was, is, cut }: MarkChange, display: Job['display']): string | null => {
  if (was === null || is === null || !cut) return null;
  const by = is.length.longPoint - was.length.longPoint;
  return Math.abs(by) < LEAST_TOLD_MM ? 'its cuts, not its length' : signed(by, display);
};

/** A length that changes by less is the same. mm */
const LEAST_TOLD_MM = 0.05;
