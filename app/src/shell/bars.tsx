import { pathText, type Problem } from '@ogee/core/src/problem';
import { spoken } from '@ogee/core/src/sentence';
import { useState } from 'react';
import { View } from 'react-native';
import { useHandling, useJob, useProblems, useStanding } from '../data/open-job';
import { useRoof } from '../data/roof';
import { Button } from '../ui/button';
import { Small, Strong, Words } from '../ui/text';
import { whenText } from '../ui/when';
import { placeName } from './place-name';

const HEADS = {
  conflict: 'This job was saved elsewhere',
  deleted: 'This job was deleted elsewhere',
  refused: 'The server does not take the last entry',
} as const;

/** What stops a job's entries on their way: both versions are kept, the person says which one goes on top. */
export const StopBar = () => {
  const { keepMine, takeTheirs } = useHandling();
  const { stop } = useStanding();
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
        {theirs === null ? '' : ` ${whenText(theirs.updatedAt)}`}.
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

/** So many things that others did are told one by one. */
const TOLD = 3;

/** What others did to the job while it was open here, and from which device. */
export const NewsBar = () => {
  const { seen } = useHandling();
  const { news } = useStanding();
  if (news.length === 0) return null;
  const more = news.length - TOLD;
  return (
    <View
      role="status"
      testID="news"
      className="flex-row items-center gap-2 border-b border-chalk bg-wash px-3 py-2"
    >
      <View className="min-w-0 flex-1">
        {more > 0 && <Small>{more === 1 ? 'One change' : `${more} changes`} before these</Small>}
        {news.slice(-TOLD).map(({ revision, said, by }) => (
          <Words key={revision}>
            <Strong>{by === '' ? 'Another device' : by}</Strong> · {said}
          </Words>
        ))}
      </View>
      <Button label="Seen" testID="news-seen" onPress={seen} />
    </View>
  );
};

/** What is wrong, with the name of its place. */
const Told = ({ problem: { path, text } }: { readonly problem: Problem }) => {
  const job = useJob();
  return (
    <Small>
      {placeName(job, path)}: {spoken(text, job.display)}
    </Small>
  );
};

/** A change that was not taken, and why. */
export const NotTakenBar = () => {
  const { notTaken } = useStanding();
  if (notTaken === null) return null;
  return (
    <View role="alert" testID="not-taken" className="border-b border-pencil bg-sheet px-3 py-2">
      <Strong className="text-pencil">Not changed.</Strong>
      <Told problem={notTaken} />
    </View>
  );
};

const SOLVING = {
  working: 'The roof of this entry is on its way.',
  slow: 'The roof of this entry takes longer than usual.',
  stopped: 'Working the roof out was stopped.',
  failed: 'The roof could not be worked out: that is our own fault. What you entered is kept.',
} as const;

/** The roof on screen is the last good one, and why. */
export const StaleBar = () => {
  const { problems } = useProblems();
  const { roof, stale, solving, stop, again } = useRoof();
  const late = solving === 'current' ? null : solving;
  if (!stale && problems.length === 0 && (late === null || late === 'working')) return null;
  return (
    <View role="status" testID="stale" className="border-b border-pencil bg-sheet px-3 py-2">
      <Strong className="text-pencil">
        {roof === null ? 'No roof yet.' : 'Stale: this is the last good roof.'}
      </Strong>
      {late !== null && <Small>{SOLVING[late]}</Small>}
      {problems.map((problem) => (
        <Told key={`${pathText(problem.path)} ${problem.code}`} problem={problem} />
      ))}
      {problems.length === 0 && late === null && (
        <Small>An entry does not count as it stands; it is marked beside its field.</Small>
      )}
      {late === 'slow' && <Button label="Stop" onPress={stop} testID="stop-solving" />}
      {(late === 'stopped' || late === 'failed') && (
        <Button label="Work it out again" onPress={again} testID="solve-again" />
      )}
    </View>
  );
};
