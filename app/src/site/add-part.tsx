import {
  wallLengths,
  withBay,
  withHouseBeside,
  withLeanTo,
  withWing,
  type OnWall,
} from '@ogee/core/src/job';
import { useState } from 'react';
import { View } from 'react-native';
import { useHandling, useJob } from '../data/open-job';
import { Button } from '../ui/button';
import { Choice } from '../ui/choice';
import { Small, Title } from '../ui/text';
import { fitsOn, OnWallFields, RUNS_PAST } from './on-wall-fields';

type Part = 'wing' | 'lean-to' | 'bay' | 'house beside';

const ADD = {
  wing: withWing,
  'lean-to': withLeanTo,
  bay: withBay,
  'house beside': withHouseBeside,
} as const;
const PARTS: readonly Part[] = ['wing', 'bay', 'lean-to', 'house beside'];

/** A share of the wall, to start from. */
const START: Readonly<Record<Part, { width: number; projection: number; from: number }>> = {
  wing: { width: 0.4, projection: 0.3, from: 0.3 },
  'lean-to': { width: 0.4, projection: 0.2, from: 0.3 },
  bay: { width: 0.3, projection: 0.12, from: 0.35 },
  'house beside': { width: 1, projection: 0.6, from: 0 },
};

/** To a whole 100 mm, or to a foot. */
const rounded = (mm: number, imperial: boolean): number => {
  const step = imperial ? 304.8 : 100;
  return Math.max(step, Math.round(mm / step) * step);
};

/** The part that is being added: its wall, its width, its projection, its distance from a corner. */
const NewPart = ({
  part,
  index,
  onAdded,
  onLeft,
}: {
  readonly part: Part;
  readonly index: number;
  readonly onAdded: (index: number) => void;
  readonly onLeft: () => void;
}) => {
  const job = useJob();
  const { edit } = useHandling();
  const [wall, setWall] = useState(0);
  const [typed, setTyped] = useState<Partial<OnWall>>({});
  const block = job.blocks[index];
  if (block === undefined) return null;
  const walls = wallLengths(block);
  const length = walls[wall] ?? 0;
  const imperial = job.display.units === 'imperial';
  const start = START[part];
  const on: OnWall = {
    width: typed.width ?? (start.width === 1 ? length : rounded(length * start.width, imperial)),
    projection: typed.projection ?? rounded(length * start.projection, imperial),
    fromCorner: typed.fromCorner ?? (start.from === 0 ? 0 : rounded(length * start.from, imperial)),
  };
  const add = (): void => {
    edit(
      (now) => {
        const next = ADD[part](now, index, wall, on);
        const valley = next.timber.valley ?? next.timber.hip ?? next.timber.common;
        return { ...next, timber: { ...next.timber, valley } };
      },
      `A ${part} added on wall ${wall + 1}`,
    );
    onLeft();
    onAdded(job.blocks.length);
  };
  return (
    <View className="gap-3 rounded border border-grain bg-sheet p-3" testID="add-part">
      <Title level={3}>{`A ${part}`}</Title>
      <Choice
        label="On which wall?"
        value={String(wall)}
        options={walls.flatMap((_, i) =>
          block.sides[i]?.roof === 'open' ? [] : [{ value: String(i), label: `Wall ${i + 1}` }],
        )}
        onChange={(value) => {
          setWall(Number(value));
          setTyped({});
        }}
      />
      <OnWallFields
        path="new"
        on={on}
        wall={wall + 1}
        onChange={(change) => setTyped({ ...typed, ...change })}
      />
      {!fitsOn(on, length) && (
        <Small className="text-pencil" role="alert">
          {RUNS_PAST}
        </Small>
      )}
      <View className="flex-row gap-3">
        <Button label={`Add the ${part}`} onPress={add} disabled={!fitsOn(on, length)} />
        <Button label="Leave it" onPress={onLeft} />
      </View>
    </View>
  );
};

/** A wing, a bay or a lean-to. */
export const AddPart = ({
  index,
  onAdded,
}: {
  readonly index: number;
  readonly onAdded: (index: number) => void;
}) => {
  const [part, setPart] = useState<Part | null>(null);
  return part === null ? (
    <View className="flex-row flex-wrap gap-3">
      {PARTS.map((one) => (
        <Button key={one} label={`Add a ${one}`} onPress={() => setPart(one)} />
      ))}
    </View>
  ) : (
    <NewPart part={part} index={index} onAdded={onAdded} onLeft={() => setPart(null)} />
  );
};
