import { View } from 'react-native';
import { useDisplay } from '../data/open-job';
import { PieceBoard } from './piece-board';
import { usePiece } from '../data/use-piece';

/** The board of an open piece, over the full width of a wide screen. */
export const BoardStrip = ({ mark }: { readonly mark: string }) => {
  const display = useDisplay();
  const piece = usePiece(mark)?.answer;
  if (piece == null) return null;
  return (
    <View role="region" aria-label="The piece’s board" className="border-b border-grain px-2 pb-2">
      <PieceBoard piece={piece} display={display} />
    </View>
  );
};
