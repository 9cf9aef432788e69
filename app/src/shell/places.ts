import type { Icon } from '../ui/button';
import { BoardIcon, CutIcon, PlatesIcon, RoofIcon, SeatedIcon } from './place-icons';

export interface Place {
  readonly path: 'site' | 'roof' | 'timber' | 'cuts' | 'fit';
  readonly name: string;
  readonly icon: Icon;
}

/** The order of the work is the order of the app. */
export const PLACES: readonly Place[] = [
  { path: 'site', name: 'Site', icon: PlatesIcon },
  { path: 'roof', name: 'Roof', icon: RoofIcon },
  { path: 'timber', name: 'Timber', icon: BoardIcon },
  { path: 'cuts', name: 'Cuts', icon: CutIcon },
  { path: 'fit', name: 'Fit', icon: SeatedIcon },
];
