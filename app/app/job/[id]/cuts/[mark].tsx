import { useLocalSearchParams } from 'expo-router';
import { PieceScreen } from '../../../../src/cuts/piece-screen';

export default function Piece() {
  const { mark } = useLocalSearchParams<{ mark: string }>();
  return <PieceScreen key={mark} mark={mark} />;
}
