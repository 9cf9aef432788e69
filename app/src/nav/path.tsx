import { usePathname } from 'expo-router';
import { createContext, useContext, type ReactNode } from 'react';

const PathContext = createContext<string>('');

/**
 * Tells the pages of a job their address. They do not ask the router themselves: it changes what it knows while it
 * renders, and whatever asks it then is never rendered in slices.
 */
export const PathProvider = ({ children }: { readonly children: ReactNode }) => (
  <PathContext.Provider value={usePathname()}>{children}</PathContext.Provider>
);

/** The path of the address, without its choices. */
export const usePath = (): string => useContext(PathContext);
