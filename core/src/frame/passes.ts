import type { Problem } from '../problem';
import { fascias } from './eaves/fascias';
import type { Member } from './member/member';
import type { Primary } from './primary';
import type { Site } from './site';
import { headerMember, lineMember, rafterMember } from './to-member';
import { unseatedLine, unseatedRafter } from './rafters/unseated';

/** What one pass adds to the frame; with problems, the roof is refused. */
export interface Added {
  readonly members: readonly Member[];
  readonly problems: readonly Problem[];
}

/** Makes the boards of one sort of timber from the primary frame, which it leaves as it is. */
export type Pass = (site: Site, primary: Primary) => Added;

const sound = (members: readonly Member[]): Added => ({ members, problems: [] });

const lineTimbers: Pass = (site, { lines }) => {
  const all = lines.map((line) => ({ line, member: lineMember(site, line) }));
  return {
    members: all.map(({ member }) => member),
    problems: all.flatMap(({ line, member }) => unseatedLine(line, member)),
  };
};

const headers: Pass = (site, primary) =>
  sound(primary.headers.map(({ place, strip }) => headerMember(site, place, strip)));

const rafters: Pass = (site, primary) => {
  const all = primary.rafters.map((rafter) => ({ rafter, member: rafterMember(site, rafter) }));
  return {
    members: all.map(({ member }) => member),
    problems: all.flatMap(({ rafter, member }) => unseatedRafter(site, rafter, member)),
  };
};

const eaves: Pass = (site, { standing }) => sound(fascias(site, standing));

/** Every pass; a new sort of timber is one more. Within a kind, members keep the order of the passes. */
export const PASSES: readonly Pass[] = [lineTimbers, headers, rafters, eaves];
