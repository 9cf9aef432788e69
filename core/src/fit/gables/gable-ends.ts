import { SLACK_MM, FIT_GAP_MM, SAME_WAY_SINE, v3, type Vec3 } from '../../geom';
import type { Stock } from '../../job';
import { isRafter } from '../../kinds';
import { inMm, say } from '../../sentence';
import { otherOf, type Touching } from '../contact/contacts';
import { findingOn } from '../finding';
import type { FrameOnSite } from '../frame-on-site';
import { housingsOf } from '../roof/in-place';
import { isMember, type Placed, type PlacedFace } from '../contact/placed';
import type { FitProblem } from '../report';

/** How far a barge's lookouts may stand off their even places: rounding. mm */
const EVEN_MM = FIT_GAP_MM;
/** Lookouts this little further apart than the rafters are not. mm */
const SPARE_MM = SLACK_MM.true;

/** What is butted against a barge's inner face and lies in its slope: at a break in pitch one of the other comes to it too. */
const rungsOn = (barge: Placed, touching: Touching): Placed[] => {
  const { a, origin } = barge.member.frame;
  const isOwn = ({ member: { frame, stock } }: Placed): boolean => {
    const normal = v3.unit(v3.cross(frame.a, a));
    const off = v3.dot(v3.sub(frame.origin, origin), normal);
    // Laid flat its middle is measured, on edge its top.
    return Math.abs(off) < stock.thickness / 2 + FIT_GAP_MM;
  };
  const found = touching(barge).flatMap((contact): Placed[] => {
    const other = otherOf(contact, barge);
    return isMember(other) && other.member.kind === 'lookout' && isOwn(other) ? [other] : [];
  });
  return [...new Set(found)];
};

/** How a barge's slope is measured by its lookouts: up it, square to them, and off it; unit. */
interface Way {
  readonly up: Vec3;
  readonly off: Vec3;
  /** They stand square to the barge too. */
  readonly square: boolean;
}

const wayOf = (barge: Placed, [rung]: readonly Placed[]): Way => {
  const { a, e } = barge.member.frame;
  const level = rung?.member.frame.a ?? barge.member.frame.s;
  const slant = v3.dot(a, level);
  if (Math.abs(slant) < SAME_WAY_SINE) return { up: a, off: e, square: true };
  const up = v3.unit(v3.sub(a, v3.scale(level, slant)));
  const off = v3.cross(up, level);
  return { up, off: v3.scale(off, Math.sign(off[2])), square: false };
};

/** Whether a barge leaves its lookouts' square, or comes askew against the ridge's line. */
const isAskew = ({ member: { frame, ends } }: Placed, { square }: Way): boolean =>
  !square ||
  ends.some(
    ({ at, keep }) => at === 'top' && Math.abs(v3.dot(keep.normal, frame.s)) > SAME_WAY_SINE,
  );

/** Where up the slope the first of a barge's lookouts stands, and the last. mm */
const reachOf = (
  { framing, timber }: FrameOnSite['job'],
  barge: Placed,
  lookout: Stock,
  { up, off, square }: Way,
): readonly [first: number, last: number] => {
  const { axis } = barge.member;
  // Measured where the roofing lies: along the corner that comes to the roof.
  const tops = barge.tops.flatMap(({ points }) => points);
  const highest = Math.max(...tops.map((p) => v3.dot(p, off)));
  const on = tops
    .filter((p) => square || highest - v3.dot(p, off) < TOUCHING_MM)
    .map((p) => v3.dot(p, up));
  const [low, high] = [Math.min(...on), Math.max(...on)];
  const steep = Math.tan(axis.slopeRad);
  const ridge = (timber.ridge?.thickness ?? 0) / 2 / Math.cos(axis.slopeRad);
  // Laid flat, its own width clear of the tail's end, and clear of the ridge's board.
  return framing.lookouts === 'laid-in'
    ? [low + 1.5 * lookout.depth, high - lookout.depth / 2 - lookout.thickness * steep - ridge]
    : [low + lookout.thickness / 2, high - lookout.thickness / 2 - lookout.depth * steep];
};

