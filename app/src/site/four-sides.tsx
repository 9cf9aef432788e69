import { diagonals, fromSides, type Block, type FourSides } from '@ogee/core';
import { useState } from 'react';
import { View } from 'react-native';
import { useOpenJob } from '../data/open-job';
import { LengthField } from '../ui/fields';
import { writeLength } from '../ui/length-entry';
import { Small, Strong, Words } from '../ui/text';
import { laid, wallLengths } from './blocks';

const measuredOf = (block: Block): FourSides => {
  const [a = 0, b = 0, c = 0, d = 0] = wallLengths(block);
  return { sides: [a, b, c, d], diagonal: diagonals(block.outline)?.[0] ?? 0 };
};

/** Tells one set of measurements from another, to a tenth of a millimetre. */
const keyOf = ({ sides, diagonal }: FourSides): string =>
  [...sides, diagonal].map((mm) => mm.toFixed(1)).join(' ');

interface Draft {
  readonly typed: FourSides;
  /** What the walls measured once it was typed: walls changed in any other way since then are not its own. */
  readonly walls: string;
}

/** A second diagonal that misses by no more than this agrees, with a tape. mm */
const AGREES_MM = 3;

/** Four walls and a diagonal, as the tape gives them; the corners are worked out. */
export const FourSidesFields = ({ index }: { readonly index: number }) => {
  const { job, edit } = useOpenJob();
  const block = job.blocks[index];
  const [draft, setDraft] = useState<Draft | null>(null);
  const [second, setSecond] = useState<number | null>(null);
  if (block === undefined) return null;
  const measured = measuredOf(block);
  const now = draft?.walls === keyOf(measured) ? draft.typed : measured;
  const found = fromSides(now);
  const set = (next: FourSides): void => {
    const result = fromSides(next);
    setDraft({ typed: next, walls: keyOf(result.ok ? next : measured) });
    if (result.ok) edit((of) => laid(of, index, result.outline));
  };
  const wall = (i: 0 | 1 | 2 | 3, mm: number): void => {
    const [a, b, c, d] = now.sides;
    const sides = [a, b, c, d].map((old, k) => (k === i ? mm : old));
    set({ ...now, sides: [sides[0] ?? a, sides[1] ?? b, sides[2] ?? c, sides[3] ?? d] });
  };
  const worked = found.ok ? diagonals(found.outline)?.[1] : undefined;
  const miss = second === null || worked === undefined ? null : second - worked;
  const path = `blocks.${index}.outline`;
  return (
    <View className="gap-3">
      {([0, 1, 2, 3] as const).map((i) => (
        <LengthField
          key={i}
          label={`Wall ${i + 1}`}
          path={`${path}.${i}`}
          value={now.sides[i]}
          onValue={(mm) => wall(i, mm)}
        />
      ))}
      <LengthField
        label="Diagonal, corner 1 to corner 3"
        path={`${path}.diagonal`}
        value={now.diagonal}
        onValue={(diagonal) => set({ ...now, diagonal })}
        help="Corner 1 is where wall 1 starts, going round counter-clockwise."
      />
      {!found.ok && <Small className="text-pencil">{found.text}</Small>}
      {worked !== undefined && (
        <>
          <LengthField
            label="Diagonal, corner 2 to corner 4 (a check)"
            path={`${path}.check`}
            value={second ?? worked}
            onValue={setSecond}
            help={`From the other five it works out at ${writeLength(worked, job.display)}.`}
          />
          {miss !== null && Math.abs(miss) > AGREES_MM && (
            <View role="alert" className="rounded border border-pencil bg-blush p-3">
              <Strong>The measurements do not agree</Strong>
              <Words>
                The second diagonal is {writeLength(Math.abs(miss), job.display)}{' '}
                {miss > 0 ? 'longer' : 'shorter'} than the walls and the first one allow. Measure
                again: one of the six is wrong, or a wall is bowed.
              </Words>
            </View>
          )}
        </>
      )}
    </View>
  );
};
