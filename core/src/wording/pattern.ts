import type { CutListEntry } from '../cuts';

/** How a pattern is laid on the next board, and which of its cuts are traced first: those that it has. */
export const layWords = ({
  seat,
  length,
  cuts,
}: Pick<CutListEntry, 'seat' | 'length' | 'cuts'>): string => {
  const tail = length.tail > 0;
  const lower = [
    ...(seat === null ? [] : ['seat']),
    ...(cuts.some(({ at }) => at === 'heel') ? ['heel'] : []),
    tail ? 'tail' : 'lower end',
  ];
  const last = lower.at(-1) ?? '';
  const traced = lower.length === 1 ? last : `${lower.slice(0, -1).join(', ')} and ${last}`;
  return `Lay it with its ${tail ? 'tail' : 'lower end'} even with the board’s, its top edge along the board’s top edge, and trace ${traced}.`;
};