/** A top corner this near to the roof's plane comes to it. mm */
const TOUCHING_MM = SLACK_MM.layout;
/** How far below the others the last lookout of a gable out of square may stand, because it comes in beside the ridge. mm */
const CLEAR_MM = 90;

/** Of a housing's bottom this much may be bare: rounding. mm² */
const BARE_MM2 = 200;

/** How much of the bottoms of a rafter's housings has no lookout flat on it. mm² */
const bareOf = (rafter: Placed, bottoms: readonly PlacedFace[], touching: Touching): number => {
  const all = rafter.pieces.flatMap(({ faces }) => faces);
  return bottoms.reduce((sum, bottom) => {
    // The board's own pieces part along it on both sides of the housing.
    const own = all.filter(
      ({ plane }) =>
        v3.dot(plane.normal, bottom.plane.normal) < -1 + SAME_WAY_SINE &&
        Math.abs(plane.offset + bottom.plane.offset) < FIT_GAP_MM,
    );
    const lain = touching(rafter).filter((contact) => {
      const other = otherOf(contact, rafter);
      const face = contact.one === rafter ? contact.face : contact.otherFace;
      return face === bottom && isMember(other) && other.member.kind === 'lookout';
    });
    return [...own, ...lain].reduce((left, { areaMm2 }) => left - areaMm2, sum + bottom.areaMm2);
  }, 0);
};

/** Each housing through a rafter has its lookout flat in it. */
const emptyHousings = ({ members }: FrameOnSite, touching: Touching): FitProblem[] =>
  members.flatMap((rafter): FitProblem[] => {
    const bottoms = isRafter(rafter.member) ? housingsOf(rafter) : [];
    if (bottoms.length === 0 || bareOf(rafter, bottoms, touching) < BARE_MM2) return [];
    return [
      findingOn(
        rafter,
        'gap',
        0,
        say`a housing through ${rafter.mark} has no ‹lookout› flat in it`,
      ),
    ];
  });

/**
 * Whether each barge has its lookouts: evenly, from the tail up to where the next would come into the peak, no
 * further apart than the rafters.
 */
export const checkGableEnds = (site: FrameOnSite, touching: Touching): FitProblem[] => {
  const { job, members } = site;
  const { barge: stock, lookout } = job.timber;
  if (stock === undefined || lookout === undefined) return [];
  const ofBarges = members.flatMap((barge): FitProblem[] => {
    if (barge.member.kind !== 'barge') return [];
    const beside = members.some(
      ({ member }) =>
        member.kind === 'common' &&
        Math.abs(
          Math.abs(
            v3.dot(v3.sub(member.frame.origin, barge.member.frame.origin), barge.member.frame.s),
          ) -
            (stock.thickness + member.stock.thickness) / 2,
        ) < 1,
    );
    if (beside) return [];
    const found = rungsOn(barge, touching);
    const way = wayOf(barge, found);
    const [first, top] = reachOf(job, barge, lookout, way);
    if (top < first) return [];
    const rungs = found
      .map(({ member }) => v3.dot(member.frame.origin, way.up))
      .sort((p, q) => p - q);
    // Beside a ridge that leaves the slope's level the last stands a little lower.
    const own = rungs.at(-1) ?? top;
    const lower = own < top && top - own < CLEAR_MM && isAskew(barge, way);
    const last = lower ? own : top;
    if (rungs.length < 2)
      return [
        findingOn(barge, 'missing', last - first, say`${barge.mark} has no ‹lookouts› to stand on`),
      ];
    const step = (last - first) / (rungs.length - 1);
    const off = Math.max(...rungs.map((at, i) => Math.abs(at - (first + i * step))));
    if (off <= EVEN_MM && step <= job.framing.spacing + SPARE_MM) return [];
    return [
      findingOn(
        barge,
        'missing',
        off,
        say`a ‹lookout› of ${barge.mark} is missing, or stands ${inMm(off, 1)} off its place`,
      ),
    ];
  });
  return [...ofBarges, ...emptyHousings(site, touching)];
};
