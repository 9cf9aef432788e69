import { fit } from '../src/solve';
import { framedHouses } from '../src/tests/asked';
import { shareFramed } from '../src/tests/asked/share';
import { sawHouse } from '../src/tests/saw-house';
import { SPOILINGS } from '../src/tests/spoil';

const HOUSES = 30;

/** Draws of each cell that the share is read off. */
const EACH = 1;

/**
 * Of some random houses: the share of spoiled frames that the proof catches, how true the steps saw, and how many of what
 * framers ask for is framed.
 */
export const proofFigures = (): void => {
  const houses = framedHouses(HOUSES, 99);
  let tried = 0;
  let caught = 0;
  let pieces = 0;
  let worst = 0;
  for (const [h, house] of houses.entries()) {
    const { members } = house;
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
    sawHouse(house, (_text, mm) => {
      pieces += 1;
      worst = Math.max(worst, mm);
    });
  }
  process.stdout.write(
    `proof: ${houses.length} random houses, ${tried} spoiled frames, ${((100 * caught) / tried).toFixed(2)} % caught\n`,
  );
  process.stdout.write(
    `sawyer: ${pieces} pieces sawn by the steps alone, worst difference ${worst.toFixed(4)} mm\n`,
  );
  process.stdout.write(`${shareFramed(EACH, 100).lines.join('\n')}\n`);
};
