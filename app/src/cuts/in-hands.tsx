import { createContext, useContext, useState, type ReactNode } from 'react';
import { addressed, intoAddress, oneOf, useAddressed, useOpenedWith } from '../nav/addressed';
import type { PieceAnswer } from '../solver/answers';

type Hand = 'left' | 'right';

interface InHands {
  readonly wanted: Hand | null;
  readonly setHand: (hand: Hand) => void;
  /** Which mark the board is scrolled to; none to begin with. */
  readonly shown: number | null;
  readonly setShown: (at: number) => void;
  /** Whether every figure is unfolded, on this sheet and the next. */
  readonly more: boolean;
  readonly setMore: (more: boolean) => void;
}

const addressedHand = (): Hand | null => addressed('hand', oneOf('left', 'right'));

const InHandsContext = createContext<InHands | null>(null);

/** The piece that is being marked: its sheet and its board, wherever each stands, tell of the same hand and mark. */
export const InHandsProvider = ({
  mark,
  children,
}: {
  /** The piece that the address names. */
  readonly mark: string | null;
  readonly children: ReactNode;
}) => {
  const [of, setOf] = useState(mark);
  const [wanted, want] = useState(addressedHand);
  useOpenedWith('hand');
  const [shown, setShown] = useState<number | null>(null);
  const [more, setMore] = useAddressed('more', false, (text) => text === 'true');
  // Another piece begins anew.
  if (of !== mark) {
    setOf(mark);
    want(addressedHand());
    setShown(null);
  }
  const setHand = (hand: Hand): void => {
    want(hand);
    intoAddress('hand', hand);
  };
  return (
    <InHandsContext.Provider value={{ wanted, setHand, shown, setShown, more, setMore }}>
      {children}
    </InHandsContext.Provider>
  );
};

/** Which hand of a piece is looked at, and which of its marks. */
export const useInHands = ({ entry, board }: PieceAnswer) => {
  const held = useContext(InHandsContext);
  if (held === null) throw new Error('useInHands outside InHandsProvider');
  const { hands } = entry;
  const drawn: Hand = board.hand === 'right' ? 'right' : 'left';
  // An address may name a hand that this piece has not.
  const hand = held.wanted !== null && hands[held.wanted] > 0 ? held.wanted : drawn;
  const handed = hands.left + hands.right > 0;
  return { ...held, hand, handed, mirrored: handed && hand !== board.hand };
};
