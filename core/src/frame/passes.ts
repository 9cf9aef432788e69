import { eaveBlocks } from './eaves/blocking';
import { fascias } from './eaves/fascias';
import { gableEnds } from './gables/gable-ends';
import { gableStuds } from './gables/gable-studs';
import type { Member } from './member/member';
import { falseTails } from './openings/false-tails';
import { keptClear } from './openings/kept-clear';
import type { Added, Pass } from './pass';
import { headerMember, lineMember, rafterMember } from './to-member';
import { roofPurlins } from './purlins/roof-purlins';
import { purlins } from './purlins/purlins';
import { struts } from './purlins/struts';
import { collarTies } from './ties/collars';
import { backing } from './ties/backing';
import { rafterTies } from './ties/joists';
import { shortJoists } from './ties/short-joists';
import { spacers } from './ties/spacers';
import { ledgers } from './walls/ledgers';
import { posts } from './walls/posts';
import { unseatedLine, unseatedRafter } from './rafters/unseated';

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
export const PASSES: readonly Pass[] = [
  lineTimbers,
  headers,
  rafters,
  falseTails,
  ledgers,
  eaves,
  gableEnds,
  purlins,
  rafterTies,
  collarTies,
  // Between the rafters and what lies flat on them.
  shortJoists,
  spacers,
  eaveBlocks,
  struts,
  roofPurlins,
  gableStuds,
  backing,
  posts,
  keptClear,
];
