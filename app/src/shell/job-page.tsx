import { Slot, useLocalSearchParams, useRouter } from 'expo-router';
import { useCallback } from 'react';
import { Refused } from '../data/api';
import { useJobState } from '../data/jobs';
import { lastRoof } from '../data/last-roofs';
import { OpenJobProvider } from '../data/open-job';
import { useOutbox } from '../data/outbox-provider';
import { useKept } from '../data/use-kept';
import { Glossary } from '../glossary/glossary';
import { JobShell } from './job-shell';
import { PathProvider } from '../nav/path';
import { InSlices } from '../ui/in-slices';
import { Loading, Standstill } from '../ui/states';

/** The page of one job: fetched, or as this device has it, then opened. */
export const JobPage = () => {
  const { id } = useLocalSearchParams<{ id: string }>();
  const router = useRouter();
  const known = useJobState(id);
  const outbox = useOutbox();
  // What stood typed in the job's fields when the window was last closed.
  const readTyped = useCallback(
    (of: string) => outbox.typed(of).catch(() => new Map<string, string>()),
    [outbox],
  );
  const typed = useKept(id, readTyped);
  const last = useKept(id, lastRoof);
  if (known.isPending || typed === undefined || last === undefined)
    return <Loading what="Fetching the job …" />;
  if (known.data === undefined) {
    const absent = known.error instanceof Refused && known.error.status === 404;
    return absent ? (
      <Standstill
        title="There is no such job"
        text="It may have been deleted on another device."
        action={{ label: 'All jobs', onPress: () => router.navigate('/') }}
      />
    ) : (
      <Standstill
        title="The job cannot be fetched"
        text="The server does not answer, and this device has no copy of it. Nothing is lost."
        action={{ label: 'Try again', onPress: () => void known.refetch() }}
      />
    );
  }
  return (
    <OpenJobProvider key={id} id={id} known={known.data} last={last} typedBefore={typed}>
      <PathProvider>
        <Glossary>
          <InSlices until={<Loading what="Opening …" />}>
            <JobShell>
              <Slot />
            </JobShell>
          </InSlices>
        </Glossary>
      </PathProvider>
    </OpenJobProvider>
  );
};
