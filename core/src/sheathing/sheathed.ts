import {
  SLACK_MM2,
  area2,
  edgesOf,
  subtractConvex,
  v2,
  v3,
  type TaggedPolygon,
  type Vec2,
} from '../geom';
import type { Roof, RoofLine, Slope } from '../roof';
import { degrees } from '../units';

/** The roof of one side, in its own plane: u along the eave, v up the slope, mm. */
export interface SheathedSlope {
  readonly block: string;
  readonly side: number;
  readonly slope: number;
  /** Convex, counter-clockwise; together they cover it once. */
  readonly pieces: readonly (readonly Vec2[])[];
  readonly edges: readonly SheathedEdge[];
}

/** A hip or a valley along a slope, as its sheets are marked and sawn to it. */
export interface SheathedEdge {
  readonly line: 'hip' | 'valley';
  /** In the slope's own plane, between the eave and the line. deg */
  readonly angle: number;
  /** Of the saw: how far the sheet's face leans out of square to the plumb plane through the line. deg */
  readonly tilt: number;
}

/** Less than this of a slope is none. mm² */
const LEAST_MM2 = SLACK_MM2.nothing;

/** A point of the plan on a slope laid flat: along its eave, and up it. mm */
export const inPlane = ({ along, uphill, slopeRad }: Slope, p: Vec2): Vec2 => [
  v2.dot(p, along),
  v2.dot(p, uphill) / Math.cos(slopeRad),
];

/** What of a convex polygon lies in none of the others. */
const without = (
  polygon: readonly Vec2[],
  others: readonly (readonly Vec2[])[],
): (readonly Vec2[])[] => {
  let rest: TaggedPolygon<null>[] = [{ points: polygon, tags: polygon.map(() => null) }];
  for (const other of others) {
    const bounds = edgesOf({ points: other, tags: other.map(() => null) }).map(
      ({ point, inward }) => ({
        value: (p: Vec2) => -v2.dot(v2.sub(p, point), inward),
        tag: null,
      }),
    );
    rest = rest.flatMap((one) => subtractConvex(one, bounds, null));
  }
  return rest.map(({ points }) => points).filter((points) => area2(points) > LEAST_MM2);
};

/** How a line lies in a slope: its angle to the eave, and what the saw leans to follow the plumb plane through it. */
const edgeAt = ({ plane, along }: Slope, { kind, from, to }: RoofLine): SheathedEdge[] => {
  if (kind !== 'hip' && kind !== 'valley') return [];
  const d = v3.unit(v3.sub(to, from));
  const aside = v3.unit(v3.cross(d, [0, 0, 1]));
  return [
    {
      line: kind,
      angle: degrees(Math.acos(Math.min(1, Math.abs(v3.dot(d, [along[0], along[1], 0]))))),
      tilt: degrees(Math.asin(Math.min(1, Math.abs(v3.dot(plane.normal, aside))))),
    },
  ];
};

/**
 * What is sheathed: every slope, side by side, from its tails to its top and from rake to rake; also where it runs on
 * under a higher eave.
 */
export const sheathedSlopes = (roof: Roof): SheathedSlope[] =>
  roof.slopes.flatMap((slope, index) => {
    const visible = roof.faces.filter((face) => face.slope === index);
    const seen = visible.map(({ polygon }) => polygon.map(v3.inPlan));
    const hidden = slope.pieces.flatMap(({ plane, polygon }) =>
      without(polygon.points, seen).map((points) => ({
        block: plane.block,
        side: plane.side,
        points,
      })),
    );
    const all = [
      ...visible.map(({ block, side, polygon }) => ({
        block,
        side,
        points: polygon.map(v3.inPlan),
      })),
      ...hidden,
    ];
    const edges = roof.lines
      .filter(({ slopes }) => slopes.includes(index))
      .flatMap((line) => edgeAt(slope, line));
    const keys = [...new Set(all.map(({ block, side }) => `${side} ${block}`))];
    return keys.map((key): SheathedSlope => {
      const own = all.filter(({ block, side }) => `${side} ${block}` === key);
      const [first] = own;
      return {
        block: first?.block ?? '',
        side: first?.side ?? 0,
        slope: index,
        pieces: own.map(({ points }) => points.map((p) => inPlane(slope, p))),
        edges,
      };
    });
  });

export const trueArea = ({ pieces }: SheathedSlope): number =>
  pieces.reduce((sum, points) => sum + area2(points), 0);
