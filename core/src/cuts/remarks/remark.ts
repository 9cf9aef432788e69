import type { Framing, Member } from '../../frame';
import type { Job } from '../../job';
import type { Roof } from '../../roof';

/** Something to be said about the frame. `level` caution: it can hurt somebody or spoil timber. */
export interface Remark {
  readonly level: 'caution' | 'note';
  /** A member's id. */
  readonly member: string | null;
  readonly text: string;
}

/** What remarks are made on: the job, its roof, and the frame set on it. */
export interface Subject {
  readonly job: Job;
  readonly roof: Roof;
  readonly framing: Framing;
  readonly say: (mm: number) => string;
}

export const LOCAL = 'ask the local code or an engineer';

export const note = (text: string, member: Member | null = null): Remark => ({
  level: 'note',
  member: member?.id ?? null,
  text,
});

export const caution = (text: string, member: Member | null = null): Remark => ({
  ...note(text, member),
  level: 'caution',
});
