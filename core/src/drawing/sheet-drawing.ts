import { planLine, type Member } from '../frame';
import type { Vec2 } from '../geom';
import type { Job } from '../job';
import { isRafter } from '../kinds';
import type { Roof } from '../roof';
import {
  inPlane,
  rafterMarks,
  roofingOn,
  sheetedSlopes,
  type RafterLine,
  type RoofingSlope,
  type SheetedSlope,
} from '../sheathing';

/** A slope laid flat with its sheets, the rafters under them, and what is pre-marked on each sheet. mm */
export interface SheetDrawing extends SheetedSlope {
  readonly rafters: readonly RafterLine[];
  /** By sheet: the rafters' centres from its left edge. */
  readonly marks: readonly (readonly number[])[];
  /** Roofing sheets over it; null where none are given. */
  readonly roofing: RoofingSlope | null;
}

/** Every sheathed slope with its sheets, the rafters that carry them and the roofing over them. */
export const sheetDrawings = (job: Job, roof: Roof, members: readonly Member[]): SheetDrawing[] =>
  sheetedSlopes(job, roof).map((sheeted): SheetDrawing => {
    const slope = roof.slopes[sheeted.slope];
    const flat = (p: Vec2): Vec2 => (slope === undefined ? p : inPlane(slope, p));
    const rafters = members
      .filter((one) => isRafter(one) && one.block === sheeted.block && one.side === sheeted.side)
      .map((one): RafterLine => {
        const [from, to] = planLine(one);
        return { from: flat(from), to: flat(to) };
      });
    return {
      ...sheeted,
      rafters,
      marks: sheeted.sheets.map((sheet) => rafterMarks(sheet, rafters)),
      roofing: roofingOn(job, sheeted),
    };
  });
