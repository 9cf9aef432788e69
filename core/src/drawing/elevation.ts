import { v2, type Vec2, type Vec3 } from '../geom';
import type { Member } from '../frame';
import { roofOver, type Roof } from '../roof';
import { timberPanels } from './elevation-timbers';
import type { Panel } from './panel';

export type Looking = 'end' | 'side';

export interface ElevationView {
  /** To be drawn in order, the furthest first: what lies behind is hidden by what stands before it. */
  readonly panels: readonly Panel[];
  /** Left and right end of the drawing, lowest plate, highest roof. mm */
  readonly left: number;
  readonly right: number;
  readonly plate: number;
  /** Top of the first part's plate, that heights are told from. mm */
  readonly mainPlate: number;
  readonly top: number;
}

const WALL_SHOWN_MM = 900;
const STEPS = 48;
/** A wall or a slope that looks this way by less is seen edge on. */
const EDGE_ON = 0.01;

/** The walls' face below the roof: from a little under the plate up to the roof's underside line. */
const wallOf = (
  roof: Roof,
  block: Roof['blocks'][number],
  { start, end, inward, plateMm }: Roof['blocks'][number]['sides'][number],
  flat: (p: Vec3) => Vec2,
): Vec2[] => {
  // A raised or a high wall stands on the same ground.
  const low = block.plateMm - WALL_SHOWN_MM;
  const at = (t: number): Vec2 => v2.add(start, v2.scale(v2.sub(end, start), t));
  const upper = Array.from({ length: STEPS + 1 }, (_, i): Vec2 => {
    const [x, y] = at(1 - i / STEPS);
    const inside = v2.add([x, y], v2.scale(inward, 1));
    const over = roofOver(roof, inside);
    return flat([x, y, over === null ? plateMm : Math.max(plateMm, over.z)]);
  });
  return [flat([start[0], start[1], low]), flat([end[0], end[1], low]), ...upper];
};

/**
 * The roof as seen level from far away: from outside the first wall (`side`), or from its right-hand end (`end`).
 */
export const elevationView = (
  roof: Roof,
  members: readonly Member[],
  looking: Looking,
): ElevationView => {
  const first = roof.blocks[0]?.sides[0];
  const along = first?.along ?? [1, 0];
  const inward = first?.inward ?? [0, 1];
  const [right, away] =
    looking === 'side' ? ([along, inward] as const) : ([inward, v2.scale(along, -1)] as const);
  const flat = ([x, y, z]: Vec3): Vec2 => [v2.dot([x, y], right), z];
  const distance = (points: readonly Vec3[]): number =>
    Math.min(...points.map(([x, y]) => v2.dot([x, y], away)));
  const faces = roof.faces.map(({ polygon }): Panel => ({
    of: 'roof',
    points: polygon.map(flat),
    away: distance(polygon),
  }));
  const walls = roof.blocks.flatMap((block) =>
    block.sides
      .filter((side) => side.roof !== 'open' && side.roof !== 'gablet')
      .filter((side) => v2.dot(side.inward, away) > EDGE_ON)
      .map((side): Panel => {
        const ends: Vec3[] = [side.start, side.end].map(([x, y]) => [x, y, 0]);
        return { of: 'wall', points: wallOf(roof, block, side, flat), away: distance(ends) };
      }),
  );
  // A line is drawn right after the slope that carries it, where that slope looks this way.
  const nearest = new Map<number, number>();
  for (const { slope, polygon } of roof.faces) {
    const looks = v2.dot(roof.slopes[slope]?.uphill ?? [0, 0], away) > EDGE_ON;
    const off = distance(polygon);
    if (looks) nearest.set(slope, Math.min(nearest.get(slope) ?? Infinity, off));
  }
  const lines = roof.edges.map((edge): Panel => {
    const { from, to } = edge;
    const carriers = 'slopes' in edge ? edge.slopes : [edge.slope];
    const off = carriers.map((slope) => nearest.get(slope) ?? Infinity);
    return {
      of: 'line',
      points: [flat(from), flat(to)],
      away: Math.min(distance([from, to]), ...off) - 1,
    };
  });
  const timbers = timberPanels(roof, members, away, flat, nearest);
  const panels = [...faces, ...walls, ...lines, ...timbers].sort((p, q) => q.away - p.away);
  const all = [...faces, ...walls, ...lines].flatMap(({ points }) => points);
  return {
    panels,
    left: Math.min(...all.map(([x]) => x)),
    right: Math.max(...all.map(([x]) => x)),
    plate: Math.min(...roof.blocks.flatMap(({ sides }) => sides.map(({ plateMm }) => plateMm))),
    mainPlate: roof.blocks[0]?.plateMm ?? 0,
    top: Math.max(...all.map(([, z]) => z)),
  };
};
