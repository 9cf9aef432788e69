import { JOB_VERSION } from './migrations';
import type { Job } from './schema';

/**
 * A job to start from: a rectangle with hips all round, its numbers those of a small house in the units asked for.
 * Nothing here is a recommendation of size; the local code and an engineer decide that.
 *
 * @param widthMm the plan's size across the page (x)
 * @param depthMm the plan's size up the page (y)
 */
export const newJob = (
  name: string,
  display: Job['display'],
  widthMm: number,
  depthMm: number,
  pitch: string,
): Job => {
  const imperial = display.units === 'imperial';
  const eave = { roof: 'eave' as const, pitch, overhang: imperial ? 406.4 : 400 };
  return {
    format: 'ogee-job',
    version: JOB_VERSION,
    name,
    display,
    timber: imperial
      ? {
          common: { thickness: 38.1, depth: 184.15 },
          hip: { thickness: 38.1, depth: 234.95 },
          valley: { thickness: 38.1, depth: 234.95 },
          ridge: { thickness: 38.1, depth: 234.95 },
          fascia: { thickness: 19.05, depth: 184.15 },
          plateWidth: 139.7,
          sheathing: 0,
        }
      : {
          common: { thickness: 45, depth: 195 },
          hip: { thickness: 45, depth: 245 },
          valley: { thickness: 45, depth: 245 },
          ridge: { thickness: 45, depth: 245 },
          fascia: { thickness: 22, depth: 195 },
          plateWidth: 140,
          sheathing: 0,
        },
    framing: {
      spacing: imperial ? 406.4 : 600,
      layout: 'ridge',
      seat: { depthFraction: 0.25 },
      tail: 'plumb',
      hipTop: 'drop',
      hipAtRidge: 'to-commons',
      valleys: 'supported',
      levelFascia: 'vary-overhang',
      shortestJack: 200,
    },
    saw: { maxTilt: 50 },
    blocks: [
      {
        id: 'main',
        outline: [
          [0, 0],
          [widthMm, 0],
          [widthMm, depthMm],
          [0, depthMm],
        ],
        plate: 0,
        sides: [eave, eave, eave, eave],
        join: 'framed',
      },
    ],
    purlins: [],
  };
};
