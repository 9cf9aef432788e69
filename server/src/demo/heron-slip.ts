import type { JobInput } from '@ogee/core';

const eave = { roof: 'eave', pitch: '9/12', overhang: `18"` } as const;

/** A rowing shed: L-shaped, hips and a gabled wing, 9/12, feet and inches. */
export const heronSlip: JobInput = {
  format: 'ogee-job',
  version: 1,
  name: 'Heron Slip',
  about:
    'Rowing shed on the slip. An L: the long shed hipped at its corners, and a gabled wing towards the water, flush with the east end, where the hip breaks to the wing’s lower ridge. Ceiling joists tie it, short ones at the hips’ ends, blocks close the eaves; the wing’s gable has studs and a ladder.',
  display: { units: 'imperial', fraction: 16, pitch: 'in12', terms: 'us' },
  timber: {
    common: { thickness: `1 1/2"`, depth: `7 1/4"` },
    hip: { thickness: `1 1/2"`, depth: `9 1/4"` },
    valley: { thickness: `1 1/2"`, depth: `9 1/4"` },
    ridge: { thickness: `1 1/2"`, depth: `9 1/4"` },
    fascia: { thickness: `3/4"`, depth: `7 1/4"` },
    barge: { thickness: `1 1/2"`, depth: `7 1/4"` },
    lookout: { thickness: `1 1/2"`, depth: `3 1/2"` },
    gableStud: { thickness: `1 1/2"`, depth: `3 1/2"` },
    blocking: { thickness: `1 1/2"`, depth: `9 1/4"` },
    rafterTie: { thickness: `1 1/2"`, depth: `7 1/4"` },
    backing: { thickness: `1 1/2"`, depth: `3 1/2"` },
    plateWidth: `5 1/2"`,
    sheathing: `5/8"`,
  },
  framing: { spacing: `16"`, seat: { width: `3"` }, levelFascia: 'vary-overhang' },
  blocks: [
    {
      id: 'main',
      outline: [
        ['0"', '0"'],
        [`36' 4"`, '0"'],
        [`36' 4"`, `22'`],
        ['0"', `22'`],
      ],
      sides: [eave, eave, eave, eave],
    },
    {
      id: 'wing',
      outline: [
        [`20' 4"`, `-11'`],
        [`36' 4"`, `-11'`],
        [`36' 4"`, `11'`],
        [`20' 4"`, `11'`],
      ],
      sides: [{ roof: 'gable', overhang: `9"` }, eave, { roof: 'open' }, eave],
    },
  ],
  rafterTies: { every: 1, atHips: 'short' },
};
