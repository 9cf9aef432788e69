import type { Vec3 } from '../geom';
import type { Sentence } from '../sentence';
import { middleOf } from './frame-on-site';
import type { Placed } from './contact/placed';
import type { FindingKind, FitProblem } from './report';

/** What is wrong with one timber: how it lies to the roof, or what of it is missing. */
export const findingOn = (
  placed: Placed,
  kind: FindingKind,
  mm: number,
  text: Sentence,
  at: Vec3 = middleOf(placed),
): FitProblem => ({
  members: [placed.mark, 'roof'],
  ids: [placed.member.id],
  kind,
  mm,
  at,
  text,
});
