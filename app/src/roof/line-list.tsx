import { KINDS, LISTED_KINDS, kindName } from '@ogee/core/src/kinds';
import type { CutListEntry } from '@ogee/core/src/cuts';
import { Pressable, View } from 'react-native';
import { useDisplay } from '../data/open-job';
import { useRoof } from '../data/roof';
import { useOpenPiece } from '../nav/open-piece';
import { KindLine } from '../ui/kind-line';
import { Length } from '../ui/length';
import { Figure, Small, Strong, Title } from '../ui/text';

const LINES = LISTED_KINDS.filter(
  (kind) => KINDS[kind].stands === 'line' || KINDS[kind].stands === 'between',
);

/** Purlins over or between the rafters lie on no line of the roof: they are not set by height. */
const isLine = ({ kind, heights }: CutListEntry): boolean =>
  LINES.some((one) => one === kind) && (heights !== null || !KINDS[kind].setByHeight);

const angles = (entry: CutListEntry): string =>
  entry.plan === null
    ? 'along its eaves'
    : `${entry.plan[0].toFixed(2)}° and ${entry.plan[1].toFixed(2)}° from the eaves in plan`;

/** Every ridge, hip and valley by name: its theory length, its slope, its plan angles. */
export const LineList = () => {
  const display = useDisplay();
  const { roof } = useRoof();
  const openPiece = useOpenPiece();
  const lines = roof?.cuts.members.filter(isLine) ?? [];
  if (lines.length === 0) return null;
  return (
    <View className="gap-2" testID="lines">
      <Title>Lines of the roof</Title>
      <Small>Lengths from point to point, before anything is taken off for the timbers met.</Small>
      {lines.map((entry) => (
        <Pressable
          key={entry.mark}
          role="link"
          testID={`line-${entry.mark}`}
          onPress={() => openPiece(entry.mark)}
          className="min-h-[64px] flex-row items-center gap-3 rounded border border-edge bg-sheet px-3 py-2"
        >
          <View className="w-16 gap-1">
            <Strong>{entry.mark}</Strong>
            <KindLine kind={entry.kind} />
          </View>
          <View className="flex-1">
            <Small>
              {kindName(entry.kind, display.terms)}
              {entry.count > 1 ? ` × ${entry.count}` : ''} · {angles(entry)}
            </Small>
          </View>
          <View className="items-end">
            <Length mm={entry.length.theory} display={display} />
            <Figure className="text-base text-soft">
              {entry.slope === 0 ? 'level' : `${entry.slope.toFixed(2)}°`}
            </Figure>
          </View>
        </Pressable>
      ))}
    </View>
  );
};
