import type { Job } from '../src/job';
import { readJob } from '../src/job';

/** A main range with three wings a bay, as long as it must be: any number of boards, 4 blocks or a multiple. */
export const village = (bays: number, spacing: number): Job => {
  const bay = 15000;
  const eave = (pitch: string) => ({ roof: 'eave', pitch, overhang: 450 });
  const rect = (id: string, x: number, y: number, w: number, h: number, sides: object[]) => ({
    id,
    outline: [
      [x, y],
      [x + w, y],
      [x + w, y + h],
      [x, y + h],
    ],
    sides,
  });
  const blocks = Array.from({ length: bays }, (_, i) => {
    const x = i * (bay + 4000);
    const main = eave('9/12');
    return [
      rect(`main${i}`, x, 0, bay, 7000, [main, main, main, main]),
      rect(`a${i}`, x + 1500, -3000, 4000, 6500, [{ roof: 'gable' }, main, { roof: 'open' }, main]),
      rect(`b${i}`, x + 8500, -2000, 5000, 5500, [main, main, { roof: 'open' }, main]),
      rect(`c${i}`, x + 4500, 3500, 5000, 6000, [{ roof: 'open' }, main, main, main]),
    ];
  }).flat();
  const read = readJob({
    format: 'ogee-job',
    version: 1,
    name: 'village',
    timber: {
      common: { thickness: 38, depth: 184 },
      hip: { thickness: 38, depth: 286 },
      valley: { thickness: 38, depth: 286 },
      ridge: { thickness: 38, depth: 286 },
      fascia: { thickness: 19, depth: 184 },
      plateWidth: 140,
    },
    framing: { spacing, seat: { depthFraction: 0.25 } },
    blocks,
  });
  if (!read.ok) throw new Error(read.problems.map(({ text }) => text).join('; '));
  return read.value;
};
