import { useState } from 'react';
import { View } from 'react-native';
import { useClockOff } from '../data/clock';
import type { SiteLog } from '../data/site-log';
import { useWho } from '../data/who';
import { Small, Strong } from '../ui/text';
import { WordsField } from '../ui/words-field';

/** Where the lines of the log are: nothing is said where the server has them all. */
export const LogMark = ({ log }: { readonly log: SiteLog }) => {
  const { waiting, refused, unkept, unread } = log;
  if (waiting + refused + unread === 0) return null;
  return (
    <View aria-live="polite" testID="log-state">
      {waiting > 0 && (
        <Small className="text-pencil">
          {waiting === 1 ? 'One line is' : `${waiting} lines are`}{' '}
          {unkept > 0 ? 'in this window only' : 'on this device'} and not with the server yet;{' '}
          {unkept > 0 ? 'keep it open' : 'nothing is lost'}
        </Small>
      )}
      {refused > 0 && (
        <Small className="text-pencil">
          {refused === 1 ? 'One line was' : `${refused} lines were`} not taken by the server, and
          kept here
        </Small>
      )}
      {unread > 0 && (
        <Small className="text-pencil">
          {unread === 1 ? 'One line' : `${unread} lines`} kept on this device could not be read any
          more, and {unread === 1 ? 'lies' : 'lie'} aside here
        </Small>
      )}
    </View>
  );
};

/** Said where this device's clock is far off the server's: it puts its time on every line that it writes. */
export const ClockOff = () => {
  const off = useClockOff();
  return off === null ? null : (
    <Small className="text-pencil" testID="clock-off" role="status">
      This device’s clock is {off}, against the server’s. Lines stand in the order in which they
      came there; set the clock, so that their times are right.
    </Small>
  );
};

/** Whose ticks these are: asked once on a device, changed when somebody else takes it. */
export const NameEntry = () => {
  const [who, setWho] = useWho();
  const [typed, setTyped] = useState(who);
  return (
    <View className="flex-row flex-wrap items-center gap-x-3 gap-y-1">
      <Strong nativeID="who-label">Who saws here</Strong>
      <WordsField
        value={typed}
        onChangeText={setTyped}
        onBlur={() => setWho(typed)}
        onSubmitEditing={() => setWho(typed)}
        maxLength={60}
        placeholder="a name, for the log"
        aria-labelledby="who-label"
        testID="who"
        className="min-w-[160px] flex-1"
      />
    </View>
  );
};
