import {
  SLACK_MM,
  chordWithin,
  clipByAll,
  intervals,
  v2,
  type Interval,
  type Vec3,
} from '../../geom';
import { heightAt, slopeOnWall, type Plate } from '../../roof';
import { inMm, say } from '../../sentence';
import type { FrameOnSite } from '../frame-on-site';
import { acrossOpenings } from '../openings/openings';
import { levelBox } from '../contact/placed';
import type { FitProblem } from '../report';
import { isTaken } from '../ties/untied';

/** Just inside the edges of a block's place, where wood is looked for. mm */
const INSIDE_MM = 4;
/** A gap along the plate narrower than this takes no block. mm */
const LEAST_GAP_MM = 65;

/** Whether a lookout passes through a block's place over the plate, so that there is no room for one. */
const passedOver = (
  site: FrameOnSite,
  { line, topMm, block, side }: Plate,
  gap: Interval,
): boolean => {
  const { blocking } = site.job.timber;
  const slope = slopeOnWall(site.roof, block, side);
  if (blocking === undefined || slope === undefined) return false;
  const whole = levelBox(
    [line.start[0], line.start[1], topMm],
    line.along,
    [gap[0] + 1, 0, 0],
    [gap[1] - 1, blocking.thickness, blocking.depth],
  );
  const lookouts = site.members.filter(({ member }) => member.kind === 'lookout');
  return isTaken({ ...site, members: lookouts }, clipByAll(whole, [slope.plane], null));
};

/** Whether the roof that this one is laid on comes up over a gap's plate. */
const onDeck = ({ laid }: FrameOnSite, { line, topMm }: Plate, gap: Interval): boolean =>
  laid !== null &&
  gap.some((t) => {
    const p = v2.add(line.start, v2.scale(line.along, t));
    return heightAt({ plane: laid.on.deck }, p) > topMm - NEAR_DECK_MM;
  });

/** A block this near above the roof below has no room. mm */
const NEAR_DECK_MM = 60;

/** Whether an opening comes down over a gap's plate, so that a wall stands in it. */
const isOpening = (
  site: FrameOnSite,
  { line, block, side }: Plate,
  [low, high]: Interval,
): boolean => {
  const slope = slopeOnWall(site.roof, block, side);
  const thickness = site.job.timber.blocking?.thickness ?? 0;
  return (
    slope !== undefined &&
    acrossOpenings(site, slope, line, [0, thickness]).some(
      ({ along }) => along[0] < high - INSIDE_MM && along[1] > low + INSIDE_MM,
    )
  );
};

/** Where blocks are wanted, the gaps between rafters along a plate that have none. */
export const bareGaps = (site: FrameOnSite): FitProblem[] => {
  const { job, roof, members, plates } = site;
  const { blocking } = job.timber;
  if (blocking === undefined) return [];
  return plates.flatMap(({ plate }): FitProblem[] => {
    const { line, topMm } = plate;
    if (line.roof !== 'eave' && line.roof !== 'high') return [];
    const a: Vec3 = [line.along[0], line.along[1], 0];
    const starts = [INSIDE_MM, blocking.thickness - INSIDE_MM].flatMap((inward): Vec3[] => {
      const [x, y] = v2.add(line.start, v2.scale(line.inward, inward));
      const top = Math.min(
        ...roof.slopes
          .filter(
            (slope) =>
              slope === slopeOnWall(roof, plate.block, plate.side) ||
              slope.sides.some((own) => own.block === plate.block && own.side === plate.side),
          )
          .map((slope) => heightAt(slope, [x, y])),
      );
      return [
        [x, y, topMm + INSIDE_MM],
        [x, y, top - INSIDE_MM],
      ];
    });
    const ends = plate.outline
      .filter((p) => Math.abs(v2.dot(v2.sub(p, line.start), line.inward)) < SLACK_MM.nothing)
      .map((p) => v2.dot(v2.sub(p, line.start), line.along));
    const reach: Interval = [Math.min(...ends), Math.max(...ends)];
    const held = members.flatMap(({ pieces }) =>
      pieces.flatMap(({ faces }) => {
        const keeps = faces.map(({ plane }) => plane);
        const ts = starts.flatMap((start): readonly number[] => chordWithin(keeps, start, a) ?? []);
        return ts.length === 0 ? [] : [[Math.min(...ts), Math.max(...ts)] as const];
      }),
    );
    return (
      intervals
        .without([reach], intervals.unite(held, 1), LEAST_GAP_MM)
        // What runs on to the plate's end lies past the last rafter, or beyond a hip.
        .filter(([low, high]) => low > reach[0] + 1 && high < reach[1] - 1)
        .filter((gap) => !passedOver(site, plate, gap))
        .filter((gap) => !onDeck(site, plate, gap))
        .filter((gap) => !isOpening(site, plate, gap))
        .map(([low, high]) => {
          const p = v2.add(line.start, v2.scale(line.along, (low + high) / 2));
          return {
            members: ['blocking', 'plate'],
            ids: [],
            kind: 'missing',
            mm: high - low,
            at: [p[0], p[1], topMm],
            text: say`a gap of ${inMm(high - low)} over the ‹plate› of "${plate.block}", wall ${plate.side + 1}, has no ‹eave block›`,
          };
        })
    );
  });
};
