import { area2, SAME_POINT_MM, SLACK_RAD, v2, type Vec2 } from '../geom';
import type { Path, Problem } from '../problem';
import { inMm, leastMm, say, type Sentence } from '../sentence';
import { pitchRad } from '../units';
import type { Block } from './schema';

const SHORTEST_SIDE_MM = 300;

/** A corner of an outline by its number, round and round. */
export const corner = (outline: readonly Vec2[], i: number): Vec2 => {
  const point = outline[(i + outline.length) % outline.length];
  if (point === undefined) throw new Error(`job: outline has no corner ${i}`);
  return point;
};

const checkOutline = (block: Block, path: Path): Problem[] => {
  const { outline } = block;
  const problem = (at: Path, text: Sentence): Problem => ({ code: 'outline', path: at, text });
  for (let i = 0; i < outline.length; i += 1) {
    const side = v2.distance(corner(outline, i), corner(outline, i + 1));
    if (side < SHORTEST_SIDE_MM) {
      return [
        problem(
          [...path, 'outline', i],
          say`this wall is ${inMm(side, 1)} long; accepted is at least ${leastMm(SHORTEST_SIDE_MM)}`,
        ),
      ];
    }
  }
  if (area2(outline) < 0) {
    return [
      problem(
        [...path, 'outline'],
        say`corners run clockwise; list them counter-clockwise (reverse the list)`,
      ),
    ];
  }
  let turned = 0;
  for (let i = 0; i < outline.length; i += 1) {
    const before = v2.sub(corner(outline, i), corner(outline, i - 1));
    const after = v2.sub(corner(outline, i + 1), corner(outline, i));
    const turn = v2.cross(before, after);
    if (turn <= SAME_POINT_MM) {
      return [
        problem(
          [...path, 'outline', i],
          say`corner ${i + 1} does not turn left; a block is convex, so split the building into convex blocks`,
        ),
      ];
    }
    turned += Math.atan2(turn, v2.dot(before, after));
  }
  // A star-shaped tangle turns left at every corner too, but more than once round.
  return turned > 2 * Math.PI + 1
    ? [
        problem(
          [...path, 'outline'],
          say`the sides cross; list the corners in order round the building`,
        ),
      ]
    : [];
};

/** A break this near to the next, or to the plate, leaves no rafter between them. mm */
const LEAST_BAND_MM = 300;
/** Pitches that differ by less than this make no break. rad */
const LEAST_BREAK_RAD = SLACK_RAD.pitch;

/** The breaks in pitch of one side: in order up the slope, and steeper only at the lowest. */
const checkBreaks = (block: Block, path: Path): Problem[] =>
  block.sides.flatMap((side, i): Problem[] => {
    if (side.roof !== 'eave' || side.breaks === undefined) return [];
    let at = 0;
    let below = pitchRad(side.pitch);
    return side.breaks.flatMap((one, k): Problem[] => {
      const field = [...path, 'sides', i, 'breaks', k];
      const [from, was] = [at, below];
      at = one.at;
      below = pitchRad(one.pitch);
      if (at < from + LEAST_BAND_MM) {
        const what = k === 0 ? "the plate's outside face" : 'the break below it';
        const text = say`the break is ${inMm(at - from, 1)} in from ${what}; accepted is at least ${leastMm(LEAST_BAND_MM)}, so that rafters stand between`;
        return [{ code: 'size', path: [...field, 'at'], text }];
      }
      if (Math.abs(below - was) < LEAST_BREAK_RAD) {
        const text = say`the pitch above the break is the one below it; accepted is another pitch`;
        return [{ code: 'size', path: [...field, 'pitch'], text }];
      }
      if (k > 0 && below > was) {
        const text = say`the roof gets steeper again above this break; accepted is steeper at the lowest break only, where an eave kicks out, and shallower at every other`;
        return [{ code: 'size', path: [...field, 'pitch'], text }];
      }
      return [];
    });
  });

/** One slope over two walls: one high wall, and no eave beside it that would run a hip up to it. */
const checkHigh = ({ sides }: Block, path: Path): Problem[] => {
  const all = sides.flatMap(({ roof }, i) => (roof === 'high' ? [i] : []));
  const [first, second] = all;
  const problem = (i: number, text: Sentence): Problem => ({
    code: 'outline',
    path: [...path, 'sides', i, 'roof'],
    text,
  });
  if (first === undefined) return [];
  if (second !== undefined)
    return [
      problem(
        second,
        say`wall ${first + 1} of this part is its high wall already; accepted is one`,
      ),
    ];
  const beside = [first + 1, first + sides.length - 1].map((i) => i % sides.length);
  const eave = beside.find((i) => sides[i]?.roof === 'eave');
  return eave === undefined
    ? []
    : [
        problem(
          eave,
          say`an eave beside the high wall; accepted is a gable, up which the one slope runs from the low wall to the high one`,
        ),
      ];
};

/** A part by itself: its outline, its sides, its breaks. */
export const checkBlock = (block: Block, index: number): Problem[] => {
  const path = ['blocks', index];
  if (block.sides.length !== block.outline.length) {
    return [
      {
        code: 'outline',
        path: [...path, 'sides'],
        text: say`${block.sides.length} sides for ${block.outline.length} corners; give one side for each corner, side i from corner i to the next`,
      },
    ];
  }
  const problems = [
    ...checkOutline(block, path),
    ...checkBreaks(block, path),
    ...checkHigh(block, path),
  ];
  if (!block.sides.some((side) => side.roof === 'eave')) {
    problems.push({
      code: 'outline',
      path: [...path, 'sides'],
      text: say`no eave; a roof needs at least one side that is an eave`,
    });
  }
  return problems;
};
