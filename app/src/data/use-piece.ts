import { useOfRoof } from './roof';

/** What a piece's sheet and board are written from. */
export const usePiece = (mark: string) =>
  useOfRoof(['piece', mark], (solver, roof) => solver.piece(roof, mark));
