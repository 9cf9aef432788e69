import { memo, useEffect, useId, useReducer, useRef } from 'react';
import Crosshair from 'lucide-react-native/icons/crosshair';
import { TextInput, View, type BlurEvent, type TextInputKeyPressEvent } from 'react-native';
import { useInstrumentFor } from '../instruments/connected';
import { readingText, type Gives, type Taken } from '../instruments/instrument';
import { Button } from '../ui/button';
import { draftIn, keysOut, nextState, openedWith } from './entry-state';
import type { Reading } from '../ui/length-entry';
import { useTerms } from '../ui/terms';
import { Figure, Small, Strong } from '../ui/text';
import { useStable } from '../ui/use-stable';

/** What becomes of what is typed, from the field's being taken up to its being left. */
export interface Hand {
  readonly takeUp: () => void;
  /** What stands in the field cannot be read, or is what stood there before. */
  readonly withdraw: () => void;
  /**
   * Left or confirmed: what was typed counts. False where the job's checks refuse it. `taken` is what an instrument read,
   * where the field was filled by one.
   */
  readonly leave: (said: string, taken: Taken | null) => boolean;
  /** Put back as it was. */
  readonly putBack: () => void;
  /** What stood here typed and not taken when the window was last closed. */
  readonly typedBefore: string | undefined;
  /** Keeps what is typed on the device, until it counts or is put back. */
  readonly keepTyped: (text: string | null) => void;
}

interface EntryProps<T> {
  readonly label: string;
  /** What it is the label of, where the heading above says so: for the ear, and for the history. */
  readonly of?: string;
  /** What the value is now, as it would be written. */
  readonly written: string;
  readonly read: (text: string) => Reading<T>;
  /** Told of every value that can be read, while it is typed. */
  readonly onValue: (value: T) => void;
  /** Told whether what stands in the field can be read. */
  readonly onFault: (fault: boolean) => void;
  readonly hand?: Hand;
  /** The field was put back as it was. */
  readonly onPutBack?: (() => void) | undefined;
  /** What the job's own check says of this field. */
  readonly problem?: string | undefined;
  readonly help?: string;
  readonly placeholder?: string;
  /** What an instrument must give to fill it. */
  readonly takes?: Gives | undefined;
  /** What it is likely to be, where nothing stands in it: for a stand-in of an instrument. */
  readonly near?: number;
  readonly testID?: string;
}

const FOLD_MS = 400;

/** What a field stands at, as a number; NaN where it is none. */
const nearIn = (written: string, read: (text: string) => Reading<unknown>): number => {
  const reading = read(written);
  return reading.ok && typeof reading.value === 'number' ? reading.value : NaN;
};

interface KeysProps {
  readonly keys: readonly string[];
  readonly onKey: (key: string) => void;
}

/** The keys a phone's number pad lacks, each typed where the caret stands. */
export const Keys = memo(({ keys, onKey }: KeysProps) => (
  <View role="group" className="flex-row flex-wrap gap-1" aria-label="Keys the number pad lacks">
    {keys.map((key) => (
      <Figure
        key={key}
        role="button"
        aria-label={KEY_NAMES[key] ?? key}
        onPress={() => onKey(key)}
        className="min-h-[48px] min-w-[48px] select-none rounded border border-edge bg-paper text-center leading-[46px] text-chalk"
      >
        {key === ' ' ? '␣' : key}
      </Figure>
    ))}
  </View>
));
Keys.displayName = 'Keys';

const KEY_NAMES: Readonly<Record<string, string>> = {
  ' ': 'space',
  "'": 'feet',
  '"': 'inches',
  '/': 'fraction bar, or divided by',
  '+': 'plus',
  '−': 'minus',
  '%': 'percent',
  '°': 'degrees',
};

/** The page's own element of a field; null where there is no page. */
const onThePage = (field: unknown): HTMLInputElement | null =>
  typeof HTMLInputElement !== 'undefined' && field instanceof HTMLInputElement ? field : null;

/** Whether a loss of focus is one to something else of the same box. */
const staysInside = (box: unknown, event: unknown): boolean =>
  typeof FocusEvent !== 'undefined' &&
  event instanceof FocusEvent &&
  event.relatedTarget instanceof Node &&
  box instanceof Node &&
  box.contains(event.relatedTarget);

/** The caret's place in a text field of the page, or a selection. */
type Selection = { readonly start: number; readonly end: number };

/**
 * A field that understands what people write, says back what it understood, and keeps what was typed when it does
 * not. `keys` makes it usable with the number pad alone. What is typed is one entry: it counts when the field is left or
 * confirmed, Escape puts it back, and the same text typed anew is no change.
 */
