import type { Step, Unit } from '@ogee/core/src/cuts';
import type { Job } from '@ogee/core/src/job';
import { formatDegrees } from '@ogee/core/src/units';
import { useState, type ReactNode } from 'react';
import { Pressable, View } from 'react-native';
import { writeLength } from '../ui/length-entry';
import { Small, Words } from '../ui/text';

type Display = Job['display'];

const figure = (value: number, unit: Unit, display: Display): string => {
  if (unit === '°') return formatDegrees(value, 3);
  if (unit === '') return value.toFixed(4);
  return display.units === 'imperial'
    ? `${writeLength(value, display)} (${(value / 25.4).toFixed(3)} in)`
    : `${value.toFixed(2)} mm`;
};

const Link = ({ step, display }: { step: Step; display: Display }) => (
  <View className="border-l-2 border-chalk pl-3">
    <Words>
      {step.name} = {figure(step.value, step.unit, display)}
    </Words>
    <Small>{step.rule}</Small>
    {step.inputs.map((input) => (
      <Small key={input.name}>
        · {input.name}: {figure(input.value, input.unit, display)}
      </Small>
    ))}
  </View>
);

interface WorkedProps {
  readonly steps: readonly Step[];
  readonly display: Display;
  readonly children: ReactNode;
  readonly testID?: string;
}

/** A number that shows its working at a touch: the chain the core computed it by. */
export const Worked = ({ steps, display, children, testID }: WorkedProps) => {
  const [open, setOpen] = useState(false);
  return (
    <View>
      <Pressable
        role="button"
        aria-expanded={open}
        testID={testID}
        onPress={() => setOpen(!open)}
        className="min-h-[48px] flex-row items-center justify-between gap-2 rounded active:bg-wash"
      >
        {children}
      </Pressable>
      {open && (
        <View className="gap-2 pb-3">
          {steps.map((step, i) => (
            <Link key={i} step={step} display={display} />
          ))}
        </View>
      )}
    </View>
  );
};
