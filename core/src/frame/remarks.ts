import { SAME_POINT_MM } from '../geom';
import type { Job } from '../job';
import { formatLength, lengthFormat } from '../units';
import { planeOf, ridgeThickness, type Bay } from './bay';
import type { Member, Remark } from './member';

/** A notch deeper than this share of the rafter's depth is past the usual limit. */
const USUAL_NOTCH_SHARE = 0.25;
/** A seat narrower than this is past the usual limit for bearing, mm. */
const USUAL_BEARING_MM = 38;

const LOCAL = 'ask the local code or an engineer';

const say =
  (job: Job) =>
  (mm: number): string =>
    formatLength(mm, lengthFormat(job.display, 1));

const aboutSeats = (bay: Bay, members: readonly Member[]): Remark[] => {
  const { job, roof } = bay;
  const text = say(job);
  const remarks: Remark[] = [];
  const common = members.find((m) => m.kind === 'common' || m.kind === 'king-common');
  if (common === undefined) return remarks;
  const { slopeRad } = common.plan;
  const { depth } = common.stock;
  const notch = (depth - roof.hapMm * Math.cos(slopeRad)) / depth;
  const width = (depth / Math.cos(slopeRad) - roof.hapMm) / Math.tan(slopeRad);
  if (notch > USUAL_NOTCH_SHARE + SAME_POINT_MM) {
    remarks.push({
      level: 'caution',
      member: common.id,
      text: `the birdsmouth takes ${(notch * 100).toFixed(0)} % of the rafter's depth; the usual limit is a quarter. A deep notch splits under load: ${LOCAL}`,
    });
  }
  if (width < USUAL_BEARING_MM) {
    remarks.push({
      level: 'caution',
      member: common.id,
      text: `the seat bears on ${text(width)} of plate; the usual least is ${text(USUAL_BEARING_MM)}: ${LOCAL}`,
    });
  }
  const { plateWidth } = job.timber;
  if (plateWidth !== undefined && width > plateWidth + SAME_POINT_MM) {
    remarks.push({
      level: 'note',
      member: common.id,
      text: `the seat is ${text(width - plateWidth)} wider than the plate`,
    });
  }
  return remarks;
};

/** The hip's seat runs inward from the plate's corner; past the plates it hangs in the air. */
const aboutHips = (bay: Bay, members: readonly Member[]): Remark[] => {
  const { job, roof } = bay;
  const { plateWidth } = job.timber;
  const hip = members.find((m) => m.kind === 'hip');
  if (hip === undefined) return [];
  const text = say(job);
  const remarks: Remark[] = [];
  const { slopeRad, dropMm, eaveAngleRad } = hip.plan;
  const plumb = hip.stock.depth / Math.cos(slopeRad) - roof.hapMm + (dropMm ?? 0);
  const width = plumb / Math.tan(slopeRad);
  if (plumb <= 0) {
    remarks.push({
      level: 'caution',
      member: hip.id,
      text: `the hip's underside stands ${text(-plumb)} above the plate: it has no seat. Use a deeper hip or a lower height above plate`,
    });
  } else if (plateWidth !== undefined && eaveAngleRad !== null) {
    const bearing = plateWidth / Math.sin(Math.max(...eaveAngleRad));
    if (width > bearing + SAME_POINT_MM) {
      remarks.push({
        level: 'caution',
        member: hip.id,
        text: `the hip's seat hangs ${text(width - bearing)} inside past the plates, unsupported. A shallower notch with the hip carried, a lower hip, deeper commons, or an engineer's detail mends it`,
      });
    }
  }
  if (job.framing.hipTop === 'none' && hip.plan.backingRad !== null) {
    remarks.push({
      level: 'note',
      member: hip.id,
      text: 'the hip is neither dropped nor backed: its top corners stand proud of the roof planes',
    });
  }
  return remarks;
};

const aboutRidge = (bay: Bay, members: readonly Member[]): Remark[] => {
  const ridge = members.find((m) => m.kind === 'ridge');
  const remarks: Remark[] = [];
  const plumb = bay.job.timber.common.depth / Math.cos(bay.slopeRad);
  if (ridge !== undefined && ridge.stock.depth < plumb - SAME_POINT_MM) {
    remarks.push({
      level: 'caution',
      member: ridge.id,
      text: `the ridge is ${say(bay.job)(plumb - ridge.stock.depth)} shallower than the rafters' plumb cut, which then has nothing to bear on below it`,
    });
  }
  const proud = (bay.rise * (bay.job.timber.common.thickness - ridgeThickness(bay))) / 2;
  const hipped = bay.ends.find((end) => end.kind === 'hip');
  if (ridge !== undefined && hipped !== undefined && proud > SAME_POINT_MM) {
    remarks.push({
      level: 'note',
      member: members.find((m) => m.kind === 'common')?.id ?? null,
      text: `the commons are thicker than the ridge, so the top corner of those at the hips stands ${say(bay.job)(proud)} proud of the end slope: plane it off`,
    });
  }
  if (!bay.hasRidge) {
    remarks.push({
      level: 'note',
      member: members.find((m) => m.kind === 'king-common')?.id ?? null,
      text: 'two king commons meet head to head at the peak: plane their upper corners off to the side slopes',
    });
  }
  if (bay.job.collarTies === undefined && bay.job.rafterTies === undefined) {
    remarks.push({
      level: 'caution',
      member: ridge?.id ?? null,
      text: 'no ties are given: without rafter ties, or a ridge that is a beam carried at its ends, the rafters push the walls out',
    });
  }
  return remarks;
};

const aboutEaves = (bay: Bay): Remark[] => {
  const remarks: Remark[] = [];
  const falls = bay.roof.sides
    .filter((side) => side.roof === 'eave')
    .map((side) => side.overhangMm * planeOf(bay.roof, side.index).rise);
  if (Math.max(...falls) - Math.min(...falls) > SAME_POINT_MM) {
    remarks.push({
      level: 'note',
      member: null,
      text: 'the overhangs differ, so the fascias do not meet at one height',
    });
  }
  if (bay.job.framing.tail === 'square' && falls.some((fall) => fall === 0)) {
    remarks.push({
      level: 'note',
      member: null,
      text: 'where there is no overhang the rafter ends plumb at the plate, not square',
    });
  }
  if (bay.roof.sides.some((side) => side.roof === 'gable' && side.overhangMm > 0)) {
    remarks.push({
      level: 'note',
      member: null,
      text: 'the gable overhang wants barge rafters and lookouts; they are not in this list yet',
    });
  }
  return remarks;
};

/** What the job asks for and this version does not frame yet. Said, so that nobody takes the list for whole. */
const notFramedYet = (job: Job): Remark[] => {
  const missing = [
    job.purlins.length > 0 ? 'purlins' : null,
    job.collarTies === undefined ? null : 'collar ties',
    job.rafterTies === undefined ? null : 'rafter ties',
  ].filter((name) => name !== null);
  return missing.length === 0
    ? []
    : [
        {
          level: 'caution',
          member: null,
          text: `${missing.join(', ')} cannot be worked out yet and are not in this list; cut and fix them as the job asks`,
        },
      ];
};

/** Everything worth saying about a framed bay, gravest first within each subject. */
export const remarksOn = (bay: Bay, members: readonly Member[]): Remark[] => [
  ...notFramedYet(bay.job),
  ...aboutRidge(bay, members),
  ...aboutHips(bay, members),
  ...aboutSeats(bay, members),
  ...aboutEaves(bay),
];
