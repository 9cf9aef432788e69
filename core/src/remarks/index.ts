import { marksById, type CutList, type CutListEntry } from '../cuts';
import { spoken } from '../sentence';
import { aboutBevels } from './bevels';
import { aboutDormers } from './dormers';
import { aboutEaves, aboutOpenEnds } from './eaves';
import { aboutHangers } from './hangers';
import { aboutGablesOffSquare, aboutGableStuds } from './gable-studs';
import { aboutBacking, aboutJoists } from './joists';
import { aboutKinds } from './kinds';
import { aboutLaidOn } from './laid-on';
import { aboutLeftOut } from './left-out';
import { aboutLoads } from './loads';
import { aboutOpenings } from './openings';
import { aboutPosts } from './posts';
import { aboutPitches } from './pitches';
import type { Remark, Subject } from './remark';
import { aboutRidges } from './ridges';
import { aboutSaw } from './saw';
import { aboutScarfs, pastLongest } from './scarfs';
import { aboutLowered, aboutNotchedOver, aboutParted, aboutPurlins } from './purlins';
import { aboutStruts } from './struts';
import { aboutTies } from './ties';
import { aboutCorners, aboutSeats } from './seats';

export type { Remark, RemarkCode } from './remark';

/**
 * What is worth saying about a frame and its list.
 *
 * Takes the job, its roof, the frame and the lines of its list; promises remarks as data, gravest first within each
 * subject: a code, the member it is about, and a sentence whose measures are still numbers. One file a subject.
 */
export const remarksOn = (subject: Subject, lines: readonly CutListEntry[]): Remark[] => [
  ...aboutLoads(subject),
  ...aboutTies(subject),
  ...aboutJoists(subject),
  ...aboutBacking(subject),
  ...aboutParted(subject),
  ...aboutPurlins(subject),
  ...aboutNotchedOver(subject),
  ...aboutStruts(subject),
  ...aboutKinds(subject),
  ...aboutPosts(subject),
  ...aboutOpenings(subject),
  ...aboutHangers(subject),
  ...aboutDormers(subject),
  ...aboutPitches(subject),
  ...aboutLaidOn(subject),
  ...aboutLowered(subject),
  ...aboutScarfs(subject),
  ...aboutRidges(subject),
  ...aboutCorners(subject),
  ...aboutSeats(subject),
  ...aboutBevels(subject),
  ...aboutEaves(subject),
  ...aboutGableStuds(subject, lines),
  ...aboutGablesOffSquare(subject),
  ...aboutOpenEnds(subject),
  ...aboutLeftOut(subject),
  ...pastLongest(subject, lines),
  ...aboutSaw(subject.job, lines),
];

/** Remarks as the cut list carries them: by mark, in the words and units of the job. */
export const notesOf = (
  { job }: Pick<Subject, 'job'>,
  lines: readonly CutListEntry[],
  remarks: readonly Remark[],
): CutList['notes'] => {
  const markOf = marksById(lines);
  return remarks.map(({ code, level, member, text }) => {
    const mark = member === null ? undefined : markOf.get(member);
    const words = { code, level, text: spoken(text, job.display) };
    return mark === undefined ? words : { ...words, member: mark };
  });
};
