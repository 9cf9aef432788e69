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

/** Heights and falls that agree to this are one: nothing a level shows. mm */
export const SAME_HEIGHT_MM = 0.01;

/** Pieces whose every length agrees to this share one line of the cut list: a twentieth of a pencil line. mm */
export const CUT_ALIKE_MM = 0.01;

/** Pieces whose every angle agrees to this are cut alike: 0.01 mm across a 60 mm face. rad */
export const CUT_ALIKE_RAD = 1e-4;

/** A piece this near its own mirror image, on either face, has no hand: nobody saws it out. mm */
export const NO_HAND_MM = 0.2;

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

/** Named marks, none of which ever changes. */
const ruler = <Name extends string>(
  marks: Readonly<Record<Name, number>>,
): Readonly<Record<Name, number>> => Object.freeze(marks);

/**
 * How far two lengths may differ and still be one, by what they are: a ruler, finest first. Each place names the mark that
 * says what it compares, and why; nowhere else does a slack stand as a bare number (the linter finds one). The proof and
 * the framer take the same mark, unless the place says why not. mm
 */
export const SLACK_MM = ruler({
  /** Planes of the roof that are one. */
  plane: 1e-4,
  /** On an edge, in a face: what clipping leaves. */
  edge: 1e-3,
  /** Places worked out by one way: rounding alone. */
  rounding: 0.01,
  /** Stations of one layout, stepped from either end. */
  layout: 0.02,
  /** Places worked out by two ways, a cut plane and a line in plan. */
  place: 0.05,
  /** A joint shut: under the width of a saw line. */
  shut: 0.1,
  /** What stands true by eye and square. */
  true: 0.2,
  /** Beside, under, at: less than anything sawn. */
  beside: 0.5,
  /** What no tape shows and no saw cuts: shorter is nothing. */
  nothing: 1,
});

/** Areas that are none. mm² */
export const SLACK_MM2 = ruler({ rounding: 1e-6, nothing: 1 });

/** Wood that is none: what a cut leaves of rounding. mm³ */
export const SLACK_MM3 = ruler({ nothing: 1 });

/** Angles that are none. rad */
export const SLACK_RAD = ruler({
  /** A timber this near to level is level, or to plumb plumb: rounding. */
  level: 1e-7,
  /** Pitches of one slope: a break by less is none that anyone would frame. */
  pitch: 0.002,
});

/** Angles that are none, as they are read and written. Degrees */
export const SLACK_DEG = ruler({
  /** Less than any protractor shows. */
  shown: 1e-3,
  /** Less than is written of an angle. */
  written: 0.005,
});

/** A hair over a whole number of spaces or steps is that number; ratios that differ by less are alike. Unitless */
export const SLACK_SHARE = ruler({ rounding: 1e-6 });

/** How far directions may part and still run one way, as sines, by what is compared. */
export const SLACK_SINE = ruler({
  /** Three marks on one line, a planed flat along its board. */
  flat: 1e-4,
  /** A gablet's two walls, whose pair of rafters stands in one line. */
  pair: 2e-5,
  /** Lines of walls, which a job gives to the millimetre. */
  wall: 1e-3,
  /** Boards that lie beside each other. */
  along: 0.02,
  /** A face and its own board's direction: under it a side or an edge, over it an end. */
  side: 0.03,
  /** What crosses a tape or a plate, and what runs on beside it. */
  runs: 0.05,
  /** What comes against a board's side, and what runs beside it. */
  across: 0.2,
});
