import { useRouter } from 'expo-router';
import { useState } from 'react';
import { Pressable, View } from 'react-native';
import Ellipsis from 'lucide-react-native/icons/ellipsis';
import { useJobChanges, type ListedJob } from '../data/jobs';
import { Button, IconButton } from '../ui/button';
import { Small, Title, Words } from '../ui/text';
import { WordsField } from '../ui/words-field';
import { whenText } from '../ui/when';
import { JobGlance, useGlance } from './job-glance';

type Asked = 'nothing' | 'what' | 'name' | 'delete';

const Rename = ({ job, onDone }: { readonly job: ListedJob; readonly onDone: () => void }) => {
  const { rename } = useJobChanges();
  const [name, setName] = useState(job.name);
  const keep = (): void => rename.mutate({ id: job.id, name: name.trim() }, { onSuccess: onDone });
  return (
    <View className="gap-2">
      <WordsField
        value={name}
        onChangeText={setName}
        onSubmitEditing={() => name.trim() !== '' && keep()}
        autoFocus
        maxLength={120}
        aria-label={`New name of ${job.name}`}
        testID="rename-field"
      />
      <View className="flex-row gap-2">
        <Button label="Rename" onPress={keep} disabled={name.trim() === '' || rename.isPending} />
        <Button label="Leave it" onPress={onDone} />
      </View>
      {rename.isError && (
        <Small className="text-pencil" role="alert">
          Not renamed: {rename.error.message}
        </Small>
      )}
    </View>
  );
};

/** A job of the list, and what can be done with it. Deleting is asked for, and then asked again. */
export const JobCard = ({
  job,
  onDeleted,
}: {
  readonly job: ListedJob;
  readonly onDeleted: () => void;
}) => {
  const router = useRouter();
  const { duplicate, remove } = useJobChanges();
  const [asked, setAsked] = useState<Asked>('nothing');
  const look = useGlance(job);
  const done = (): void => setAsked('nothing');
  return (
    <View role="listitem" className="rounded border border-edge bg-sheet">
      <View className="flex-row items-center">
        <Pressable
          role="link"
          onPress={() => router.navigate(`/job/${job.id}/cuts`)}
          testID={`job-${job.name}`}
          className="min-h-[76px] flex-1 flex-row items-center gap-3 px-3 py-2 active:bg-wash"
        >
          <JobGlance {...look} />
          <View className="min-w-0 flex-1">
            <Title>{job.name}</Title>
            <Small>
              {look.glance == null ? '' : `${look.glance.boards} boards · `}
              {whenText(job.updatedAt)}
              {job.sample ? ' · sample' : ''}
              {job.waits > 0 ? ` · ${job.waits} on this device only` : ''}
            </Small>
          </View>
        </Pressable>
        <IconButton
          label={`More for ${job.name}`}
          icon={Ellipsis}
          onPress={() => setAsked(asked === 'nothing' ? 'what' : 'nothing')}
          testID={`more-${job.name}`}
        />
      </View>
      {asked !== 'nothing' && (
        <View className="gap-2 border-t border-grain p-3">
          {asked === 'what' && (
            <View className="flex-row flex-wrap gap-2">
              <Button label="Rename" onPress={() => setAsked('name')} />
              <Button
                label="Duplicate"
                onPress={() =>
                  duplicate.mutate({ id: job.id, name: `${job.name}, copy` }, { onSuccess: done })
                }
              />
              <Button label="Delete …" look="danger" onPress={() => setAsked('delete')} />
            </View>
          )}
          {duplicate.isError && (
            <Small className="text-pencil" role="alert">
              Not copied: {duplicate.error.message}
            </Small>
          )}
          {asked === 'name' && <Rename job={job} onDone={done} />}
          {asked === 'delete' && (
            <>
              <Words>Delete “{job.name}”? It can be brought back from the deleted ones.</Words>
              <View className="flex-row gap-2">
                <Button label="Keep it" onPress={done} />
                <Button
                  label={`Delete ${job.name}`}
                  look="danger"
                  onPress={() => remove.mutate(job.id, { onSuccess: onDeleted })}
                />
              </View>
            </>
          )}
        </View>
      )}
    </View>
  );
};
