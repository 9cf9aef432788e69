import { useState } from 'react';
import { ScrollView, View } from 'react-native';
import Plus from 'lucide-react-native/icons/plus';
import type { JobSummary } from '@ogee/core';
import { useJobChanges, useJobs } from '../data/jobs';
import { ThemeButton } from '../theme/theme-button';
import { Button } from '../ui/button';
import { NameMark } from '../ui/name-mark';
import { Loading, Standstill } from '../ui/states';
import { Small, Words } from '../ui/text';
import { JobCard } from './job-card';
import { NewJobForm } from './new-job-form';

/** All jobs, newest change first. */
export const JobsScreen = () => {
  const jobs = useJobs();
  const { remove, undelete } = useJobChanges();
  const [adding, setAdding] = useState(false);
  const [deleted, setDeleted] = useState<JobSummary | null>(null);
  return (
    <ScrollView contentContainerClassName="mx-auto w-full max-w-[640px] gap-4 p-4">
      <View className="flex-row items-center justify-between">
        <NameMark />
        <ThemeButton />
      </View>
      <Words>From the plates and the pitch to every board of the roof.</Words>
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
      {jobs.isPending && <Loading what="Fetching the jobs …" />}
      {jobs.isError && (
        <Standstill
          title="The jobs cannot be fetched"
          text="The server does not answer. Nothing is lost; it will be tried again."
          action={{ label: 'Try again', onPress: () => void jobs.refetch() }}
        />
      )}
      <View role="list" className="gap-3">
        {jobs.data?.map((job) => (
          <JobCard
            key={job.id}
            job={job}
            onDelete={() => remove.mutate(job.id, { onSuccess: () => setDeleted(job) })}
          />
        ))}
      </View>
      {jobs.data?.length === 0 && (
        <Words className="text-center">
          No jobs yet. A new one needs two measurements and a pitch.
        </Words>
      )}
      <Small>
        Ogee works out shapes. Whether a size carries its load, and how it is fixed, belongs to the
        local code and an engineer.
      </Small>
    </ScrollView>
  );
};
