import type { Framing, Member } from '../frame';
import type { Job } from '../job';
import type { Roof } from '../roof';
import type { Sentence } from '../sentence';

/** What a remark is about: stable, whatever the words. */
export type RemarkCode =
  | 'no-ties'
  | 'collars-far-apart'
  | 'pairs-untied'
  | 'no-partner'
  | 'joists-lapped'
  | 'joists-meet'
  | 'joists-slid'
  | 'backing-none'
  | 'ridge-shallow'
  | 'purlin-shallow'
  | 'purlin-carries'
  | 'purlin-packed'
  | 'purlin-hung'
  | 'purlin-cut'
  | 'strut-carries'
  | 'strut-flat'
  | 'posts-carry'
  | 'laid-on-carries'
  | 'chalk-line'
  | 'sleeper-back'
  | 'opening-carries'
  | 'under-least-pitch'
  | 'dormer-carries'
  | 'false-tails-hang'
  | 'hangers-clash'
  | 'rafters-lowered'
  | 'scarf-support'
  | 'scarf-ridge'
  | 'scarf-over'
  | 'scarf-keyed'
  | 'past-longest'
  | 'ridge-slopes'
  | 'lines-met'
  | 'hip-broken'
  | 'valley-carries'
  | 'header-carries'
  | 'gablet-carries'
  | 'break-carries'
  | 'nothing-carries'
  | 'no-seat'
  | 'deep-notch'
  | 'narrow-seat'
  | 'seat-past-plate'
  | 'hip-proud'
  | 'hip-lowered'
  | 'plane-off'
  | 'bevel-valley'
  | 'fascias-uneven'
  | 'fascias-long'
  | 'valley-in-overhang'
  | 'tail-plumb'
  | 'not-cleared'
  | 'studs-differ'
  | 'gable-overhang'
  | 'gable-off-square'
  | 'studs-off-square'
  | 'wide-ladder'
  | 'short-lookout'
  | 'wants-ledger'
  | 'ledger-carries'
  | 'carried-over'
  | 'stations-left-out'
  | 'jacks-left-out'
  | 'ties-without-room'
  | 'past-saw'
  /** What a kind asks of whoever builds it: its row's own words. */
  | 'kind-asks';

/** Something to be said about the frame. `level` caution: it can hurt somebody or spoil timber. */
export interface Remark {
  readonly code: RemarkCode;
  readonly level: 'caution' | 'note';
  /** A member's id. */
  readonly member: string | null;
  readonly text: Sentence;
}

/** What remarks are made on: the job, its roof, and the frame set on it. */
export interface Subject {
  readonly job: Job;
  readonly roof: Roof;
  readonly framing: Framing;
  /** What was changed, by less than a tape shows, so that lines meet in one point. */
  readonly met: readonly Sentence[];
}

type Say = (code: RemarkCode, text: Sentence, member?: Member | null) => Remark;

export const note: Say = (code, text, member = null) => ({
  code,
  level: 'note',
  member: member?.id ?? null,
  text,
});

export const caution: Say = (code, text, member = null) => ({
  ...note(code, text, member),
  level: 'caution',
});
