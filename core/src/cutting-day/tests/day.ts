import { boardOf, memberOf, type Hands } from '../../cuts';
import type { Tick } from '../../log';
import type { Solution } from '../../solve';
import { sawnFrom } from '..';

const HANDS = ['left', 'right', 'plain'] as const;

let made = 0;

/** A tick as a phone would write it: so many pieces of a line, of a hand. */
export const ticked = (
  solution: Solution,
  mark: string,
  { hand, count = 1 }: { readonly hand?: keyof Hands; readonly count?: number } = {},
): Tick => {
  const entry = solution.cuts.members.find((line) => line.mark === mark)!;
  const own = hand ?? HANDS.find((one) => entry.hands[one] > 0)!;
  made += 1;
  return {
    id: `00000000-0000-4000-8000-${String(made).padStart(12, '0')}`,
    at: new Date(Date.UTC(2026, 0, 1, 8, 0, made)).toISOString(),
    by: 'Ada',
    kind: 'tick',
    sawn: sawnFrom(entry, boardOf(memberOf(solution, entry)!), own),
    count,
    pattern: false,
  };
};

/** Everything on the list, sawn. */
export const allTicked = (solution: Solution): Tick[] =>
  solution.cuts.members.flatMap(({ mark, hands }) =>
    HANDS.flatMap((hand) =>
      hands[hand] === 0 ? [] : [ticked(solution, mark, { hand, count: hands[hand] })],
    ),
  );
