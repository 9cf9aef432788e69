import type { Block } from '@ogee/core/src/job';
import { View } from 'react-native';
import { ChoiceField, LengthField } from '../form/fields';

/** What stands on a slope: over which wall of its part, and where along that. */
export const AlongWall = ({
  name,
  path,
  block,
  side,
  along: [from, to],
  wide,
  onSide,
  onAlong,
}: {
  /** What it is called. */
  readonly name: string;
  /** Where it stands in the job file. */
  readonly path: string;
  readonly block: Block;
  readonly side: number;
  readonly along: readonly [number, number];
  /** What its width is called. */
  readonly wide: string;
  readonly onSide: (side: number) => void;
  readonly onAlong: (along: [number, number]) => void;
}) => {
  const eaves = block.sides.flatMap(({ roof }, i) => (roof === 'eave' ? [i] : []));
  return (
    <>
      {eaves.length > 1 && (
        <ChoiceField
          label={`${name} over`}
          value={String(side)}
          options={eaves.map((one) => ({ value: String(one), label: `Wall ${one + 1}` }))}
          onChange={(next) => onSide(Number(next))}
        />
      )}
      <View className="flex-row gap-3">
        <View className="flex-1">
          <LengthField
            label="From the wall’s start"
            of={name}
            path={`${path}.along.0`}
            value={from}
            onValue={(next) => onAlong([next, next + to - from])}
          />
        </View>
        <View className="flex-1">
          <LengthField
            label={wide}
            of={name}
            path={`${path}.along.1`}
            value={to - from}
            onValue={(next) => onAlong([from, from + next])}
          />
        </View>
      </View>
    </>
  );
};
