/**
 * A piece tried in place: from what is seen to what is likely wrong.
 *
 * Takes a framed member, how it was held and the gaps that were seen, mm; promises causes ranked by how well what each
 * would show, worked out from the sawn timber itself, agrees with that, and the job with one of them taken into it.
 */
export { corrected } from './correction';
export type { Others } from './causes';
export { SIGNS, type Held, type Seen, type Sign } from './hold';
export { canBeTried, likelyCauses, type Likely, type Looked } from './rank';
