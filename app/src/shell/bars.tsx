import { spoken } from '@ogee/core';
import { useState } from 'react';
import { View } from 'react-native';
import { useOpenJob } from '../data/open-job';
import { Button } from '../ui/button';
import { Small, Strong, Words } from '../ui/text';
import { placeName } from './place-name';

const when = (iso: string): string => new Date(iso).toLocaleTimeString();

const HEADS = {
  conflict: 'This job was saved elsewhere',
  deleted: 'This job was deleted elsewhere',
  refused: 'The server does not take the last entry',
} as const;

/** What stops a job's entries on their way: both versions are kept, the person says which one goes on top. */
export const StopBar = () => {
  const { stop, keepMine, takeTheirs } = useOpenJob();
  const [failed, setFailed] = useState(false);
  if (stop === null) return null;
  const { why, theirs, text } = stop;
  const run = (act: () => Promise<void>) => (): void => {
    setFailed(false);
    act().catch(() => setFailed(true));
  };
  return (
    <View role="alert" testID="conflict" className="gap-2 border-b border-pencil bg-blush p-3">
      <Strong>
        {HEADS[why]}
        {theirs === null ? '' : ` at ${when(theirs.updatedAt)}`}.
      </Strong>
      <Words>
        {why === 'refused'
          ? `${text}. What was entered is kept on this device.`
          : why === 'deleted'
            ? 'What was entered here is kept. It can bring the job back.'
            : 'Choose which goes on top. The other stays in the history.'}
      </Words>
      <View className="flex-row flex-wrap gap-2">
        <Button
          label={
            why === 'conflict' ? 'Keep mine' : why === 'deleted' ? 'Bring it back' : 'Try again'
          }
          testID="keep-mine"
          onPress={run(keepMine)}
        />
        {why === 'conflict' && (
          <Button label="Take the other" testID="take-theirs" onPress={run(takeTheirs)} />
        )}
      </View>
      {failed && <Small className="text-pencil">The server does not answer; try again.</Small>}
    </View>
  );
};

/** A change that was not taken, and why. */
export const NotTakenBar = () => {
  const { job, notTaken } = useOpenJob();
  if (notTaken === null) return null;
  return (
    <View role="alert" testID="not-taken" className="border-b border-pencil bg-sheet px-3 py-2">
      <Strong className="text-pencil">Not changed.</Strong>
      <Small>
        {placeName(job, notTaken.path)}: {spoken(notTaken.text, job.display)}
      </Small>
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
