import { SAME_POINT_MM } from '../../geom';
import { degrees, formatDegrees } from '../../units';
import { caution, note, type Remark, type Subject } from './remark';

/** Ridges and purlins: their depth, their fall, what holds the walls together. */
export const aboutRidges = ({ job, roof, framing, say }: Subject): Remark[] => {
  const { members } = framing;
  const ridges = members.filter((m) => m.kind === 'ridge');
  const remarks: Remark[] = [];
  const steepest = Math.max(...roof.slopes.map(({ slopeRad }) => slopeRad));
  const plumb = job.timber.common.depth / Math.cos(steepest);
  const [first] = ridges;
  const [purlin] = members.filter(({ kind }) => kind === 'purlin');
  for (const [name, own] of [
    ['ridge', first],
    ['purlin at the break', purlin],
  ] as const) {
    if (own === undefined || own.stock.depth >= plumb - SAME_POINT_MM) continue;
    remarks.push(
      caution(
        `the ${name} is ${say(plumb - own.stock.depth)} shallower than the steepest rafters' plumb cut, which then has nothing to bear on below it`,
        own,
      ),
    );
  }
  for (const ridge of ridges) {
    if (ridge.plan.slopeRad === 0) continue;
    remarks.push(
      note(
        `this ridge slopes, because the eaves on its two sides are not parallel: it falls ${say(ridge.plan.runMm * Math.tan(ridge.plan.slopeRad))} over its length, at ${formatDegrees(degrees(ridge.plan.slopeRad))}`,
        ridge,
      ),
    );
  }
  if (job.collarTies === undefined && job.rafterTies === undefined) {
    remarks.push(
      caution(
        'no ties are given: without rafter ties, or a ridge that is a beam carried at its ends, the rafters push the walls out',
        first ?? null,
      ),
    );
  }
  return remarks;
};
