import fc from 'fast-check';
import { logCsv } from '../../export';
import { logEntrySchema, standingTicks, takenBack, type LogEntry } from '..';

const id = (n: number): string => `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`;
const at = (n: number): string => new Date(Date.UTC(2026, 0, 1, 8, 0, n)).toISOString();

const sawn = {
  mark: 'C1',
  kind: 'common',
  hand: 'plain',
  member: 'main.common.0.0',
  stock: { thickness: 38, depth: 184 },
  longPoint: 3000,
  left: [
    [
      [0, 0],
      [10, 0],
      [10, 10],
    ],
  ],
  right: [
    [
      [0, 0],
      [10, 0],
      [10, 10],
    ],
  ],
} as const;

const tick = (n: number): LogEntry =>
  logEntrySchema.parse({
    id: id(n),
    at: at(n),
    by: 'Ada',
    kind: 'tick',
    sawn,
    count: n + 1,
    pattern: false,
  });
const undo = (n: number, of: number): LogEntry => ({
  id: id(n),
  at: at(n),
  by: 'Ben',
  kind: 'undo',
  of: id(of),
});

it('what stands is the same in whatever order lines come together', () => {
  const lines = [tick(0), tick(1), tick(2), undo(3, 1), tick(4), undo(5, 4), undo(6, 4)];
  fc.assert(
    fc.property(fc.shuffledSubarray(lines, { minLength: lines.length }), (shuffled) => {
      const standing = standingTicks(shuffled).map((one) => one.id);
      expect([...standing].sort()).toEqual([id(0), id(2)]);
      // Neither the phones' clocks nor the ids put them in another order than they came in.
      expect(standing).toEqual(
        shuffled.map((one) => one.id).filter((one) => standing.includes(one)),
      );
    }),
    { seed: 1 },
  );
});

it('a tick may come after it was taken back', () => {
  expect(standingTicks([undo(3, 1)])).toEqual([]);
  expect(standingTicks([undo(3, 1), tick(1)])).toEqual([]);
  expect(takenBack([undo(3, 1)])).toEqual(new Set([id(1)]));
});

it('a table keeps every line, says what was taken back, and runs no formula', () => {
  const note: LogEntry = {
    id: id(7),
    at: at(7),
    by: '=cmd()',
    kind: 'note',
    text: 'plate, "back", 6 low',
  };
  const lines = [tick(1), undo(3, 1), note].map((entry) => ({ entry, received: at(9) }));
  const rows = logCsv(lines).trim().split('\r\n');
  expect(rows).toHaveLength(4);
  expect(rows[1]).toMatch(/tick,C1,2,.*yes$/u);
  expect(rows[3]).toContain('"plate, ""back"", 6 low"');
  expect(rows[3]).not.toMatch(/,=cmd/u);
});

it.each([
  ['a half count', { ...tick(0), count: 1.5 }],
  [
    'a loop of two corners',
    {
      ...tick(0),
      sawn: {
        ...sawn,
        left: [
          [
            [0, 0],
            [1, 1],
          ],
        ],
      },
    },
  ],
  ['a kind of timber that is none', { ...tick(0), sawn: { ...sawn, kind: 'mast' } }],
  ['a field too many', { ...undo(1, 0), why: 'x' }],
  ['a day for an instant', { ...undo(1, 0), at: '2026-01-01' }],
])('takes no line with %s', (_what, line) => {
  expect(logEntrySchema.safeParse(line).success).toBe(false);
});
