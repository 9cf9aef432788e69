import { SLACK_SHARE, v2, v3 } from '../geom';
import type { Job } from '../job';
import { pitchRad } from '../units';
import type { Roof } from './model';

/** Pitches, plates and corners that agree to this are alike: rounding in a file. rad and mm */
const ALIKE = SLACK_SHARE.rounding;
/** Points of a plain roof stand further apart than this. mm */
const ROOMY_MM = 400;

/** Whether every corner of a block is square. */
const isSquare = (outline: readonly (readonly [number, number])[]): boolean =>
  outline.every((p, i) => {
    const before = outline[(i + outline.length - 1) % outline.length] ?? p;
    const after = outline[(i + 1) % outline.length] ?? p;
    return Math.abs(v2.dot(v2.unit(v2.sub(before, p)), v2.unit(v2.sub(after, p)))) < ALIKE;
  });

/** Whether the points where lines meet stand well apart, and every eave is one to speak of. */
const isRoomy = ({ nodes, edges }: Roof): boolean =>
  edges.every(({ from, to }) => v3.distance(from, to) >= ROOMY_MM) &&
  nodes.every((p, i) =>
    nodes.slice(0, i).every((q) => v2.distance(v3.inPlan(p), v3.inPlan(q)) > ROOMY_MM),
  );

/** Whether a fascia set square with the tails is deep enough to lean back past its overhang. */
const leansFar = ({ framing, timber: { fascia }, blocks }: Job): boolean =>
  framing.tail === 'square' &&
  fascia !== undefined &&
  blocks.some(({ sides }) =>
    sides.some(
      (side) =>
        side.roof === 'eave' &&
        side.overhang > 0 &&
        fascia.depth * Math.sin(pitchRad(side.pitch)) > side.overhang,
    ),
  );

/** Whether purlins lie over the rafters and leave them where they are. */
const lieOver = ({ set, planes }: Job['roofPurlins'][number]): boolean =>
  set === 'over' && planes === 'rafters';

/**
 * Whether a roof is of the ordinary sort: square corners, one pitch, one height of plates, its points well apart, no
 * purlins on it but over the rafters of one part, no openings, nothing laid on it, no joists at a spacing of their own. Every other roof is proved before its list is given.
 */
export const isPlain = (job: Job, roof: Roof): boolean => {
  const { blocks } = job;
  const pitches = blocks.flatMap(({ sides }) =>
    sides.flatMap((side) => (side.roof === 'eave' ? [pitchRad(side.pitch)] : [])),
  );
  const raised = blocks.some(({ sides }) =>
    sides.some((side) => side.roof === 'eave' && side.raise !== undefined),
  );
  return (
    !raised &&
    (job.roofPurlins.length === 0 || (blocks.length === 1 && job.roofPurlins.every(lieOver))) &&
    job.rafterTies?.spacing === undefined &&
    job.openings.length === 0 &&
    roof.under === null &&
    // A fascia that leans may come back to the plate.
    !leansFar(job) &&
    blocks.every(({ sides }) =>
      sides.every(
        (side) => side.roof !== 'eave' || (side.breaks === undefined && side.gablet === undefined),
      ),
    ) &&
    Math.max(...pitches) - Math.min(...pitches) < ALIKE &&
    blocks.every(({ plate }) => Math.abs(plate - (blocks[0]?.plate ?? plate)) < ALIKE) &&
    blocks.every(({ outline }) => isSquare(outline)) &&
    isRoomy(roof)
  );
};
