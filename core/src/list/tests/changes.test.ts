import { buildingInput, type Building } from '../../tests/building';
import { readJob, type JobInput } from '../../job';
import { solve } from '../../solve';
import { changesBetween } from '..';

const house: Building = { along: 9000, across: 6000, pitch: '9/12' };

const listOf = (input: JobInput) => {
  const job = readJob(input);
  const solution = job.ok ? solve(job.value) : job;
  if (!solution.ok) throw new Error('the house does not frame');
  return solution.value.cuts.members;
};

const base = buildingInput(house);

describe('what changed between two lists', () => {
  it('nothing, where nothing that is sawn did', () => {
    expect(changesBetween(listOf(base), listOf(base))).toEqual([]);
    const told = { ...base, display: { units: 'imperial' as const }, name: 'another' };
    expect(changesBetween(listOf(base), listOf(told))).toEqual([]);
  });

  it('every sloping mark with the pitch; of the ridge nothing that is sawn', () => {
    const steeper = listOf(buildingInput({ ...house, pitch: '10/12' }));
    const marks = changesBetween(listOf(base), steeper).map(({ mark }) => mark);
    const sloping = steeper.filter(({ slope }) => slope > 0).map(({ mark }) => mark);
    expect(marks).toEqual(expect.arrayContaining(sloping));
    expect(marks).not.toContain('R1');
  });

  it('only how many, where a longer house has more commons and a longer ridge', () => {
    const longer = listOf(buildingInput({ ...house, along: 9000 + 4 * 400 }));
    const found = changesBetween(listOf(base), longer);
    const common = found.find(({ mark }) => mark === 'C1')!;
    expect([common.cut, common.was!.count < common.is!.count]).toEqual([false, true]);
    const ridge = found.find(({ mark }) => mark === 'R1')!;
    expect(ridge.is!.length.longPoint - ridge.was!.length.longPoint).toBeCloseTo(1600, 6);
    expect(found.every(({ mark }) => !/^(H|HJ)\d/.test(mark))).toBe(true);
  });

  it('marks that are new and marks that are gone, both ways round', () => {
    const tied = listOf({
      ...base,
      timber: { ...base.timber, rafterTie: { thickness: 38, depth: 140 } },
      rafterTies: {},
    });
    const [added] = changesBetween(listOf(base), tied);
    expect([added!.mark, added!.was, added!.is!.kind]).toEqual(['RT1', null, 'rafter-tie']);
    const [gone] = changesBetween(tied, listOf(base));
    expect([gone!.mark, gone!.was!.kind, gone!.is]).toEqual(['RT1', 'rafter-tie', null]);
  });
});
