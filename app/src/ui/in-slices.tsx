import { startTransition, useEffect, useState, type ReactNode } from 'react';

/**
 * What is heavy when it first appears: rendered in slices, between which the page answers, once what stands round it is
 * on the screen.
 */
export const InSlices = ({
  until,
  children,
}: {
  /** What stands there until then. */
  readonly until: ReactNode;
  readonly children: ReactNode;
}) => {
  const [there, setThere] = useState(false);
  useEffect(() => {
    startTransition(() => setThere(true));
  }, []);
  return there ? children : until;
};
