import { Pressable, Text, View } from 'react-native';
import { useTerms } from './terms';
import { Small, Strong } from './text';

interface Option<T extends string> {
  readonly value: T;
  readonly label: string;
}

/** Which way each arrow goes. */
const ARROWS: Readonly<Record<string, number>> = {
  ArrowRight: 1,
  ArrowDown: 1,
  ArrowLeft: -1,
  ArrowUp: -1,
};

interface ChoiceProps<T extends string> {
  readonly label: string;
  readonly value: T;
  readonly options: readonly Option<T>[];
  readonly onChange: (value: T) => void;
  /** What the choice means, where the trade's schools differ. */
  readonly help?: string;
  readonly hideLabel?: boolean;
}

/** One of a few: all in sight, the chosen one inked in. */
export const Choice = <T extends string>(props: ChoiceProps<T>) => {
  const { label, value, options, onChange, help, hideLabel } = props;
  const say = useTerms();
  return (
    <View className="gap-1">
      {hideLabel !== true && <Strong asked>{label}</Strong>}
      <View
        role="radiogroup"
        aria-label={say(label)}
        className="flex-row flex-wrap gap-2"
        onKeyDown={(event) => {
          const by = ARROWS[event.key];
          if (by === undefined) return;
          event.preventDefault();
          const at = options.findIndex((option) => option.value === value);
          const next = (Math.max(0, at) + by + options.length) % options.length;
          const option = options[next];
          if (option === undefined) return;
          onChange(option.value);
          const radios = event.currentTarget.querySelectorAll<HTMLElement>('[role="radio"]');
          radios[next]?.focus();
        }}
      >
        {options.map((option, at) => {
          const chosen = option.value === value;
          const inTurn = chosen || (at === 0 && !options.some((one) => one.value === value));
          return (
            <Pressable
              key={option.value}
              role="radio"
              aria-checked={chosen}
              // One stop of the Tab key; the arrows go from one to the next.
              tabIndex={inTurn ? 0 : -1}
              onPress={() => onChange(option.value)}
              className={`min-h-[48px] min-w-[48px] flex-grow items-center justify-center rounded border px-3 ${chosen ? 'border-chalk bg-wash' : 'border-edge bg-sheet'}`}
            >
              <Text
                className={`text-base ${chosen ? 'font-strong text-ink' : 'font-words text-chalk'}`}
              >
                {chosen ? '✓ ' : ''}
                {say(option.label)}
              </Text>
            </Pressable>
          );
        })}
      </View>
      {help !== undefined && <Small asked>{help}</Small>}
    </View>
  );
};
