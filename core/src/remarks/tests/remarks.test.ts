import { problemLine } from '../../problem';
import { spoken } from '../../sentence';
import { readJob, type JobInput } from '../../job';
import { solve } from '../../solve';
import { buildingInput, buildingJob, solved, type Building } from '../../tests/building';

const base: Building = { along: 9000, across: 6000, pitch: '9/12' };

const notes = (change: Partial<Building>) => solved({ ...base, ...change }).cuts.notes;
const texts = (change: Partial<Building>): string =>
  notes(change)
    .map((note) => note.text)
    .join('\n');

const solvedInput = (): JobInput => buildingInput(base);

const textsOf = (input: JobInput): string => {
  const job = readJob(input);
  if (!job.ok) throw new Error(problemLine(job.problems[0]!));
  const solution = solve(job.value);
  if (!solution.ok) throw new Error(problemLine(solution.problems[0]!));
  return solution.value.cuts.notes.map((note) => note.text).join('\n');
};

describe('what is said about the frame', () => {
  it('a notch over a quarter is a caution at the common', () => {
    expect(texts({ framing: { seat: { depthFraction: 0.25 } } })).not.toContain('birdsmouth');
    const found = notes({ framing: { seat: { depthFraction: 0.4 } } }).find((note) =>
      note.text.includes('birdsmouth'),
    );
    expect(found).toMatchObject({ level: 'caution', member: 'C1' });
    expect(found!.text).toContain('40 %');
    const nearly = (depthFraction: number): string =>
      texts({ framing: { seat: { depthFraction } } });
    expect(nearly(0.2513)).toContain('takes 25.1 % of');
    expect(nearly(0.2502)).toContain('takes just over 25 % of');
  });

  it('a thin bearing, and a seat wider than the plate', () => {
    expect(texts({ framing: { seat: { width: 30 } } })).toContain('bears on 30 mm of plate');
    expect(texts({ framing: { seat: { width: 160 } } })).toContain('20 mm wider than the plate');
  });

  it('how far the hip’s seat hangs inside past the plates', () => {
    const solution = solved({ ...base, timber: { hip: { thickness: 38, depth: 330 } } });
    const { width } = solution.cuts.members.find((entry) => entry.kind === 'hip')!.seat!;
    const past = (width - 140 * Math.SQRT2).toFixed(1);
    expect(solution.cuts.notes.map((note) => note.text).join()).toContain(
      `hangs ${past} mm inside`,
    );
  });

  it('a hip too shallow to reach the plate is refused, with the depth that would', () => {
    const refused = solve(buildingJob({ ...base, timber: { hip: { thickness: 38, depth: 120 } } }));
    expect(refused).toMatchObject({ ok: false, problems: [{ path: ['timber', 'hip', 'depth'] }] });
    const [problem] = refused.ok ? [] : refused.problems;
    const least = Number(/at least (\d+) mm/.exec(spoken(problem!.text))![1]);
    // What it asks for is enough, and no more than a millimetre too much.
    const withHip = (depth: number): boolean =>
      solve(buildingJob({ ...base, timber: { hip: { thickness: 38, depth } } })).ok;
    expect([withHip(least - 1), withHip(least)]).toEqual([false, true]);
  });

  it('a ridge shallower than the plumb cut', () => {
    const text = texts({ timber: { ridge: { thickness: 38, depth: 200 } } });
    expect(text).toContain('30 mm shallower');
    expect(texts({})).not.toContain('shallower');
  });

  it('commons thicker than the ridge, by how much they stand proud at the hips', () => {
    const common = { thickness: 58, depth: 184 };
    expect(texts({ timber: { common } })).toContain('stands 7.5 mm proud of the end slope');
    expect(texts({ timber: { common }, ends: ['gable', 'gable'] })).not.toContain('proud');
  });

  it('missing rafter ties always, whatever collar ties there are; ties far apart', () => {
    expect(texts({})).toContain('no rafter ties are given');
    const size = { thickness: 38, depth: 140 };
    const input = solvedInput();
    const tied = { ...input, timber: { ...input.timber, collarTie: size, rafterTie: size } };
    const collars = { ...tied, collarTies: { bottom: 'upper-third' as const, every: 4 } };
    expect(textsOf(collars)).toContain('Collar ties do not do it');
    expect(textsOf(collars)).toContain('the collar ties stand 1600 mm apart');
    expect(textsOf({ ...tied, rafterTies: {} })).not.toContain('no rafter ties are given');
    expect(textsOf({ ...tied, rafterTies: { every: 2 } })).toContain('not every pair');
  });

  it('a cheek past the saw, with the other pair of angles', () => {
    const input = { ...solvedInput(), saw: { maxTilt: 40 } };
    const text = textsOf(input);
    expect(text).toContain('wants the saw tilted 45.0°, past the 40.0° it can do');
    expect(text).toContain('stand the board on edge: line 51.3°, tilt 25.1°');
    expect(texts({})).not.toContain('past the');
  });

  it('lengths in the job’s own units', () => {
    const input = { ...solvedInput(), display: { units: 'imperial' as const } };
    input.framing.seat = { width: 30 };
    expect(textsOf(input)).toContain('bears on 1 3/16" of plate');
  });

  it('jacks left out for being short', () => {
    expect(texts({ framing: { shortestJack: 1500 } })).toContain(
      'jacks shorter than the limit are left out',
    );
  });
});
