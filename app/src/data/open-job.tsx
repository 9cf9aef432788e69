import {
  readJob,
  spoken,
  type FitReport,
  type Job,
  type Problem,
  type Solution,
  type StoredJob,
} from '@ogee/core';
import { useQueryClient } from '@tanstack/react-query';
import {
  createContext,
  useCallback,
  useContext,
  useEffect,
  useMemo,
  useRef,
  useState,
  useSyncExternalStore,
  type ReactNode,
} from 'react';
import { useSolution } from '../solver/use-solution';
import { JobSaver, type Snapshot } from './job-saver';
import { jobKeys } from './jobs';

interface OpenJob extends Snapshot {
  readonly id: string;
  readonly edit: (change: (job: Job) => Job) => void;
  readonly keepMine: () => Promise<void>;
  readonly takeTheirs: () => Promise<void>;
  readonly meet: (stored: StoredJob) => void;
  /** The last good roof; null until the first one. */
  readonly solution: Solution | null;
  /** The roof shown is not of what is entered now. */
  readonly stale: boolean;
  readonly problems: readonly Problem[];
  /** The dry fit of a job, worked out in the solver's thread; null when it has no roof. */
  readonly fitRoof: (job: Job) => Promise<FitReport | null>;
  /** What the job's checks say of one field. */
  readonly problemAt: (path: string) => string | undefined;
  /** A field tells whether what stands in it can be read. */
  readonly setFault: (field: string, fault: boolean) => void;
}

const OpenJobContext = createContext<OpenJob | null>(null);

/** Holds the job being worked on: its edits, their saving, its roof. */
export const OpenJobProvider = ({
  stored,
  children,
}: {
  stored: StoredJob;
  children: ReactNode;
}) => {
  const client = useQueryClient();
  const [saver] = useState(
    () =>
      new JobSaver(stored.id, stored, (saved) => {
        client.setQueryData(jobKeys.one(saved.id), saved);
        void client.invalidateQueries({ queryKey: jobKeys.list, exact: true });
        void client.invalidateQueries({ queryKey: jobKeys.history(saved.id) });
      }),
  );
  const snapshot = useSyncExternalStore(saver.subscribe, saver.read);
  useEffect(() => saver.meet(stored), [saver, stored]);
  useEffect(() => saver.dispose, [saver]);

  const [faults, setFaults] = useState<ReadonlySet<string>>(new Set());
  const setFault = useCallback((field: string, fault: boolean) => {
    setFaults((now) => {
      if (now.has(field) === fault) return now;
      const next = new Set(now);
      if (fault) next.add(field);
      else next.delete(field);
      return next;
    });
  }, []);

  const checked = useMemo(() => readJob(snapshot.job), [snapshot.job]);
  const solved = useSolution(checked.ok ? checked.value : null);
  const problems = checked.ok ? solved.problems : checked.problems;
  const value = useMemo<OpenJob>(
    () => ({
      ...snapshot,
      id: stored.id,
      edit: saver.edit,
      keepMine: saver.keepMine,
      takeTheirs: saver.takeTheirs,
      meet: saver.meet,
      solution: solved.solution,
      fitRoof: solved.fitRoof,
      stale: solved.solution !== null && (problems.length > 0 || faults.size > 0),
      problems,
      problemAt: (path) => {
        const found = problems.find((problem) => problem.path === path);
        return found === undefined ? undefined : spoken(found.text, snapshot.job.display);
      },
      setFault,
    }),
    [snapshot, stored.id, saver, solved.solution, solved.fitRoof, problems, faults, setFault],
  );
  return <OpenJobContext.Provider value={value}>{children}</OpenJobContext.Provider>;
};

export const useOpenJob = (): OpenJob => {
  const open = useContext(OpenJobContext);
  if (open === null) throw new Error('useOpenJob outside OpenJobProvider');
  return open;
};

/** Marks this field's fault while it is on the screen, and takes the mark away with it. */
export const useFault = (field: string): ((fault: boolean) => void) => {
  const { setFault } = useOpenJob();
  const held = useRef(setFault);
  useEffect(() => {
    const clear = held.current;
    return () => clear(field, false);
  }, [field]);
  return (fault) => setFault(field, fault);
};
