import { takenBack, type LogEntry, type LogKind } from '@ogee/core/src/log';
import type { Job } from '@ogee/core/src/job';
import Download from 'lucide-react-native/icons/download';
import { useState } from 'react';
import { View } from 'react-native';
import type { LogLine } from '../data/log-shelf';
import { useJob } from '../data/open-job';
import { useSiteLog } from '../data/site-log';
import { oneOf, useAddressed } from '../nav/addressed';
import { logTableOf } from '../solver/glance';
import { Button } from '../ui/button';
import { Choice } from '../ui/choice';
import { writeLength } from '../ui/length-entry';
import { Figure, Small, Strong, Title, Words } from '../ui/text';
import { WordsField } from '../ui/words-field';
import { whenText } from '../ui/when';
import { causeWords } from './cause-words';
import { ClockOff, LogMark, NameEntry } from './log-mark';

type Shown = 'all' | Exclude<LogKind, 'undo'>;

const SHOWN: readonly { readonly value: Shown; readonly label: string }[] = [
  { value: 'all', label: 'All' },
  { value: 'tick', label: 'Ticks' },
  { value: 'measurement', label: 'Measured' },
  { value: 'test', label: 'Tried' },
  { value: 'correction', label: 'Corrected' },
  { value: 'note', label: 'Notes' },
];

const figure = (value: number, unit: 'mm' | 'deg', display: Job['display']): string =>
  unit === 'mm' ? writeLength(value, display) : `${Number(value.toFixed(2))}°`;

/** A line of the log in words: what it is about, and the rest. */
const words = (entry: LogEntry, display: Job['display']): readonly [head: string, more: string] => {
  switch (entry.kind) {
    case 'tick': {
      const { mark, hand, longPoint } = entry.sawn;
      const of = hand === 'plain' ? '' : `, ${hand}`;
      return [
        `${entry.count} × ${mark} sawn${of}`,
        `${entry.pattern ? 'the pattern · ' : ''}to ${writeLength(longPoint, display)}`,
      ];
    }
    case 'undo':
      return ['A tick taken back', ''];
    case 'measurement':
      return [
        `${entry.what}: ${figure(entry.value, entry.unit, display)}`,
        [
          entry.source === 'typed' ? 'by tape' : `by ${entry.source}`,
          ...(entry.planned === null
            ? []
            : [`planned ${figure(entry.planned, entry.unit, display)}`]),
        ].join(' · '),
      ];
    case 'correction':
      return [entry.said, entry.reason];
    case 'test': {
      const [first] = entry.causes;
      return [
        `${entry.mark} tried in place`,
        first === undefined ? 'no cause found' : `likeliest: ${causeWords(first, display)}`,
      ];
    }
    case 'note':
      return [entry.text, ''];
  }
};

const MINUTE_MS = 60_000;
const A_DAY_MS = 24 * 60 * MINUTE_MS;
/** A line that is dated after its arrival by more than this comes from a clock that is wrong; before it, it may have waited. */
const AHEAD_MS = 2 * MINUTE_MS;
const BEHIND_MS = 2 * A_DAY_MS;

/** When a line came to the server, where the clock of the phone that wrote it says something else. */
const arrival = ({ entry, received }: LogLine): string[] => {
  if (received === undefined) return [];
  const ahead = Date.parse(entry.at) - Date.parse(received);
  if (ahead > AHEAD_MS) return [`that phone’s clock is ahead: it came ${whenText(received)}`];
  if (ahead < -BEHIND_MS) return [`by that phone’s clock; it came ${whenText(received)}`];
  return [];
};

const Line = ({
  line,
  gone,
  display,
}: {
  readonly line: LogLine;
  readonly gone: boolean;
  readonly display: Job['display'];
}) => {
  const { entry } = line;
  const [head, more] = words(entry, display);
  return (
    <View role="listitem" className="border-t border-grain py-2" testID={`line-${entry.kind}`}>
      <Strong className={gone ? 'line-through' : ''}>{head}</Strong>
      {more !== '' && <Words>{more}</Words>}
      <Small>
        {[
          entry.by === '' ? 'nobody named' : entry.by,
          whenText(entry.at),
          ...(gone ? ['taken back'] : []),
          ...arrival(line),
          ...(line.at === 'server'
            ? []
            : [line.at === 'window' ? 'in this window only' : 'on this device']),
        ].join(' · ')}
      </Small>
    </View>
  );
};

const download = (name: string, text: string): void => {
  const url = URL.createObjectURL(new Blob([text], { type: 'text/csv' }));
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(url), 1000);
};

/** So many lines are on the page at first. */
const FIRST_LINES = 60;

/** What happened on site, newest first: filtered, added to, taken away as a table. */
export const LogScreen = () => {
  const job = useJob();
  const log = useSiteLog();
  const [shown, show] = useAddressed<Shown>(
    'show',
    'all',
    oneOf('all', 'tick', 'measurement', 'test', 'correction', 'note'),
  );
  const [all, setAll] = useState(false);
  const [text, setText] = useState('');
  const gone = takenBack(log.entries);
  const lines = [...log.lines]
    .reverse()
    .filter(({ entry: { kind } }) => shown === 'all' || kind === shown);
  const add = (): void => {
    const trimmed = text.trim();
    if (trimmed === '') return;
    void log.write({ kind: 'note', text: trimmed });
    setText('');
  };
  return (
    <View className="gap-4" testID="log">
      <View>
        <Title level={1}>Log</Title>
        <Small>
          What was measured, tried, corrected and sawn. Lines are added and never changed.
        </Small>
      </View>
      <LogMark log={log} />
      <ClockOff />
      <View className="gap-2">
        <WordsField
          value={text}
          onChangeText={setText}
          onSubmitEditing={add}
          maxLength={2000}
          placeholder="a note for the log"
          aria-label="Note"
          testID="note"
        />
        <View className="flex-row flex-wrap gap-2">
          <Button
            label="Add the note"
            onPress={add}
            disabled={text.trim() === ''}
            testID="add-note"
          />
          <Button
            label="As a table (CSV)"
            icon={Download}
            disabled={log.entries.length === 0}
            onPress={() =>
              void logTableOf(
                log.lines.map(({ entry, received = null }) => ({ entry, received })),
              ).then((table) => download(`${job.name} log.csv`, table))
            }
          />
        </View>
      </View>
      <NameEntry />
      <Choice label="Show" hideLabel value={shown} options={SHOWN} onChange={show} />
      {lines.length === 0 ? (
        <Words>
          {shown === 'all' ? 'Nothing is written yet.' : 'Nothing of this sort is written yet.'}
        </Words>
      ) : (
        <View role="list" aria-label="Lines of the log, newest first">
          {lines.slice(0, all ? undefined : FIRST_LINES).map((line) => (
            <Line key={line.id} line={line} gone={gone.has(line.id)} display={job.display} />
          ))}
        </View>
      )}
      {!all && lines.length > FIRST_LINES && (
        <View className="items-center">
          <Figure>{lines.length - FIRST_LINES} more</Figure>
          <Button label="Show all" onPress={() => setAll(true)} />
        </View>
      )}
    </View>
  );
};
