import { SAME_POINT_MM } from '../geom';
import { inDegrees, inMm, say } from '../sentence';
import { degrees } from '../units';
import { caution, note, type Remark, type Subject } from './remark';

/** Ridges and purlins: their depth, their fall; and lines that were made to meet. */
export const aboutRidges = ({ job, roof, framing, met }: Subject): Remark[] => {
  const { members } = framing;
  const ridges = members.filter((m) => m.kind === 'ridge');
  const remarks: Remark[] = met.map((change) =>
    note(
      'lines-met',
      say`as measured the roof’s lines miss each other by less than a tape shows; they are framed to meet in one point, with ${change}`,
    ),
  );
  const steepest = Math.max(...roof.slopes.map(({ slopeRad }) => slopeRad));
  const plumb = job.timber.common.depth / Math.cos(steepest);
  const [first] = ridges;
  const [purlin] = members.filter(({ kind }) => kind === 'purlin');
  for (const [code, name, own] of [
    ['ridge-shallow', 'ridge', first],
    ['purlin-shallow', 'purlin at the break', purlin],
  ] as const) {
    if (own === undefined || own.stock.depth >= plumb - SAME_POINT_MM) continue;
    remarks.push(
      caution(
        code,
        say`the ${name} is ${inMm(plumb - own.stock.depth, 1)} shallower than the steepest rafters' plumb cut, which then has nothing to bear on below it`,
        own,
      ),
    );
  }
  for (const ridge of ridges) {
    if (ridge.axis.level) continue;
    remarks.push(
      note(
        'ridge-slopes',
        say`this ridge slopes, because the eaves on its two sides are not parallel: it falls ${inMm(ridge.axis.riseMm, 1)} over its length, at ${inDegrees(degrees(ridge.axis.slopeRad))}`,
        ridge,
      ),
    );
  }
  return remarks;
};
