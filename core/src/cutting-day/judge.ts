import { boardOf, memberOf, type BoardDrawing, type CutListEntry, type Hands } from '../cuts';
import type { Member } from '../frame';
import type { SawnPiece, Tick } from '../log';
import { facesOf, otherHand, sameShape, sawnOutOf, SERVES_MM, type Faces } from './shape';

type Hand = keyof Hands;

/** What is sawn of one line of the list. */
export interface LineDone {
  readonly mark: string;
  readonly done: Hands;
  /** The piece of it that the others are traced from is sawn. */
  readonly pattern: boolean;
}

/**
 * What became of a sawn piece that serves no line as it is: `long`, it can be sawn again to what it was meant for;
 * `short`, it cannot; `cuts`, its length would do and its cuts are others; `spare`, there are enough of it.
 */
export type Verdict = 'long' | 'short' | 'cuts' | 'spare';

export interface Misfit {
  readonly sawn: SawnPiece;
  readonly count: number;
  readonly verdict: Verdict;
  /** The line that it was meant for, as it is called now; null where there is none any more. */
  readonly heir: string | null;
  /** How much longer to the long point than that line's; less than 0 where it is shorter. mm */
  readonly byMm: number;
  /** Another line, with pieces still wanted, that it serves or can be sawn down to: the one that wastes least. */
  readonly elsewhere: string | null;
}

export interface CuttingDay {
  readonly lines: readonly LineDone[];
  readonly misfits: readonly Misfit[];
}

interface Wanted {
  readonly entry: CutListEntry;
  readonly hand: Hand;
  readonly faces: Faces;
  left: number;
  done: number;
  pattern: boolean;
}

/** Each line by the hands that are wanted of it, with what a piece of it looks like. */
const wantedOf = (members: readonly Member[], lines: readonly CutListEntry[]): Wanted[] =>
  lines.flatMap((entry): Wanted[] => {
    const member = memberOf({ members }, entry);
    if (member === undefined) return [];
    const board = boardOf(member);
    const drawn = facesOf(board);
    return (['plain', 'left', 'right'] as const).flatMap((hand): Wanted[] => {
      const left = entry.hands[hand];
      const faces = hand === board.hand || hand === 'plain' ? drawn : otherHand(drawn);
      return left === 0 ? [] : [{ entry, hand, faces, left, done: 0, pattern: false }];
    });
  });

const sameStock = (one: SawnPiece['stock'], other: SawnPiece['stock']): boolean =>
  Math.abs(one.thickness - other.thickness) < SERVES_MM &&
  Math.abs(one.depth - other.depth) < SERVES_MM;

/** Pieces sawn alike, however many ticks they came in. */
interface Sawn {
  readonly piece: SawnPiece;
  count: number;
  pattern: boolean;
}

const alike = (ticks: readonly Tick[]): Sawn[] => {
  const groups = new Map<string, Sawn>();
  for (const { sawn, count, pattern } of ticks) {
    const { member: _member, ...shape } = sawn;
    const key = JSON.stringify(shape);
    const group = groups.get(key);
    if (group === undefined) groups.set(key, { piece: sawn, count, pattern });
    else {
      group.count += count;
      group.pattern ||= pattern;
    }
  }
  return [...groups.values()];
};

/** The line that a piece was meant for, as the list is now: that of its own member, else its own mark, else the nearest. */
const heirOf = (piece: SawnPiece, wanted: readonly Wanted[]): Wanted | undefined => {
  const own = wanted.filter(({ entry }) => entry.kind === piece.kind);
  const off = ({ entry, hand }: Wanted): number =>
    Math.abs(entry.length.longPoint - piece.longPoint) + (hand === piece.hand ? 0 : 0.5);
  const near = (some: readonly Wanted[]): Wanted | undefined =>
    some.length === 0 ? undefined : some.reduce((best, one) => (off(one) < off(best) ? one : best));
  return (
    near(own.filter(({ entry }) => entry.members.includes(piece.member))) ??
    near(own.filter(({ entry }) => entry.mark === piece.mark)) ??
    near(own)
  );
};

