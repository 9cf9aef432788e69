import type { JobInput } from '@ogee/core';

const eave = { roof: 'eave', pitch: '12/12', overhang: 350 } as const;

/** A signal station: a steep gable roof, a porch leaning on it. */
export const gannetPoint: JobInput = {
  format: 'ogee-job',
  version: 1,
  name: 'Gannet Point',
  about:
    'Signal station, gables at both ends: canted purlins under the rafters from gable to gable, collar ties in the upper third, studs in the gables. A shed dormer lights the stair at the back. Over the door a porch leans on the wall: a ledger there, posts and a beam outside, purlins over its rafters for the sheets.',
  display: { units: 'metric', fraction: 16, pitch: 'in12', terms: 'uk' },
  timber: {
    common: { thickness: 45, depth: 170 },
    ridge: { thickness: 45, depth: 245 },
    fascia: { thickness: 22, depth: 170 },
    barge: { thickness: 45, depth: 170 },
    lookout: { thickness: 45, depth: 95 },
    purlin: { thickness: 75, depth: 150 },
    gableStud: { thickness: 45, depth: 95 },
    ledger: { thickness: 45, depth: 195 },
    beam: { thickness: 95, depth: 150 },
    post: { thickness: 95, depth: 95 },
    collarTie: { thickness: 38, depth: 120 },
    plateWidth: 100,
    sheathing: 0,
  },
  framing: { spacing: 450, seat: { width: 60 } },
  blocks: [
    {
      id: 'main',
      outline: [
        [0, 0],
        [6_300, 0],
        [6_300, 4_200],
        [0, 4_200],
      ],
      sides: [eave, { roof: 'gable', overhang: 200 }, eave, { roof: 'gable', overhang: 200 }],
    },
    {
      id: 'porch',
      outline: [
        [1_800, -1_800],
        [4_500, -1_800],
        [4_500, 0],
        [1_800, 0],
      ],
      plate: -1_260,
      sides: [
        {
          roof: 'eave',
          pitch: '4/12',
          overhang: 250,
          posts: { height: 2_250, spacing: 2_400 },
        },
        { roof: 'gable', overhang: 0 },
        { roof: 'wall' },
        { roof: 'gable', overhang: 0 },
      ],
    },
  ],
  // Over the stair, in line with the back wall: false tails carry the eave on before it.
  dormers: [
    {
      block: 'main',
      side: 2,
      along: [2_250, 4_050],
      face: 0,
      plate: 900,
      roof: 'shed',
      pitch: '3/12',
      overhang: 300,
    },
  ],
  purlins: [0, 2].map((side) => ({ block: 'main', side, at: 0.45 })),
  roofPurlins: [
    {
      block: 'porch',
      stock: { thickness: 75, depth: 50 },
      spacing: 600,
      first: 60,
      last: 100,
    },
  ],
  collarTies: { bottom: 'upper-third', every: 2, hold: 12 },
};
