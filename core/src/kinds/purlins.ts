import type { KindRow } from './row';

/** Under the rafters, which it carries. */
export const underPurlin = {
  term: 'purlin',
  letters: 'P',
  dash: [22, 4, 6, 4],
  widthPx: 4,
  stands: 'line',
  setByHeight: true,
  listed: 'purlin',
  stock: 'purlin',
  seniority: 3,
  measured: 'top',
  bears: 'lain',
  top: 'below',
  phase: 'purlins',
  fixed: { as: 'line', freeEnds: true },
  scarfed: true,
  onDeck: 'sawn',
} as const satisfies KindRow;

/** Over the rafters: a purlin or a batten that the roofing lies on. */
export const roofPurlin = {
  term: 'purlin',
  letters: 'P',
  dash: [22, 4, 6, 4],
  widthPx: 4,
  stands: 'line',
  setByHeight: false,
  listed: 'purlin',
  stock: null,
  seniority: 7,
  measured: 'bottom',
  bears: 'lain',
  top: 'over',
  phase: 'roof-purlins',
  fixed: { as: 'row' },
  scarfed: true,
  onDeck: 'sawn',
} as const satisfies KindRow;

/** Dropped in between the rafters, their tops flush. */
export const purlinBetween = {
  term: 'purlin',
  letters: 'P',
  dash: [22, 4, 6, 4],
  widthPx: 4,
  stands: 'line',
  setByHeight: false,
  listed: 'purlin',
  stock: null,
  seniority: 7,
  measured: 'top',
  bears: 'lain',
  top: 'touches',
  phase: 'roof-purlins',
  fixed: { as: 'ends', place: 'purlin-between' },
  scarfed: true,
  onDeck: 'sawn',
} as const satisfies KindRow;
