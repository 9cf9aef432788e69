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

it('commons that are their own mirror image to a fifth of a millimetre have no hand', () => {
  // One wall 15 mm out over 9 m: across a rafter's thickness its ridge runs some hundredths off square.
  const input = buildingInput({
    along: 9000,
    across: 6000,
    pitch: '8/12',
    ends: ['gable', 'gable'],
  });
  const [block] = input.blocks;
  const askew = (mm: number): JobInput => ({
    ...input,
    blocks: [
      {
        ...block!,
        outline: (block!.outline as [number, number][]).map(([x, y], i): [number, number] =>
          i === 2 ? [x, y + mm] : [x, y],
        ),
      },
    ],
  });
  const handed = (mm: number): number =>
    solvedInput(askew(mm))
      .cuts.members.filter(({ kind }) => kind === 'common')
      .reduce((sum, { hands }) => sum + hands.left + hands.right, 0);
  expect(handed(15)).toBe(0);
  // Forty times as much is seen at the saw.
  expect(handed(600)).toBeGreaterThan(0);
});
