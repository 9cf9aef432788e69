import { renderHook, act } from '@testing-library/react-native';
import { clockWords, noteServerTime, useClockOff } from '../clock';

const NOON = Date.parse('2026-06-01T12:00:00Z');
const at = (iso: string): void => noteServerTime(new Date(iso).toUTCString(), NOON);

it('says a clock that is a year, a day or minutes off, and nothing of one that is right', () => {
  const { result } = renderHook(() => useClockOff());
  expect(result.current).toBeNull();
  for (const [server, words] of [
    ['2025-06-01T12:00:00Z', '365 days ahead'],
    ['2026-06-02T12:00:00Z', '1 day behind'],
    ['2026-06-01T10:00:00Z', '2 hours ahead'],
    ['2026-06-01T12:20:00Z', '20 minutes behind'],
    ['2026-06-01T12:01:00Z', null],
  ] as const) {
    act(() => at(server));
    expect([server, result.current]).toEqual([server, words]);
  }
  act(() => noteServerTime('no date', NOON));
  act(() => noteServerTime(null, NOON));
  expect(result.current).toBeNull();
});

it('counts in the largest unit that is whole', () => {
  expect(clockWords(6 * 60_000)).toBe('6 minutes ahead');
  expect(clockWords(-3_600_000)).toBe('1 hour behind');
});
