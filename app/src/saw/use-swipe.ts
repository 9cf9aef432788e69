import { useEffect, useRef, type RefObject } from 'react';
import type { View } from 'react-native';
import { useStable } from '../ui/use-stable';

/** A finger that has gone so far to a side, and further so than up or down, has swiped. px */
const SWIPED_PX = 56;

/** Tells when a finger swipes over a view: 1 to the left, on to the next; −1 to the right, back. */
export const useSwipe = (onSwipe: (by: 1 | -1) => void): RefObject<View | null> => {
  const view = useRef<View>(null);
  const tell = useStable(onSwipe);
  useEffect(() => {
    const element = view.current as unknown as HTMLElement | null;
    if (element === null) return;
    let from: readonly [number, number] | null = null;
    const down = ({ clientX, clientY }: PointerEvent): void => {
      from = [clientX, clientY];
    };
    const up = ({ clientX, clientY }: PointerEvent): void => {
      if (from === null) return;
      const [across, along] = [clientX - from[0], clientY - from[1]];
      from = null;
      if (Math.abs(across) > SWIPED_PX && Math.abs(across) > 2 * Math.abs(along))
        tell(across < 0 ? 1 : -1);
    };
    const lost = (): void => {
      from = null;
    };
    element.style.touchAction = 'pan-y';
    element.addEventListener('pointerdown', down);
    element.addEventListener('pointerup', up);
    element.addEventListener('pointercancel', lost);
    return () => {
      element.removeEventListener('pointerdown', down);
      element.removeEventListener('pointerup', up);
      element.removeEventListener('pointercancel', lost);
    };
  }, [tell]);
  return view;
};
