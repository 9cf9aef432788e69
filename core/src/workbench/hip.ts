import { degrees, radians } from '../units';

/** Where two roofs of their own pitches part or meet over a corner. Angles in degrees. */
export interface HipFigures {
  /** In plan, from each eave to the hip. */
  readonly plan: readonly [number, number];
  /** Its own slope. */
  readonly slope: number;
  /** To hold on a square: rise and run, where each 12 of the first roof's run is wanted. */
  readonly square: { readonly rise: number; readonly run: number };
  /** What is planed off its top edge on each side, from square. */
  readonly backing: readonly [number, number];
  /** Length of it for each 1 of the first roof's run. */
  readonly perRun: number;
}

const SQUARE_RUN = 12;

/**
 * A hip or valley of two pitches over a corner: a regular one where the pitches are alike and the corner is square.
 *
 * @param pitches degrees from level, of the roofs on its two sides
 * @param corner inside angle between the two eaves, degrees, over 0 and under 180
 */
export const hipFigures = ([one, other]: readonly [number, number], corner: number): HipFigures => {
  const [a, b] = [Math.tan(radians(one)), Math.tan(radians(other))];
  const turn = radians(corner);
  // At every point of it both roofs are as high: sin p · a = sin (corner − p) · b.
  const p = Math.atan2(Math.sin(turn), a / b + Math.cos(turn));
  const q = turn - p;
  const rise = Math.sin(p) * a;
  const slope = Math.atan(rise);
  const backing = (rad: number, tan: number): number =>
    degrees(Math.atan(Math.abs(Math.cos(rad) * tan) * Math.cos(slope)));
  return {
    plan: [degrees(p), degrees(q)],
    slope: degrees(slope),
    square: { rise: SQUARE_RUN * a, run: SQUARE_RUN / Math.sin(p) },
    backing: [backing(p, a), backing(q, b)],
    perRun: 1 / Math.sin(p) / Math.cos(slope),
  };
};

/** How a sloping board is sawn to a plumb face. Degrees. */
export interface CompoundCut {
  /** The line on its wide face, from square. */
  readonly faceAngle: number;
  /** The saw's tilt along that line. */
  readonly faceTilt: number;
  /** Or: the line on its edge, from square, and the tilt along that. */
  readonly edgeAngle: number;
  readonly edgeTilt: number;
}

/**
 * A board of a slope, its run at one angle in plan, cut to a plumb face at another.
 *
 * @param slope degrees from level
 * @param plans of the board's run and of the face, degrees from any one line; not alike
 */
export const compoundCut = (slope: number, [run, face]: readonly [number, number]): CompoundCut => {
  const [rad, between] = [radians(slope), radians(run - face)];
  // The face's normal in the board's own directions: along it, square to its wide face, square to its edge.
  const along = Math.abs(Math.sin(between) * Math.cos(rad));
  const wide = Math.abs(Math.cos(between));
  const edge = Math.abs(Math.sin(between) * Math.sin(rad));
  return {
    faceAngle: degrees(Math.atan2(edge, along)),
    faceTilt: degrees(Math.asin(Math.min(1, wide))),
    edgeAngle: degrees(Math.atan2(wide, along)),
    edgeTilt: degrees(Math.asin(Math.min(1, edge))),
  };
};

/** A line on the wide face, from square, and the saw's tilt along it. Degrees. */
export interface Mitre {
  readonly faceAngle: number;
  readonly faceTilt: number;
}

/**
 * A board that runs level along a slope, cut to the plumb face of a hip or valley: a purlin canted to the slope, its wide
 * face square to that, and a board that lies flat on it.
 *
 * @param pitch of the slope, degrees
 * @param plan from the eave to the hip or valley, degrees
 */
export const purlinBevels = (
  pitch: number,
  plan: number,
): { readonly canted: Mitre; readonly flat: Mitre } => {
  const [rad, p] = [radians(pitch), radians(plan)];
  const along = Math.sin(p);
  const up = Math.cos(p) * Math.cos(rad);
  const square = Math.cos(p) * Math.sin(rad);
  const mitre = (onFace: number, throughIt: number): Mitre => ({
    faceAngle: degrees(Math.atan2(onFace, along)),
    faceTilt: degrees(Math.asin(throughIt)),
  });
  return { canted: mitre(square, up), flat: mitre(up, square) };
};
