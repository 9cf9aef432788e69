/**
 * Drawings as data: polygons, lines and dimensions in mm, to scale, ready for any pen (screen, paper, DXF).
 *
 * Takes the roof, its members and its list; promises plan drawings x to the right and y away, elevations and sections
 * x to the right and z up. No colours, no words, no pixels. A sawn board as it lies on the trestles is `boardOf`.
 */
export {
  developmentsOf,
  type DevelopedLine,
  type Development,
  type DevelopmentStep,
  type Named,
} from './development';
export { eaveSection, type EaveSection } from './eave-section';
export { elevationView, type ElevationView, type Looking } from './elevation';
export { frameMesh, type FrameMesh } from './frame-mesh';
export { sheetDrawings, type SheetDrawing } from './sheet-drawing';
export type { Panel } from './panel';
export { planDrawing, type PlanDrawing, type PlanTimber, type PlanWall } from './plan';
