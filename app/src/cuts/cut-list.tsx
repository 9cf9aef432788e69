import { KINDS, KINDS_IN_ORDER } from '@ogee/core/src/kinds';
import type { CutListEntry } from '@ogee/core/src/cuts';
import type { Job } from '@ogee/core/src/job';
import { angleSummary, boardNeeded } from '@ogee/core/src/wording';
import { Pressable, View } from 'react-native';
import { writeLength, writeStock } from '../ui/length-entry';
import { KindLine } from '../ui/kind-line';
import { Length } from '../ui/length';
import { Figure, Small, Title } from '../ui/text';

type Display = Job['display'];

export const handsText = ({ hands }: CutListEntry): string =>
  [hands.left > 0 ? `${hands.left} left` : '', hands.right > 0 ? `${hands.right} right` : '']
    .filter((text) => text !== '')
    .join(', ');

const Row = ({
  entry,
  display,
  chosen,
  onPress,
}: {
  entry: CutListEntry;
  display: Display;
  chosen: boolean;
  onPress: () => void;
}) => {
  const hands = handsText(entry);
  return (
    <Pressable
      role="link"
      onPress={onPress}
      aria-current={chosen ? 'true' : undefined}
      testID={`piece-${entry.mark}`}
      className={`min-h-[64px] flex-row items-center gap-3 border-t border-grain px-3 py-1 active:bg-wash ${chosen ? 'bg-wash' : ''}`}
    >
      <Figure className="w-14 text-2xl text-chalk">{entry.mark}</Figure>
      <View className="flex-1">
        <View className="flex-row items-center gap-2">
          <Figure className="text-xl">{entry.count} off</Figure>
          <Small className="flex-1">{hands}</Small>
          <Length mm={entry.length.longPoint} display={display} />
        </View>
        <View className="flex-row flex-wrap justify-between gap-x-2">
          <Small>
            {writeStock(entry.stock, display)} · {boardNeeded(entry.length.blank, display)}
          </Small>
          {(entry.heights ?? []).map(({ top, abovePlate }) => (
            <Small key={top}>top {writeLength(abovePlate, display)} above plate</Small>
          ))}
          <Small>{angleSummary(entry.cuts, display)}</Small>
        </View>
      </View>
    </Pressable>
  );
};

interface CutListProps {
  readonly members: readonly CutListEntry[];
  readonly display: Display;
  readonly chosen: string | null;
  readonly onOpen: (mark: string) => void;
}

/** Every piece, by kind in the order it goes up, longest first. Lengths are to the long point. */
export const CutListView = ({ members, display, chosen, onOpen }: CutListProps) => (
  <View role="list" aria-label="Cut list" testID="cut-list">
    {KINDS_IN_ORDER.map((kind) => {
      const rows = members.filter((entry) => entry.kind === kind);
      if (rows.length === 0) return null;
      const total = rows.reduce((sum, entry) => sum + entry.count, 0);
      return (
        <View key={kind} className="pb-4">
          <View className="flex-row items-center gap-3 px-3 py-1">
            <Title level={3}>{total === 1 ? KINDS[kind].name : KINDS[kind].plural}</Title>
            <KindLine kind={kind} />
            <Small className="ml-auto">{total} in all</Small>
          </View>
          {rows.map((entry) => (
            <Row
              key={entry.mark}
              entry={entry}
              display={display}
              chosen={entry.mark === chosen}
              onPress={() => onOpen(entry.mark)}
            />
          ))}
        </View>
      );
    })}
  </View>
);
