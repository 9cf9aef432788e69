import type { Job, PartOfJob } from '../job';
import { ok, pathText, refused, type Problem, type Result } from '../problem';
import { framedHere, LINE_TIMBER, platesOf, type LaidOn, type LineKind, type Roof } from '../roof';
import { say } from '../sentence';
import { fasciaPlaces } from './eaves/fascia-places';
import { isTie, LISTED_KINDS, listedKind } from '../kinds';
import { clashing } from './joint/in-space';
import { scarfed } from './joint/scarfs';
import { cheekStuds } from './laid-on/cheeks';
import { onDeck } from './laid-on/on-deck';
import { sleepers } from './laid-on/sleepers';
import type { Member } from './member/member';
import { openingPlaces } from './openings/places';
import { PASSES } from './passes';
import { onePlaceEach, type Withheld } from './pass';
import { primaryFrame, type LeftOut } from './primary';
import { coveredWalls, standingWalls, type Site } from './site';

export interface Framing {
  readonly members: readonly Member[];
  readonly leftOut: LeftOut & { readonly alone: number };
  /** Joists at a spacing of their own that lie beside other timber in their place. */
  readonly slid: number;
  readonly withheld: readonly Withheld[];
  /** Ties of pairs of rafters that have no room for them, where they would lie. */
  readonly noRoom: readonly Member[];
}

/** Ids of pieces that are not made: disproved in a frame that was made with them. */
export type Without = ReadonlySet<string>;

const WHAT: Readonly<Record<LineKind, string>> = {
  ridge: 'a ridge',
  hip: 'hips',
  valley: 'valleys',
  break: 'a break in pitch',
};

const missingTimber = (job: Job, { lines }: Roof): Problem[] =>
  (['ridge', 'hip', 'valley', 'break'] as const).flatMap((kind) =>
    job.timber[LINE_TIMBER[kind]] !== undefined || !lines.some((line) => line.kind === kind)
      ? []
      : [
          {
            code: 'missing-timber' as const,
            path: ['timber', LINE_TIMBER[kind]],
            text: say`missing; this roof has ${WHAT[kind]}, so give its actual size as {"thickness": 38.1, "depth": 235}`,
          },
        ],
  );

/** One problem a field: the first is as good as the others. */
const oneAPlace = (problems: readonly Problem[]): Problem[] =>
  problems.filter(
    ({ path }, i) => problems.findIndex((other) => pathText(other.path) === pathText(path)) === i,
  );

/** The order of erection, then round the building. */
const inOrder = (members: readonly Member[]): Member[] =>
  LISTED_KINDS.flatMap((kind) => members.filter((member) => listedKind(member.kind) === kind));

/** What one run of the passes comes to. */
interface Run extends Framing {
  /** Pieces that gave way in it: the frame is made again without them. */
  readonly giveWay: readonly Member[];
}

/** Sets every timber in its place once: the primary frame, then one pass after the other. */
const frameOnce = (job: Job, roof: Roof, without: Without): Result<Run> => {
  const openings = openingPlaces(job, roof);
  const site: Site = {
    job,
    roof,
    plates: platesOf(job, roof),
    standing: standingWalls(roof),
    covered: coveredWalls(roof),
    openings: openings.places,
    fascias: fasciaPlaces({ job, roof }),
    without,
  };
  const primary = primaryFrame(site);
  if (!primary.ok) return primary;
  // Another list after each pass: what a pass found out about the one it was given is true of that one alone.
  let members: readonly Member[] = [];
  const problems: Problem[] = [];
  const withheld = [...openings.withheld];
  const giveWay: Member[] = [];
  const noRoom: Member[] = [];
  let alone = 0;
  let slid = 0;
  for (const pass of PASSES) {
    const added = pass(site, primary.value, members);
    const resawn = new Map((added.resawn ?? []).map((member) => [member.id, member]));
    members = [
      ...members.map((member) => resawn.get(member.id) ?? member),
      ...added.members.filter(({ id }) => !without.has(id)),
    ];
    problems.push(...added.problems);
    withheld.push(...(added.withheld ?? []));
    giveWay.push(...(added.giveWay ?? []));
    noRoom.push(...(added.noRoom ?? []));
    alone = Math.max(alone, added.alone ?? 0);
    slid += added.slid ?? 0;
  }
  if (problems.length > 0) return refused(oneAPlace(problems));
  const whole = scarfed(job, members);
  return ok({
    members: inOrder(whole.members),
    leftOut: { ...primary.value.leftOut, alone },
    slid,
    withheld: [...withheld, ...whole.withheld],
    noRoom,
    giveWay,
  });
};

