import { handOf, pieceOf } from '../src/cuts';
import { SPOILINGS } from '../src/tests/spoil';
import { fit } from '../src/solve';
import { stepsOf } from '../src/steps';
import { laid, sawn, sawnWrong, turnedRound, WAYS } from '../src/steps/tests/sawyer';
import { framedHouses } from '../src/tests/asked';

const HOUSES = 30;

/** Of some random houses: the share of spoiled frames that the proof catches, and how true the steps saw. */
export const proofFigures = (): void => {
  const houses = framedHouses(HOUSES, 99);
  let tried = 0;
  let caught = 0;
  let pieces = 0;
  let worst = 0;
  for (const [h, house] of houses.entries()) {
    const { members, cuts } = house;
    for (const [i, { spoil }] of SPOILINGS.entries()) {
      const at = (h * 31 + i * 17) % members.length;
      const chosen = members[at];
      const next = chosen === undefined ? null : spoil(chosen);
      if (next === null) continue;
      const spoiled = members.flatMap((one) =>
        one !== chosen ? [one] : next === 'gone' ? [] : [next],
      );
      tried += 1;
      if (fit({ ...house, members: spoiled }).problems.length > 0) caught += 1;
    }
    const byId = new Map(members.map((member) => [member.id, member]));
    for (const entry of cuts.members) {
      const drawn = byId.get(entry.members[0] ?? '');
      if (drawn === undefined) continue;
      for (const id of entry.members) {
        const member = byId.get(id);
        if (member === undefined) continue;
        const other = handOf(pieceOf(member)) !== handOf(pieceOf(drawn));
        const steps = stepsOf(drawn, other);
        for (const way of WAYS) {
          const made = sawn(steps, way);
          const straight = sawnWrong(made, laid(member, false));
          const round = turnedRound(made, laid(member, false), entry.stock.thickness);
          const wrong =
            entry.slope === 0
              ? Math.min(straight, sawnWrong(round, laid(member, false)))
              : straight;
          pieces += 1;
          worst = Math.max(worst, wrong);
        }
      }
    }
  }
  process.stdout.write(
    `proof: ${houses.length} random houses, ${tried} spoiled frames, ${((100 * caught) / tried).toFixed(2)} % caught\n`,
  );
  process.stdout.write(
    `sawyer: ${pieces} pieces sawn by the steps alone, worst difference ${worst.toFixed(4)} mm\n`,
  );
};
