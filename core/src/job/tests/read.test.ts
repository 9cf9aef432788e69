import { spoken } from '../../sentence';
import { readJob, readJobText } from '..';
import { pathText, type Problem, type Result } from '../../problem';
import { buildingInput } from '../../tests/building';

const GOOD = buildingInput({ along: 9000, across: 6000, pitch: '9/12' });

/** The good job with one place changed. */
const spoiled = (path: string, value: unknown): unknown => {
  const copy = structuredClone(GOOD) as unknown;
  const keys = path.split('.');
  const last = keys.pop() ?? '';
  const home = keys.reduce<Record<string, unknown>>(
    (at, key) => at[key] as Record<string, unknown>,
    copy as Record<string, unknown>,
  );
  // Undefined is left out as JSON leaves it out.
  home[last] = value;
  return JSON.parse(JSON.stringify(copy)) as unknown;
};

const problems = (result: Result<unknown>): readonly Problem[] => {
  if (result.ok) throw new Error('was accepted');
  return result.problems;
};

describe('readJob', () => {
  it('writes the defaults in and takes lengths as people write them', () => {
    const read = readJob(spoiled('timber.common', { thickness: '1 1/2"', depth: '0.184 m' }));
    expect(read).toMatchObject({
      ok: true,
      value: {
        timber: { common: { thickness: 38.1, depth: 184 } },
        framing: { layout: 'ridge', tail: 'plumb', hipTop: 'drop', shortestJack: 200 },
        display: { units: 'metric', fraction: 16 },
        saw: { maxTilt: 50 },
      },
    });
  });

  it('reads its own output to the same job', () => {
    const once = readJob(GOOD);
    expect(once.ok && readJob(JSON.parse(JSON.stringify(once.value)))).toEqual(once);
  });

  it.each([
    ['format', 'else', 'format', 'expected "ogee-job"'],
    ['version', 0, 'version', 'expected 1'],
    ['version', 2, 'version', 'made by a newer Ogee; this one reads versions up to 1'],
    ['name', ' ', 'name', 'a job needs a name'],
    ['blocks.0.sides.2.pitch', 'steep', 'blocks.0.sides.2.pitch', '"steep" is not a pitch'],
    ['blocks.0.sides.2.pitch', '85°', 'blocks.0.sides.2.pitch', 'accepted is 2° to 80°'],
    ['blocks.0.sides.2.overhang', -5, 'blocks.0.sides.2.overhang', 'accepted is 0 to 3000 mm'],
    [
      'blocks.0.sides.1',
      { roof: 'flat' },
      'blocks.0.sides.1.roof',
      '"eave", "high", "gable", "wall" or "open"',
    ],
    ['blocks.0.sides', [], 'blocks.0.sides', '0 sides for 4 corners'],
    ['blocks.0.outline.1', [0, 0], 'blocks.0.outline.0', 'accepted is at least 300 mm'],
    [
      'blocks.0.outline',
      [
        [0, 0],
        [0, 6000],
        [9000, 6000],
        [9000, 0],
      ],
      'blocks.0.outline',
      'counter-clockwise',
    ],
    [
      'blocks.0.outline',
      [
        [0, 0],
        [9000, 0],
        [2000, 1000],
        [0, 6000],
      ],
      'blocks.0.outline.2',
      'convex',
    ],
    ['timber.common.depth', 'thick', 'timber.common.depth', '"thick" is not a unit'],
    ['timber.common.depth', null, 'timber.common.depth', 'expected millimetres as a number'],
    ['timber.common', undefined, 'timber.common', 'missing'],
    ['framing.spacing', 60, 'framing.spacing', 'out of range'],
    ['framing.seat', { depth: 3 }, 'framing.seat', 'expected one of {"hap": 110}'],
    ['framing.tail', 'round', 'framing.tail', 'expected "plumb", "square"'],
    ['framing.colour', 'red', 'framing', 'unknown field "colour"'],
    [
      'purlins',
      [{ block: 'east', side: 0, at: 0.5 }],
      'purlins.0.block',
      'no block is called "east"',
    ],
  ])('refuses %s = %j at %s', (path, value, where, what) => {
    const [problem] = problems(readJob(spoiled(path, value)));
    expect(pathText(problem!.path)).toBe(where);
    expect(spoken(problem!.text)).toContain(what);
  });

  it('refuses an outline that turns twice round', () => {
    const star = [0, 2, 4, 1, 3].map((i): [number, number] => [
      5000 * Math.cos((i * 2 * Math.PI) / 5),
      5000 * Math.sin((i * 2 * Math.PI) / 5),
    ]);
    const job = spoiled('blocks.0.outline', star) as { blocks: { sides: unknown[] }[] };
    job.blocks[0]?.sides.push({ roof: 'gable' });
    expect(spoken(problems(readJob(job))[0]!.text)).toContain('the sides cross');
  });

  it('refuses rafters that leave no gap, and NaN by way of null', () => {
    const job = spoiled('timber.common', { thickness: 250, depth: 300 });
    expect(problems(readJob(job))[0]).toMatchObject({ path: ['framing', 'spacing'] });
    expect(problems(readJob(spoiled('framing.spacing', NaN)))).toHaveLength(1);
  });

  it.each([null, 7, 'job', [], {}])('refuses %j without a throw', (data) => {
    expect(problems(readJob(data)).length).toBeGreaterThan(0);
  });

  it('says where text is not JSON', () => {
    expect(problems(readJobText('{"name": '))[0]).toMatchObject({
      code: 'not-json',
      path: ['file'],
    });
  });
});
