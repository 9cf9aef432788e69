import type { Member } from '../../frame';
import type { JobInput } from '../../job';
import type { Solution } from '../../solve';
import { buildingInput, solvedInput } from '../../tests/building';
import { supposedOf } from '../causes';
import { triedPiece } from '../piece';

const RIDGE = ['span', 'ridge-pushed', 'ridge-height'];

const causesOf = (solution: Solution, member: Member): string[] => {
  const top = member.ends.find(({ at }) => at === 'top')!;
  const against = solution.members.find(({ id }) => id === top.meets);
  return supposedOf(member, triedPiece(member)!, against).map(({ cause }) => cause);
};

const input = (more: Partial<JobInput> = {}): JobInput => ({
  ...buildingInput({ along: 9000, across: 7000, pitch: '9/12', ends: ['gable', 'gable'] }),
  ...more,
});

it('a rafter that comes down on the sheathing has no ridge to blame', () => {
  const solution = solvedInput(
    input({
      dormers: [
        {
          block: 'main',
          side: 0,
          along: [3000, 5400],
          face: 500,
          plate: 1500,
          roof: 'shed',
          pitch: '3/12',
          overhang: 150,
        },
      ],
    }),
  );
  const common = solution.members.find(({ kind, block }) => kind === 'common' && block === 'main')!;
  expect(causesOf(solution, common)).toEqual(expect.arrayContaining(RIDGE));
  const over = solution.members.filter(
    (member) => member.block === 'dormer 1' && triedPiece(member) !== null,
  );
  expect(over.length).toBeGreaterThan(0);
  for (const member of over) {
    const causes = causesOf(solution, member);
    for (const cause of RIDGE) expect(causes).not.toContain(cause);
    expect(causes).toEqual(expect.arrayContaining(['length', 'hap', 'plate-height']));
  }
});

it('a rafter that runs on over a high wall comes against nothing to be tried on', () => {
  const base = input();
  const [block] = base.blocks;
  const [low, end] = block!.sides;
  const shed = solvedInput({
    ...base,
    blocks: [{ ...block!, sides: [low!, end!, { roof: 'high', overhang: 300 }, end!] }],
  });
  const commons = shed.members.filter(({ kind }) => kind === 'common');
  expect(commons.length).toBeGreaterThan(3);
  for (const common of commons) expect(triedPiece(common)).toBeNull();
});
