/** Two points nearer than this are one point. Far under anything a saw can show, far over double rounding at 100 m. mm */
export const SAME_POINT_MM = 1e-6;

/** Directions whose cross product (sine of the angle between them) is under this are parallel. Unitless. */
export const PARALLEL_SINE = 1e-9;

/** Plan directions whose sine is under this are one direction: 0.01 mm over 10 m. Unitless. */
export const SAME_WAY_SINE = 1e-6;

/** Faces of sawn boards whose directions part by less lie along the same line: 1 mm over 10 m. Unitless. */
export const ALONGSIDE_SINE = 1e-4;

/** Lines that meet by less than this do so nowhere that a board could be sawn to. Unitless. */
export const MEETS_SINE = 1e-3;

/** A hair over a whole number of spaces is that number: rounding. Unitless. */
export const WHOLE_SPACES = 1e-6;

/** Heights and falls that agree to this are one: nothing a level shows. mm */
export const SAME_HEIGHT_MM = 0.01;

/** Pieces whose every length agrees to this share one line of the cut list: a twentieth of a pencil line. mm */
export const CUT_ALIKE_MM = 0.01;

/** Pieces whose every angle agrees to this are cut alike: 0.01 mm across a 60 mm face. rad */
export const CUT_ALIKE_RAD = 1e-4;

/** A roof line that rises less than this over its run is level: 0.001 mm in 10 m. mm per mm */
export const LEVEL_RISE = 1e-7;

/** Two solids that share less depth than this only touch: rounding, not wood. mm */
export const TOUCHING_MM = 1e-3;

/** Ground that two outlines may share, or want, before a point counts as out of one: rounding. mm² */
export const TOUCHING_MM2 = 1e-3;

/** A joint that stands open by more than this is reported: under the width of a saw line, over all rounding. mm */
export const FIT_GAP_MM = 0.1;

/** Wood two members may share before it is reported: a cubic centimetre, less than a plane takes off. mm³ */
export const FIT_OVERLAP_MM3 = 1000;

/** Wood that may stand in a wall plate before it is reported: twice what a timber is notched for. mm³ */
export const FIT_IN_PLATE_MM3 = 20;

/** How far a top edge may stand above its roof plane. mm */
export const FIT_PROUD_MM = 0.1;
