import type { Icon } from '../ui/button';
import { BoardIcon, CutIcon, PlatesIcon, RoofIcon, SeatedIcon } from '../ui/place-icons';

export interface Place {
  readonly path: 'site' | 'roof' | 'timber' | 'cuts' | 'fit';
  readonly name: string;
  readonly icon: Icon;
  /** Pages that are come to from it, by their paths: while one is shown, this is where one is. */
  readonly pages: Readonly<Record<string, string>>;
}

/** The order of the work is the order of the app. */
export const PLACES: readonly Place[] = [
  { path: 'site', name: 'Site', icon: PlatesIcon, pages: { 'as-built': 'As built' } },
  { path: 'roof', name: 'Roof', icon: RoofIcon, pages: {} },
  { path: 'timber', name: 'Timber', icon: BoardIcon, pages: {} },
  {
    path: 'cuts',
    name: 'Cuts',
    icon: CutIcon,
    pages: { saw: 'At the saw', log: 'Log', patterns: 'Patterns', try: 'Tried in place' },
  },
  { path: 'fit', name: 'Fit', icon: SeatedIcon, pages: {} },
];

/** The place that a path within a job belongs to. */
export const placeOf = (path: string): Place | undefined =>
  PLACES.find((one) => one.path === path || path in one.pages);
