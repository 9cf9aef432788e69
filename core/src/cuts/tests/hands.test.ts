import type { JobInput } from '../../job';
import { buildingInput, solvedInput } from '../../tests/building';
import { sawHouse } from '../../tests/saw-house';

/** Plumb purlins round a hip roof of which one end's plate stands higher: they pass under a hip at that end alone. */
const lippedAtOneEnd = (): JobInput => {
  const input = buildingInput({
    along: 10_100,
    across: 5400,
    pitch: '7/12',
    framing: { spacing: 900, seat: { depthFraction: 0.33 } },
    timber: {
      common: { thickness: 47, depth: 220 },
      hip: { thickness: 38, depth: 235 },
      purlin: { thickness: 63, depth: 150 },
    },
  });
  return {
    ...input,
    blocks: input.blocks.map((block) => ({
      ...block,
      sides: block.sides.map((side, i) =>
        i === 1 && side.roof === 'eave' ? { ...side, raise: 491 } : side,
      ),
    })),
    purlins: [0, 1, 2, 3].map((side) => ({
      block: 'main',
      side,
      at: 0.356,
      set: 'plumb' as const,
      top: 'bevelled' as const,
    })),
  };
};

it('two purlins with a lip at one end, mitred alike at both, are a left one and a right one', () => {
  const house = solvedInput(lippedAtOneEnd());
  const lipped = house.cuts.members.filter(
    ({ kind, cuts }) =>
      kind === 'purlin' && cuts.filter(({ name }) => name.startsWith('lip')).length === 2,
  );
  expect(lipped.map(({ hands }) => hands)).toEqual([{ left: 1, right: 1, plain: 0 }]);
  // Sawn by the steps of the other hand it would come out 6.8 mm wrong.
  sawHouse(house, (text, mm) => expect([text, mm < 0.01]).toEqual([text, true]));
});
