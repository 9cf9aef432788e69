import type { Job } from '@ogee/core/src/job';
import Minus from 'lucide-react-native/icons/minus';
import Plus from 'lucide-react-native/icons/plus';
import Undo from 'lucide-react-native/icons/undo-2';
import { useState } from 'react';
import { View } from 'react-native';
import { Button } from '../ui/button';
import { Length } from '../ui/length';
import { writeLength } from '../ui/length-entry';
import { LooseLength } from '../form/loose-fields';
import { Figure, Small, Words } from '../ui/text';

/** Lengths put together one by one, each kept in sight: nothing is added in the head. */
export const SumPad = ({ display }: { readonly display: Job['display'] }) => {
  const [parts, setParts] = useState<readonly number[]>([]);
  const [next, setNext] = useState<number | null>(null);
  const [turn, setTurn] = useState(0);
  const total = parts.reduce((sum, mm) => sum + mm, 0);
  const put = (sign: 1 | -1): void => {
    if (next === null) return;
    setParts([...parts, sign * next]);
    setNext(null);
    setTurn(turn + 1);
  };
  return (
    <View className="gap-3" testID="sum-pad">
      <View aria-live="polite">
        <Small>Together</Small>
        <Length mm={total} display={display} size="large" showLoss />
      </View>
      <LooseLength
        key={turn}
        label="Length"
        display={display}
        size="timber"
        value={next}
        onValue={setNext}
        help="sums are read too: 223 1/2 + 10 1/2"
        testID="sum-part"
      />
      <View className="flex-row flex-wrap gap-2">
        <Button label="Add" icon={Plus} look="filled" onPress={() => put(1)} testID="sum-add" />
        <Button label="Take off" icon={Minus} onPress={() => put(-1)} testID="sum-less" />
        <Button
          label="Last one back"
          icon={Undo}
          disabled={parts.length === 0}
          onPress={() => setParts(parts.slice(0, -1))}
        />
        <Button label="Begin anew" disabled={parts.length === 0} onPress={() => setParts([])} />
      </View>
      <View role="list" aria-label="What is put together">
        {parts.map((mm, i) => (
          <View
            key={i}
            role="listitem"
            className="flex-row justify-between gap-3 border-t border-grain py-1"
          >
            <Words>{mm < 0 ? 'less' : i === 0 ? 'from' : 'and'}</Words>
            <Figure className="text-2xl">{writeLength(Math.abs(mm), display)}</Figure>
          </View>
        ))}
      </View>
    </View>
  );
};
