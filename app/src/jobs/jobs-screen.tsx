import { useRouter } from 'expo-router';
import Calculator from 'lucide-react-native/icons/calculator';
import GraduationCap from 'lucide-react-native/icons/graduation-cap';
import { useDeferredValue, useState } from 'react';
import { ScrollView, View } from 'react-native';
import Plus from 'lucide-react-native/icons/plus';
import { useJobChanges, useJobs, type ListedJob } from '../data/jobs';
import { usePageTitle } from '../nav/page-title';
import { ThemeButton } from '../ui/theme-button';
import { Button } from '../ui/button';
import { Choice } from '../ui/choice';
import { NameMark } from '../ui/name-mark';
import { Loading, Standstill } from '../ui/states';
import { Small, Words } from '../ui/text';
import { WordsField } from '../ui/words-field';
import { DeletedJobs } from './deleted-jobs';
import { JobCard } from './job-card';
import { NewJobForm } from './new-job-form';

type Order = 'changed' | 'name';

/** More jobs than these are looked through by their names. */
const FEW = 6;

const found = (jobs: readonly ListedJob[], text: string, order: Order): ListedJob[] => {
  const wanted = text.trim().toLowerCase();
  const left = jobs.filter(({ name }) => name.toLowerCase().includes(wanted));
  return order === 'name'
    ? left.sort((p, q) => p.name.localeCompare(q.name))
    : left.sort((p, q) => q.updatedAt.localeCompare(p.updatedAt));
};

/** All jobs: new, found, sorted, deleted and brought back. */
export const JobsScreen = () => {
  usePageTitle('Jobs');
  const router = useRouter();
  const jobs = useJobs();
  const { undelete } = useJobChanges();
  const [adding, setAdding] = useState(false);
  const [deleted, setDeleted] = useState<ListedJob | null>(null);
  const [showDeleted, setShowDeleted] = useState(false);
  const [text, setText] = useState('');
  const [order, setOrder] = useState<Order>('changed');
  // Before there is a list, what was asked for stands already; the list, and what hangs on it, then comes in slices.
  const list = useDeferredValue(jobs.data ?? null, null);
  const all = list?.jobs ?? [];
  const shown = found(all, text, order);
  const waits = all.reduce((sum, job) => sum + job.waits, 0);
  return (
    <ScrollView
      contentContainerClassName="mx-auto w-full max-w-[640px] gap-4 p-4"
      role="main"
      nativeID="main"
      tabIndex={-1}
    >
      <View className="flex-row items-center justify-between">
        <NameMark />
        <ThemeButton />
      </View>
      <Words>From the ‹plates› and the pitch to every board of the roof.</Words>
      {adding ? (
        <NewJobForm onCancel={() => setAdding(false)} />
      ) : (
        <Button
          label="New job"
          icon={Plus}
          look="filled"
          onPress={() => setAdding(true)}
          testID="new-job"
        />
      )}
      <View className="flex-row flex-wrap gap-2">
        <Button
          label="Bench"
          icon={Calculator}
          onPress={() => router.navigate('/bench')}
          testID="to-bench"
        />
        <Button
          label="Practice"
          icon={GraduationCap}
          onPress={() => router.navigate('/practice')}
          testID="to-practice"
        />
      </View>
      {(list?.away === true || waits > 0) && (
        <View
          role="status"
          testID="jobs-away"
          className="rounded border border-pencil bg-sheet px-3 py-2"
        >
          <Words>
            {list?.away === true
              ? 'The server does not answer: these are the jobs that this device knows. '
              : ''}
            {waits > 0
              ? `${waits === 1 ? 'One entry waits' : `${waits} entries wait`} on this device and ${waits === 1 ? 'goes' : 'go'} out when it answers. `
              : ''}
            {(list?.unkept ?? 0) > 0
              ? `This device’s store is closed: ${list?.unkept === 1 ? 'one of them is' : `${list?.unkept ?? 0} of them are`} in this window only; keep it open.`
              : ''}
          </Words>
        </View>
      )}
      {(list?.aside ?? 0) > 0 && (
        <View role="status" className="rounded border border-pencil bg-sheet px-3 py-2">
          <Words>
            {list?.aside === 1 ? 'One entry' : `${list?.aside ?? 0} entries`} kept on this device
            could not be read any more, and {list?.aside === 1 ? 'lies' : 'lie'} aside here.
            Everything else is as it was.
          </Words>
        </View>
      )}
      {deleted !== null && (
        <View
          role="status"
          className="flex-row items-center justify-between rounded border border-grain bg-sheet p-3"
        >
          <Words>{deleted.name} is deleted.</Words>
          <Button
            label="Bring it back"
            testID="undelete"
            onPress={() => undelete.mutate(deleted.id, { onSuccess: () => setDeleted(null) })}
          />
        </View>
      )}
      {list === null && !jobs.isError && <Loading what="Fetching the jobs …" />}
      {jobs.isError && (
        <Standstill
          title="The jobs cannot be fetched"
          text="The server does not answer. Nothing is lost; it will be tried again."
          action={{ label: 'Try again', onPress: () => void jobs.refetch() }}
        />
      )}
      {all.length > FEW && (
        <View className="gap-2">
          <WordsField
            value={text}
            onChangeText={setText}
            placeholder="Find a job by its name"
            aria-label="Find a job by its name"
            testID="find-job"
          />
        </View>
      )}
      {all.length > 1 && (
        <Choice
          label="Order"
          hideLabel
          value={order}
          options={[
            { value: 'changed', label: 'Last changed first' },
            { value: 'name', label: 'By name' },
          ]}
          onChange={setOrder}
        />
      )}
      <View role="list" className="gap-3">
        {shown.map((job) => (
          <JobCard key={job.id} job={job} onDeleted={() => setDeleted(job)} />
        ))}
      </View>
      {text !== '' && shown.length === 0 && (
        <Words className="text-center">No job’s name has “{text}” in it.</Words>
      )}
      {list !== null && all.length === 0 && (
        <Words className="text-center">
          No jobs yet. A new one needs two measurements and a pitch.
        </Words>
      )}
      {/* What stands under the list comes with it: nothing moves that was there to be touched. */}
      {(list !== null || jobs.isError) && (
        <>
          {showDeleted ? (
            <DeletedJobs onBack={() => setShowDeleted(false)} />
          ) : (
            <Button
              label="Deleted jobs"
              onPress={() => setShowDeleted(true)}
              testID="show-deleted"
            />
          )}
          <Small>
            Ogee works out shapes. Whether a size carries its load, and how it is fixed, belongs to
            the local code and an engineer.
          </Small>
        </>
      )}
    </ScrollView>
  );
};
