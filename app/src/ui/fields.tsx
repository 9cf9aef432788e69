import { useId } from 'react';
import { View } from 'react-native';
import { useFault, useOpenJob } from '../data/open-job';
import { Entry, type Reading } from './entry';
import {
  lengthKeys,
  PITCH_KEYS,
  readLengthEntry,
  readPitchEntry,
  writeLength,
} from './length-entry';
import { IconButton } from './button';
import { Figure, Small, Strong } from './text';
import Minus from 'lucide-react-native/icons/minus';
import Plus from 'lucide-react-native/icons/plus';

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
      keys={lengthKeys(display)}
      testID={`field-${path}`}
    />
  );
};

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

const readAngle = (text: string): Reading<number> => {
  const value = Number(text.trim().replace(/°$/, '').replace(',', '.'));
  return text.trim() !== '' && value > 0 && value < 180
    ? { ok: true, value, echo: `${value}°` }
    : {
        ok: false,
        text: `"${text.trim()}" is not an inside angle; accepted is over 0° and under 180°`,
      };
};

/** An inside angle of a plan, degrees. */
export const AngleField = ({ path, value, ...rest }: FieldProps<number>) => {
  const { problemAt } = useOpenJob();
  const onFault = useFault(path);
  return (
    <Entry
      {...rest}
      written={`${Number(value.toFixed(4))}°`}
      read={readAngle}
      onFault={onFault}
      problem={problemAt(path)}
      keys={['.', '°']}
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
