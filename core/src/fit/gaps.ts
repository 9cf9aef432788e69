import { planeAt, TOUCHING_MM, v3, type Vec3 } from '../geom';
import type { EndCut } from '../frame';
import type { Placed, PlacedFace } from './placed';

export interface Gap {
  readonly one: Placed;
  readonly other: Placed | null;
  readonly cut: EndCut;
  /** How far the sawn face stands off, at its worst corner. mm */
  readonly mm: number;
}

const facesOf = (placed: Placed): PlacedFace[] => placed.pieces.flatMap((piece) => piece.faces);

/** Faces whose outward sides look at each other within 60° can be meant to touch. */
const FACING = -0.5;

/** How far a face lies beyond an edge of the other, seen square to that one; 0 or less where no edge parts them. mm */
const beyondEdge = (points: readonly Vec3[], face: PlacedFace): number => {
  let most = -Infinity;
  for (const [i, from] of face.points.entries()) {
    const to = face.points[(i + 1) % face.points.length] ?? from;
    const length = v3.distance(from, to);
    if (length < TOUCHING_MM) continue;
    const outward = v3.scale(v3.cross(v3.sub(to, from), face.plane.normal), 1 / length);
    const edge = v3.dot(outward, from);
    most = Math.max(most, Math.min(...points.map((p) => v3.dot(outward, p))) - edge);
  }
  return most;
};

/**
 * How far a cut stands off its partner's nearest face that looks this way: its worst corner's distance (a corner inside
 * the partner stands off nothing), or how far past that face it lies where it does not come against it at all.
 *
 * @param sawn the faces of one cut: more than one where a notch parts the board
 */
const standOff = (sawn: readonly PlacedFace[], partner: Placed): number => {
  const [first] = sawn;
  let nearest = Infinity;
  let standsOff = Infinity;
  for (const face of facesOf(partner)) {
    if (first === undefined || v3.dot(face.plane.normal, first.plane.normal) > FACING) continue;
    const away = sawn.flatMap(({ points }) => points.map((p) => planeAt(face.plane, p)));
    const off = Math.max(...away.map(Math.abs));
    if (off >= nearest) continue;
    const aside = Math.min(
      ...sawn.map((own) => Math.max(beyondEdge(own.points, face), beyondEdge(face.points, own))),
    );
    if (aside >= nearest) continue;
    nearest = Math.max(aside, off);
    standsOff = Math.max(0, aside, ...away);
  }
  return standsOff;
};

/**
 * Every sawn face against the face it should meet; a seat against the level of the plate it stands on.
 *
 * @param plates levels of the building's plates. mm
 */
export const gaps = (all: readonly Placed[], plates: readonly number[]): Gap[] => {
  const byId = new Map(all.map((placed) => [placed.member.id, placed]));
  const found: Gap[] = [];
  for (const one of all) {
    const faces = facesOf(one);
    for (const cut of one.member.ends) {
      const other = cut.meets === null ? undefined : byId.get(cut.meets);
      const sawn = faces.filter((face) => face.tag === cut);
      if (other === undefined || sawn.length === 0) continue;
      found.push({ one, other, cut, mm: standOff(sawn, other) });
    }
    const seat = one.member.notch?.seat;
    const floor = faces.filter((face) => face.tag === seat);
    if (seat !== undefined && floor.length > 0) {
      const points = floor.flatMap((face) => face.points);
      const away = plates.map((plate) => Math.max(...points.map((p) => Math.abs(p[2] - plate))));
      found.push({ one, other: null, cut: seat, mm: Math.min(...away) });
    }
  }
  return found;
};