/** A line with pieces still wanted that a piece can be sawn down to, the longest of them. */
const elsewhereFor = (
  piece: SawnPiece,
  wanted: readonly Wanted[],
  heir: Wanted | undefined,
): Wanted | undefined =>
  wanted
    .filter(
      (one) =>
        one.left > 0 &&
        one.entry.mark !== heir?.entry.mark &&
        sameStock(one.entry.stock, piece.stock),
    )
    .sort((p, q) => q.entry.length.longPoint - p.entry.length.longPoint)
    .find((one) => sawnOutOf(one.faces, facesOf(piece), piece.stock.depth));

/** Whether two drawings are of the same piece: the cheap look first. */
const serves = (piece: SawnPiece, { entry, faces }: Wanted): boolean =>
  Math.abs(entry.length.longPoint - piece.longPoint) < 2 * SERVES_MM &&
  sameStock(entry.stock, piece.stock) &&
  sameShape(faces, facesOf(piece), piece.stock.depth);

/**
 * What is sawn, held against the list as it is now. A piece is known by what it was cut to: whatever mark it bore, it
 * counts for the line that it serves, first for the one that still bears its mark.
 */
export const cuttingDay = (
  {
    members,
    cuts,
  }: {
    readonly members: readonly Member[];
    readonly cuts: { readonly members: readonly CutListEntry[] };
  },
  ticks: readonly Tick[],
): CuttingDay => {
  const wanted = wantedOf(members, cuts.members);
  const left = alike(ticks).map((sawn) => {
    const fits = wanted.filter(
      (one) => one.entry.kind === sawn.piece.kind && serves(sawn.piece, one),
    );
    const order = [...fits].sort(
      (p, q) =>
        Number(q.entry.mark === sawn.piece.mark) - Number(p.entry.mark === sawn.piece.mark) ||
        Number(q.hand === sawn.piece.hand) - Number(p.hand === sawn.piece.hand),
    );
    let rest = sawn.count;
    for (const line of order) {
      const taken = Math.min(rest, line.left);
      line.left -= taken;
      line.done += taken;
      line.pattern ||= sawn.pattern && taken > 0;
      rest -= taken;
    }
    return { sawn, rest, fits };
  });
  const misfits = left.flatMap(({ sawn: { piece }, rest, fits }): Misfit[] => {
    if (rest === 0) return [];
    const heir = fits[0] ?? heirOf(piece, wanted);
    const byMm = heir === undefined ? 0 : piece.longPoint - heir.entry.length.longPoint;
    const recut =
      heir !== undefined &&
      sameStock(heir.entry.stock, piece.stock) &&
      sawnOutOf(heir.faces, facesOf(piece), piece.stock.depth);
    const verdict: Verdict =
      fits.length > 0 || heir === undefined
        ? 'spare'
        : recut
          ? 'long'
          : byMm < -SERVES_MM
            ? 'short'
            : 'cuts';
    const elsewhere = elsewhereFor(piece, wanted, verdict === 'long' ? heir : undefined);
    return [
      {
        sawn: piece,
        count: rest,
        verdict,
        heir: heir?.entry.mark ?? null,
        byMm,
        elsewhere: elsewhere?.entry.mark ?? null,
      },
    ];
  });
  const lines = cuts.members.map(({ mark }): LineDone => {
    const own = wanted.filter(({ entry }) => entry.mark === mark);
    const of = (hand: Hand): number => own.find((one) => one.hand === hand)?.done ?? 0;
    return {
      mark,
      done: { left: of('left'), right: of('right'), plain: of('plain') },
      pattern: own.some(({ pattern }) => pattern),
    };
  });
  return { lines, misfits };
};

/** What a tick keeps of a piece: one of a line, of a hand, as it is sawn by its sheet. */
export const sawnFrom = (entry: CutListEntry, board: BoardDrawing, hand: Hand): SawnPiece => {
  const drawn = facesOf(board);
  const { left, right } = hand === board.hand || hand === 'plain' ? drawn : otherHand(drawn);
  // A hundredth of a millimetre is finer than any saw, and a tenth of the bytes.
  const rounded = (loops: Faces['left']): [number, number][][] =>
    loops.map((loop) =>
      loop.map(([x, y]) => [Math.round(x * 100) / 100, Math.round(y * 100) / 100]),
    );
  return {
    mark: entry.mark,
    kind: entry.kind,
    hand,
    member: entry.members[0] ?? '',
    stock: { thickness: entry.stock.thickness, depth: entry.stock.depth },
    longPoint: entry.length.longPoint,
    left: rounded(left),
    right: rounded(right),
  };
};
