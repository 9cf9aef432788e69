import { startTransition, useEffect, useState, type ReactNode } from 'react';

/**
 * Whether what stands round something has been on the screen: false at first, then true, and what that adds is rendered
 * in slices between which the page answers.
 */
export const useStandsAlready = (): boolean => {
  const [stands, setStands] = useState(false);
  useEffect(() => {
    startTransition(() => setStands(true));
  }, []);
  return stands;
};

/** What is heavy when it first appears: there once what stands round it is on the screen. */
export const InSlices = ({
  until,
  children,
}: {
  /** What stands there until then. */
  readonly until: ReactNode;
  readonly children: ReactNode;
}) => (useStandsAlready() ? children : until);
