import type { Job } from '@ogee/core/src/job';
import { MM_PER_INCH } from '@ogee/core/src/units';

export interface Tick {
  readonly mm: number;
  readonly tall: number;
  readonly label: string | null;
}

/** The tape's ticks: inches with whole feet, or centimetres with hundreds named. */
export const ticksOf = (lengthMm: number, display: Job['display']): Tick[] => {
  const imperial = display.units === 'imperial';
  const step = imperial ? MM_PER_INCH : 10;
  const ticks: Tick[] = [];
  for (let i = 0; i * step <= lengthMm; i += 1) {
    const mm = i * step;
    if (imperial) {
      const foot = i % 12 === 0;
      const label = foot ? `${i / 12}′` : i % 2 === 0 ? String(i % 12) : null;
      ticks.push({ mm, tall: foot ? 14 : 7, label });
    } else {
      const hundred = i % 10 === 0;
      ticks.push({
        mm,
        tall: hundred ? 14 : i % 5 === 0 ? 10 : 6,
        label: hundred ? String(mm) : null,
      });
    }
  }
  return ticks;
};
