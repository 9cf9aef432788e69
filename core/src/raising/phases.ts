import type { Member } from '../frame';
import { KINDS, type Phase } from '../kinds';

/** When it goes up; what a timber lies against goes up with it at the latest. */
export const phaseOf = ({ kind }: Pick<Member, 'kind'>): Phase => KINDS[kind].phase;
