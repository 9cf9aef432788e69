import type { Block, Side } from './schema';

/** The block's first eave side, which governs seat and fascia; null when it has none. */
export const firstEave = (
  block: Block,
): { readonly index: number; readonly side: Extract<Side, { roof: 'eave' }> } | null => {
  for (const [index, side] of block.sides.entries()) {
    if (side.roof === 'eave') return { index, side };
  }
  return null;
};

/** Whether a block stands already: its planes are given, and nothing of it is framed. */
export const standsAlready = ({ existing }: Block): boolean => existing === true;
