import type { Framing } from '../../frame';
import type { Job } from '../../job';
import type { Roof } from '../../roof';
import { formatLength, lengthFormat } from '../../units';
import { aboutBevels } from './bevels';
import { aboutEaves, aboutOpenEnds } from './eaves';
import { aboutLeftOut, notFramedYet } from './left-out';
import { aboutLoads } from './loads';
import type { Remark, Subject } from './remark';
import { aboutRidges } from './ridges';
import { aboutCorners, aboutSeats } from './seats';

export type { Remark } from './remark';

/** Everything worth saying about a frame, gravest first within each subject. */
export const remarksOn = (job: Job, roof: Roof, framing: Framing): Remark[] => {
  const say = (mm: number): string => formatLength(mm, lengthFormat(job.display, 1));
  const subject: Subject = { job, roof, framing, say };
  return [
    ...notFramedYet(subject),
    ...aboutLoads(subject),
    ...aboutRidges(subject),
    ...aboutCorners(subject),
    ...aboutSeats(subject),
    ...aboutBevels(subject),
    ...aboutEaves(subject),
    ...aboutOpenEnds(subject),
    ...aboutLeftOut(subject),
  ];
};
