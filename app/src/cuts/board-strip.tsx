import { View } from 'react-native';
import { useOpenJob } from '../data/open-job';
import { useOfRoof } from '../data/roof';
import { Board, tapeMarks } from '../draw/board';
import type { PieceAnswer } from '../solver/answers';
import { useInHands } from './in-hands';

const Strip = ({ piece }: { readonly piece: PieceAnswer }) => {
  const { job } = useOpenJob();
  const { display } = job;
  const { entry, board } = piece;
  const { mirrored, shown } = useInHands(piece);
  const marks = tapeMarks({ board, cuts: entry.cuts, mirrored, display });
  return (
    <View role="region" aria-label="The piece’s board" className="border-b border-grain px-2 pb-2">
      <Board
        board={board}
        cuts={entry.cuts}
        kind={entry.kind}
        display={display}
        mirrored={mirrored}
        shownMm={shown === null ? null : (marks[shown]?.at ?? null)}
      />
    </View>
  );
};

/** The board of an open piece, over the full width of a wide screen. */
export const BoardStrip = ({ mark }: { readonly mark: string }) => {
  const piece = useOfRoof(['piece', mark], (solver, roof) => solver.piece(roof, mark))?.answer;
  return piece == null ? null : <Strip piece={piece} />;
};
