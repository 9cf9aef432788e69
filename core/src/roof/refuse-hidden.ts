import { SLACK_MM, SAME_POINT_MM, v2, v3, type Vec3 } from '../geom';
import type { Job } from '../job';
import type { Problem } from '../problem';
import { inMm, say } from '../sentence';
import { gabletId } from './gablets';
import type { Roof, RoofBorder, RoofPiece } from './model';
import { standingWall } from './plates';
import { notYet } from './refusal';

/** The least of a wall that stands for an eave to be one. mm */
const SHOWS_MM = SLACK_MM.nothing;

/** An eave whose roof shows nowhere, or a whole block under another's roof. */
export const swallowed = (job: Job, roof: Roof, pieces: readonly RoofPiece[]): Problem[] =>
  roof.blocks.flatMap((block, i): Problem[] => {
    const slopes = new Set(pieces.map(({ plane }) => plane.slope));
    const eaves = block.planes.filter((plane) => plane !== null);
    const hidden = eaves.filter(({ slope }) => !slopes.has(slope));
    if (hidden.length === eaves.length)
      return [
        notYet(
          ['blocks', i],
          say`the roof of "${block.id}" lies wholly under the others and would not be built; raise its ‹plate› or its pitch, or leave the block out. For a roof of two pitches down one side give that side a break in pitch`,
        ),
      ];
    return hidden.flatMap(({ side, line }): Problem[] => {
      const stands = standingWall(roof.blocks, block, line).some(
        ([low, high]) => high - low > SHOWS_MM,
      );
      const alone = block.planes.every(
        (other) => other === null || other.slope !== hidden[0]?.slope || other.side === side,
      );
      if (!alone || (!stands && job.blocks[i]?.sides[side]?.roof !== 'eave')) return [];
      const raised = line.plateMm > block.plateMm + SHOWS_MM;
      return raised
        ? [
            {
              code: 'outline',
              path: ['blocks', i, 'sides', side, 'raise'],
              text: say`this side's ‹plate› stands ${inMm(line.plateMm - block.plateMm)} above the others, higher than the roof there, so that no hip is left; accepted is less, or a gable`,
            },
          ]
        : [];
    });
  });

/** A gablet that stands further in than the hip's end comes, so that no gable shows above it. */
export const hiddenGablets = (job: Job, roof: Roof, borders: readonly RoofBorder[]): Problem[] =>
  job.blocks.flatMap((block, i) =>
    block.sides.flatMap((side, k): Problem[] => {
      if (side.roof !== 'eave' || side.gablet === undefined) return [];
      const id = gabletId(block.id);
      const face = roof.blocks.find((one) => one.id === id)?.sides[k];
      const ends = (p: Vec3): boolean =>
        face !== undefined &&
        Math.abs(v2.dot(v2.sub(v3.inPlan(p), face.start), face.inward)) < SAME_POINT_MM;
      const peaks = roof.lines.some(
        ({ kind, from, to }) => kind === 'ridge' && (ends(from) || ends(to)),
      );
      const shows = borders.some((border) => border.block === id && border.side === k);
      if (shows && peaks) return [];
      return [
        {
          code: 'size',
          path: ['blocks', i, 'sides', k, 'gablet', 'at'],
          text: shows
            ? say`no ridge runs out to this gablet, for the two hips of this side do not come together at a point; accepted is a gablet at the end of a ridge`
            : say`${inMm(side.gablet.at)} in, the hip's end has come to its top and no gable stands above it; accepted is less`,
        },
      ];
    }),
  );

/** A break in pitch that lies higher than the roof comes up, so that nothing of the pitch above it is left. */
export const hiddenBreaks = (roof: Roof, pieces: readonly RoofPiece[]): Problem[] => {
  const shown = new Set(pieces.map(({ plane }) => plane.slope));
  return roof.blocks.flatMap((block, i) =>
    block.bands.flatMap((own, side) =>
      own.flatMap(({ band, slope }): Problem[] => {
        if (own.length < 2 || shown.has(slope)) return [];
        const path = ['blocks', i, 'sides', side, 'breaks', Math.max(0, band - 1), 'at'];
        const text = say`nothing is left of the roof ${band === 0 ? 'below' : 'above'} this break in pitch: it lies ${band === 0 ? 'lower than the eave' : 'higher than the roof comes up'}, or under another roof; accepted is a break nearer to the eave`;
        return [{ code: 'outline', path, text }];
      }),
    ),
  );
};
