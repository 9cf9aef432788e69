import type { Job } from '@ogee/core/src/job';
import { Board, tapeMarks } from '../draw/board';
import type { PieceAnswer } from '../solver/answers';
import { useInHands } from './in-hands';

/** The board of the piece in hand, at the mark that is looked at. */
export const PieceBoard = ({
  piece,
  display,
}: {
  readonly piece: PieceAnswer;
  readonly display: Job['display'];
}) => {
  const { entry, board } = piece;
  const { mirrored, shown } = useInHands(piece);
  const marks = tapeMarks({ board, cuts: entry.cuts, mirrored, display });
  return (
    <Board
      board={board}
      cuts={entry.cuts}
      kind={entry.kind}
      display={display}
      mirrored={mirrored}
      shownMm={shown === null ? null : (marks[shown]?.at ?? null)}
    />
  );
};
