import type { Misfit } from '@ogee/core/src/cutting-day';
import type { Job } from '@ogee/core/src/job';
import { View } from 'react-native';
import { writeTenth } from '../ui/length-entry';
import { Figure, Small, Strong, Words } from '../ui/text';

/** Off by less than this is shown as nothing. mm */
const NOTHING_MM = 0.05;

/** What to do with a sawn piece that serves no more as it is. */
export const misfitWords = (
  { verdict, heir, byMm, elsewhere, sawn }: Misfit,
  display: Job['display'],
): { readonly what: string; readonly then: string } => {
  const by = writeTenth(Math.abs(byMm), display);
  const other = elsewhere === null ? null : `it can be sawn down to ${elsewhere}`;
  const name = heir === sawn.mark || heir === null ? '' : ` for ${heir}`;
  switch (verdict) {
    case 'long':
      return {
        what: Math.abs(byMm) < NOTHING_MM ? `wants other cuts${name}` : `${by} too long${name}`,
        then: `saw it again as ${heir ?? ''}: there is wood enough`,
      };
    case 'short':
      return {
        what: `${by} too short${name}`,
        then: other ?? 'it serves nowhere on the list: keep it for blocks, and start again',
      };
    case 'cuts':
      return {
        what: `other cuts are wanted${name}, and the wood for them is gone`,
        then: other ?? 'it serves nowhere on the list: keep it for blocks, and start again',
      };
    case 'spare':
      return {
        what: heir === null ? 'no longer wanted' : 'more than are wanted',
        then: other ?? 'keep it as a spare',
      };
  }
};

/** Sawn pieces that no line of the list wants as they are, each with what can be done with it. */
export const Misfits = ({
  misfits,
  display,
}: {
  readonly misfits: readonly Misfit[];
  readonly display: Job['display'];
}) => {
  if (misfits.length === 0) return null;
  const count = misfits.reduce((sum, one) => sum + one.count, 0);
  return (
    <View
      className="gap-1 rounded border border-pencil bg-blush p-3"
      role="status"
      testID="misfits"
    >
      <Strong>
        {count === 1 ? 'One sawn piece is' : `${count} sawn pieces are`} not on the list as it is
        now
      </Strong>
      {misfits.map((one, i) => {
        const { what, then } = misfitWords(one, display);
        return (
          <View key={i} className="flex-row gap-3 border-t border-pencil py-2">
            <Figure className="w-14 text-2xl text-pencil">{one.sawn.mark}</Figure>
            <View className="flex-1">
              <Words>
                {one.count} off{one.sawn.hand === 'plain' ? '' : `, ${one.sawn.hand}`}: {what}
              </Words>
              <Small className="text-ink">{then}</Small>
            </View>
          </View>
        );
      })}
    </View>
  );
};
