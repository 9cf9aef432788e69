import {
  laid,
  wallLengths,
  cornerAngles,
  diagonals,
  fromAngles,
  fromSides,
  spokesOf,
  type Block,
  type Measured,
  type MeasuredAngles,
  type MeasuredSides,
} from '@ogee/core/src/job';
import { useState } from 'react';
import { View } from 'react-native';
import { useDisplay, useHandling } from '../data/open-job';
import { AngleField, LengthField } from '../form/fields';
import { writeLength } from '../ui/length-entry';
import { Figure, Strong, Words } from '../ui/text';

/** Tells one set of measurements from another, to a tenth. */
const keyOf = (...numbers: readonly (readonly number[])[]): string =>
  numbers
    .flat()
    .map((value) => value.toFixed(1))
    .join(' ');

const replaced = (all: readonly number[], i: number, value: number): number[] =>
  all.map((old, k) => (k === i ? value : old));

/**
 * What is typed of a part's measurements. It stands as typed while it does not close; walls changed in any other way
 * since then are not its own.
 */
const useMeasured = <T,>(
  index: number,
  measured: T,
  keyed: (of: T) => string,
  work: (of: T) => Measured,
) => {
  const { edit, hand } = useHandling();
  const [draft, setDraft] = useState<{ readonly typed: T; readonly walls: string } | null>(null);
  const now = draft?.walls === keyed(measured) ? draft.typed : measured;
  const set = (next: T): void => {
    const result = work(next);
    setDraft({ typed: next, walls: keyed(result.ok ? next : measured) });
    if (result.ok) edit((of) => laid(of, index, result.outline));
    else hand.refuse(result.text);
  };
  return { now, found: work(now), set, putBack: () => setDraft(null) };
};

/** A second diagonal that misses by no more than this agrees, with a tape. mm */
const AGREES_MM = 3;

/** Of four walls the other diagonal is a check on the tape. */
const SecondDiagonal = ({ found, path }: { found: Measured; path: string }) => {
  const display = useDisplay();
  const [second, setSecond] = useState<number | null>(null);
  const worked = found.ok ? diagonals(found.outline)?.[1] : undefined;
  if (worked === undefined) return null;
  const miss = second === null ? null : second - worked;
  return (
    <>
      <LengthField
        label="Diagonal, corner 2 to corner 4 (a check)"
        path={`${path}.check`}
        value={second ?? worked}
        onValue={setSecond}
        help={`From the other five it works out at ${writeLength(worked, display)}.`}
      />
      {miss !== null && Math.abs(miss) > AGREES_MM && (
        <View role="alert" className="rounded border border-pencil bg-blush p-3">
          <Strong>The measurements do not agree</Strong>
          <Words>
            The second diagonal is {writeLength(Math.abs(miss), display)}{' '}
            {miss > 0 ? 'longer' : 'shorter'} than the walls and the first one allow. Measure again:
            one of the six is wrong, or a wall is bowed.
          </Words>
        </View>
      )}
    </>
  );
};

const sidesOf = (block: Block): MeasuredSides => ({
  sides: wallLengths(block),
  diagonals: spokesOf(block.outline),
});

/** Walls and the diagonals from corner 1, as the tape gives them; the corners are worked out. */
export const SidesFields = ({ index, block }: { index: number; block: Block }) => {
  const { now, found, set, putBack } = useMeasured(
    index,
    sidesOf(block),
    (of) => keyOf(of.sides, of.diagonals),
    fromSides,
  );
  const path = `blocks.${index}.outline`;
  const one = now.diagonals.length === 1;
  return (
    <View className="gap-3">
      {now.sides.map((mm, i) => (
        <LengthField
          key={i}
          label={`Wall ${i + 1}`}
          path={`${path}.${i}`}
          value={mm}
          onValue={(next) => set({ ...now, sides: replaced(now.sides, i, next) })}
          onPutBack={putBack}
        />
      ))}
      {now.diagonals.map((mm, i) => (
        <LengthField
          key={`to ${i}`}
          label={`Diagonal, corner 1 to corner ${i + 3}`}
          path={one ? `${path}.diagonal` : `${path}.diagonal.${i}`}
          value={mm}
          onValue={(next) => set({ ...now, diagonals: replaced(now.diagonals, i, next) })}
          onPutBack={putBack}
          {...(i === 0
            ? { help: 'Corner 1 is where wall 1 starts, going round counter-clockwise.' }
            : {})}
        />
      ))}
      {now.sides.length === 4 && <SecondDiagonal found={found} path={path} />}
    </View>
  );
};

const anglesOf = (block: Block): MeasuredAngles => ({
  sides: wallLengths(block).slice(0, -1),
  angles: cornerAngles(block.outline)
    .slice(1, -1)
    .map(({ deg }) => Number(deg.toFixed(4))),
});

/** Walls and the angles between them, the last wall worked out. */
export const AnglesFields = ({ index, block }: { index: number; block: Block }) => {
  const display = useDisplay();
  const { now, found, set, putBack } = useMeasured(
    index,
    anglesOf(block),
    (of) => keyOf(of.sides, of.angles),
    fromAngles,
  );
  const path = `blocks.${index}.outline`;
  const count = block.outline.length;
  const last = wallLengths(block)[count - 1] ?? 0;
  return (
    <View className="gap-3">
      {now.sides.map((mm, i) => (
        <View key={i} className="gap-3">
          <LengthField
            label={`Wall ${i + 1}`}
            path={`${path}.${i}`}
            value={mm}
            onValue={(next) => set({ ...now, sides: replaced(now.sides, i, next) })}
            onPutBack={putBack}
          />
          {i < now.angles.length && (
            <AngleField
              label={`Corner ${i + 2}, inside angle`}
              path={`${path}.angle.${i}`}
              value={now.angles[i] ?? 90}
              onValue={(next) => set({ ...now, angles: replaced(now.angles, i, next) })}
              onPutBack={putBack}
              {...(i === 0 ? { help: 'Between wall 1 and wall 2, measured inside.' } : {})}
            />
          )}
        </View>
      ))}
      {found.ok && (
        <View className="flex-row items-baseline justify-between">
          <Words>Wall {count} works out at</Words>
          <Figure className="text-2xl" testID="last-wall">
            {writeLength(last, display)}
          </Figure>
        </View>
      )}
    </View>
  );
};
