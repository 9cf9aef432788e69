import type { Job, Side } from '@ogee/core/src/job';
import type { CutList } from '@ogee/core/src/cuts';
import { pathText, type Problem } from '@ogee/core/src/problem';
import { spoken } from '@ogee/core/src/sentence';
import { useQueryClient } from '@tanstack/react-query';
import {
  createContext,
  useCallback,
  useContext,
  useEffect,
  useMemo,
  useRef,
  useState,
  type Context,
  type ReactNode,
} from 'react';
import type { Taken } from '../instruments/instrument';
import { JobInHand, type Change, type News, type Snapshot } from './job-in-hand';
import { deviceId } from '../browser/device-id';
import { api } from './api';
import { fetchJob, jobKeys } from './jobs';
import { useKeptRoof, type LastRoof } from './last-roofs';
import { signed } from './log-line';
import { useOnScreen } from './on-screen';
import type { JobState } from './outbox';
import { useOutbox } from './outbox-provider';
import { RoofContext, type OpenRoof } from './roof';
import { whoNow } from './who';

/** How an open job is worked on: one and the same for as long as it is open. */
interface Handling {
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
  /** What others did was seen. */
  readonly seen: () => void;
  /** What stands typed and not taken, by path: also from before the window was last closed. */
  readonly typedBefore: ReadonlyMap<string, string>;
  /** What a wall was as an eave before it was made something else, by part and wall: its pitch comes back with it. */
  readonly eavesBefore: Map<string, Side>;
  /** Keeps on the device what stands in a field, until it is taken or put back. */
  readonly keepTyped: (path: string, text: string | null) => void;
  /** Keeps in the log what an instrument read into a field, with where it came from. */
  readonly keepReading: (path: string, said: string, taken: Taken) => void;
  /** A field tells whether what stands in it can be read. */
  readonly setFault: (field: string, fault: boolean) => void;
}

/** How the entries stand: with whom the last one is, and what undo would do. */
type Standing = Pick<
  Snapshot,
  'state' | 'revision' | 'from' | 'stop' | 'clashes' | 'notTaken' | 'news' | 'undo' | 'redo'
>;

/** What is wrong with the job as it stands. */
interface Problems {
  readonly problems: readonly Problem[];
  /** What the job's checks say of one field, or why what it asks for is not framed. */
  readonly problemAt: (path: string) => string | undefined;
}

/** What other devices did to a job after a revision, the oldest first. Without an answer: that something was done. */
const newsOf =
  (id: string) =>
  async (since: number): Promise<readonly News[]> => {
    try {
      const revisions = await api.newestRevisions(id);
      return revisions
        .filter(({ revision, device }) => revision > since && device !== deviceId())
        .map(({ revision, said, by }) => ({ revision, said: said ?? 'Changed', by: by ?? '' }))
        .reverse();
    } catch {
      return [{ revision: since + 1, said: 'Changed elsewhere', by: '' }];
    }
  };

/** One and the same, so that what shows it is not drawn anew for none. */
const NONE_WITHHELD: CutList['withheld'] = [];

/** A change made here comes back as news a moment before its own answer. ms */
const OWN_MS = 1000;

/** As much of what an entry did goes into a line of the log. */
const MOST_SAID = 200;

// Each by itself: a length half typed changes the job and nothing else, and what does not show it is not drawn anew.
const HandlingContext = createContext<Handling | null>(null);
const JobContext = createContext<Job | null>(null);
const DisplayContext = createContext<Job['display'] | null>(null);
const StandingContext = createContext<Standing | null>(null);
const ProblemsContext = createContext<Problems | null>(null);

