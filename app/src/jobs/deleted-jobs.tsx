import { View } from 'react-native';
import { useDeletedJobs, useJobChanges } from '../data/jobs';
import { Button } from '../ui/button';
import { Loading } from '../ui/states';
import { Small, Strong, Title } from '../ui/text';
import { whenText } from '../ui/when';

/** Deleted jobs, each to be brought back. */
export const DeletedJobs = ({ onBack }: { readonly onBack: (name: string) => void }) => {
  const deleted = useDeletedJobs(true);
  const { undelete } = useJobChanges();
  return (
    <View className="gap-2" testID="deleted-jobs">
      <Title>Deleted jobs</Title>
      {deleted.isPending && <Loading what="Fetching the deleted jobs …" />}
      {deleted.isError && (
        <Small className="text-pencil">
          The server does not answer; what was deleted is listed when it does.
        </Small>
      )}
      {deleted.data?.length === 0 && <Small>None.</Small>}
      <View role="list" className="gap-2">
        {deleted.data?.map((job) => (
          <View
            key={job.id}
            role="listitem"
            className="min-h-[56px] flex-row items-center justify-between gap-2 rounded border border-edge bg-sheet px-3 py-2"
          >
            <View className="flex-1">
              <Strong>{job.name}</Strong>
              {job.deletedAt !== null && <Small>deleted {whenText(job.deletedAt)}</Small>}
            </View>
            <Button
              label={`Bring back ${job.name}`}
              disabled={undelete.isPending}
              onPress={() => undelete.mutate(job.id, { onSuccess: () => onBack(job.name) })}
            />
          </View>
        ))}
      </View>
    </View>
  );
};
