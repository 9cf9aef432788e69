import { planeAt, v3, type Vec3 } from '../geom';
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

/** Worst corner's distance off the partner's nearest face that looks this way; a corner inside it stands off nothing. */
const standOff = (points: readonly Vec3[], normal: Vec3, partner: Placed): number => {
  let nearest = Infinity;
  let standsOff = Infinity;
  for (const face of facesOf(partner)) {
    if (v3.dot(face.plane.normal, normal) > FACING) continue;
    const away = points.map((p) => planeAt(face.plane, p));
    const furthest = Math.max(...away.map(Math.abs));
    if (furthest >= nearest) continue;
    nearest = furthest;
    standsOff = Math.max(0, ...away);
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
      const mm = Math.max(...sawn.map((face) => standOff(face.points, face.plane.normal, other)));
      found.push({ one, other, cut, mm });
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
