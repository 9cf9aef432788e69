import {
  formatLength,
  formatPitch,
  lengthFormat,
  parseLength,
  parsePitch,
  type BareUnit,
  type Job,
} from '@ogee/core';
import { useId } from 'react';
import { View } from 'react-native';
import { useFault, useOpenJob } from '../data/open-job';
import { Entry, type Reading } from './entry';
import { IconButton } from './button';
import { Figure, Small, Strong } from './text';
import Minus from 'lucide-react-native/icons/minus';
import Plus from 'lucide-react-native/icons/plus';

type Display = Job['display'];

const IMPERIAL_KEYS = ["'", ' ', '/', '"'];
const METRIC_KEYS = [' ', 'm', 'mm'];

const decimals = (mm: number): number => (Number.isInteger(Number(mm.toFixed(3))) ? 0 : 1);

/** A length in the job's units, as fine as it was given. */
export const writeLength = (mm: number, display: Display): string =>
  formatLength(mm, lengthFormat(display, decimals(mm)));

export const readLengthEntry =
  (display: Display, bare: BareUnit) =>
  (text: string): Reading<number> => {
    const reading = parseLength(text, bare);
    if (!reading.ok) return { ok: false, text: reading.text };
    const other: Display = {
      ...display,
      units: display.units === 'imperial' ? 'metric' : 'imperial',
    };
    const echo = `${writeLength(reading.mm, display)} (${writeLength(reading.mm, other)})`;
    return { ok: true, value: reading.mm, echo };
  };

interface FieldProps<T> {
  readonly label: string;
  /** Where the value stands in the job file; problems of that path show under the field. */
  readonly path: string;
  readonly value: T;
  readonly onValue: (value: T) => void;
  readonly help?: string;
}

/** Building sizes take a bare number as feet; timber sizes as inches. Metric takes it as millimetres. */
export const LengthField = ({
  size = 'building',
  path,
  value,
  ...rest
}: FieldProps<number> & { readonly size?: 'building' | 'timber' }) => {
  const { job, problemAt } = useOpenJob();
  const { display } = job;
  const imperial = display.units === 'imperial';
  const onFault = useFault(path);
  return (
    <Entry
      {...rest}
      written={writeLength(value, display)}
      read={readLengthEntry(display, imperial ? (size === 'building' ? 'ft' : 'in') : 'mm')}
      onFault={onFault}
      problem={problemAt(path)}
      keys={imperial ? IMPERIAL_KEYS : METRIC_KEYS}
      testID={`field-${path}`}
    />
  );
};

export const readPitchEntry =
  (bare: Display['pitch']) =>
  (text: string): Reading<string> => {
    const reading = parsePitch(text, bare);
    if (!reading.ok) return { ok: false, text: reading.text };
    const echo = `${formatPitch(reading.rad, 'in12')}, ${formatPitch(reading.rad, 'degrees')}, ${formatPitch(reading.rad, 'ratio')}`;
    return { ok: true, value: reading.pitch, echo };
  };

export const PITCH_KEYS = ['/', '°'];

export const PitchField = ({ path, value, ...rest }: FieldProps<string>) => {
  const { job, problemAt } = useOpenJob();
  const onFault = useFault(path);
  return (
    <Entry
      {...rest}
      written={value}
      read={readPitchEntry(job.display.pitch)}
      onFault={onFault}
      problem={problemAt(path)}
      keys={PITCH_KEYS}
      testID={`field-${path}`}
    />
  );
};

/** A small number, stepped by thumb. */
export const Stepper = ({
  label,
  value,
  step,
  min,
  max,
  unit,
  onValue,
  help,
}: {
  readonly label: string;
  readonly value: number;
  readonly step: number;
  readonly min: number;
  readonly max: number;
  readonly unit: string;
  readonly onValue: (value: number) => void;
  readonly help?: string;
}) => {
  const id = useId();
  const to = (next: number): void => onValue(Math.min(max, Math.max(min, next)));
  return (
    <View className="gap-1" role="group" aria-labelledby={id}>
      <Strong nativeID={id}>{label}</Strong>
      <View className="flex-row items-center justify-between rounded border border-edge bg-sheet">
        <IconButton
          label={`less: ${label}`}
          icon={Minus}
          disabled={value <= min}
          onPress={() => to(value - step)}
        />
        <Figure aria-live="polite" className="text-2xl">
          {value}
          {unit}
        </Figure>
        <IconButton
          label={`more: ${label}`}
          icon={Plus}
          disabled={value >= max}
          onPress={() => to(value + step)}
        />
      </View>
      {help !== undefined && <Small>{help}</Small>}
    </View>
  );
};
