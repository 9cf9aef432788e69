import { useDeferredValue, type ReactNode } from 'react';

/** What is heavy when it first appears: rendered in slices, between which the page answers. */
export const InSlices = ({
  until,
  children,
}: {
  /** What stands there until then. */
  readonly until: ReactNode;
  readonly children: ReactNode;
}) => (useDeferredValue(true, false) ? children : until);
