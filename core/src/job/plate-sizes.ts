import type { Job } from './schema';

/** Where the job names no plate. mm */
const USUAL_PLATE_MM = { width: 100, thickness: 38 } as const;

export const plateWidthOf = ({ timber }: Job): number => timber.plateWidth ?? USUAL_PLATE_MM.width;

export const plateThicknessOf = ({ timber }: Job): number =>
  timber.plateThickness ?? USUAL_PLATE_MM.thickness;
