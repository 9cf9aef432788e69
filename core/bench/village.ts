import type { Job, JobInput } from '../src/job';
import { jobOf, rectangle } from '../src/tests/houses';

type Side = JobInput['blocks'][number]['sides'][number];

/** A main range with three wings a bay, as long as it must be: any number of boards, 4 blocks or a multiple. */
export const village = (bays: number, spacing: number): Job => {
  const bay = 15000;
  const main: Side = { roof: 'eave', pitch: '9/12', overhang: 450 };
  const blocks = Array.from({ length: bays }, (_, i) => {
    const x = i * (bay + 4000);
    return [
      rectangle(`main${i}`, [x, 0, bay, 7000], [main, main, main, main]),
      rectangle(
        `a${i}`,
        [x + 1500, -3000, 4000, 6500],
        [{ roof: 'gable' }, main, { roof: 'open' }, main],
      ),
      rectangle(`b${i}`, [x + 8500, -2000, 5000, 5500], [main, main, { roof: 'open' }, main]),
      rectangle(`c${i}`, [x + 4500, 3500, 5000, 6000], [{ roof: 'open' }, main, main, main]),
    ];
  }).flat();
  return jobOf(blocks, { spacing });
};
