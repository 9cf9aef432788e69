import { overAllKinds } from '../kinds';
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
import { hipBraces } from './purlins/hip-braces';
import { purlins } from './purlins/purlins';
import { struts } from './purlins/struts';
import { collarTies } from './ties/collars';
import { backing } from './ties/backing';
import { jackTies } from './ties/jack-ties';
import { rafterTies } from './ties/joists';
import { shortJoists } from './ties/short-joists';
import { spacers } from './ties/spacers';
import { ledgers } from './walls/ledgers';
import { posts } from './walls/posts';
import { ridgePosts } from './walls/ridge-posts';
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

/**
 * Every pass, in the order in which they run, and the kinds it makes: the compiler asks for a kind that none makes.
 * Within a kind, members keep the order of the passes.
 */
const ROWS = overAllKinds([
  { kinds: ['ridge', 'hip', 'valley', 'purlin'], pass: lineTimbers },
  { kinds: ['header'], pass: headers },
  {
    kinds: [
      'common',
      'king-common',
      'hip-jack',
      'valley-jack',
      'cripple-jack',
      'trimmer',
      'opening-jack',
    ],
    pass: rafters,
  },
  { kinds: ['false-tail'], pass: falseTails },
  { kinds: ['ledger'], pass: ledgers },
  { kinds: ['fascia'], pass: eaves },
  { kinds: ['barge', 'lookout'], pass: gableEnds },
  { kinds: ['under-purlin'], pass: purlins },
  { kinds: ['rafter-tie'], pass: rafterTies },
  { kinds: ['collar-tie'], pass: collarTies },
  { kinds: ['rafter-tie'], pass: jackTies },
  // Between the rafters and what lies flat on them.
  { kinds: ['rafter-tie'], pass: shortJoists },
  { kinds: ['spacer'], pass: spacers },
  { kinds: ['blocking'], pass: eaveBlocks },
  { kinds: ['strut'], pass: struts },
  { kinds: ['hip-brace'], pass: hipBraces },
  { kinds: ['roof-purlin', 'purlin-between'], pass: roofPurlins },
  { kinds: ['ridge-post'], pass: ridgePosts },
  { kinds: ['gable-stud'], pass: gableStuds },
  { kinds: ['backing'], pass: backing },
  { kinds: ['post', 'beam'], pass: posts },
  { kinds: [], pass: keptClear },
  // Set where a roof is laid on another: `laid-on`.
  { kinds: ['sleeper', 'cheek-stud'], pass: null },
]);

export const PASSES: readonly Pass[] = ROWS.flatMap(({ pass }) => pass ?? []);
