import { useLocalSearchParams } from 'expo-router';
import { firstPage } from '../../../../src/nav/pages';

const Piece = firstPage(({ PieceScreen }) => PieceScreen);

export default function OnePiece() {
  const { mark } = useLocalSearchParams<{ mark: string }>();
  return <Piece key={mark} mark={mark} />;
}
