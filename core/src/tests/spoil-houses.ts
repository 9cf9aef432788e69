import { spoken } from '../sentence';
import { fit, type Solution } from '../solve';
import type { Member } from '../frame';
import { smallHouses } from './small-houses';
import { SPOILINGS, type Spoiling } from './spoil';

/** A number between 0 and 1 that is a house's and a spoiling's own. */
const drawn = (house: number, spoiling: number): number => {
  const wave = Math.sin(house * 127.1 + spoiling * 311.7) * 43758.5453;
  return wave - Math.floor(wave);
};

const kindsOf = ({ members }: Solution): Member['kind'][] => [
  ...new Set(members.map(({ kind }) => kind)),
];

/** The frame with one member of a kind spoiled; null where that kind cannot be spoiled so. */
const spoiledFrame = (
  { members }: Solution,
  kind: Member['kind'],
  { spoil }: Spoiling,
  share: number,
): { readonly id: string; readonly members: readonly Member[] } | null => {
  const ofKind = members.filter((member) => member.kind === kind);
  const chosen = ofKind[Math.floor(share * ofKind.length)]!;
  const next = spoil(chosen);
  if (next === null) return null;
  return {
    id: chosen.id,
    members:
      next === 'gone'
        ? members.filter((member) => member !== chosen)
        : members.map((member) => (member === chosen ? next : member)),
  };
};

/**
 * Every spoiling of every one of so many random houses: what was tried, and what the proof did not see.
 *
 * @param seed other houses by another
 */
export const spoilHouses = (
  count: number,
  seed: number,
): { readonly tried: number; readonly missed: readonly string[] } => {
  let tried = 0;
  const missed: string[] = [];
  for (const [h, house] of smallHouses(count, seed).entries()) {
    expect(fit(house).problems.map(({ text }) => text)).toEqual([]);
    const kinds = kindsOf(house);
    for (const [i, spoiling] of SPOILINGS.entries()) {
      const share = drawn(h, i);
      // One of each kind is left out in turn; of the other spoilings, one member of one kind.
      const chosen =
        spoiling.name === 'left out' ? kinds : [kinds[Math.floor(drawn(i, h) * kinds.length)]!];
      for (const kind of chosen) {
        const frame = spoiledFrame(house, kind, spoiling, share);
        if (frame === null) continue;
        tried += 1;
        const { problems } = fit({ ...house, members: frame.members });
        if (problems.length === 0) missed.push(`house ${h}: ${frame.id} ${spoiling.name}`);
        for (const { at, text } of problems) {
          expect(at.every(Number.isFinite)).toBe(true);
          expect(spoken(text).length).toBeGreaterThan(20);
        }
      }
    }
  }
  const caught = ((100 * (tried - missed.length)) / tried).toFixed(2);
  process.stdout.write(
    `${count} houses, ${SPOILINGS.length} ways, ${tried} spoiled frames: ${caught} % caught\n`,
  );
  return { tried, missed };
};

/** Of every spoiling of some boards of a frame, those that the proof does not see. */
export const unseenSpoilings = (solution: Solution, boards: readonly Member[]): string[] =>
  boards.flatMap((own) =>
    SPOILINGS.flatMap(({ name, spoil }) => {
      const next = spoil(own);
      if (next === null) return [];
      const members = solution.members.flatMap((member) =>
        member !== own ? [member] : next === 'gone' ? [] : [next],
      );
      return fit({ ...solution, members }).problems.length === 0 ? [`${own.id} ${name}`] : [];
    }),
  );
