/**
 * Blocks → planes → faces → named edges.
 *
 * Takes a checked job; promises, per block, one plane per eave side (z = plate + hap + m·d), the faces as polygons in
 * space (counter-clockwise seen from above) that together cover the grown outline, and every edge once, classified,
 * its `sides` in the order they meet walking counter-clockwise. Hips run from the low end to the high end. A roof that
 * cannot be worked out yet is a problem, never a wrong roof.
 */
export { workOutRoof } from './work-out';
export { sideLines, type SideLine } from './side-lines';
export type { BlockRoof, Roof, RoofEdge, RoofFace, RoofPlane } from './model';
