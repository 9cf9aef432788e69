import { spoken } from '@ogee/core';
import { View } from 'react-native';
import { useOpenJob } from '../data/open-job';
import { Button } from '../ui/button';
import { Small, Strong, Words } from '../ui/text';
import { placeName } from './place-name';

const when = (iso: string): string => new Date(iso).toLocaleTimeString();

/** Two tabs, one job: both versions are kept, the person says which one goes on top. */
export const ConflictBar = () => {
  const { theirs, keepMine, takeTheirs } = useOpenJob();
  if (theirs === null) return null;
  return (
    <View role="alert" testID="conflict" className="gap-2 border-b border-pencil bg-blush p-3">
      <Strong>This job was saved elsewhere at {when(theirs.updatedAt)}.</Strong>
      <Words>Choose which goes on top. The other stays in the history.</Words>
      <View className="flex-row flex-wrap gap-2">
        <Button label="Keep mine" testID="keep-mine" onPress={() => void keepMine()} />
        <Button label="Take the other" testID="take-theirs" onPress={() => void takeTheirs()} />
      </View>
    </View>
  );
};

/** The roof on screen is the last good one. */
export const StaleBar = () => {
  const { job, stale, problems } = useOpenJob();
  if (!stale && problems.length === 0) return null;
  return (
    <View role="status" testID="stale" className="border-b border-pencil bg-sheet px-3 py-2">
      <Strong className="text-pencil">
        {stale ? 'Stale: this is the last good roof.' : 'No roof yet.'}
      </Strong>
      {problems.map((problem) => (
        <Small key={problem.path + problem.code}>
          {placeName(job, problem.path)}: {spoken(problem.text, job.display)}
        </Small>
      ))}
      {problems.length === 0 && (
        <Small>An entry cannot be read; it is marked beside its field.</Small>
      )}
    </View>
  );
};
