import { listedKind, type ListedKind } from '../kinds';
import { planLine, type Member } from '../frame';
import { v2, v3, type Vec2, type Vec3 } from '../geom';
import type { LaidOn, Roof, RoofBorder } from '../roof';

export interface PlanTimber {
  readonly id: string;
  readonly kind: ListedKind;
  readonly mark: string;
  readonly from: Vec2;
  readonly to: Vec2;
}

/** A wall by the middle of the longest stretch of roof edge over it, where its name can stand. */
export interface PlanWall {
  readonly block: string;
  readonly side: number;
  readonly gable: boolean;
  readonly from: Vec2;
  readonly to: Vec2;
  readonly inward: Vec2;
  readonly over: Vec2;
}

/** The roof from above. mm, x to the right, y away. */
export interface PlanDrawing {
  /** Outlines of the walls, by block. */
  readonly outlines: readonly (readonly Vec2[])[];
  readonly faces: readonly { readonly slope: number; readonly points: readonly Vec2[] }[];
  readonly edges: readonly (readonly [Vec2, Vec2])[];
  readonly timbers: readonly PlanTimber[];
  readonly walls: readonly PlanWall[];
  /** The first block's first two walls, each moved out clear of every roof, to be dimensioned there. */
  readonly dimensions: readonly {
    readonly from: Vec2;
    readonly to: Vec2;
    readonly outward: Vec2;
    readonly lengthMm: number;
  }[];
  /** Where what is asked for and not framed would stand. */
  readonly withheld: readonly Vec2[];
}

const planLength = ({ from, to }: { readonly from: Vec3; readonly to: Vec3 }): number =>
  v2.distance(v3.inPlan(from), v3.inPlan(to));

/** What a block of a roof is: a part of the building, a saddle on a slope, a dormer. */
const standsAs = ({ laid }: Roof, id: string): LaidOn['as'] =>
  laid.find(({ block }) => block === id)?.as ?? 'part';

const wallsOf = (roof: Roof): PlanWall[] =>
  roof.blocks
    .filter(({ id }) => standsAs(roof, id) === 'part')
    .flatMap((block) =>
      block.sides.flatMap((side): PlanWall[] => {
        const shown = roof.edges
          .filter(
            (edge): edge is RoofBorder =>
              'side' in edge && edge.block === block.id && edge.side === side.index,
          )
          .sort((p, q) => planLength(q) - planLength(p))[0];
        if (shown === undefined) return [];
        return [
          {
            block: block.id,
            side: side.index,
            gable: side.roof === 'gable',
            from: side.start,
            to: side.end,
            inward: side.inward,
            over: v3.inPlan(v3.lerp(shown.from, shown.to, 0.5)),
          },
        ];
      }),
    );

const dimensionsOf = ({ blocks }: Roof): PlanDrawing['dimensions'] =>
  (blocks[0]?.sides ?? []).slice(0, 2).map(({ start, end, inward, lengthMm }) => {
    const outward = v2.scale(inward, -1);
    const furthest = Math.max(
      ...blocks.flatMap(({ grown }) => grown.points.map((p) => v2.dot(v2.sub(p, start), outward))),
    );
    const shift = (p: Vec2): Vec2 => v2.add(p, v2.scale(outward, furthest));
    return { from: shift(start), to: shift(end), outward, lengthMm };
  });

/**
 * Draws the roof and its timbers from above. A gablet's own outline is no wall.
 *
 * @param withheld spots of what is not framed
 */
export const planDrawing = (
  roof: Roof,
  members: readonly Member[],
  markOf: (id: string) => string,
  withheld: readonly Vec2[] = [],
): PlanDrawing => ({
  outlines: roof.blocks
    .filter(({ id, partOf }) => id === partOf && standsAs(roof, id) !== 'saddle')
    .map(({ sides }) => sides.map(({ start }) => start)),
  faces: roof.faces.map(({ slope, polygon }) => ({ slope, points: polygon.map(v3.inPlan) })),
  edges: roof.edges.map(({ from, to }) => [v3.inPlan(from), v3.inPlan(to)]),
  timbers: members.map((member) => {
    const [from, to] = planLine(member);
    return { id: member.id, kind: listedKind(member.kind), mark: markOf(member.id), from, to };
  }),
  walls: wallsOf(roof),
  dimensions: dimensionsOf(roof),
  withheld,
});
