import { handOf, pieceOf } from '../cuts';
import type { Member } from '../frame';
import type { Solution } from '../solve';
import { stepsOf, type SawStep } from '../steps';
import { laid, sawn, sawnWrong, turnedOnFoot, turnedRound, WAYS } from './sawyer';

/** How wrong a member comes out that is sawn by the steps of the line it belongs to. mm */
export const sawnWrongBy = (
  steps: readonly SawStep[],
  member: Member,
  way: (typeof WAYS)[number],
): number => {
  const made = sawn(steps, way);
  const wanted = laid(member, false);
  const straight = sawnWrong(made, wanted);
  const { thickness } = member.stock;
  if (member.axis.upright)
    return Math.min(straight, sawnWrong(turnedOnFoot(made, thickness), wanted));
  // Which end of a level board is its upper one is a name: it may lie the other way round.
  return !member.axis.level
    ? straight
    : Math.min(straight, sawnWrong(turnedRound(made, wanted, thickness), wanted));
};

/** Saws every piece of a house by the steps of its line: the first of each hand by every way to mark an angle. */
export const sawHouse = (house: Solution, note: (text: string, mm: number) => void): void => {
  const byId = new Map(house.members.map((member) => [member.id, member]));
  for (const entry of house.cuts.members) {
    const drawn = byId.get(entry.members[0]!)!;
    const hand = handOf(pieceOf(drawn));
    const handsSeen = new Set<string>();
    for (const [i, id] of entry.members.entries()) {
      const member = byId.get(id)!;
      const own = handOf(pieceOf(member));
      const steps = stepsOf(drawn, own !== hand);
      // The first of each hand by every way to mark an angle, its likes by one of them in turn.
      const ways = handsSeen.has(own) ? [WAYS[i % WAYS.length]!] : WAYS;
      handsSeen.add(own);
      for (const way of ways) note(`${entry.mark} ${id} ${way}`, sawnWrongBy(steps, member, way));
    }
  }
};
