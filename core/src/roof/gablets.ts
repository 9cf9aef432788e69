import { SLACK_SINE, v2 } from '../geom';
import type { Block } from '../job';
import type { Problem } from '../problem';
import { inMm, say, type Sentence } from '../sentence';
import { enclosed, type LoneBlock } from './block-roof';
import { joinedUp, type SideLine } from './side-lines';

/** The block that a gablet's own roof makes over another. */
export const gabletId = (block: string): string => `${block} gablet`;

/**
 * The gablet's face: where the side's middle has come in so far, square to the walls beside it, because its first pair
 * of rafters stands square to those.
 */
const faceOf = (line: SideLine, before: SideLine, at: number): SideLine => {
  const along = v2.left(before.along);
  const middle = v2.scale(v2.add(line.start, line.end), 0.5);
  const start = v2.add(middle, v2.scale(line.inward, at));
  return { ...line, roof: 'gablet', start, along, inward: v2.left(along), overhangMm: 0 };
};

/** The walls beside a gablet run in parallel to this, as a sine: its pair of rafters stands in one line. */
const PARALLEL = SLACK_SINE.pair;

/**
 * A gablet is a small gable above a hip: from where it stands, the hip's end leaves off and the roof of the other sides
 * goes on by itself. That roof is a block of its own over the first, with the same planes and one side less:
 *
 *      ┌──────────┐
 *      │╲        ╱│      the hip end's slope ends at the gablet's face,
 *      │ ╲──┬───── │     the ridge runs out to it
 *      │ ╱  │     │
 *      └──────────┘
 *
 * @returns null where the block has no gablet
 */
export const gabletOver = (
  block: Block,
  index: number,
  lone: LoneBlock,
): LoneBlock | Problem | null => {
  const at = block.sides.map((side) => (side.roof === 'eave' ? (side.gablet?.at ?? null) : null));
  if (at.every((one) => one === null)) return null;
  const { sides: lines } = lone;
  const refused = (side: number, text: Sentence): Problem => ({
    code: 'size',
    path: ['blocks', index, 'sides', side, 'gablet', 'at'],
    text,
  });
  const count = lines.length;
  const moved: SideLine[] = [];
  for (const [i, line] of lines.entries()) {
    const [before, after] = [lines[(i + count - 1) % count], lines[(i + 1) % count]];
    const own = at[i] ?? null;
    if (own === null || before === undefined || after === undefined) {
      moved.push(line);
      continue;
    }
    if (before.roof !== 'eave' || after.roof !== 'eave')
      return refused(
        i,
        say`a gablet stands between two hips; accepted is a side with an eave on each side of it`,
      );
    const out = Math.abs(v2.cross(before.along, after.along));
    if (out > PARALLEL)
      return refused(
        i,
        say`the two walls beside run out of parallel by ${inMm(out * Math.min(before.lengthMm, after.lengthMm), 1)}, so that no pair of rafters square to both stands in the gablet's face; accepted are parallel walls, or no gablet`,
      );
    moved.push(faceOf(line, before, own));
  }
  const sides = joinedUp(moved);
  if (sides === null)
    return refused(
      at.findIndex((one) => one !== null),
      say`the gablet stands so far in that nothing is left of the roof behind it; accepted is less, so that it stands on the hip’s end`,
    );
  const id = gabletId(block.id);
  const bands = lone.bands.map((own, i) =>
    own.flatMap((plane) => {
      const line = sides[i];
      return line === undefined || line.roof === 'gablet' ? [] : [{ ...plane, block: id, line }];
    }),
  );
  return { ...lone, ...enclosed(id, sides), bands };
};
