import type { RevisionSummary } from '@ogee/core/src/wire';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { View } from 'react-native';
import { api } from '../data/api';
import { jobKeys, useRevisions } from '../data/jobs';
import { useHandling, useStanding } from '../data/open-job';
import { useAddressed } from '../nav/addressed';
import { Button } from '../ui/button';
import { Loading, Standstill } from '../ui/states';
import { Small, Strong, Title } from '../ui/text';
import { WordsField } from '../ui/words-field';
import { whenText } from '../ui/when';
import { Beside } from './beside';

/** A name for a revision, so that it is kept for good. */
const NameRevision = ({
  id,
  one,
  onDone,
}: {
  readonly id: string;
  readonly one: RevisionSummary;
  readonly onDone: () => void;
}) => {
  const client = useQueryClient();
  const [label, setLabel] = useState(one.label ?? '');
  const name = useMutation({
    mutationFn: () => api.nameRevision(id, one.revision, label),
    onSuccess: async () => {
      await client.invalidateQueries({ queryKey: jobKeys.history(id) });
      onDone();
    },
  });
  return (
    <View className="gap-2 py-2">
      <WordsField
        value={label}
        onChangeText={setLabel}
        autoFocus
        maxLength={80}
        aria-label={`Name of revision ${one.revision}`}
        testID="revision-name"
      />
      <View className="flex-row gap-2">
        <Button label="Keep the name" onPress={() => name.mutate()} disabled={name.isPending} />
        <Button label="Leave it" onPress={onDone} />
      </View>
      {name.isError && (
        <Small className="text-pencil">The server does not answer; try again.</Small>
      )}
    </View>
  );
};

const KEPT_FOR: Readonly<Record<'conflict' | 'sawn', string>> = {
  conflict: 'kept, as two changed the same',
  sawn: 'kept, as sawn from',
};

const Revision = ({
  one,
  onBeside,
}: {
  readonly one: RevisionSummary;
  readonly onBeside: () => void;
}) => {
  const { id, restore } = useHandling();
  const { revision } = useStanding();
  const [naming, setNaming] = useState(false);
  const fetched = useMutation({
    mutationFn: () => api.revision(id, one.revision),
    onSuccess: ({ job }) => restore(job, one.revision),
  });
  return (
    <View role="listitem" className="rounded border border-grain bg-sheet px-3 py-2">
      <View className="min-h-[56px] flex-row flex-wrap items-center justify-end gap-2">
        <View className="min-w-[200px] flex-1">
          <Strong>{one.label ?? one.said ?? `Revision ${one.revision}`}</Strong>
          {one.label !== null && one.said !== null && <Small>{one.said}</Small>}
          <Small>
            {[
              whenText(one.savedAt),
              ...(one.by === null ? [] : [one.by]),
              `revision ${one.revision}`,
              ...(one.keptFor === null ? [] : [KEPT_FOR[one.keptFor]]),
            ].join(' · ')}
          </Small>
        </View>
        <View className="flex-row items-center gap-2">
          {!naming && (
            <Button
              label={one.label === null ? 'Name' : 'Rename'}
              onPress={() => setNaming(true)}
              testID={`name-${one.revision}`}
            />
          )}
          {one.revision === revision ? (
            <Small>now</Small>
          ) : (
            <>
              <Button label="Beside now" testID={`beside-${one.revision}`} onPress={onBeside} />
              <Button
                label="Restore"
                testID={`restore-${one.revision}`}
                disabled={fetched.isPending}
                onPress={() => fetched.mutate()}
              />
            </>
          )}
        </View>
      </View>
      {naming && <NameRevision id={id} one={one} onDone={() => setNaming(false)} />}
      {fetched.isError && (
        <Small className="text-pencil" role="alert">
          Not restored: {fetched.error.message}
        </Small>
      )}
    </View>
  );
};

/** No revision is shown beside the job: revisions count from 1. */
const NONE = 0;

const revisionOf = (text: string): number | null => (/^\d{1,9}$/.test(text) ? Number(text) : null);

/** What was entered, the newest first; any state can be put back on top. */
export const HistoryScreen = () => {
  const { id } = useHandling();
  const revisions = useRevisions(id);
  const [beside, setBeside] = useAddressed<number>('beside', NONE, revisionOf);
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
  const older = revisions.data.find(({ revision }) => revision === beside);
  if (older !== undefined)
    return (
      <Beside
        one={older}
        since={revisions.data.filter(({ revision }) => revision > beside)}
        onClose={() => setBeside(NONE)}
      />
    );
  return (
    <View className="gap-3">
      <View>
        <Title>History</Title>
        <Small>
          Restoring puts an older state on top. All of today is kept and the last of each day
          before; and for good whatever has a name, was restored or replaced by restoring, put aside
          when two changed the same, or sawn from.
        </Small>
      </View>
      <View role="list" className="gap-2">
        {revisions.data.map((one) => (
          <Revision key={one.revision} one={one} onBeside={() => setBeside(one.revision)} />
        ))}
      </View>
    </View>
  );
};