/** Sets every timber of a roof framed as one in its place, without the pieces that give way to others. */
const frameWhole = (job: Job, roof: Roof, disproved: Without): Result<Framing> => {
  const missing = missingTimber(job, roof);
  if (missing.length > 0) return refused(missing);
  const without = new Set(disproved);
  const gone: Withheld[] = [];
  // It ends: each run is without pieces that the one before it made.
  for (;;) {
    const framed = frameOnce(job, roof, without);
    if (!framed.ok) return framed;
    const { giveWay, ...framing } = framed.value;
    if (giveWay.length === 0)
      return ok({ ...framing, withheld: onePlaceEach([...gone, ...framing.withheld]) });
    for (const { id } of giveWay) without.add(id);
    const ids = new Set(giveWay.map(({ id }) => id));
    gone.push(...framing.withheld.filter(({ pieces }) => pieces.some(({ id }) => ids.has(id))));
  }
};

/** What is withheld of a part, by its places in the whole job. */
const restoredOf = (withheld: readonly Withheld[], part: PartOfJob): Withheld[] =>
  withheld.flatMap((one) => part.restored([one.problem]).map((problem) => ({ ...one, problem })));

/** What is laid on another roof: framed as if it stood alone, then cut along the sheathing it comes down on. */
const frameLaid = (laid: LaidOn, without: Without): Result<Framing> => {
  const alone = frameWhole(laid.part.job, laid.whole, without);
  if (!alone.ok) return refused(laid.part.restored(alone.problems));
  const { members, leftOut, withheld, noRoom, slid } = alone.value;
  const own = laid.part.job;
  const under = sleepers(own, laid, members);
  const set = onDeck(own, laid, members, (side) => under.find((one) => one.side === side));
  return ok({
    // A tie that a sleeper is in the way of has no room.
    members: [
      ...set.members.filter((one) => !isTie(one) || clashing(one, under).length === 0),
      ...under,
      ...cheekStuds(own, laid, set.members),
    ],
    leftOut: { ...leftOut, short: leftOut.short + set.short },
    withheld: restoredOf(withheld, laid.part),
    noRoom,
    slid,
  });
};

const isOfDormer = ({ problem: { path }, whole }: Withheld): boolean =>
  whole && path[0] === 'dormers';

const NOTHING: Framing = {
  members: [],
  withheld: [],
  noRoom: [],
  slid: 0,
  leftOut: { stations: 0, short: 0, headers: 0, alone: 0 },
};

/** Frames what of a job does not stand already. */
const frameHere = (job: Job, roof: Roof, without: Without): Result<Framing> => {
  const here = framedHere(job, roof);
  if (here === null) return ok(NOTHING);
  const framed = frameWhole(here.part.job, here.roof, without);
  return framed.ok
    ? ok({ ...framed.value, withheld: restoredOf(framed.value.withheld, here.part) })
    : refused(here.part.restored(framed.problems));
};

/**
 * Sets every timber of the roof in its place; what is laid on it after what it is laid on.
 *
 * @param without ids of pieces that are not made
 * @returns the frame, and what was asked for beyond its base and is withheld; or why its base does not stand
 */
export const frameRoof = (job: Job, roof: Roof, without: Without = new Set()): Result<Framing> => {
  if (roof.under === null) return frameHere(job, roof, without);
  const { part } = roof.under;
  const below = frameHere(part.job, roof.under.roof, without);
  if (!below.ok) return refused(part.restored(below.problems));
  const all = [below, ...roof.laid.map((laid) => frameLaid(laid, without))];
  const lower = restoredOf(below.value.withheld, part);
  const problems = [
    ...all.flatMap((one) => (one.ok ? [] : one.problems)),
    // The hole under a dormer, without which the dormer does not stand.
    ...lower.filter(isOfDormer).map(({ problem }) => problem),
  ];
  if (problems.length > 0) return refused(problems);
  const framed = all.flatMap((one) => (one.ok ? [one.value] : []));
  const sum = (of: keyof Framing['leftOut']): number =>
    framed.reduce((total, { leftOut }) => total + leftOut[of], 0);
  return ok({
    withheld: [...lower, ...framed.slice(1).flatMap(({ withheld }) => withheld)],
    noRoom: framed.flatMap(({ noRoom }) => noRoom),
    slid: framed.reduce((total, { slid }) => total + slid, 0),
    members: inOrder(framed.flatMap(({ members }) => members)),
    leftOut: {
      stations: sum('stations'),
      short: sum('short'),
      headers: sum('headers'),
      alone: sum('alone'),
    },
  });
};
