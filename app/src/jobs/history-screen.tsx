import { useMutation, useQueryClient } from '@tanstack/react-query';
import { View } from 'react-native';
import { api } from '../data/api';
import { jobKeys, useRevisions } from '../data/jobs';
import { useOpenJob } from '../data/open-job';
import { Button } from '../ui/button';
import { Loading, Standstill } from '../ui/states';
import { Small, Strong, Title } from '../ui/text';

/** Every saved revision; any can be put back on top. */
export const HistoryScreen = () => {
  const { id, revision, state, meet } = useOpenJob();
  const client = useQueryClient();
  const revisions = useRevisions(id);
  const restore = useMutation({
    mutationFn: (wanted: number) => api.restore(id, wanted, revision),
    onSuccess: (stored) => {
      meet(stored);
      client.setQueryData(jobKeys.one(id), stored);
      void client.invalidateQueries({ queryKey: jobKeys.history(id) });
    },
  });
  if (revisions.isPending) return <Loading what="Fetching the history …" />;
  if (revisions.isError) {
    return (
      <Standstill
        title="The history cannot be fetched"
        text="The server does not answer."
        action={{ label: 'Try again', onPress: () => void revisions.refetch() }}
      />
    );
  }
  return (
    <View className="gap-3">
      <View>
        <Title>History</Title>
        <Small>Restoring puts an older state on top; nothing is taken out of this list.</Small>
      </View>
      {restore.isError && (
        <Small className="text-pencil" role="alert">
          Not restored: {restore.error.message}
        </Small>
      )}
      <View role="list" className="gap-2">
        {revisions.data.map((one) => (
          <View
            key={one.revision}
            role="listitem"
            className="min-h-[64px] flex-row items-center justify-between rounded border border-grain bg-sheet px-3 py-2"
          >
            <View className="flex-1">
              <Strong>
                Revision {one.revision}
                {one.restoredFrom === null ? '' : `, restored from ${one.restoredFrom}`}
              </Strong>
              <Small>{new Date(one.savedAt).toLocaleString()}</Small>
            </View>
            {one.revision === revision ? (
              <Small>now</Small>
            ) : (
              <Button
                label="Restore"
                testID={`restore-${one.revision}`}
                disabled={state !== 'saved' || restore.isPending}
                onPress={() => restore.mutate(one.revision)}
              />
            )}
          </View>
        ))}
      </View>
    </View>
  );
};
