import { useRouter } from 'expo-router';
import type { FitProblem, FitReport } from '@ogee/core/src/fit';
import { spoken } from '@ogee/core/src/sentence';
import { groupedNotes, proved, type Proved } from '@ogee/core/src/wording';
import { useState } from 'react';
import { View } from 'react-native';
import Check from 'lucide-react-native/icons/check';
import X from 'lucide-react-native/icons/x';
import { useHandling, useJob } from '../data/open-job';
import { useRoof } from '../data/roof';
import { useOpenPiece } from '../nav/open-piece';
import { countsOf, Plan } from '../draw/plan';
import { FrameView } from '../roof/frame/frame-view';
import { useTheme } from '../theme/theme';
import { Button } from '../ui/button';
import { Caution, gravestFirst } from '../ui/caution';
import { Choice } from '../ui/choice';
import { Loading, Standstill } from '../ui/states';
import { Figure, Small, Title, Words } from '../ui/text';
import { useFit } from './use-fit';

const PLAN_PX = 300;

/** The members that problems are about. */
const idsIn = (problems: readonly FitProblem[]): string[] => problems.flatMap(({ ids }) => ids);

const ProvedLine = ({ holds, text }: Proved) => {
  const { colour } = useTheme();
  const Mark = holds ? Check : X;
  return (
    <View role="listitem" className="flex-row gap-3 border-t border-grain py-2">
      <View role="img" aria-label={holds ? 'holds' : 'does not hold'}>
        <Mark size={22} color={colour(holds ? 'chalk' : 'pencil')} />
      </View>
      <Words className={`flex-1 ${holds ? '' : 'text-pencil'}`}>{text}</Words>
    </View>
  );
};

/** Every finding, with its place on the plan or in the round. */
const Findings = ({ problems }: { problems: readonly FitProblem[] }) => {
  const job = useJob();
  const { roof } = useRoof();
  const open = useOpenPiece();
  const [width, setWidth] = useState(0);
  const [view, setView] = useState<'plan' | 'frame'>('plan');
  if (roof === null) return null;
  const shown = { wrong: idsIn(problems), spots: problems.map(({ at }) => at) };
  return (
    <View className="gap-2" onLayout={(event) => setWidth(event.nativeEvent.layout.width)}>
      <Title>What does not hold</Title>
      <Choice
        label="Where"
        hideLabel
        value={view}
        options={[
          { value: 'plan', label: 'Plan' },
          { value: 'frame', label: '3D' },
        ]}
        onChange={setView}
      />
      {view === 'frame' && (
        <FrameView cuts={roof.cuts} heightPx={PLAN_PX} onOpen={open} {...shown} />
      )}
      {view === 'plan' && width > 0 && (
        <Plan
          drawing={roof.plan}
          words={countsOf(roof.cuts)}
          display={job.display}
          spacingMm={job.framing.spacing}
          widthPx={width}
          heightPx={PLAN_PX}
          selected={null}
          onPick={open}
          {...shown}
        />
      )}
      {problems.map((problem) => (
        <Caution
          key={`${problem.kind} ${problem.ids.join(' ')} ${problem.at.join(' ')}`}
          level="caution"
          text={spoken(problem.text, job.display)}
        />
      ))}
    </View>
  );
};

const Summary = ({ report }: { report: FitReport }) => {
  const job = useJob();
  const { problems } = report;
  return (
    <View className="rounded border border-grain bg-sheet p-4">
      <Small>The whole frame, every board as a solid in its place</Small>
      <Figure className="text-4xl">
        {problems.length === 0
          ? 'It stands, and it closes'
          : `${problems.length} things do not hold`}
      </Figure>
      <View role="list" aria-label="What was proved">
        {proved(report, job).map((line) => (
          <ProvedLine key={line.text} {...line} />
        ))}
      </View>
      <Small>
        Looked for: gaps past 0.1 mm, shared wood past 1 cm³, tops out of their plane by 0.1 mm,
        ends without a bearing, bare lines, strips and eaves. Strength is not looked at: that is for
        the local code and an engineer.
      </Small>
    </View>
  );
};

/** Does it stand and close? What the dry fit proved, then what to mind, gravest first. */
export const FitScreen = () => {
  const { roof, stale } = useRoof();
  const { id } = useHandling();
  const router = useRouter();
  const openPiece = useOpenPiece();
  const report = useFit();
  if (roof === null) return null;
  if (stale)
    return (
      <Standstill
        title="Nothing to prove yet"
        text="The job was changed and its roof cannot be worked out. Put right what is marked; the fit follows at once."
      />
    );
  if (report === null) return <Loading what="Trying every board …" />;
  return (
    <View className="gap-5" testID="fit">
      <Summary report={report} />
      {report.problems.length > 0 && <Findings problems={report.problems} />}
      <View className="gap-3">
        <Title>To mind</Title>
        <Caution
          level="caution"
          text="Rafters are raised at a height: brace the first pairs and the ‹ridge› before anybody goes up, and keep people from under them."
        />
        {gravestFirst(groupedNotes(roof.cuts.notes)).map(({ code, level, text, marks }) => (
          <View key={text} className="gap-1">
            <Caution level={level} text={text} />
            {code === 'no-ties' && (
              <Button
                label="Tie them, under Timber"
                onPress={() => router.navigate(`/job/${id}/timber`)}
              />
            )}
            {marks.length > 0 && (
              <View className="flex-row flex-wrap gap-2">
                {marks.map((mark) => (
                  <Button key={mark} label={`See ${mark}`} onPress={() => openPiece(mark)} />
                ))}
              </View>
            )}
          </View>
        ))}
      </View>
    </View>
  );
};
