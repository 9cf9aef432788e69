import type { Job, Side } from '@ogee/core/src/job';
import type { Problem } from '@ogee/core/src/problem';
import { useQueryClient } from '@tanstack/react-query';
import {
  createContext,
  useCallback,
  useContext,
  useEffect,
  useMemo,
  useRef,
  useState,
  type ReactNode,
} from 'react';
import type { Taken } from '../instruments/instrument';
import { JobInHand, problemText, type Change, type Snapshot } from './job-in-hand';
import { jobKeys } from './jobs';
import { signed } from './log-line';
import { useOnScreen } from './on-screen';
import type { JobState } from './outbox';
import { useOutbox } from './outbox-provider';
import { RoofContext, type OpenRoof } from './roof';
import { whoNow } from './who';

interface OpenJob extends Snapshot {
  readonly id: string;
  /** One change of the job, and what it did in words. Not taken where the job's checks refuse it. */
  readonly edit: (change: Change, said?: string) => boolean;
  readonly hand: Pick<
    JobInHand,
    'takeUp' | 'whileTyping' | 'refuse' | 'withdraw' | 'leave' | 'putBack' | 'say'
  >;
  readonly doUndo: () => void;
  readonly doRedo: () => void;
  readonly restore: (job: Job, revision: number) => void;
  readonly keepMine: () => Promise<void>;
  readonly takeTheirs: () => Promise<void>;
  /** What stands typed and not taken, by path: also from before the window was last closed. */
  readonly typedBefore: ReadonlyMap<string, string>;
  /** What a wall was as an eave before it was made something else, by part and wall: its pitch comes back with it. */
  readonly eavesBefore: Map<string, Side>;
  /** Keeps on the device what stands in a field, until it is taken or put back. */
  readonly keepTyped: (path: string, text: string | null) => void;
  /** Keeps in the log what an instrument read into a field, with where it came from. */
  readonly keepReading: (path: string, said: string, taken: Taken) => void;
  readonly problems: readonly Problem[];
  /** What the job's checks say of one field. */
  readonly problemAt: (path: string) => string | undefined;
  /** A field tells whether what stands in it can be read. */
  readonly setFault: (field: string, fault: boolean) => void;
}

/** As much of what an entry did goes into a line of the log. */
const MOST_SAID = 200;

const OpenJobContext = createContext<OpenJob | null>(null);

/** Holds the job being worked on: its entries, their way to the server, its roof. */
export const OpenJobProvider = ({
  id,
  known,
  typedBefore,
  children,
}: {
  id: string;
  known: JobState;
  typedBefore: ReadonlyMap<string, string>;
  children: ReactNode;
}) => {
  const client = useQueryClient();
  const outbox = useOutbox();
  const [inHand] = useState(
    () =>
      new JobInHand(id, outbox, known, () => {
        void client.invalidateQueries({ queryKey: jobKeys.list, exact: true });
        void client.invalidateQueries({ queryKey: jobKeys.history(id) });
      }),
  );
  const { snapshot, solved, ask, stop, again } = useOnScreen(inHand);
  useEffect(() => () => inHand.dispose(), [inHand]);

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
  const [eavesBefore] = useState(() => new Map<string, Side>());
  const [typed] = useState(() => new Map(typedBefore));
  const keepTyped = useCallback(
    (path: string, text: string | null) => {
      if (text === null) typed.delete(path);
      else typed.set(path, text);
      void outbox.setTyped(id, path, text);
    },
    [outbox, id, typed],
  );

  const keepReading = useCallback(
    (path: string, said: string, { value, source }: Taken) => {
      const unit = source === 'level' ? 'deg' : 'mm';
      const what = said.slice(0, MOST_SAID);
      const line = { kind: 'measurement', what, path, value, unit, planned: null, source } as const;
      void outbox.log.append(id, [signed(line, whoNow())]);
    },
    [outbox, id],
  );

  const { job, checked, inHand: field } = snapshot;
  const problems = checked.ok ? solved.problems : checked.problems;
  const value = useMemo<OpenJob>(
    () => ({
      ...snapshot,
      id,
      edit: inHand.edit,
      hand: inHand,
      doUndo: inHand.undo,
      doRedo: inHand.redo,
      restore: inHand.restore,
      keepMine: inHand.keepMine,
      takeTheirs: inHand.takeTheirs,
      typedBefore: typed,
      eavesBefore,
      keepTyped,
      keepReading,
      problems,
      problemAt: (path) => {
        const found =
          field?.path === path && field.problem !== null
            ? field.problem
            : problems.find((problem) => problem.path === path);
        return found === undefined ? undefined : problemText(found, job);
      },
      setFault,
    }),
    [
      snapshot,
      id,
      inHand,
      typed,
      eavesBefore,
      keepTyped,
      keepReading,
      problems,
      field,
      job,
      setFault,
    ],
  );
  const { roof, solving } = solved;
  const stale =
    roof !== null &&
    (problems.length > 0 || faults.size > 0 || field?.problem != null || solving !== 'current');
  const openRoof = useMemo<OpenRoof>(
    () => ({ roof, solving, ask, stop, again, stale }),
    [roof, solving, ask, stop, again, stale],
  );
  return (
    <OpenJobContext.Provider value={value}>
      <RoofContext.Provider value={openRoof}>{children}</RoofContext.Provider>
    </OpenJobContext.Provider>
  );
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
