import { useRouter } from 'expo-router';
import { useEffect } from 'react';
import { useHandling } from '../data/open-job';
import { useRoof } from '../data/roof';
import { markIn, useOpenPiece } from '../nav/open-piece';
import { usePath } from '../nav/path';
import { useStable } from '../ui/use-stable';
import { PLACES } from './places';
import { otherAngles, otherUnits } from './display-switch';

export const SHORTCUTS: readonly (readonly [string, string])[] = [
  ['1 – 5', 'Site, Roof, Timber, Cuts, Fit'],
  ['E', 'the first entry of the place'],
  ['J / K', 'next and previous piece'],
  ['Ctrl Z', 'undo; with Shift, redo'],
  ['U', 'feet and inches, or millimetres'],
  ['A', 'square pairs, or degrees'],
  ['?', 'show or hide this list'],
  ['Esc', 'hide this list'],
];

const isTyping = (target: EventTarget | null): boolean =>
  target instanceof HTMLInputElement || target instanceof HTMLTextAreaElement;

/** Keys for the wide screen; silent while somebody types in a field. */
export const useShortcuts = (showHelp: (change: (shown: boolean) => boolean) => void): void => {
  const { id, edit, doUndo, doRedo } = useHandling();
  const { roof } = useRoof();
  const router = useRouter();
  const openPiece = useOpenPiece();
  const path = usePath();
  const step = (by: number): void => {
    const marks = roof?.cuts.members.map((entry) => entry.mark) ?? [];
    const here = marks.indexOf(markIn(path) ?? '');
    const next = marks[here === -1 ? 0 : Math.min(marks.length - 1, Math.max(0, here + by))];
    if (next !== undefined) openPiece(next);
  };
  const press = useStable((event: KeyboardEvent): void => {
    if (isTyping(event.target) || event.altKey) return;
    if (event.ctrlKey || event.metaKey) {
      const key = event.key.toLowerCase();
      if (key !== 'z' && key !== 'y') return;
      event.preventDefault();
      if (key === 'y' || event.shiftKey) doRedo();
      else doUndo();
      return;
    }
    const place = PLACES[Number(event.key) - 1];
    if (place !== undefined) router.navigate(`/job/${id}/${place.path}`);
    else if (event.key === 'e') {
      event.preventDefault();
      document.querySelector<HTMLElement>('[role="main"] input')?.focus();
    } else if (event.key === 'j') step(1);
    else if (event.key === 'k') step(-1);
    else if (event.key === 'u') edit(otherUnits, 'Shown in other units');
    else if (event.key === 'a') edit(otherAngles, 'Angles shown the other way');
    else if (event.key === '?') showHelp((shown) => !shown);
    else if (event.key === 'Escape') showHelp(() => false);
  });
  useEffect(() => {
    window.addEventListener('keydown', press);
    return () => window.removeEventListener('keydown', press);
  }, [press]);
};
