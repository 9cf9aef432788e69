import { takesGablet, withGablet, type Block, type Side } from '@ogee/core/src/job';
import { View } from 'react-native';
import { useHandling } from '../data/open-job';
import { Button } from '../ui/button';
import { LengthField } from '../form/fields';

/** A small gable above the hip of this wall: none, or how far in it stands. */
export const Gablet = ({
  index,
  wall,
  side,
  block,
}: {
  readonly index: number;
  readonly wall: number;
  readonly side: Extract<Side, { roof: 'eave' }>;
  readonly block: Block;
}) => {
  const { edit } = useHandling();
  const set = (at: number | null | undefined, said?: string) =>
    edit((now) => withGablet(now, index, wall, at), said);
  if (side.gablet === undefined)
    return takesGablet(block, wall) ? (
      <Button
        label="A ‹gablet› above this ‹hip›"
        onPress={() => set(undefined, `Wall ${wall + 1}: a gablet`)}
      />
    ) : null;
  return (
    <View className="gap-2 border-l-2 border-grain pl-3">
      <LengthField
        label="‹Gablet› stands in from the ‹plate›"
        path={`blocks.${index}.sides.${wall}.gablet.at`}
        value={side.gablet.at}
        onValue={(at) => set(at)}
        help="Measured level. The hips end at its face; a header between them carries the rafters of this wall."
      />
      <Button
        label="Take the gablet away"
        onPress={() => set(null, `Wall ${wall + 1}: the gablet taken away`)}
      />
    </View>
  );
};
