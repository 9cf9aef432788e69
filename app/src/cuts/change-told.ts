import type { CutListEntry } from '@ogee/core/src/cuts';
import type { MarkChange } from '@ogee/core/src/list';
import type { Job } from '@ogee/core/src/job';
import { formatLength, lengthFormat } from '@ogee/core/src/units';
import { writeLength } from '../ui/length-entry';

const CUTS_ALONE = 'its cuts, not its length';

/** How much longer or shorter the long point is than it was. */
const signedBy = (was: CutListEntry, is: CutListEntry, display: Job['display']): string => {
  const mm = is.length.longPoint - was.length.longPoint;
  return `${mm < 0 ? '−' : '+'}${writeLength(Math.abs(mm), display)}`;
};

/** By how much the long point did, and what else. */
export const changeTold = ({ was, is, cut }: MarkChange, display: Job['display']): string => {
  if (was === null) return `new, ${is?.count ?? 0} off`;
  if (is === null) return `gone, ${was.count} off before`;
  const count = was.count === is.count ? '' : `${was.count} → ${is.count} off`;
  if (!cut) return count;
  const [from, to] = [was, is].map(({ length }) => writeLength(length.longPoint, display));
  const long = from === to ? CUTS_ALONE : `${from} → ${to} (${signedBy(was, is, display)})`;
  return count === '' ? long : `${long} · ${count}`;
};

/** By how much a mark's long point is another than it was; null where it is new, gone, or only of another number. */
export const changedBy = ({ was, is, cut }: MarkChange, display: Job['display']): string | null => {
  if (was === null || is === null || !cut) return null;
  const by = Math.abs(is.length.longPoint - was.length.longPoint);
  return by < LEAST_TOLD_MM ? CUTS_ALONE : signedBy(was, is, display);
};

/** A length that changes by less is the same. mm */
const LEAST_TOLD_MM = 0.05;

/** What a mark's long point was, as the list writes it, where it is cut otherwise now; null where it is not. */
export const wasBefore = (
  change: MarkChange | undefined,
  display: Job['display'],
): string | null => {
  if (change?.cut !== true) return null;
  const { was, is } = change;
  if (was === null) return 'new';
  const [then, now] = [was, is].map((entry) =>
    entry === null ? '' : formatLength(entry.length.longPoint, lengthFormat(display)),
  );
  return then === now ? 'cut otherwise than before' : `was ${then}`;
};
