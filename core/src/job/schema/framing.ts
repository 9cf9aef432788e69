import { z } from 'zod';
import { length } from './measures';

const seat = z.union(
  [
    z.strictObject({ hap: length(1, 1500) }),
    z.strictObject({ width: length(1, 1000) }),
    z.strictObject({ depthFraction: z.number().gt(0).lt(0.9) }),
  ],
  {
    error:
      'expected one of {"hap": 110}, {"width": 89} or {"depthFraction": 0.25} (over 0, under 0.9)',
  },
);

export const framing = z.strictObject({
  spacing: length(100, 3000),
  layout: z.enum(['ridge', 'corner']).default('ridge'),
  seat,
  tail: z.enum(['plumb', 'square']).default('plumb'),
  hipTop: z.enum(['drop', 'back', 'none']).default('drop'),
  /** How far a dropped hip stands lower than its drop asks, plumb, its seat so much deeper; 0 where none is given. */
  hipLowered: length(0, 300).optional(),
  hipAtRidge: z.enum(['to-commons', 'to-ridge']).default('to-commons'),
  valleys: z.enum(['supported', 'to-ridge-end']).default('supported'),
  levelFascia: z.enum(['vary-overhang', 'raise-plate']).optional(),
  shortestJack: length(0, 5000).default(200),
  /** How many times a timber's depth a scarf is long, where a ridge or a purlin is longer than its timber; 3 where none is given. */
  scarf: z.union([z.literal(3), z.literal(5)]).optional(),
  /** How a scarf ends: run out to feather edges, on square abutments, or on those with a slot for folding wedges in its middle; feathered where none is given. */
  scarfEnds: z.enum(['feathered', 'square', 'keyed']).optional(),
  /** How studs stand in a gable: flat under its rafter, or on edge and notched round it; flat where none is given. */
  gableStuds: z.enum(['flat', 'notched']).optional(),
  /** How rafters end on a ledger: square against it in hangers, or over it with a birdsmouth; in hangers where none is given. */
  atLedger: z.enum(['hanger', 'birdsmouth']).optional(),
  /** How much longer fascias are left at each end, to be cut in place; 0 where none is given. */
  fasciaLong: length(0, 2000).optional(),
  /** How lookouts carry a barge: butted against the gable's rafter, or laid in through its top to the next; butted where none is given. */
  lookouts: z.enum(['butted', 'laid-in']).optional(),
  /** Something outside the wall that the rafters' undersides have to clear, a bolt's head say. */
  obstruction: z
    .strictObject({
      /** Plan distance of its outer side from the plate's outside face. */
      out: length(0, 3000),
      /** How far its top stands below the plate's top. */
      below: length(-1500, 3000),
    })
    .optional(),
  /** A window under the eave: how far its head stands below the plate's top. */
  windowHead: length(0, 5000).optional(),
  /** What stands may differ from the plan by so much before it is said; 3 mm where none is given. */
  tolerance: length(0, 100).optional(),
  /** How the crew marks an angle; by the pitch's own way where none is given. */
  angles: z.enum(['square', 'degrees', 'two-readings']).optional(),
});
