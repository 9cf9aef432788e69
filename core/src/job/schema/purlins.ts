import { z } from 'zod';
import { length, stock } from './measures';

export const purlin = z.strictObject({
  block: z.string(),
  side: z.number().int().min(0),
  /** Of its reference line from the plate's outside face, plan: a share of the side's run, or a distance. */
  at: z.union([z.number().gt(0).lt(1), z.strictObject({ distance: length(1, 100_000) })], {
    error: 'expected a share of the run over 0 and under 1, or {"distance": 1500}',
  }),
  set: z.enum(['canted', 'plumb']).default('canted'),
  /** Set plumb: its top bevelled to the slope, or square, with every rafter notched over it; bevelled where none is given. */
  top: z.enum(['bevelled', 'square']).optional(),
  /** Struts from its underside down to a bearing wall that runs along this side. */
  struts: z
    .strictObject({
      /** Plan distance of the middle of that wall from the plate's outside face. */
      foot: length(1, 100_000),
      /** Of the wall's top above the plate; 0 where none is given. */
      level: length(-20_000, 20_000).optional(),
      /** The furthest they stand apart, and from the purlin's ends. */
      spacing: length(300, 20_000),
    })
    .optional(),
});

/** From a hip's underside down to a wall or a tie beam, in the hip's own plumb plane. */
export const hipBrace = z.strictObject({
  block: z.string(),
  /** The corner that the hip rises from: that of this number of the outline. */
  corner: z.number().int().min(0).max(11),
  /** Plan distances along the hip from the plates' corner: of its head's middle under the hip, and of its foot's. */
  at: length(100, 100_000),
  foot: length(0, 100_000),
  /** Of what it stands on above the block's plate; 0 where none is given. */
  level: length(-20_000, 20_000).optional(),
});

/** Purlins or battens over the rafters, or dropped in between them. */
export const roofPurlins = z.strictObject({
  block: z.string(),
  /** Every eave side of the block where none is given. */
  side: z.number().int().min(0).optional(),
  stock,
  /** On centres, along the slope. */
  spacing: length(50, 5000),
  /** Along the slope, from the tail's top corner to the middle of the first. */
  first: length(0, 5000),
  /** Along the slope, from the top down to the middle of the highest. */
  last: length(0, 5000),
  set: z.enum(['over', 'between']).default('over'),
  /** What the job's roof planes are: the tops of these, or of the rafters. */
  planes: z.enum(['tops', 'rafters']).default('rafters'),
});
