import { startTransition, useEffect, useState, type RefObject } from 'react';
import type { View } from 'react-native';

/** As far beyond its edges a list counts as in sight. */
const BEYOND = '160px';

/**
 * Keeps in `out` which marks of a list's lines are out of sight, as it is scrolled. `list` holds the lines, each element
 * with its mark.
 */
export const useOutOfSight = (
  list: RefObject<View | null>,
  lines: readonly unknown[],
  out: Set<string>,
): void => {
  useEffect(() => {
    const element = list.current as unknown as HTMLElement | null;
    if (element === null || typeof IntersectionObserver === 'undefined') return undefined;
    const watch = new IntersectionObserver(
      (seen) => {
        for (const { target, isIntersecting } of seen) {
          const mark = (target as HTMLElement).dataset.mark ?? '';
          if (isIntersecting) out.delete(mark);
          else out.add(mark);
        }
      },
      { rootMargin: BEYOND },
    );
    for (const line of element.children) watch.observe(line);
    return () => {
      watch.disconnect();
      out.clear();
    };
  }, [list, lines, out]);
};

/** What was painted last, and what was out of sight then. */
export interface Painted<T> {
  readonly value: T;
  readonly out: ReadonlySet<string>;
}

/** A value as it was until the page with the newest one was painted. */
export const usePainted = <T>(now: T, out: ReadonlySet<string>): Painted<T> => {
  const [painted, setPainted] = useState<Painted<T>>(() => ({ value: now, out: new Set() }));
  useEffect(() => {
    if (painted.value === now) return undefined;
    let timer: ReturnType<typeof setTimeout> | null = null;
    const frame = requestAnimationFrame(() => {
      timer = setTimeout(() =>
        startTransition(() => setPainted({ value: now, out: new Set(out) })),
      );
    });
    return () => {
      cancelAnimationFrame(frame);
      if (timer !== null) clearTimeout(timer);
    };
  }, [painted, now, out]);
  return painted;
};
