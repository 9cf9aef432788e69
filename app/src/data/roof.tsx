import { createContext, useContext } from 'react';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import type { Remote } from 'comlink';
import type { Solver, Subject } from '../solver/solver.worker';
import type { ShownRoof, Solving, SolveState } from '../solver/solving';

/** The roof of the open job, as it stands on the screen. */
export interface OpenRoof {
  /** The last good roof; null until the first one. */
  readonly roof: ShownRoof | null;
  /** How that roof stands to the job, and what can be done where it is late or failed. */
  readonly solving: SolveState;
  readonly stop: () => void;
  readonly again: () => void;
  /** The roof shown is not of what is entered now. */
  readonly stale: boolean;
  /** And will not be, as what is entered stands. */
  readonly faulty: boolean;
  readonly ask: Solving['ask'];
}

export const RoofContext = createContext<OpenRoof | null>(null);

export const useRoof = (): OpenRoof => {
  const open = useContext(RoofContext);
  if (open === null) throw new Error('useRoof outside OpenJobProvider');
  return open;
};

/** Answers about roofs that are on the screen no more are let go after this. ms */
const KEPT_MS = 10_000;

/**
 * What the solver says of the roof on the screen, by the name of the question. Undefined until it has answered first;
 * of the former roof, by its number, until it has answered again.
 */
export const useOfRoof = <T,>(
  name: readonly string[],
  question: (solver: Remote<Solver>, subject: Subject) => Promise<T | null>,
): { readonly of: number; readonly answer: T | null } | undefined => {
  const { roof, ask } = useRoof();
  const { data } = useQuery({
    queryKey: ['of-roof', roof?.serial ?? 0, ...name],
    queryFn: async () => ({
      of: roof?.serial ?? 0,
      answer: roof === null ? null : await ask(roof, question),
    }),
    enabled: roof !== null,
    placeholderData: keepPreviousData,
    staleTime: Infinity,
    gcTime: KEPT_MS,
    networkMode: 'always',
    structuralSharing: false,
  });
  return data;
};
