import { useEffect, useId, useRef, useState } from 'react';
import { TextInput, View } from 'react-native';
import { Figure, Small, Strong } from './text';

export type Reading<T> =
  | { readonly ok: true; readonly value: T; readonly echo: string }
  | { readonly ok: false; readonly text: string };

interface EntryProps<T> {
  readonly label: string;
  /** What the value is now, as it would be written. */
  readonly written: string;
  readonly read: (text: string) => Reading<T>;
  readonly onValue: (value: T) => void;
  /** Told whether what stands in the field can be read. */
  readonly onFault: (fault: boolean) => void;
  /** What the job's own check says of this field. */
  readonly problem?: string | undefined;
  readonly help?: string;
  readonly placeholder?: string;
  readonly testID?: string;
}

const FOLD_MS = 400;

/** The keys a phone's number pad lacks, each typed where the caret stands. */
export const Keys = ({
  keys,
  onKey,
}: {
  keys: readonly string[];
  onKey: (key: string) => void;
}) => (
  <View className="flex-row flex-wrap gap-1" aria-label="Keys the number pad lacks">
    {keys.map((key) => (
      <Figure
        key={key}
        role="button"
        aria-label={KEY_NAMES[key] ?? key}
        onPress={() => onKey(key)}
        className="min-h-[48px] min-w-[48px] select-none rounded border border-grain bg-paper text-center leading-[46px] text-chalk"
      >
        {key === ' ' ? '␣' : key}
      </Figure>
    ))}
  </View>
);

const KEY_NAMES: Readonly<Record<string, string>> = {
  ' ': 'space',
  "'": 'feet',
  '"': 'inches',
  '/': 'fraction bar',
  '°': 'degrees',
};

/**
 * A field that understands what people write, says back what it understood, and keeps what was typed when it does
 * not. `keys` makes it usable with the number pad alone.
 */
export const Entry = <T,>(props: EntryProps<T> & { readonly keys: readonly string[] }) => {
  const { label, written, read, onValue, onFault, problem, help, placeholder, keys, testID } =
    props;
  const [draft, setDraft] = useState<string | null>(null);
  const id = useId();
  const text = draft ?? written;
  const reading = read(text);
  const fault = draft !== null && !reading.ok ? reading.text : problem;

  const type = (next: string): void => {
    setDraft(next);
    const result = read(next);
    onFault(!result.ok);
    if (result.ok) onValue(result.value);
  };
  // The keys fold away only after the tap that took the focus has landed: nothing moves under the thumb.
  const folding = useRef<ReturnType<typeof setTimeout> | null>(null);
  const stay = (): void => {
    if (folding.current !== null) clearTimeout(folding.current);
  };
  useEffect(() => stay, []);
  const leave = (): void => {
    stay();
    if (reading.ok) folding.current = setTimeout(() => setDraft(null), FOLD_MS);
  };
  const enter = (): void => {
    stay();
    setDraft((now) => now ?? written);
  };

  return (
    <View className="gap-1">
      <Strong nativeID={`${id}-label`}>{label}</Strong>
      <View
        className={`rounded border bg-sheet px-3 ${fault !== undefined ? 'border-pencil' : draft !== null ? 'border-chalk' : 'border-edge'} ${draft !== null ? 'border-2' : ''}`}
      >
        <TextInput
          value={text}
          onChangeText={type}
          onFocus={enter}
          onBlur={leave}
          inputMode="decimal"
          selectTextOnFocus
          autoComplete="off"
          placeholder={placeholder}
          aria-labelledby={`${id}-label`}
          aria-describedby={`${id}-echo`}
          aria-invalid={fault !== undefined}
          testID={testID}
          className="h-12 bg-transparent font-figures text-2xl text-ink"
        />
        {draft !== null && (
          <View className="pb-2" onPointerDown={(event) => event.preventDefault()}>
            <Keys keys={keys} onKey={(key) => type(text + key)} />
          </View>
        )}
      </View>
      <View nativeID={`${id}-echo`} aria-live="polite">
        {fault === undefined ? (
          <Small>
            {draft !== null && reading.ok ? `understood as ${reading.echo}` : (help ?? '')}
          </Small>
        ) : (
          <Small className="text-pencil" role="alert">
            {fault}
          </Small>
        )}
      </View>
    </View>
  );
};
