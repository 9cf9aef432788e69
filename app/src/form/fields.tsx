import { useEffect, useId, useRef } from 'react';
import { View } from 'react-native';
import { useDisplay, useFault, useHandling, useProblems } from '../data/open-job';
import { Choice } from '../ui/choice';
import { Entry, type Hand } from './entry';
import {
  lengthKeys,
  PITCH_KEYS,
  readLengthEntry,
  readPitchEntry,
  writeLength,
  type Reading,
} from '../ui/length-entry';
import { IconButton } from '../ui/button';
import { useTerms } from '../ui/terms';
import { Figure, Small, Strong } from '../ui/text';
import Minus from 'lucide-react-native/icons/minus';
import Plus from 'lucide-react-native/icons/plus';

interface FieldProps<T> {
  readonly label: string;
  /** What it is the label of, where the heading above says so. */
  readonly of?: string;
  /** Where the value stands in the job file; problems of that path show under the field. */
  readonly path: string;
  readonly value: T;
  readonly onValue: (value: T) => void;
  /** The field was put back as it was. */
  readonly onPutBack?: () => void;
  readonly help?: string;
}

/** What becomes of what is typed in a field of the open job. */
const useHand = (
  path: string,
): Hand & { readonly typing: (act: () => void, said?: string) => void } => {
  const { hand, typedBefore, keepTyped, keepReading } = useHandling();
  return {
    takeUp: () => hand.takeUp(path, true),
    withdraw: () => hand.withdraw(path),
    leave: (said, taken) => {
      const took = hand.leave(path, said);
      if (took && taken !== null) keepReading(path, said, taken);
      return took;
    },
    putBack: () => hand.putBack(path),
    typedBefore: typedBefore.get(path),
    keepTyped: (text) => keepTyped(path, text),
    typing: (act, said) => hand.whileTyping(path, act, said),
  };
};

/** Building sizes take a bare number as feet; timber sizes as inches. Metric takes it as millimetres. */
export const LengthField = ({
  size = 'building',
  path,
  refusedAt = path,
  value,
  onValue,
  ...rest
}: FieldProps<number> & {
  readonly size?: 'building' | 'timber';
  /** The field of the job that it comes to, where that has another of its own on the screen. */
  readonly refusedAt?: string;
}) => {
  const { problemAt } = useProblems();
  const display = useDisplay();
  const imperial = display.units === 'imperial';
  const onFault = useFault(path);
  const hand = useHand(path);
  return (
    <Entry
      {...rest}
      hand={hand}
      onValue={(next) => hand.typing(() => onValue(next))}
      written={writeLength(value, display)}
      read={readLengthEntry(display, imperial ? (size === 'building' ? 'ft' : 'in') : 'mm')}
      onFault={onFault}
      problem={problemAt(refusedAt)}
      keys={lengthKeys(display)}
      takes="length"
      testID={`field-${path}`}
    />
  );
};

export const PitchField = ({ path, value, onValue, ...rest }: FieldProps<string>) => {
  const display = useDisplay();
  const { problemAt } = useProblems();
  const onFault = useFault(path);
  const hand = useHand(path);
  return (
    <Entry
      {...rest}
      hand={hand}
      onValue={(next) => hand.typing(() => onValue(next))}
      written={value}
      read={readPitchEntry(display.pitch)}
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
    ? { ok: true, value, echo: `${value}°`, written: `${value}°` }
    : {
        ok: false,
        text: `"${text.trim()}" is not an inside angle; accepted is over 0° and under 180°`,
      };
};

/** An inside angle of a plan, degrees. */
export const AngleField = ({ path, value, onValue, ...rest }: FieldProps<number>) => {
  const { problemAt } = useProblems();
  const onFault = useFault(path);
  const hand = useHand(path);
  return (
    <Entry
      {...rest}
      hand={hand}
      onValue={(next) => hand.typing(() => onValue(next))}
      written={`${Number(value.toFixed(4))}°`}
      read={readAngle}
      onFault={onFault}
      problem={problemAt(path)}
      keys={['.', '°']}
      takes="angle"
      testID={`field-${path}`}
    />
  );
};

/** One of a few ways, of the open job: what is chosen is one entry that says what it was and is. */
export const ChoiceField = <T extends string>(props: Parameters<typeof Choice<T>>[0]) => {
  const { hand } = useHandling();
  const { label, value, options, onChange } = props;
  const say = useTerms();
  const named = (one: T): string => options.find((option) => option.value === one)?.label ?? one;
  return (
    <Choice
      {...props}
      onChange={(next) => {
        if (next === value) return;
        hand.say(say(`${label}: ${named(value)} → ${named(next)}`), () => onChange(next));
      }}
    />
  );
};

/** Steps that follow each other within this are one entry. ms */
const STEPPING_MS = 800;

/** A small number of the open job, stepped by thumb. */
export const StepperField = ({
  label,
  path,
  value,
  step,
  min,
  max,
  unit,
  onValue,
  help,
}: {
  readonly label: string;
  readonly path: string;
  readonly value: number;
  readonly step: number;
  readonly min: number;
  readonly max: number;
  readonly unit: string;
  readonly onValue: (value: number) => void;
  readonly help?: string;
}) => {
  const id = useId();
  const say = useTerms();
  const hand = useHand(path);
  const leaving = useRef<{ timer: ReturnType<typeof setTimeout>; leave: () => void } | null>(null);
  const stood = useRef(value);
  const to = (next: number): void => {
    const wanted = Math.min(max, Math.max(min, next));
    if (leaving.current === null) stood.current = value;
    else clearTimeout(leaving.current.timer);
    const said = say(`${label}: ${stood.current}${unit} → ${wanted}${unit}`);
    hand.typing(() => onValue(wanted), said);
    const leave = (): void => {
      leaving.current = null;
      hand.leave(said, null);
    };
    leaving.current = { timer: setTimeout(leave, STEPPING_MS), leave };
  };
  // Taken off the screen in between: what was stepped to counts.
  useEffect(
    () => () => {
      if (leaving.current === null) return;
      clearTimeout(leaving.current.timer);
      leaving.current.leave();
    },
    [],
  );
  return (
    <View className="gap-1" role="group" aria-labelledby={id}>
      <Strong asked nativeID={id}>
        {label}
      </Strong>
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
      {help !== undefined && <Small asked>{help}</Small>}
    </View>
  );
};
