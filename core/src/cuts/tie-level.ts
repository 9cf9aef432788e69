import type { Roof } from '../roof';
import type { Member } from '../frame';
import { isTie } from '../kinds';
import { SAME_POINT_MM } from '../geom';
import type { CutListEntry } from './model';

/** Where a tie's bottom edge stands, the level line that is carried across; null for what is no tie. */
export const tieLevelOf = (roof: Roof, member: Member): CutListEntry['level'] => {
  const block = roof.blocks.find(({ id }) => id === member.block);
  if (!isTie(member) || block === undefined) return null;
  const { plateMm } = block;
  const hapMm = block.sides[member.side ?? 0]?.hapMm ?? 0;
  const bottom = member.frame.origin[2] - plateMm;
  const sine = Math.sin(Math.atan(member.pair.rise));
  const up = (bottom - hapMm) / sine;
  return { bottom, alongRafter: up > SAME_POINT_MM ? up : 0 };
};
