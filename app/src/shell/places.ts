import Hammer from 'lucide-react-native/icons/hammer';
import House from 'lucide-react-native/icons/house';
import Puzzle from 'lucide-react-native/icons/puzzle';
import Ruler from 'lucide-react-native/icons/ruler';
import Trees from 'lucide-react-native/icons/trees';
import type { Icon } from '../ui/button';

export interface Place {
  readonly path: 'site' | 'roof' | 'timber' | 'cuts' | 'fit';
  readonly name: string;
  readonly icon: Icon;
}

/** The order of the work is the order of the app. */
export const PLACES: readonly Place[] = [
  { path: 'site', name: 'Site', icon: Ruler },
  { path: 'roof', name: 'Roof', icon: House },
  { path: 'timber', name: 'Timber', icon: Trees },
  { path: 'cuts', name: 'Cuts', icon: Hammer },
  { path: 'fit', name: 'Fit', icon: Puzzle },
];
