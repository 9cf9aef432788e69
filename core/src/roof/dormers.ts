import { v2, type Vec2 } from '../geom';
import { hapOf, type Job, type PartOfJob, plateThicknessOf, plateWidthOf } from '../job';
import { ok, refused, type Problem, type Result } from '../problem';
import { inMm, leastMm, mostMm, say, type Sentence } from '../sentence';
import { pitchRad } from '../units';
import { heightAt } from './bands';
import { insideOf, withoutParts } from './laid-on';
import type { Roof, RoofPlane } from './model';
import { onSide, type SideLine } from './side-lines';

type Dormer = Job['dormers'][number];
type Opening = Job['openings'][number];

/** A dormer's own block, by its number. */
export const dormerId = (index: number): string => `dormer ${index + 1}`;

/** What stands in a dormer's cheeks: as thick as the commons and as deep as the plates are wide, where none is given. */
export const cheekStudOf = (job: Job): Job['timber']['common'] =>
  job.timber.cheekStud ?? { thickness: job.timber.common.thickness, depth: plateWidthOf(job) };

/** How far its block is carried on into the slope, past where it comes down. mm */
const SPARE_MM = 100;
/** A hole smaller than this needs no dormer. mm */
const LEAST_HOLE_MM = 100;
/** A shed dormer falls at least so much, and its roof less than the one it stands on. rad */
const LEAST_PITCH_RAD = (2 * Math.PI) / 180;
const HALVINGS = 60;

/** Where a dormer stands: the wall below, that one's plane, the lower sheathing's height by the way in. mm */
interface Site {
  readonly side: SideLine;
  readonly plane: RoofPlane;
  readonly deckAt: (inMm: number) => number;
  readonly plateZ: number;
  /** Of the lower sheathing where its slope is highest. */
  readonly topZ: number;
  /** Whether a point of the plan lies in that slope. */
  readonly within: (p: Vec2) => boolean;
}

const siteOf = (job: Job, below: Roof, dormer: Dormer): Site | null => {
  const host = below.blocks.find(({ id }) => id === dormer.block);
  const side = host?.sides[dormer.side];
  const plane = host?.planes[dormer.side];
  if (host === undefined || side === undefined || plane == null) return null;
  const cover = job.timber.sheathing / plane.plane.normal[2];
  const slope = below.slopes[plane.slope];
  if (slope === undefined) throw new Error('roof: a plane without a slope');
  const own = slope.pieces.flatMap(({ polygon }) => polygon.points);
  return {
    side,
    plane,
    deckAt: (by) => heightAt(plane, v2.add(side.start, v2.scale(side.inward, by))) + cover,
    plateZ: side.plateMm + dormer.plate,
    within: (p) => insideOf(slope, p) >= 0,
    topZ: cover + Math.max(...own.map((p) => heightAt(plane, p))),
  };
};

/** Where a height is the lower sheathing's, going in from the wall. mm */
const strikesAt = ({ deckAt, plane }: Site, z: number): number => (z - deckAt(0)) / plane.rise;

const refusal = (index: number, field: string, text: Sentence): Problem => ({
  code: 'size',
  path: ['dormers', index, field],
  text,
});

/** The pitch at which a shed's rafters come down on the lower slope at its `top`; null where none does. rad */
const shedPitch = (job: Job, site: Site, { face, top }: Dormer): number | null => {
  if (top === undefined) return null;
  // Higher than the sheathing there by so much.
  const over = (rad: number): number =>
    site.plateZ + hapOf(job, rad) + (top - face) * Math.tan(rad) - site.deckAt(top);
  let [low, high] = [LEAST_PITCH_RAD, site.plane.slopeRad];
  if (over(low) > 0 || over(high) < 0) return null;
  for (let i = 0; i < HALVINGS; i += 1) {
    const middle = (low + high) / 2;
    if (over(middle) > 0) high = middle;
    else low = middle;
  }
  return (low + high) / 2;
};

interface Shape {
  readonly rad: number;
  /** Where its roof has come down on the lower slope. mm */
  readonly reach: number;
  /** How far in the hole under it goes. mm */
  readonly hole: number;
  /** How thick its cheeks are, under what they carry. mm */
  readonly cheek: number;
}

const gableShape = (job: Job, site: Site, dormer: Dormer, index: number): Shape | Problem => {
  const given = job.blocks.find(({ id }) => id === dormer.block)?.sides[dormer.side];
  const pitch = dormer.pitch ?? (given?.roof === 'eave' ? given.pitch : undefined);
  if (pitch === undefined) return refusal(index, 'pitch', say`missing; a gable dormer has a pitch`);
  const rad = pitchRad(pitch);
  const peak = hapOf(job, rad) + ((dormer.along[1] - dormer.along[0]) / 2) * Math.tan(rad);
  return {
    rad,
    reach: strikesAt(site, site.plateZ + peak),
    hole: strikesAt(site, site.plateZ - plateThicknessOf(job)),
    cheek: plateWidthOf(job),
  };
};

