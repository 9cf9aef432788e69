import { PARALLEL_SINE, v2, v3, type Vec2 } from '../geom';
import type { EndCut, Member } from '../frame';
import { degrees } from '../units';

/** A stretch of the setting-out, drawn in its step. */
export interface DevelopedLine {
  readonly from: Vec2;
  readonly to: Vec2;
  /** timber: an edge of the section; guide: dropped, or carried across; cut: what is read off. */
  readonly as: 'ground' | 'timber' | 'guide' | 'cut';
}

/** A corner swung flat about another: a quarter turn at most, drawn with the compasses. */
export interface Swing {
  readonly about: Vec2;
  readonly from: Vec2;
  readonly to: Vec2;
}

/** What is drawn in one step. */
export interface DevelopmentStep {
  readonly does: 'ground' | 'section' | 'drop' | 'deep-face' | 'narrow-face';
  readonly lines: readonly DevelopedLine[];
  readonly swings: readonly Swing[];
  /** What is named in it, and where. */
  readonly names: readonly { readonly of: Named; readonly at: Vec2 }[];
}

/** What a name on the drawing stands for. */
export type Named = 'run' | 'eave' | 'fold' | 'rafter' | 'side' | 'edge';

/**
 * How the two cuts of a purlin's mitre are set out full size on the corner of a sheet, by compasses and straight-edge:
 *
 *   x = 0 at the corner, along the common's run; above y = 0 the section across the purlin, below it the plan, in which
 *   the line of the hip or valley runs down from the corner. mm
 */
export interface Development {
  readonly end: 'top' | 'bottom';
  readonly steps: readonly DevelopmentStep[];
  /** Read off the finished drawing, from square across each face. deg */
  readonly side: number;
  readonly edge: number;
  /**
   * The same with a framing square, without drawing: on the tongue, on the blade. From the rise and the run to the
   * rafter's length per run, the tongue's figure times the plan's 1 ÷ tan where the corner is not square. Null where the
   * purlin is set plumb: there the side cut is square across.
   */
  readonly quick: {
    readonly side: readonly [tongue: number, blade: number];
    readonly edge: readonly [tongue: number, blade: number];
  } | null;
}

/** Room round the section, as shares of the purlin's depth. */
const ROOM = 0.5;
/** How much of the rafter over the purlin is drawn, in its depths. */
const RAFTER_SHOWN = 0.8;
/** A run of twelve, as pitches are told. */
const TWELVE = 12;

/** How far the plan line runs along the eave per unit of run: 1 ÷ tan of its angle to the eave. */
const alongPerRun = ({ frame: { a } }: Member, { keep: { normal } }: EndCut): number => {
  const along: Vec2 = [a[0], a[1]];
  const n: Vec2 = [normal[0], normal[1]];
  return Math.abs(v2.dot(n, v2.left(along)) / v2.dot(n, along));
};

/** The rectangle of the board in the plumb plane across it: x up the slope in plan, y up; its three corners that count. */
const sectionOf = ({ frame, topMm, stock }: Member) => {
  const uphill = v2.left(v3.inPlan(frame.a));
  const flat = (s: number, e: number): Vec2 => {
    const p = v3.add(v3.scale(frame.s, s), v3.scale(frame.e, e));
    return [v2.dot(v3.inPlan(p), uphill), p[2]];
  };
  const half = stock.thickness / 2;
  const low = flat(half, 0)[0] < flat(-half, 0)[0] ? half : -half;
  return {
    top: flat(low, topMm),
    bottom: flat(low, topMm - stock.depth),
    narrow: flat(-low, topMm),
    far: flat(-low, topMm - stock.depth),
  };
};

const angleOf = (from: Vec2, to: Vec2): number =>
  degrees(Math.atan2(Math.abs(to[1] - from[1]), Math.abs(to[0] - from[0])));

