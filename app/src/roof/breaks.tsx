import { withBreak, withBreakChanged, withoutBreak, type Side } from '@ogee/core/src/job';
import { pitchRad } from '@ogee/core/src/units';
import { View } from 'react-native';
import { useHandling, useProblems } from '../data/open-job';
import { Button } from '../ui/button';
import { LengthField, PitchField } from '../form/fields';
import { Small, Strong } from '../ui/text';

type Eave = Extract<Side, { roof: 'eave' }>;
type Break = NonNullable<Eave['breaks']>[number];

const written = ({ pitch }: Break): string =>
  typeof pitch === 'string' ? pitch : `${pitch.rise}/${pitch.run}`;

/** One break: how far in it lies, and the pitch above it. */
const BreakFields = ({
  index,
  wall,
  which,
  one,
}: {
  readonly index: number;
  readonly wall: number;
  readonly which: number;
  readonly one: Break;
}) => {
  const { edit } = useHandling();
  const { problemAt } = useProblems();
  const path = `blocks.${index}.sides.${wall}.breaks.${which}`;
  const problem = problemAt(path);
  const change = (to: Partial<Break>) =>
    edit((now) => withBreakChanged(now, index, wall, which, to));
  return (
    <View className="gap-2 border-l-2 border-grain pl-3">
      <Strong>Break {which + 1}, from the eave up</Strong>
      <View className="flex-row gap-3">
        <View className="flex-1">
          <LengthField
            label="In from the ‹plate›"
            path={`${path}.at`}
            value={one.at}
            onValue={(at) => change({ at })}
          />
        </View>
        <View className="flex-1">
          <PitchField
            label="Pitch above it"
            path={`${path}.pitch`}
            value={written(one)}
            onValue={(pitch) => change({ pitch })}
          />
        </View>
      </View>
      {problem !== undefined && <Small className="text-pencil">{problem}</Small>}
      <Button
        label={`Take break ${which + 1} away`}
        onPress={() =>
          edit(
            (now) => withoutBreak(now, index, wall, which),
            `Wall ${wall + 1}: break ${which + 1} taken away`,
          )
        }
      />
    </View>
  );
};

/** Whether the eave kicks out already: the roof is steeper above its lowest break. */
const steepens = ({ pitch, breaks }: Eave): boolean => {
  const first = breaks?.[0];
  return first !== undefined && pitchRad(first.pitch) > pitchRad(pitch);
};

/** Where a side breaks into another pitch, each break by two numbers, and the two ways to begin one. */
export const Breaks = ({
  index,
  wall,
  side,
}: {
  readonly index: number;
  readonly wall: number;
  readonly side: Eave;
}) => {
  const { edit } = useHandling();
  const breaks = side.breaks ?? [];
  return (
    <View className="gap-2">
      {breaks.map((one, which) => (
        <BreakFields key={which} index={index} wall={wall} which={which} one={one} />
      ))}
      <View className="flex-row flex-wrap gap-2">
        <Button
          label="Break to a lower pitch above"
          onPress={() =>
            edit(
              (now) => withBreak(now, index, wall, 'shallower-above'),
              `Wall ${wall + 1}: a break to a lower pitch`,
            )
          }
        />
        {!steepens(side) && (
          <Button
            label="Kick the eave out"
            onPress={() =>
              edit(
                (now) => withBreak(now, index, wall, 'kick-out'),
                `Wall ${wall + 1}: the eave kicked out`,
              )
            }
          />
        )}
      </View>
      {breaks.length > 0 && (
        <Small>
          A purlin lies under each break and holds the rafters above and below it; its size is under
          Timber. What carries it belongs to an engineer.
        </Small>
      )}
    </View>
  );
};
