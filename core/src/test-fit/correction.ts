import type { Member } from '../frame';
import { hapOf, ridgeHeight, withRidgeHeight, withSide, withWallMoved, type Job } from '../job';
import type { Likely } from './rank';

/**
 * The job with a cause taken into it, so that what is not sawn yet comes out right; null where the job is as it should
 * be, and what is wrong is the piece, or is put right on site.
 */
export const corrected = (job: Job, member: Member, { cause, byMm }: Likely): Job | null => {
  const part = job.blocks.findIndex(({ id }) => id === member.block);
  const by = byMm ?? 0;
  if (part === -1) return null;
  switch (cause) {
    case 'span':
      return member.side === null ? null : withWallMoved(job, part, member.side, by);
    case 'ridge-height': {
      const height = ridgeHeight(job, part);
      return height === null ? null : withRidgeHeight(job, part, height + by);
    }
    case 'plate-height': {
      const { side } = member;
      const given = side === null ? undefined : job.blocks[part]?.sides[side];
      if (side === null || given?.roof !== 'eave') return null;
      const raise = (given.raise ?? 0) + by;
      return raise < 0
        ? null
        : withSide(job, part, side, (own) => (own.roof === 'eave' ? { ...own, raise } : own));
    }
    case 'hap':
      // A hip's own height follows from the commons'.
      if (member.fold !== null) return null;
      return {
        ...job,
        framing: { ...job.framing, seat: { hap: hapOf(job, member.axis.slopeRad) + by } },
      };
    default:
      return null;
  }
};