/** The development of one mitred end of a purlin under the rafters. */
const developed = (member: Member, cut: EndCut, end: 'top' | 'bottom'): Development => {
  const k = alongPerRun(member, cut);
  const { stock, pair } = member;
  const local = sectionOf(member);
  const corners = Object.values(local);
  const room = ROOM * stock.depth;
  const shift: Vec2 = [
    room - Math.min(...corners.map(([x]) => x)),
    room - Math.min(...corners.map(([, y]) => y)),
  ];
  const placed = (p: Vec2): Vec2 => v2.add(p, shift);
  const [top, bottom] = [placed(local.top), placed(local.bottom)];
  const [narrow, far] = [placed(local.narrow), placed(local.far)];
  const onPlan = (x: number): Vec2 => [x, -k * x];
  const deep: Vec2 = [top[0] + stock.depth, top[1]];
  const flat: Vec2 = [top[0] + stock.thickness, top[1]];
  const reach = Math.max(deep[0], narrow[0], bottom[0], far[0]) + room;
  const from = onPlan(top[0]);
  const sideAt: Vec2 = [deep[0], -k * bottom[0]];
  const edgeAt: Vec2 = [flat[0], -k * narrow[0]];
  const line = (a: Vec2, b: Vec2, as: DevelopedLine['as']): DevelopedLine => ({
    from: a,
    to: b,
    as,
  });
  const drop = (p: Vec2): DevelopedLine => line(p, onPlan(p[0]), 'guide');
  const rafter = RAFTER_SHOWN * stock.depth;
  const up = v2.unit([1, pair.rise]);
  const plumb = member.frame.e[2] > 1 - PARALLEL_SINE;
  return {
    end,
    side: angleOf(from, sideAt),
    edge: angleOf(from, edgeAt),
    quick: plumb
      ? null
      : {
          side: [TWELVE * pair.rise * k, TWELVE * Math.hypot(1, pair.rise)],
          edge: [TWELVE * k, TWELVE * Math.hypot(1, pair.rise)],
        },
    steps: [
      {
        does: 'ground',
        lines: [
          line([0, 0], [reach, 0], 'ground'),
          line([0, 0], [0, -k * reach], 'ground'),
          line([0, 0], onPlan(reach), 'ground'),
        ],
        swings: [],
        names: [
          { of: 'run', at: [reach, 0] },
          { of: 'eave', at: [0, -k * reach] },
          { of: 'fold', at: onPlan(reach) },
        ],
      },
      {
        does: 'section',
        lines: [
          line(top, bottom, 'timber'),
          line(bottom, far, 'timber'),
          line(far, narrow, 'timber'),
          line(narrow, top, 'timber'),
          line(
            v2.sub(narrow, v2.scale(up, stock.thickness + rafter)),
            v2.add(narrow, v2.scale(up, rafter)),
            'ground',
          ),
        ],
        swings: [],
        names: [{ of: 'rafter', at: v2.add(narrow, v2.scale(up, rafter)) }],
      },
      { does: 'drop', lines: [top, bottom, narrow].map(drop), swings: [], names: [] },
      {
        does: 'deep-face',
        lines: [
          line(deep, [deep[0], sideAt[1]], 'guide'),
          line(onPlan(bottom[0]), sideAt, 'guide'),
          line(from, [deep[0], from[1]], 'guide'),
          line(from, sideAt, 'cut'),
        ],
        swings: [{ about: top, from: bottom, to: deep }],
        names: [{ of: 'side', at: sideAt }],
      },
      {
        does: 'narrow-face',
        lines: [
          line(flat, [flat[0], edgeAt[1]], 'guide'),
          line(onPlan(narrow[0]), edgeAt, 'guide'),
          line(from, [flat[0], from[1]], 'guide'),
          line(from, edgeAt, 'cut'),
        ],
        swings: [{ about: top, from: narrow, to: flat }],
        names: [{ of: 'edge', at: edgeAt }],
      },
    ],
  };
};

/** The developments of a purlin's mitres, the upper end first; none for what has no mitre, or lies on the rafters. */
export const developmentsOf = (member: Member): readonly Development[] =>
  member.kind !== 'under-purlin'
    ? []
    : (['top', 'bottom'] as const).flatMap((end) => {
        const mitre = member.ends.find(({ at, name }) => at === end && name === 'side');
        return mitre === undefined ? [] : [developed(member, mitre, end)];
      });