/** Holds the job being worked on: its entries, their way to the server, its roof. */
export const OpenJobProvider = ({
  id,
  known,
  last,
  typedBefore,
  children,
}: {
  id: string;
  known: JobState;
  /** The roof that this device worked out last. */
  last: LastRoof | null;
  typedBefore: ReadonlyMap<string, string>;
  children: ReactNode;
}) => {
  const client = useQueryClient();
  const outbox = useOutbox();
  const [inHand] = useState(
    () =>
      new JobInHand(
        id,
        outbox,
        known,
        () => {
          void client.invalidateQueries({ queryKey: jobKeys.list, exact: true });
          void client.invalidateQueries({ queryKey: jobKeys.history(id) });
        },
        newsOf(id),
      ),
  );
  useEffect(() => {
    const fetch = (): void => void fetchJob(outbox, id).catch(() => undefined);
    return outbox.onChanges(({ missed, changes }) => {
      const own = changes.filter((one) => one.kind === 'job' && one.id === id);
      if (missed || own.some((one) => one.kind === 'job' && one.device !== deviceId())) fetch();
      else if (own.length > 0) setTimeout(fetch, OWN_MS);
    });
  }, [outbox, id]);
  const { snapshot, solved, ask, stop, again } = useOnScreen(inHand, last);
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

  const handling = useMemo<Handling>(
    () => ({
      id,
      edit: inHand.edit,
      hand: inHand,
      doUndo: inHand.undo,
      doRedo: inHand.redo,
      restore: inHand.restore,
      keepMine: inHand.keepMine,
      takeTheirs: inHand.takeTheirs,
      seen: inHand.seen,
      typedBefore: typed,
      eavesBefore,
      keepTyped,
      keepReading,
      setFault,
    }),
    [id, inHand, typed, eavesBefore, keepTyped, keepReading, setFault],
  );
  const { state, revision, from, stop: stopped, clashes, notTaken, news, undo, redo } = snapshot;
  const standing = useMemo<Standing>(
    () => ({ state, revision, from, stop: stopped, clashes, notTaken, news, undo, redo }),
    [state, revision, from, stopped, clashes, notTaken, news, undo, redo],
  );
  const { job, checked, inHand: field } = snapshot;
  const { display } = job;
  const problems = checked.ok ? solved.problems : checked.problems;
  const refused = field?.problem ?? null;
  const refusedAt = refused === null ? null : (field?.path ?? null);
  const { roof, solving } = solved;
  const withheld = roof?.cuts.withheld ?? NONE_WITHHELD;
  const told = useMemo<Problems>(
    () => ({
      problems,
      problemAt: (path) => {
        const found =
          refused !== null && refusedAt === path
            ? refused
            : problems.find((problem) => pathText(problem.path) === path);
        return found === undefined
          ? withheld.find((part) => part.path === path)?.text
          : spoken(found.text, display);
      },
    }),
    [problems, refused, refusedAt, withheld, display],
  );
  useKeptRoof(id, roof, snapshot.state);
  const faulty = roof !== null && (problems.length > 0 || faults.size > 0 || refused !== null);
  const stale = faulty || (roof !== null && solving !== 'current');
  const openRoof = useMemo<OpenRoof>(
    () => ({ roof, solving, ask, stop, again, stale, faulty }),
    [roof, solving, ask, stop, again, stale, faulty],
  );
  return (
    <HandlingContext value={handling}>
      <DisplayContext value={display}>
        <StandingContext value={standing}>
          <ProblemsContext value={told}>
            <RoofContext value={openRoof}>
              <JobContext value={job}>{children}</JobContext>
            </RoofContext>
          </ProblemsContext>
        </StandingContext>
      </DisplayContext>
    </HandlingContext>
  );
};

const useGiven = <T,>(context: Context<T | null>): T => {
  const given = useContext(context);
  if (given === null) throw new Error('used outside OpenJobProvider');
  return given;
};

/** The open job as it is shown: with the entry in hand. */
export const useJob = (): Job => useGiven(JobContext);
/** The units and words that the open job is shown in. */
export const useDisplay = (): Job['display'] => useGiven(DisplayContext);
export const useHandling = (): Handling => useGiven(HandlingContext);
export const useStanding = (): Standing => useGiven(StandingContext);
export const useProblems = (): Problems => useGiven(ProblemsContext);

/** Marks this field's fault while it is on the screen, and takes the mark away with it. */
export const useFault = (field: string): ((fault: boolean) => void) => {
  const { setFault } = useHandling();
  const held = useRef(setFault);
  useEffect(() => {
    const clear = held.current;
    return () => clear(field, false);
  }, [field]);
  return (fault) => setFault(field, fault);
};