export const Entry = <T,>(props: EntryProps<T> & { readonly keys: readonly string[] }) => {
  const { label, written, read, onValue, onFault, hand, problem, help, placeholder, keys, testID } =
    props;
  const { onPutBack, of, takes } = props;
  const instrument = useInstrumentFor(takes);
  const say = useTerms();
  const name = say(of === undefined ? label : `${of}, ${label.toLowerCase()}`);
  const [state, tell] = useReducer(nextState, hand?.typedBefore, openedWith);
  const input = useRef<TextInput>(null);
  const selection = useRef<Selection | null>(null);
  /** No key has been pressed since the field was taken up. */
  const untouched = useRef(false);
  const id = useId();
  const typed = draftIn(state);
  const open = keysOut(state);
  const focused = state.is === 'in-hand';
  // What stood typed and not taken may have come to count by another field: then it is no draft any more.
  const left = typed === null ? null : read(typed);
  const counts = !open && left?.ok === true && left.written === written;
  const draft = counts ? null : typed;
  const text = draft ?? written;
  const reading = read(text);
  const unread = draft !== null && !reading.ok ? reading.text : undefined;
  const stuck = state.is === 'refused' || state.is === 'stuck' ? state.why : null;
  const fault = unread ?? problem ?? (counts ? undefined : (stuck ?? undefined));

  const type = (next: string, by: Taken | null = null): void => {
    untouched.current = false;
    const stood = focused ? state.stood : written;
    tell({ does: 'type', text: next, written, by });
    hand?.keepTyped(next === stood ? null : next);
    const result = read(next);
    onFault(!result.ok);
    if (!result.ok || (hand !== undefined && next === stood)) hand?.withdraw();
    else onValue(result.value);
  };
  const leave = (): void => {
    if (!focused) return;
    // What cannot be read, or is refused, stays as typed, with its message.
    if (!reading.ok) {
      tell({ does: 'leave', taken: false, why: null });
      return;
    }
    const by = state.by === null ? '' : ` (${state.by.source})`;
    const said = `${name}: ${state.stood} → ${reading.written}${by}`;
    if (hand !== undefined && !hand.leave(said, state.by)) {
      tell({ does: 'leave', taken: false, why: problem ?? null });
      return;
    }
    hand?.keepTyped(null);
    tell({ does: 'leave', taken: true, why: null });
  };
  // The keys fold away only after the tap that took the focus has landed: nothing moves under the thumb.
  const folding = open && !focused;
  useEffect(() => {
    if (!folding) return undefined;
    const folded = setTimeout(() => tell({ does: 'fold' }), FOLD_MS);
    return () => clearTimeout(folded);
  }, [folding]);
  const enter = (): void => {
    untouched.current = true;
    // After the touch has set its caret; a key that came first is not written over.
    setTimeout(() => {
      const element = onThePage(input.current);
      if (untouched.current) element?.select();
    });
    tell({ does: 'take-up', written });
    hand?.takeUp();
    // Typed before and not taken: taken up again where it was left.
    const again = draft === null ? null : read(draft);
    if (again?.ok === true) onValue(again.value);
  };
  const putBack = (): void => {
    tell({ does: 'put-back' });
    onFault(false);
    hand?.keepTyped(null);
    hand?.putBack();
    onPutBack?.();
    input.current?.blur();
  };
  /** A key of the row goes where the caret is, over what is selected. */
  const put = (key: string): void => {
    const { start, end } = selection.current ?? { start: text.length, end: text.length };
    type(text.slice(0, start) + key + text.slice(end));
    const caret = start + key.length;
    selection.current = { start: caret, end: caret };
    const element = onThePage(input.current);
    requestAnimationFrame(() => element?.setSelectionRange(caret, caret));
  };
  // Taken off the screen with something in hand: as if it were left.
  const leaving = useStable(leave);
  useEffect(() => leaving, [leaving]);
  // The field itself is drawn anew for what stands in it, not for each value it would be left at.
  const onType = useStable((next: string) => type(next));
  const onEnter = useStable(enter);
  // From the field to its own keys and back is not left.
  const onBlur = useStable((event?: Partial<BlurEvent>) => {
    if (!staysInside(event?.currentTarget, event?.nativeEvent)) leave();
  });
  const onPress = useStable(({ nativeEvent: { key } }: TextInputKeyPressEvent) => {
    if (key === 'Escape') putBack();
  });
  const onKey = useStable(put);
  const onReading = useStable(async () => {
    const stands = nearIn(written, read);
    if (instrument === undefined || takes === undefined) return;
    const one = await instrument.take(Number.isFinite(stands) ? stands : (props.near ?? null));
    type(readingText(one, takes), one);
  });
  const understood =
    draft === null || !reading.ok
      ? (help ?? '')
      : focused || draft === written
        ? `understood as ${reading.echo}`
        : 'typed before and not taken: touch it to go on, Escape puts it back';

  return (
    <View className="gap-1">
      <Strong asked>{label}</Strong>
      <View
        onBlur={onBlur}
        className={`rounded border bg-sheet px-3 ${fault !== undefined ? 'border-pencil' : draft !== null ? 'border-chalk' : 'border-edge'} ${draft !== null ? 'border-2' : ''}`}
      >
        <TextInput
          ref={input}
          value={text}
          onChangeText={onType}
          onFocus={onEnter}
          onKeyPress={onPress}
          onSelectionChange={({ nativeEvent }) => {
            selection.current = nativeEvent.selection;
          }}
          inputMode="decimal"
          autoComplete="off"
          spellCheck={false}
          placeholder={placeholder}
          aria-label={name}
          aria-describedby={`${id}-echo`}
          aria-invalid={fault !== undefined}
          testID={testID}
          className="h-12 bg-transparent font-figures text-2xl text-ink"
        />
        {open && (
          <View className="pb-2" onPointerDown={(event) => event.preventDefault()}>
            <Keys keys={keys} onKey={onKey} />
            {instrument !== undefined && takes !== undefined && (
              <View className="pt-1">
                <Button
                  label={instrument.name}
                  icon={Crosshair}
                  onPress={() => void onReading()}
                  testID="take-reading"
                />
              </View>
            )}
          </View>
        )}
      </View>
      <View nativeID={`${id}-echo`} aria-live="polite">
        {fault === undefined ? (
          <Small asked>{understood}</Small>
        ) : (
          <Small className="text-pencil" role="alert">
            {fault}
          </Small>
        )}
      </View>
    </View>
  );
};
