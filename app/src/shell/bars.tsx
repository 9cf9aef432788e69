import { pathText, type Problem } from '@ogee/core/src/problem';
import { spoken } from '@ogee/core/src/sentence';
import { useState } from 'react';
import { View } from 'react-native';
import type { Stop } from '../data/device';
import { useHandling, useJob, useProblems, useStanding } from '../data/open-job';
import { useRoof } from '../data/roof';
import { Button } from '../ui/button';
import { Figure, Small, Strong, Words } from '../ui/text';
import { useLasting } from '../ui/use-lasting';
import { whenText } from '../ui/when';
import { clashesInWords, type ClashWords } from './clash-words';
import { AcceptedButtons } from './accepted-buttons';
import { placeName } from './place-name';

const HEADS = {
  conflict: 'You and somebody else changed the same',
  apart: 'What you and somebody else entered makes no roof together',
  deleted: 'This job was deleted elsewhere',
  refused: 'The server does not take the last entry',
} as const;

/** What both changed, side by side: which of the two stands is what is asked. */
const Clashes = ({ clashes }: { readonly clashes: readonly ClashWords[] }) => (
  <View role="list" aria-label="What both changed" className="gap-1">
    {clashes.map(({ id, what, mine, theirs }) => (
      <View key={id} role="listitem">
        <Strong>{what}</Strong>
        <View className="flex-row flex-wrap gap-x-6">
          {(
            [
              ['yours', mine],
              ['the other’s', theirs],
            ] as const
          ).map(([whose, value]) => (
            <Words key={whose} className="whitespace-nowrap">
              {whose} <Figure className="text-xl">{value}</Figure>
            </Words>
          ))}
        </View>
      </View>
    ))}
  </View>
);

/** What either answer does, in words. */
const answers = (stop: Stop, clashes: readonly ClashWords[]) => {
  const [only] = clashes;
  const one = clashes.length === 1 ? only : undefined;
  switch (stop.why) {
    case 'conflict':
      return {
        what: 'Everything else that either of you changed stands with both answers.',
        mine: one === undefined ? 'Keep mine' : `Keep ${one.mine}`,
        theirs: one === undefined ? 'Take the other' : `Take ${one.theirs}`,
        undoes:
          one === undefined
            ? 'What is not kept goes from the job, and stays in the history.'
            : `Keeping yours, the other’s ${one.theirs} goes; taking the other’s, your ${one.mine} goes. What goes stays in the history.`,
      };
    case 'apart':
      return {
        what: 'Each by itself does. Choose which goes on top.',
        mine: 'Keep mine',
        theirs: 'Take the other',
        undoes:
          'Keeping yours, all that the other changed since goes; taking the other’s, all that waits here goes. What goes stays in the history.',
      };
    case 'deleted':
      return {
        what: 'What was entered here is kept. It can bring the job back.',
        mine: 'Bring it back',
        theirs: null,
        undoes: '',
      };
    case 'refused':
      return {
        what: `${stop.text}. What was entered is kept on this device.`,
        mine: 'Try again',
        theirs: null,
        undoes: '',
      };
  }
};

/** What stops a job's entries on their way: both versions are kept, the person says which one goes on top. */
export const StopBar = () => {
  const { keepMine, takeTheirs } = useHandling();
  const { stop, clashes } = useStanding();
  const job = useJob();
  const [failed, setFailed] = useState(false);
  if (stop === null) return null;
  const said = clashesInWords(clashes, job);
  const { what, mine, theirs, undoes } = answers(stop, said);
  const run = (act: () => Promise<void>) => (): void => {
    setFailed(false);
    act().catch(() => setFailed(true));
  };
  return (
    <View role="alert" testID="conflict" className="gap-2 border-b border-pencil bg-blush p-3">
      <Strong>
        {HEADS[stop.why]}
        {stop.theirs === null ? '.' : ` · ${whenText(stop.theirs.updatedAt)}`}
      </Strong>
      {said.length > 0 && <Clashes clashes={said} />}
      <Words>{what}</Words>
      {undoes !== '' && <Small>{undoes}</Small>}
      <View className="flex-row flex-wrap gap-2">
        <Button label={mine} testID="keep-mine" onPress={run(keepMine)} />
        {theirs !== null && (
          <Button label={theirs} testID="take-theirs" onPress={run(takeTheirs)} />
        )}
      </View>
      {failed && <Small className="text-pencil">The server does not answer; try again.</Small>}
    </View>
  );
};

/** An entry that the server has within this time is told of by the mark beside the name alone. ms */
const ON_ITS_WAY_MS = 2000;

/** What this device does not keep, and where it is instead. */
export const UnkeptBar = () => {
  const { state } = useStanding();
  const lasts = useLasting(state === 'unkept', ON_ITS_WAY_MS);
  if (!lasts && state !== 'unkept-away') return null;
  return (
    <View role="alert" testID="unkept" className="border-b border-pencil bg-blush px-3 py-2">
      <Strong className="text-pencil">This device does not keep what you enter.</Strong>
      <Small>
        {state === 'unkept'
          ? 'It is in this window only, and on its way to the server.'
          : 'It is in this window only, and the server does not answer. Keep this window open: it is sent as soon as there is an answer.'}
      </Small>
    </View>
  );
};

/** So many things that others did are told one by one. */
const TOLD = 3;

/** What others did to the job while it was open here, and from which device. */
export const NewsBar = () => {
  const { seen } = useHandling();
  const { news, stop } = useStanding();
  // A question comes first.
  if (news.length === 0 || stop !== null) return null;
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
  slow: 'The roof of this entry takes longer than usual.',
  stopped: 'Working the roof out was stopped.',
  failed: 'The roof could not be worked out: that is our own fault. What you entered is kept.',
} as const;

/**
 * The roof on screen is the last good one, and why. One that is merely on its way is told beside the name: a bar that comes
 * for a moment would move what is under the thumb.
 */
export const StaleBar = () => {
  const { problems } = useProblems();
  const { roof, faulty, solving, stop, again } = useRoof();
  const late = solving === 'current' || solving === 'working' ? null : solving;
  if (late === null && !faulty && problems.length === 0) return null;
  return (
    <View role="status" testID="stale" className="border-b border-pencil bg-sheet px-3 py-2">
      <Strong className="text-pencil">
        {roof === null ? 'No roof yet.' : 'Stale: this is the last good roof.'}
      </Strong>
      {late !== null && <Small>{SOLVING[late]}</Small>}
      {problems.map((problem) => (
        <Told key={`${pathText(problem.path)} ${problem.code}`} problem={problem} />
      ))}
      <AcceptedButtons accepted={problems.flatMap(({ accepted = [] }) => accepted)} />
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
