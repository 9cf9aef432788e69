import type { Job } from '@ogee/core/src/job';
import { Pressable, View } from 'react-native';
import type { TapeMark } from '../draw/board';
import { Button } from '../ui/button';
import { Length } from '../ui/length';
import { Title, Words } from '../ui/text';

interface MarkTableProps {
  readonly marks: readonly TapeMark[];
  /** The mark that the board is scrolled to; none to begin with. */
  readonly shown: number | null;
  readonly display: Job['display'];
  readonly onShow: (index: number) => void;
}

/** Every mark on the top edge, from the hooked end on; touched, the board goes there. */
export const MarkTable = ({ marks, shown, display, onShow }: MarkTableProps) => {
  const next = shown === null || shown === marks.length - 1 ? 0 : shown + 1;
  if (marks.length === 0) return null;
  return (
    <View testID="marks">
      <View className="flex-row flex-wrap items-center justify-between gap-2">
        <Title level={3}>Marks on the top edge</Title>
        {marks.length > 1 && (
          <Button label="Next mark" onPress={() => onShow(next)} testID="next-mark" />
        )}
      </View>
      {marks.map(({ name, at }, i) => (
        <Pressable
          key={`${name} ${at}`}
          role="button"
          testID={`mark-${i}`}
          onPress={() => onShow(i)}
          className={`min-h-[48px] flex-row items-center justify-between gap-2 border-t border-grain px-1 active:bg-wash ${i === shown ? 'bg-wash' : ''}`}
        >
          <Words>{name}</Words>
          <Length mm={at} display={display} />
        </Pressable>
      ))}
    </View>
  );
};
