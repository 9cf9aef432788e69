import { KINDS_IN_ORDER, type Kind } from '../kinds';
import { spoken } from '../sentence';
import { fit, type Solution } from '../solve';
import type { Member } from '../frame';
import { SPOILINGS, type Spoiling } from './spoil';

/** A frame whose proof finds nothing, and one of its members spoiled. */
interface Spoiled {
  readonly house: number;
  readonly id: string;
  readonly frame: Solution;
}

const withSpoiled = (solution: Solution, own: Member, next: Member | 'gone'): Solution => ({
  ...solution,
  members: solution.members.flatMap((member) =>
    member !== own ? [member] : next === 'gone' ? [] : [next],
  ),
});

/** One member of each line of the list: the others of a line are cut alike. */
const oneALine = ({ cuts, members }: Solution): Member[] => {
  const first = new Set(cuts.members.map(({ members: [id] }) => id));
  return members.filter(({ id }) => first.has(id));
};

/**
 * Frames with a member of that kind spoiled in that way, one house after another, and round again to other members: so
 * many of them, or as many as there are.
 */
const spoiledOf = (
  houses: readonly Solution[],
  kind: Kind,
  { spoil }: Spoiling,
  wanted: number,
): Spoiled[] => {
  const found: Spoiled[] = [];
  // Small houses first: of them more are proved in the same time. Members cut alike come after those that are not.
  const bySize = houses
    .map((house, h) => ({ h, house }))
    .sort((one, other) => one.house.members.length - other.house.members.length);
  const own = bySize.map(({ house }) => {
    const first = new Set(oneALine(house));
    const ofKind = house.members.filter((member) => member.kind === kind);
    return [...ofKind.filter((one) => first.has(one)), ...ofKind.filter((one) => !first.has(one))];
  });
  const rounds = Math.max(0, ...own.map(({ length }) => length));
  for (let round = 0; round < rounds; round += 1)
    for (const [place, { h, house }] of bySize.entries()) {
      const member = own[place]![round];
      const next = member === undefined ? null : spoil(member);
      if (member === undefined || next === null) continue;
      found.push({ house: h, id: member.id, frame: withSpoiled(house, member, next) });
      if (found.length === wanted) return found;
    }
  return found;
};

/** Of each kind in each way. */
const LEAST_TRIES = 3;

/** What was tried, by kind and way, and what the proof did not see. */
export interface SpoilingFound {
  readonly tried: number;
  readonly missed: readonly string[];
  /** Kinds and ways that were tried fewer than three times, though they can be. */
  readonly thin: readonly string[];
}

/** Spoils members of every kind in every way that it can be, so many times each, and proves what comes of it. */
export const spoilByKind = (houses: readonly Solution[], wanted: number): SpoilingFound => {
  for (const house of houses) expect(fit(house).problems.map(({ text }) => text)).toEqual([]);
  let tried = 0;
  const missed: string[] = [];
  const thin: string[] = [];
  for (const kind of KINDS_IN_ORDER)
    for (const spoiling of SPOILINGS) {
      const spoiled = spoiledOf(houses, kind, spoiling, wanted);
      // A kind can always be left out; of the other ways, some do not suit it, and of some kinds few have a hand.
      const some =
        spoiling.name === 'left out' ||
        (spoiled.length > 0 && spoiling.name !== 'sawn to the other hand');
      if (some && spoiled.length < LEAST_TRIES) thin.push(`${kind} ${spoiling.name}`);
      for (const { house, id, frame } of spoiled) {
        tried += 1;
        const { problems } = fit(frame);
        if (problems.length === 0) missed.push(`house ${house}: ${id} ${spoiling.name}`);
        for (const { at, text } of problems) {
          expect(at.every(Number.isFinite)).toBe(true);
          expect(spoken(text).length).toBeGreaterThan(20);
        }
      }
    }
  const caught = ((100 * (tried - missed.length)) / tried).toFixed(2);
  process.stdout.write(
    `${houses.length} houses, ${KINDS_IN_ORDER.length} kinds, ${SPOILINGS.length} ways, ${tried} spoiled frames: ${caught} % caught\n`,
  );
  return { tried, missed, thin };
};

/** Of every spoiling of some boards of a frame, one of each line of the list, those that the proof does not see. */
export const unseenSpoilings = (solution: Solution, boards: readonly Member[]): string[] => {
  const lineOf = new Map(
    solution.cuts.members.flatMap(({ mark, members }) => members.map((id) => [id, mark])),
  );
  const chosen = [
    ...new Map([...boards].reverse().map((one) => [lineOf.get(one.id), one])).values(),
  ];
  return chosen.flatMap((member) =>
    SPOILINGS.flatMap(({ name, spoil }) => {
      const next = spoil(member);
      if (next === null) return [];
      return fit(withSpoiled(solution, member, next)).problems.length === 0
        ? [`${member.id} ${name}`]
        : [];
    }),
  );
};
