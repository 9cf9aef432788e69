import Papa from 'papaparse';
import { takenBack, type LogEntry } from '../log';

const COLUMNS = [
  'id',
  'at',
  'by',
  'kind',
  'mark',
  'count',
  'what',
  'value',
  'unit',
  'planned',
  'source',
  'text',
  'taken_back',
];

type Row = Partial<Record<(typeof COLUMNS)[number], string | number | null>>;

const rowOf = (entry: LogEntry): Row => {
  switch (entry.kind) {
    case 'tick':
      return {
        mark: entry.sawn.mark,
        count: entry.count,
        what: entry.pattern ? 'pattern' : entry.sawn.hand,
        value: entry.sawn.longPoint,
        unit: 'mm',
      };
    case 'undo':
      return { what: entry.of };
    case 'measurement':
      return {
        what: entry.what,
        value: entry.value,
        unit: entry.unit,
        planned: entry.planned,
        source: entry.source,
      };
    case 'correction':
      return { what: entry.said, text: entry.reason };
    case 'test':
      return {
        mark: entry.mark,
        what: Object.entries(entry.seen)
          .map(([name, mm]) => `${name} ${mm}`)
          .join('; '),
        text: entry.causes
          .map(({ cause, by }) => (by === null ? cause : `${cause} ${by.toFixed(1)}`))
          .join('; '),
      };
    case 'note':
      return { text: entry.text };
  }
};

/** A line as it goes into a table: with the server's time of its arrival, null where it is not there yet. */
export interface TableLine {
  readonly entry: LogEntry;
  readonly received: string | null;
}

/** The log as a table, in the order in which its lines came, lengths in mm. */
export const logCsv = (lines: readonly TableLine[]): string => {
  const gone = takenBack(lines.map(({ entry }) => entry));
  return `${Papa.unparse(
    {
      fields: [...COLUMNS],
      data: lines.map(({ entry, received }) => {
        const row: Row = {
          id: entry.id,
          at: entry.at,
          received: received ?? '',
          by: entry.by,
          kind: entry.kind,
          ...rowOf(entry),
          taken_back: gone.has(entry.id) ? 'yes' : '',
        };
        return COLUMNS.map((column) => row[column] ?? '');
      }),
    },
    { escapeFormulae: true },
  )}\r\n`;
};
