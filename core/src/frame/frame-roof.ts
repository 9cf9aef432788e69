import { standsAlready, type Job } from '../job';
import { ok, pathText, refused, type Problem, type Result } from '../problem';
import { LINE_TIMBER, platesOf, type LaidOn, type LineKind, type Roof } from '../roof';
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
import { primaryFrame, type LeftOut } from './primary';
import { coveredWalls, standingWalls, type Site } from './site';

export interface Framing {
  readonly members: readonly Member[];
  readonly leftOut: LeftOut & { readonly alone: number };
}

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

/** Sets every timber of a roof framed as one in its place: the primary frame, then one pass after the other. */
const frameWhole = (job: Job, roof: Roof): Result<Framing> => {
  const missing = missingTimber(job, roof);
  if (missing.length > 0) return refused(missing);
  const openings = openingPlaces(job, roof);
  if (!openings.ok) return openings;
  const site: Site = {
    job,
    roof,
    plates: platesOf(job, roof),
    standing: standingWalls(roof),
    covered: coveredWalls(roof),
    openings: openings.value,
    fascias: fasciaPlaces({ job, roof }),
  };
  const primary = primaryFrame(site);
  if (!primary.ok) return primary;
  // Another list after each pass: what a pass found out about the one it was given is true of that one alone.
  let members: readonly Member[] = [];
  const problems: Problem[] = [];
  let alone = 0;
  for (const pass of PASSES) {
    const added = pass(site, primary.value, members);
    const resawn = new Map((added.resawn ?? []).map((member) => [member.id, member]));
    members = [...members.map((member) => resawn.get(member.id) ?? member), ...added.members];
    problems.push(...added.problems);
    alone = Math.max(alone, added.alone ?? 0);
  }
  const whole = scarfed(job, members);
  problems.push(...whole.problems);
  if (problems.length > 0) return refused(oneAPlace(problems));
  return ok({
    members: inOrder(whole.members),
    leftOut: { ...primary.value.leftOut, alone },
  });
};

/** What is laid on another roof: framed as if it stood alone, then cut along the sheathing it comes down on. */
const frameLaid = (laid: LaidOn): Result<Framing> => {
  const alone = frameWhole(laid.part.job, laid.whole);
  if (!alone.ok) return refused(laid.part.restored(alone.problems));
  const { members, leftOut } = alone.value;
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
  });
};

const NOTHING: Framing = {
  members: [],
  leftOut: { stations: 0, short: 0, headers: 0, alone: 0 },
};

/** Sets every timber of the roof in its place; what is laid on it after what it is laid on. */
export const frameRoof = (job: Job, roof: Roof): Result<Framing> => {
  if (roof.under === null) return frameWhole(job, roof);
  const { part } = roof.under;
  // The check lets all of its parts stand already, or none.
  const below = part.job.blocks.some(standsAlready)
    ? ok(NOTHING)
    : frameWhole(part.job, roof.under.roof);
  if (!below.ok) return refused(part.restored(below.problems));
  const all = [below, ...roof.laid.map(frameLaid)];
  const problems = all.flatMap((one) => (one.ok ? [] : one.problems));
  if (problems.length > 0) return refused(problems);
  const framed = all.flatMap((one) => (one.ok ? [one.value] : []));
  const sum = (of: keyof Framing['leftOut']): number =>
    framed.reduce((total, { leftOut }) => total + leftOut[of], 0);
  return ok({
    members: inOrder(framed.flatMap(({ members }) => members)),
    leftOut: {
      stations: sum('stations'),
      short: sum('short'),
      headers: sum('headers'),
      alone: sum('alone'),
    },
  });
};
