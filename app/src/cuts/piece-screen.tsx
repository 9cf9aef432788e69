import { memberOf } from '@ogee/core/src/cuts';
import { angleWay } from '@ogee/core/src/wording';
import { useRouter } from 'expo-router';
import { View } from 'react-native';
import ArrowLeft from 'lucide-react-native/icons/arrow-left';
import ArrowRight from 'lucide-react-native/icons/arrow-right';
import List from 'lucide-react-native/icons/list';
import { useOpenJob } from '../data/open-job';
import { useOpenPiece } from '../nav/open-piece';
import { Button } from '../ui/button';
import { Loading, Standstill } from '../ui/states';
import { PieceSheet } from './piece-sheet';

/** One piece's sheet, with the way to its neighbours in the list. */
export const PieceScreen = ({ mark }: { mark: string }) => {
  const { id, job, solution } = useOpenJob();
  const router = useRouter();
  const openPiece = useOpenPiece();
  if (solution === null) return <Loading what="Working the roof out …" />;
  const { members, notes } = solution.cuts;
  const index = members.findIndex((entry) => entry.mark === mark);
  const entry = members[index];
  const member = memberOf(solution, entry);
  const toList = () => router.navigate(`/job/${id}/cuts`);
  if (entry === undefined || member === undefined) {
    return (
      <Standstill
        title={`There is no ${mark} now`}
        text="The roof has changed since; the list has what it needs."
        action={{ label: 'Cut list', onPress: toList }}
      />
    );
  }
  const to = (step: number) => {
    const next = members[index + step];
    return next === undefined ? null : (
      <Button
        label={next.mark}
        icon={step < 0 ? ArrowLeft : ArrowRight}
        onPress={() => openPiece(next.mark)}
      />
    );
  };
  return (
    <View className="gap-4">
      <PieceSheet
        entry={entry}
        member={member}
        notes={notes}
        display={job.display}
        way={angleWay(job)}
      />
      <View className="flex-row justify-between gap-2">
        {to(-1)}
        <Button label="List" icon={List} onPress={toList} />
        {to(1)}
      </View>
    </View>
  );
};
