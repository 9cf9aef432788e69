import { ticksOf } from '../tape-ticks';

const DISPLAY = { fraction: 16, pitch: 'in12', terms: 'us' } as const;

describe('ticksOf', () => {
  it('imperial: a tick an inch, every foot named, nothing past the board’s end', () => {
    const ticks = ticksOf(3 * 304.8 + 10, { ...DISPLAY, units: 'imperial' });
    expect(ticks).toHaveLength(37);
    expect(ticks.filter((tick) => tick.label?.includes('′')).map((tick) => tick.label)).toEqual([
      '0′',
      '1′',
      '2′',
      '3′',
    ]);
    expect(ticks[14]).toMatchObject({ mm: 14 * 25.4, label: '2' });
  });

  it('metric: a tick a centimetre, every hundred millimetres named', () => {
    const ticks = ticksOf(250, { ...DISPLAY, units: 'metric' });
    expect(ticks).toHaveLength(26);
    expect(ticks.flatMap((tick) => tick.label ?? [])).toEqual(['0', '100', '200']);
    expect(ticks.map((tick) => tick.mm).every((mm, i) => mm === i * 10)).toBe(true);
  });
});
