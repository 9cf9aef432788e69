import { formatLength, type FitProblem } from '@ogee/core';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { useOpenJob } from '../data/open-job';
import { Plan } from '../draw/plan';
import { Button } from '../ui/button';
import { Caution, gravestFirst } from '../ui/caution';
import { Loading } from '../ui/states';
import { Figure, Small, Strong, Title } from '../ui/text';
import { useFit } from './use-fit';

const PLAN_PX = 300;

/** The members that problems are about. */
const idsIn = (problems: readonly FitProblem[]): string[] => problems.flatMap(({ ids }) => ids);

/** Does it close? The dry fit of every joint, then what to mind, gravest first. */
export const FitScreen = () => {
  const { id, job, solution } = useOpenJob();
  const [width, setWidth] = useState(0);
  const router = useRouter();
  const report = useFit();
  if (solution === null) return null;
  if (report === null) return <Loading what="Trying every joint …" />;
  const { problems, joints, worstGap, worstOverlap } = report;
  const open = problems.filter((problem) => problem.kind === 'gap').length;
  return (
    <View className="gap-5" testID="fit">
      <View className="rounded border border-grain bg-sheet p-4">
        <Small>Dry fit, every board as a solid in its place</Small>
        <Figure className="text-4xl">
          {joints - open} of {joints} joints close
        </Figure>
        <Strong>
          {open === 0 ? 'Every joint closes; ' : ''}worst gap{' '}
          {formatLength(worstGap, { style: 'mm', places: 1 })}
        </Strong>
        <Small>
          Largest volume two boards share: {(worstOverlap / 1000).toFixed(1)} cm³. Gaps past 0.1 mm,
          shared wood past 1 cm³ and tops proud of the roof by 0.1 mm are listed.
        </Small>
      </View>
      {problems.length > 0 && (
        <View className="gap-2" onLayout={(event) => setWidth(event.nativeEvent.layout.width)}>
          <Title>Where it does not close</Title>
          {width > 0 && (
            <Plan
              job={job}
              solution={solution}
              widthPx={width}
              heightPx={PLAN_PX}
              selected={null}
              onPick={(mark) => router.navigate(`/job/${id}/cuts/${mark}`)}
              wrong={idsIn(problems)}
            />
          )}
        </View>
      )}
      {problems.map((problem) => (
        <Caution key={problem.text} level="caution" text={problem.text} />
      ))}
      <View className="gap-3">
        <Title>To mind</Title>
        <Caution
          level="caution"
          text="Rafters are raised at a height: brace the first pairs and the ridge before anybody goes up, and keep people from under them."
        />
        {gravestFirst(solution.cuts.notes).map((note) => (
          <View key={note.text} className="gap-1">
            <Caution level={note.level} text={note.text} />
            {note.member !== undefined && (
              <View className="self-start">
                <Button
                  label={`See ${note.member}`}
                  onPress={() => router.navigate(`/job/${id}/cuts/${note.member ?? ''}`)}
                />
              </View>
            )}
          </View>
        ))}
      </View>
    </View>
  );
};
