import { measurable, cornerAngles, diagonals } from '@ogee/core/src/job';
import { View } from 'react-native';
import { useDisplay, useJob } from '../data/open-job';
import { writeLength } from '../ui/length-entry';
import { Figure, Small, Strong, Words } from '../ui/text';

/** A corner out by less than this is square to any tape. mm */
const SQUARE_MM = 0.5;

/** What the diagonals of square corners read. */
const Squared = ({ diagonal }: { readonly diagonal: string }) => (
  <>
    <Words>Every corner 90°. Both diagonals should read</Words>
    <Figure className="text-3xl" testID="diagonal">
      {diagonal}
    </Figure>
    <Small>
      If they differ on site, enter the four walls and a diagonal as measured: the list then fits
      the building as it stands.
    </Small>
  </>
);

/** Every corner's angle; of four, how far it is from square: in degrees, and in length over its shorter wall. */
export const CornerList = ({ index }: { readonly index: number }) => {
  const job = useJob();
  const display = useDisplay();
  const outline = measurable(job, index);
  const corners = cornerAngles(outline);
  const four = outline.length === 4;
  const square = four && corners.every(({ outMm }) => outMm < SQUARE_MM);
  const both = diagonals(outline);
  return (
    <View className="gap-2 rounded border border-grain bg-sheet p-3" testID="corners">
      <Strong>{four ? 'Is it square?' : 'Inside angles'}</Strong>
      {both !== null && square && <Squared diagonal={writeLength(both[0], display)} />}
      {!square && (
        <>
          {corners.map(({ deg, outMm }, i) => (
            <View key={i} className="flex-row items-baseline justify-between gap-2">
              <Words>Corner {i + 1}</Words>
              <Figure className="text-2xl">{deg.toFixed(2)}°</Figure>
              {four && (
                <Small className="w-40 text-right">
                  {outMm < SQUARE_MM
                    ? 'square'
                    : `${deg > 90 ? 'open' : 'closed'} by ${Math.abs(deg - 90).toFixed(2)}°, ${writeLength(outMm, display)}`}
                </Small>
              )}
            </View>
          ))}
          {both !== null && (
            <Small>
              Diagonals {writeLength(both[0], display)} and {writeLength(both[1], display)}:{' '}
              {writeLength(Math.abs(both[0] - both[1]), display)} apart. The length beside a corner
              is how far its shorter wall ends out of square.
            </Small>
          )}
        </>
      )}
    </View>
  );
};
