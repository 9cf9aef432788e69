import type { SheetDrawing } from '@ogee/core/src/drawing';
import { writtenPitch, type Job } from '@ogee/core/src/job';
import { formatLength, lengthFormat } from '@ogee/core/src/units';
import { View } from 'react-native';
import { useDisplay, useHandling, useJob } from '../data/open-job';
import { useRoof } from '../data/roof';
import { Button } from '../ui/button';
import { LengthField, PitchField } from '../form/fields';
import { Small, Strong, Title } from '../ui/text';

type Roofing = NonNullable<Job['roofing']>;

/** A usual sheet's cover: a metre, or three feet. mm */
const USUAL_COVER = { metric: 1000, imperial: 914.4 } as const;
const USUAL_OVERHANG_MM = 50;

/** What the roof is covered with: the least pitch it is made for, and its sheets, where it is sheets. */
export const RoofingFields = () => {
  const job = useJob();
  const { edit } = useHandling();
  const { roofing } = job;
  const set = (change: Partial<Roofing>, said?: string) =>
    edit(
      (now) => ({
        ...now,
        roofing: { overhang: USUAL_OVERHANG_MM, ...now.roofing, ...change },
      }),
      said,
    );
  return (
    <View className="gap-3" testID="roofing">
      <Title>Roofing</Title>
      {roofing?.leastPitch === undefined ? (
        <Button
          label="Give the least pitch that it is made for"
          onPress={() => set({ leastPitch: '15°' }, 'Roofing: least pitch')}
        />
      ) : (
        <PitchField
          label="Least pitch of the roofing"
          path="roofing.leastPitch"
          value={writtenPitch(roofing.leastPitch)}
          onValue={(leastPitch) => set({ leastPitch })}
          help="Slopes, saddles and dormers that are shallower are pointed out."
        />
      )}
      {roofing?.cover === undefined ? (
        <Button
          label="It is covered with long sheets"
          onPress={() => set({ cover: USUAL_COVER[job.display.units] }, 'Roofing in sheets')}
        />
      ) : (
        <>
          <View className="flex-row gap-3">
            <View className="flex-1">
              <LengthField
                label="A sheet covers, lap off"
                path="roofing.cover"
                value={roofing.cover}
                onValue={(cover) => set({ cover })}
              />
            </View>
            <View className="flex-1">
              <LengthField
                label="Past the ‹tails›"
                size="timber"
                path="roofing.overhang"
                value={roofing.overhang}
                onValue={(overhang) => set({ overhang })}
              />
            </View>
          </View>
          <Button
            label="It is not sheets"
            onPress={() =>
              edit((now) => {
                const { cover: _cover, ...rest } = now.roofing ?? { overhang: USUAL_OVERHANG_MM };
                return { ...now, roofing: rest };
              }, 'Roofing: no sheets')
            }
          />
        </>
      )}
    </View>
  );
};

/** Lengths that are the same to the millimetre, counted: “8 of 4320 mm”. */
const counted = (lengths: readonly number[], text: (mm: number) => string): string[] => {
  const counts = new Map<number, number>();
  // Bought no shorter than they are.
  for (const mm of lengths.map((one) => Math.ceil(one - ROUNDING_MM)))
    counts.set(mm, (counts.get(mm) ?? 0) + 1);
  return [...counts].map(([mm, count]) => `${count} of ${text(mm)}`);
};

const ROUNDING_MM = 0.01;

/** The roofing sheets of a slope: how many, how long, where the first is set, where its fixings go. */
export const RoofingOnSlope = ({ slope }: { readonly slope: SheetDrawing }) => {
  const display = useDisplay();
  const { roof } = useRoof();
  const { roofing } = slope;
  if (roofing === null) return null;
  const text = (mm: number): string => formatLength(mm, lengthFormat(display));
  const tape = roof?.cuts.marks.find(
    ({ on, of }) => on === 'sheet' && of === `${slope.block}.${slope.side}`,
  );
  return (
    <View className="gap-1">
      <Strong>
        {roofing.sheets} roofing {roofing.sheets === 1 ? 'sheet' : 'sheets'}
      </Strong>
      <Small>
        From the left, as seen from the eave: {counted(roofing.lengths, text).join(', ')}.
      </Small>
      <Small>
        The first stands {text(roofing.offset)} out past the slope’s left edge: then both ends are
        alike.
      </Small>
      {tape !== undefined && (
        <Small>
          Fixings up each sheet, from {tape.from}: {tape.at.map(({ mm }) => text(mm)).join(', ')}.
        </Small>
      )}
    </View>
  );
};
