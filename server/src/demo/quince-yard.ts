import type { JobInput } from '@ogee/core';

const eave = { roof: 'eave', pitch: '32.5°', overhang: 500 } as const;

/** A bakery: 32.5°, metric, one oblique end along the lane. */
export const quinceYard: JobInput = {
  format: 'ogee-job',
  version: 1,
  name: 'Quince Yard',
  about:
    'Bakery. Gable to the yard, its barges on lookouts laid in; the street end is oblique, for it follows the lane, and is hipped: no two of its corners are alike. Canted purlins run round it halfway up, strutted from a wall along each side of the passage. A porch is laid on the front slope, on sleepers. The ovens’ chimney comes up through the back slope, a saddle behind it.',
  display: { units: 'metric', fraction: 16, pitch: 'degrees', terms: 'uk' },
  timber: {
    common: { thickness: 47, depth: 195 },
    hip: { thickness: 47, depth: 245 },
    ridge: { thickness: 38, depth: 245 },
    fascia: { thickness: 22, depth: 220 },
    barge: { thickness: 47, depth: 195 },
    lookout: { thickness: 47, depth: 95 },
    purlin: { thickness: 75, depth: 175 },
    strut: { thickness: 75, depth: 100 },
    sleeper: { thickness: 38, depth: 150 },
    plateWidth: 100,
    sheathing: 22,
  },
  framing: {
    spacing: 600,
    seat: { depthFraction: 0.25 },
    tail: 'square',
    hipTop: 'back',
    lookouts: 'laid-in',
    levelFascia: 'vary-overhang',
  },
  blocks: [
    {
      id: 'main',
      outline: [
        [0, 0],
        [11_400, 0],
        [10_150, 7_200],
        [0, 7_200],
      ],
      sides: [eave, eave, eave, { roof: 'gable', overhang: 300 }],
    },
    {
      id: 'porch',
      join: 'laid-on',
      outline: [
        [2_600, -1_500],
        [5_000, -1_500],
        [5_000, 1_800],
        [2_600, 1_800],
      ],
      sides: [{ roof: 'gable', overhang: 0 }, eave, { roof: 'open' }, eave],
    },
  ],
  purlins: [
    ...[0, 2].map((side) => ({
      block: 'main',
      side,
      at: 0.5,
      struts: { foot: 2_800, spacing: 2_400 },
    })),
    { block: 'main', side: 1, at: 0.5 },
  ],
  openings: [
    {
      name: 'Chimney',
      block: 'main',
      side: 2,
      along: [5_400, 6_300],
      up: [2_350, 2_950],
      clearance: 50,
    },
  ],
  saddles: [{ block: 'main', side: 2, along: [5_400, 6_300], at: 2_950 }],
};
