import type { Development, DevelopmentStep } from '@ogee/core/src/drawing';
import { formatDegrees } from '@ogee/core/src/units';
import { useState } from 'react';
import { View } from 'react-native';
import { DevelopmentDrawing } from '../draw/development';
import { Button } from '../ui/button';
import { Choice } from '../ui/choice';
import { Fold } from '../ui/fold';
import { Figure, Small, Strong, Words } from '../ui/text';

const WORDS: Readonly<Record<DevelopmentStep['does'], string>> = {
  ground:
    'On the corner of a sheet: the common’s run along one edge, the eave down the other, and the plan line of the hip or valley from the corner.',
  section:
    'Above the run, full size: the line of the rafter’s underside at its pitch, and the section of the purlin against it.',
  drop: 'Drop the section’s three outer corners plumb to the plan line.',
  'deep-face':
    'With the compasses in the upper outer corner, swing the deep face up level, and drop its end. Carry the other corner’s point across to it and join: the side cut, from square across.',
  'narrow-face':
    'Swing the narrow face down level the same way and join: the edge cut, from square across.',
};

/** A figure for a framing square, to two decimals. */
const figure = (value: number): string => String(Number(value.toFixed(2)));

const QuickWay = ({ quick }: { readonly quick: NonNullable<Development['quick']> }) => (
  <View className="gap-1" testID="quick-way">
    <Strong>The quick way, with a ‹framing square›</Strong>
    {(['side', 'edge'] as const).map((cut) => (
      <View key={cut} className="flex-row flex-wrap items-baseline justify-between gap-2">
        <Words>{cut === 'side' ? 'Side cut' : 'Edge cut'}</Words>
        <Figure className="text-lg">
          {figure(quick[cut][0])} on the tongue, {figure(quick[cut][1])} on the blade
        </Figure>
      </View>
    ))}
    <Small>
      Rise (side) or run (edge) on one arm, the rafter’s length per run of 12 on the other; mark
      along the first.
    </Small>
  </View>
);

/** How the mitres of a purlin are set out full size on a sheet, one step at a time, and the quick way. */
export const SetOutFullSize = ({
  developments,
}: {
  readonly developments: readonly Development[];
}) => {
  const [open, setOpen] = useState(false);
  const [end, setEnd] = useState<'top' | 'bottom' | null>(null);
  const [step, setStep] = useState(0);
  const [first] = developments;
  const chosen = developments.find((one) => one.end === end) ?? first;
  if (chosen === undefined) return null;
  const { steps, side, edge, quick } = chosen;
  const now = steps[step];
  if (now === undefined) return null;
  return (
    <Fold
      title="Set out full size"
      what="the mitre drawn on the corner of a sheet, step by step"
      open={open}
      onOpen={setOpen}
      testID="set-out-full-size"
    >
      <View className="gap-3 pb-2">
        {developments.length > 1 && (
          <Choice
            label="Which end"
            value={chosen.end}
            options={[
              { value: 'top', label: 'Upper end' },
              { value: 'bottom', label: 'Lower end' },
            ]}
            onChange={setEnd}
          />
        )}
        <DevelopmentDrawing development={chosen} step={step} words={WORDS[now.does]} />
        <View aria-live="polite" className="gap-1">
          <Strong>
            Step {step + 1} of {steps.length}
          </Strong>
          <Words>{WORDS[now.does]}</Words>
        </View>
        <View className="flex-row gap-2">
          <Button
            label="Step back"
            disabled={step === 0}
            onPress={() => setStep(step - 1)}
            testID="development-back"
          />
          <Button
            label="Next step"
            disabled={step === steps.length - 1}
            onPress={() => setStep(step + 1)}
            testID="development-next"
          />
        </View>
        {step >= 3 && (
          <View testID="development-read">
            <View className="flex-row items-baseline justify-between border-t border-grain py-1">
              <Words>Side cut, on the deep face</Words>
              <Figure className="text-2xl">{formatDegrees(side)}</Figure>
            </View>
            {step >= 4 && (
              <View className="flex-row items-baseline justify-between border-t border-grain py-1">
                <Words>Edge cut, on the narrow face</Words>
                <Figure className="text-2xl">{formatDegrees(edge)}</Figure>
              </View>
            )}
            <Small>From square across. The other way to read them: 90° less.</Small>
          </View>
        )}
        {quick !== null && <QuickWay quick={quick} />}
      </View>
    </Fold>
  );
};
