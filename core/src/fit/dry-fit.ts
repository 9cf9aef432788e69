import { FIT_IN_PLATE_MM3, FIT_OVERLAP_MM3 } from '../geom';
import type { Member } from '../frame';
import type { Job } from '../job';
import type { Roof } from '../roof';
import { say } from '../sentence';
import { bearingsOf } from './roof/bearings';
import { checkHipBraces } from './purlins/hip-braces';
import { overAllKinds } from '../kinds';
import { checkBacking } from './ties/backing';
import { bareGaps } from './eaves/blocking';
import { checkOpenings } from './openings/openings';
import { checkPosts } from './walls/posts';
import { checkRidgePosts } from './walls/ridge-posts';
import { untiedJacks } from './ties/jack-ties';
import { checkShortJoists } from './ties/short-joists';
import { checkSpacers } from './ties/spacers';
import { floating } from './contact/carried';
import { contactsOf, touchingBy, type Touching } from './contact/contacts';
import { bareEaves } from './eaves/eaves';
import { leaningEnds, openMitres, skewMitres } from './eaves/mitres';
import { frameOnSite, middleOf, type FrameOnSite, type Laid } from './frame-on-site';
import { outOfPlane } from './roof/in-place';
import { checkGableEnds } from './gables/gable-ends';
import { checkCheekStuds } from './laid-on/cheek-studs';
import { checkGableStuds } from './gables/gable-studs';
import { checkLaidOn } from './laid-on/laid-on';
import { offLayout } from './roof/layout';
import { checkLedgers } from './walls/ledgers';
import { bareLines } from './roof/lines';
import { neighboursOf } from './contact/neighbours';
import { overlapsOf, type Overlap } from './contact/overlaps';
import { isEavePlate, isMember, place, type Body, type Placed } from './contact/placed';
import type { FitProblem, FitReport } from './report';
import { checkPurlins } from './purlins/purlins';
import { checkRoofPurlins } from './purlins/roof-purlins';
import { blockedSlots, openScarfs } from './roof/scarfs';
import { bareStrips } from './roof/strips';
import { checkStruts } from './purlins/struts';
import { checkTies } from './ties/ties';

const overlapProblem = ({ one, other, mm3, at }: Overlap<Body>): FitProblem => {
  const cm3 = (mm3 / 1000).toFixed(1);
  const members = [one, other].filter(isMember);
  const ids = members.map(({ member }) => member.id);
  const [first, second] = members;
  const marks = [first?.mark ?? 'plate', second?.mark ?? 'plate'] as const;
  return {
    members: marks,
    ids,
    kind: 'overlap',
    mm3,
    at,
    text:
      second === undefined
        ? say`${marks[0]} stands in the ‹plate› with ${cm3} cm³ of wood`
        : say`${marks[0]} and ${marks[1]} share ${cm3} cm³ of wood`,
  };
};

/**
 * Whether two bodies may share no wood: timbers, and a timber and an eave's plate. A gable's plate is parted where a deep
 * ridge comes down to it; studs and struts are held to theirs by their feet.
 */
const sharesNone = (one: Body, other: Body): boolean =>
  (isMember(one) && (isMember(other) || isEavePlate(other))) ||
  (isEavePlate(one) && isMember(other));

/** Timbers may share what rounding leaves; a plate is notched over, so that less of it is a seat forgotten. */
const tooMuch = ({ one, other, mm3 }: Overlap<Body>): boolean => {
  const notched = [one, other].filter(isMember).map(({ member }) => member.kind !== 'fascia');
  const inPlate = notched.length === 1 && notched.every(Boolean);
  return mm3 > (inPlate ? FIT_IN_PLATE_MM3 : FIT_OVERLAP_MM3);
};

const floatingProblem = (placed: Placed): FitProblem => ({
  members: [placed.mark, 'nothing'],
  ids: [placed.member.id],
  kind: 'floating',
  at: middleOf(placed),
  text: say`${placed.mark} is carried by nothing: no path of bearings leads from it to a ‹plate› or a wall`,
});

/** Wood that members share, of those pairs that are asked about. mm³ */
export const checkOverlaps = (
  members: readonly Member[],
  markOf: (id: string) => string,
  asked: (one: Member, other: Member) => boolean,
): { readonly problems: readonly FitProblem[]; readonly worstMm3: number } => {
  const placed = members.map((member) => place(member, markOf(member.id)));
  const shared = overlapsOf(neighboursOf(placed), (one, other) => asked(one.member, other.member));
  return {
    problems: shared.filter(tooMuch).map(overlapProblem),
    worstMm3: Math.max(0, ...shared.map(({ mm3 }) => mm3)),
  };
};

/** Boards of the list that stand nowhere. */
export const unlisted = (
  members: readonly Member[],
  listed: readonly string[],
  markOf: (id: string) => string,
): FitProblem[] => {
  const stand = new Set(members.map(({ id }) => id));
  return listed
    .filter((id) => !stand.has(id))
    .map((id) => ({
      members: [markOf(id), 'nothing'] as const,
      ids: [],
      kind: 'missing' as const,
      at: [0, 0, 0] as const,
      text: say`${markOf(id)} is in the list and stands nowhere in the frame`,
    }));
};

