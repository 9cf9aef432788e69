import { useLocalSearchParams } from 'expo-router';
import { inAJob } from '../../../../src/nav/in-a-job';

const Piece = inAJob(({ PieceScreen }) => PieceScreen);

export default function OnePiece() {
  const { mark } = useLocalSearchParams<{ mark: string }>();
  return <Piece key={mark} mark={mark} />;
}
