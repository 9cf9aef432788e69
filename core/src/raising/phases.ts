import type { Member } from '../frame';
import type { Kind } from '../kinds';

/** What goes up together, in the order in which a frame is raised. */
export const PHASES = [
  'sleepers',
  'cheeks',
  'posts',
  'ledgers',
  'joists',
  'frames',
  'purlins',
  'corners',
  'rafters',
  'openings',
  'jacks',
  'collars',
  'gables',
  'blocks',
  'edges',
  'roof-purlins',
] as const;

export type Phase = (typeof PHASES)[number];

/** When each kind goes up; what a timber lies against goes up with it at the latest. */
const PHASE_OF: Readonly<Record<Kind, Phase>> = {
  sleeper: 'sleepers',
  post: 'posts',
  beam: 'posts',
  ledger: 'ledgers',
  'rafter-tie': 'joists',
  ridge: 'frames',
  purlin: 'purlins',
  strut: 'purlins',
  hip: 'corners',
  valley: 'corners',
  header: 'openings',
  trimmer: 'openings',
  'opening-jack': 'openings',
  'false-tail': 'edges',
  common: 'rafters',
  'king-common': 'rafters',
  'hip-jack': 'jacks',
  'valley-jack': 'jacks',
  'cripple-jack': 'jacks',
  'collar-tie': 'collars',
  'gable-stud': 'gables',
  'cheek-stud': 'cheeks',
  spacer: 'blocks',
  backing: 'blocks',
  blocking: 'blocks',
  lookout: 'edges',
  barge: 'edges',
  fascia: 'edges',
};

/** Purlins over or between the rafters go up when those stand. */
export const phaseOf = ({ kind, lies }: Member): Phase =>
  lies === 'over' || lies === 'between' ? 'roof-purlins' : PHASE_OF[kind];