/** Whether a timber stands by itself: on a plate, at a wall, or in a gable's wall. */
const carriedBy = (site: FrameOnSite, contacts: ReturnType<typeof contactsOf>): Placed[] => {
  const bodies: readonly Body[] = [...site.members, ...site.plates, ...site.walls];
  return floating(bodies, (body) => !isMember(body), contacts).filter(isMember);
};

/** What is proved of sorts of timber: where they stand, that none is missing, what they lie on. */
type Check = (site: FrameOnSite, touching: Touching) => FitProblem[];
const check = (of: Check): Check => of;

/** In the order of the report; the compiler asks for a kind whose place nothing proves. */
const CHECKS = overAllKinds([
  // Rafters, hips, valleys and ridges: their lines, their strips and their places on the layout.
  {
    kinds: ['ridge', 'hip', 'valley', 'purlin', 'fascia'],
    check: check(bareEaves),
  },
  { kinds: [], check: openMitres },
  { kinds: [], check: skewMitres },
  { kinds: [], check: leaningEnds },
  {
    kinds: ['common', 'king-common', 'hip-jack', 'valley-jack', 'cripple-jack'],
    check: check(offLayout),
  },
  { kinds: ['blocking'], check: check(bareGaps) },
  { kinds: ['barge', 'lookout'], check: checkGableEnds },
  { kinds: ['gable-stud'], check: checkGableStuds },
  { kinds: ['cheek-stud'], check: checkCheekStuds },
  { kinds: ['ledger'], check: checkLedgers },
  { kinds: ['under-purlin'], check: checkPurlins },
  { kinds: ['strut'], check: checkStruts },
  { kinds: ['hip-brace'], check: check(checkHipBraces) },
  { kinds: ['roof-purlin', 'purlin-between'], check: checkRoofPurlins },
  { kinds: ['rafter-tie', 'collar-tie'], check: checkTies },
  { kinds: ['rafter-tie'], check: checkShortJoists },
  { kinds: ['rafter-tie'], check: check(untiedJacks) },
  { kinds: ['spacer'], check: checkSpacers },
  { kinds: ['backing'], check: checkBacking },
  { kinds: ['post', 'beam'], check: checkPosts },
  { kinds: ['ridge-post'], check: checkRidgePosts },
  { kinds: [], check: openScarfs },
  { kinds: [], check: check(blockedSlots) },
  { kinds: ['trimmer', 'header', 'opening-jack', 'false-tail'], check: check(checkOpenings) },
  { kinds: ['sleeper'], check: checkLaidOn },
]);

/**
 * Proves or disproves that the frame is whole and closes, from the job's walls and roof planes and the finished solids
 * alone: nothing is asked of how they were made.
 *
 * @param members every member in its place
 * @param markOf the mark a member's id is known by
 * @param listed the ids that the cut list names, where there is one: each must stand in the frame
 * @param laid what it is laid on, where it is
 * @returns what was proved, the worst found of each kind, and a problem for each thing that is not so
 */
export const dryFit = (
  job: Job,
  roof: Roof,
  members: readonly Member[],
  markOf: (id: string) => string,
  listed: readonly string[] = [],
  laid: Laid | null = null,
): FitReport => {
  const placed = members.map((member) => place(member, markOf(member.id)));
  const site = frameOnSite(job, roof, placed, laid);
  const neighbours = neighboursOf<Body>([...site.members, ...site.plates, ...site.walls]);
  const contacts = contactsOf(neighbours);
  const touching = touchingBy(contacts);
  const bearings = bearingsOf(site, contacts, touching);
  const shared = overlapsOf(neighbours, sharesNone);
  const loose = carriedBy(site, contacts);
  const strips = bareStrips(site);
  return {
    format: 'ogee-fit',
    version: 1,
    joints: bearings.joints,
    worstGap: bearings.worstGapMm,
    worstOverlap: Math.max(0, ...shared.map((overlap) => overlap.mm3)),
    carried: placed.length - loose.length,
    boards: placed.length,
    widestStrip: strips.widestMm,
    seats: bearings.seats,
    leastBearing:
      bearings.seats.length === 0
        ? null
        : Math.min(...bearings.seats.map(({ widthMm }) => widthMm)),
    shortJacks: strips.shortJacks,
    problems: [
      ...bearings.problems,
      ...shared.filter(tooMuch).map(overlapProblem),
      ...outOfPlane(site),
      ...loose.map(floatingProblem),
      ...bareLines(site),
      ...strips.problems,
      ...CHECKS.flatMap(({ kinds, check }) =>
        check(site, touching).map((one) =>
          one.kind === 'missing' ? { ...one, wanted: one.wanted ?? kinds } : one,
        ),
      ),
      ...unlisted(members, listed, markOf),
    ],
  };
};
