import { Slot, useLocalSearchParams, useRouter } from 'expo-router';
import { Refused } from '../../../src/data/api';
import { useStoredJob } from '../../../src/data/jobs';
import { OpenJobProvider } from '../../../src/data/open-job';
import { JobShell } from '../../../src/shell/job-shell';
import { Loading, Standstill } from '../../../src/ui/states';

export default function JobLayout() {
  const { id } = useLocalSearchParams<{ id: string }>();
  const router = useRouter();
  const stored = useStoredJob(id);
  if (stored.isPending) return <Loading what="Fetching the job …" />;
  if (stored.data === undefined) {
    const absent = stored.error instanceof Refused && stored.error.status === 404;
    return absent ? (
      <Standstill
        title="There is no such job"
        text="It may have been deleted on another device."
        action={{ label: 'All jobs', onPress: () => router.navigate('/') }}
      />
    ) : (
      <Standstill
        title="The job cannot be fetched"
        text="The server does not answer. Nothing is lost."
        action={{ label: 'Try again', onPress: () => void stored.refetch() }}
      />
    );
  }
  return (
    <OpenJobProvider key={id} stored={stored.data}>
      <JobShell>
        <Slot />
      </JobShell>
    </OpenJobProvider>
  );
}
