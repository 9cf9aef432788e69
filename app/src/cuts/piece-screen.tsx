import { angleWay } from '@ogee/core/src/wording';
import { useRouter } from 'expo-router';
import { View } from 'react-native';
import ArrowLeft from 'lucide-react-native/icons/arrow-left';
import ArrowRight from 'lucide-react-native/icons/arrow-right';
import List from 'lucide-react-native/icons/list';
import { useHandling, useJob } from '../data/open-job';
import { useRoof } from '../data/roof';
import { useOpenPiece } from '../nav/open-piece';
import { SeatedIcon } from '../ui/place-icons';
import { Button } from '../ui/button';
import { Loading, Standstill } from '../ui/states';
import { useWide } from '../ui/use-wide';
import { PieceSheet } from './piece-sheet';
import { usePiece } from '../data/use-piece';

/** One piece's sheet, with the way to its neighbours in the list. */
export const PieceScreen = ({ mark }: { mark: string }) => {
  const job = useJob();
  const { id } = useHandling();
  const { roof } = useRoof();
  const found = usePiece(mark);
  const router = useRouter();
  const wide = useWide();
  const openPiece = useOpenPiece();
  if (roof === null || found === undefined) return <Loading what="Working the roof out …" />;
  const { members } = roof.cuts;
  const piece = found.answer;
  const index = members.findIndex((entry) => entry.mark === mark);
  const toList = () => router.navigate(`/job/${id}/cuts`);
  if (piece === null) {
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
      <PieceSheet piece={piece} display={job.display} way={angleWay(job)} boardElsewhere={wide} />
      {piece.canBeTried && (
        <Button
          label={`Try ${mark} in place`}
          icon={SeatedIcon}
          onPress={() => router.navigate(`/job/${id}/try/${mark}`)}
          testID="to-try"
        />
      )}
      <View className="flex-row justify-between gap-2">
        {to(-1)}
        <Button label="List" icon={List} onPress={toList} />
        {to(1)}
      </View>
    </View>
  );
};