const shedShape = (job: Job, site: Site, dormer: Dormer, index: number): Shape | Problem => {
  const rad = dormer.pitch === undefined ? shedPitch(job, site, dormer) : pitchRad(dormer.pitch);
  const { rise, slopeRad } = site.plane;
  if (rad === null) {
    const [low, high] = [
      site.deckAt(dormer.top ?? 0) -
        hapOf(job, slopeRad) -
        ((dormer.top ?? 0) - dormer.face) * rise,
      site.deckAt(dormer.top ?? 0) - hapOf(job, LEAST_PITCH_RAD),
    ].map((z) => z - site.side.plateMm);
    return refusal(
      index,
      'top',
      say`no pitch between level and the lower roof’s own brings this roof down there; accepted is a ‹plate› over ${leastMm(low ?? 0)} and under ${mostMm(high ?? 0)} above the one below, or another place`,
    );
  }
  if (Math.tan(rad) >= rise)
    return refusal(
      index,
      'pitch',
      say`as steep as the roof it stands on, or steeper, so that it never comes down on it; accepted is a shallower pitch`,
    );
  // Its plane is so high over the wall below, and falls behind the lower sheathing by the difference of their rises.
  const start = site.plateZ + hapOf(job, rad) - dormer.face * Math.tan(rad);
  const under = (drop: number): number => (start - drop - site.deckAt(0)) / (rise - Math.tan(rad));
  return {
    rad,
    reach: under(0),
    hole: under(job.timber.common.depth / Math.cos(rad)),
    cheek: cheekStudOf(job).thickness,
  };
};

/** A dormer as what is made of it: a part laid on the slope, and the hole beneath. */
export interface DormerParts {
  readonly part: PartOfJob;
  readonly opening: Opening;
}

const partsOf = (job: Job, site: Site, dormer: Dormer, index: number): DormerParts | Problem => {
  const shape = (dormer.roof === 'gable' ? gableShape : shedShape)(job, site, dormer, index);
  if ('path' in shape) return shape;
  const { side } = site;
  const { face } = dormer;
  const [a, b] = dormer.along;
  const stands = site.plateZ - plateThicknessOf(job);
  if (stands <= site.deckAt(face))
    return refusal(
      index,
      'plate',
      say`its ‹plate› lies in the lower roof at its front wall; accepted is over ${leastMm(
        site.deckAt(face) + plateThicknessOf(job) - side.plateMm,
      )} above the ‹plate› below, or a wall further out`,
    );
  const over = site.deckAt(shape.reach) - site.topZ;
  if (over > 0) {
    // A gable's ridge rises with its plate; a shed comes down so much further in as its fall is less than the roof's.
    const gain = dormer.roof === 'gable' ? 1 : 1 - Math.tan(shape.rad) / site.plane.rise;
    return refusal(
      index,
      'plate',
      say`its roof comes down ${inMm(over)} over the top of the slope it stands on; accepted is a ‹plate› at most ${mostMm(
        dormer.plate - over * gain,
      )} above the one below, or a shallower pitch`,
    );
  }
  const at = (u: number, v: number): [number, number] => {
    const [x, y] = onSide(side, u, v);
    return [x, y];
  };
  // Where it comes down furthest in: a gable's ridge, a shed's whole width.
  const comesDown = dormer.roof === 'gable' ? [(a + b) / 2] : [a, b];
  if (comesDown.some((u) => !site.within(at(u, shape.reach))))
    return refusal(
      index,
      'along',
      say`it comes down past the edge of its slope, over a ‹hip›, a ‹valley› or another roof; accepted is a narrower dormer, a lower one, or another place`,
    );
  const wall = plateWidthOf(job);
  const [from, to] = [a + shape.cheek, b - shape.cheek];
  if (to - from < LEAST_HOLE_MM)
    return refusal(
      index,
      'along',
      say`its cheeks leave ${inMm(Math.max(0, to - from))} between them; accepted is at least ${leastMm(2 * shape.cheek + LEAST_HOLE_MM)} over both`,
    );
  if (shape.hole - face - wall < LEAST_HOLE_MM)
    return refusal(
      index,
      'plate',
      say`its roof leaves ${inMm(Math.max(0, shape.hole - face - wall))} of an opening behind its front wall; accepted is a higher ‹plate›, or a wall further out`,
    );
  // Short of the slope's own top, past which another slope lies under it.
  const end = shape.reach + Math.min(SPARE_MM, -over / site.plane.rise / 2);
  const rise = Math.tan(shape.rad);
  const eave = { roof: 'eave' as const, pitch: { rise, run: 1 }, overhang: dormer.overhang };
  const gable = { roof: 'gable' as const, overhang: dormer.rake };
  const open = { roof: 'open' as const };
  const { gableStud, ...timber } = job.timber;
  return {
    part: {
      job: {
        ...withoutParts(job),
        // A shed's cheeks have studs of their own.
        timber:
          gableStud === undefined || dormer.roof === 'shed' ? timber : { ...timber, gableStud },
        blocks: [
          {
            id: dormerId(index),
            join: 'laid-on',
            plate: site.plateZ,
            outline: [at(a, face), at(b, face), at(b, end), at(a, end)],
            sides: dormer.roof === 'gable' ? [gable, eave, open, eave] : [eave, gable, open, gable],
          },
        ],
      },
      restored: (problems) => problems.map((one) => ({ ...one, path: ['dormers', index] })),
    },
    opening: {
      name: dormerId(index),
      block: dormer.block,
      side: dormer.side,
      along: [from, to],
      // Over the wall below its front stands on that one's plate.
      up: [face === 0 ? 0 : face + wall, shape.hole],
      clearance: 0,
      doubled: true,
    },
  };
};

/** What each dormer of a job is made of, on the roof below. */
export const dormerParts = (job: Job, below: Roof): Result<readonly DormerParts[]> => {
  const found = job.dormers.map((dormer, index) => {
    const site = siteOf(job, below, dormer);
    if (site === null) throw new Error(`roof: dormer ${index} passed the check without a side`);
    return partsOf(job, site, dormer, index);
  });
  const problems = found.flatMap((one) => ('path' in one ? [one] : []));
  return problems.length > 0
    ? refused(problems)
    : ok(found.flatMap((one) => ('path' in one ? [] : [one])));
};
