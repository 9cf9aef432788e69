import { z } from 'zod';
import { length, stock } from './measures';

export const timber = z.strictObject({
  common: stock,
  hip: stock.optional(),
  valley: stock.optional(),
  ridge: stock.optional(),
  purlin: stock.optional(),
  collarTie: stock.optional(),
  rafterTie: stock.optional(),
  fascia: stock.optional(),
  /** Given, gables that the roof hangs over have barges on a ladder of lookouts. */
  barge: stock.optional(),
  lookout: stock.optional(),
  strut: stock.optional(),
  /** Given, rafters that lean against a wall end on a ledger. */
  ledger: stock.optional(),
  /** What stands in the cheeks of dormers; the commons' thickness and the plates' width where none is given. */
  cheekStud: stock.optional(),
  /** Given, studs stand in the gables, from the wall up to the rafters. */
  gableStud: stock.optional(),
  /** Given, what is laid on another roof stands on sleepers along its chalk lines; else on the sheathing itself. */
  sleeper: stock.optional(),
  /** What carries an eave's plate where no wall does. */
  beam: stock.optional(),
  post: stock.optional(),
  /** What stands beside an opening, and across it; the commons' size where none is given. */
  trimmer: stock.optional(),
  /** Given, boards lie flat along the inside of plates that run beside the rafter ties, for the ceiling's edge. */
  backing: stock.optional(),
  /** Given, blocks stand between the rafters along the eaves, ripped from it to their depth. */
  blocking: stock.optional(),
  plateWidth: length(30, 1000).optional(),
  /** How thick the wall plates are; 38 mm where none is given. */
  plateThickness: length(10, 400).optional(),
  sheathing: length(0, 100).default(0),
});
