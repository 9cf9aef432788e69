import Papa from 'papaparse';
import { cutListSchema } from '../../cuts';
import { buildingInput } from '../../tests/building';
import { run } from '../run';

const good = JSON.stringify(buildingInput({ along: 9000, across: 6000, pitch: '9/12' }));
const files: Record<string, string> = {
  'job.json': good,
  'bad.json': '{"format": "ogee-job", "version": 1, "name": "x", "timber": 3}',
  'not.json': 'hello',
  'open.json': good
    .replace('"roof":"eave"', '"roof":"open"')
    .replace(/"pitch":"9.12","overhang":450}/, '}')
    .replace('"open",}', '"open"}'),
};
const read = (file: string): string => {
  const text = files[file];
  if (text === undefined) throw new Error('ENOENT');
  return text;
};
const ogee = (...words: string[]) => run(words, read);

describe('ogee cutlist', () => {
  it('prints the cut list as JSON, alone, and exits 0', () => {
    const { code, out, err } = ogee('cutlist', 'job.json');
    expect([code, err]).toEqual([0, '']);
    expect(cutListSchema.parse(JSON.parse(out))).toMatchObject({
      format: 'ogee-cutlist',
      version: 1,
      job: 'test',
    });
  });

  it('prints CSV with the same lengths, to 0.01 mm', () => {
    const { out } = ogee('cutlist', 'job.json', '--format', 'csv');
    const rows = Papa.parse<Record<string, string>>(out.trim(), { header: true }).data;
    const list = cutListSchema.parse(JSON.parse(ogee('cutlist', 'job.json').out));
    expect(rows.map((row) => [row['mark'], row['body_mm'], row['count']])).toEqual(
      list.members.map((m) => [m.mark, m.length.body.toFixed(2), String(m.count)]),
    );
  });

  it('refuses with exit 2, a line per problem, nothing on standard output', () => {
    const { code, out, err } = ogee('cutlist', 'bad.json');
    expect([code, out]).toEqual([2, '']);
    expect(
      err
        .trim()
        .split('\n')
        .map((line) => line.split(': ')[0]),
    ).toEqual(['timber', 'framing', 'blocks']);
    expect(ogee('cutlist', 'not.json')).toMatchObject({ code: 2, out: '' });
    expect(ogee('cutlist', 'not.json').err).toMatch(/^file: not JSON/);
    expect(ogee('cutlist', 'open.json')).toMatchObject({ code: 2, out: '' });
    expect(ogee('cutlist', 'open.json').err).toMatch(
      /^blocks\.0\.sides\.0\.roof: .* of this open end is not hidden/,
    );
  });

  it.each([
    [[]],
    [['sing', 'job.json']],
    [['constructor', 'job.json']],
    [['cutlist']],
    [['cutlist', 'gone.json']],
    [['cutlist', 'job.json', '--format', 'pdf']],
    [['cutlist', 'job.json', '--loud']],
  ])('exits 1 for %j', (words) => {
    const { code, out, err } = ogee(...words);
    expect([code, out]).toEqual([1, '']);
    expect(err).toContain('usage: ogee');
  });
});

describe('ogee fit', () => {
  it('prints the report: joints close, nothing is wrong', () => {
    const { code, out, err } = ogee('fit', 'job.json');
    expect([code, err]).toEqual([0, '']);
    const report = JSON.parse(out) as { joints: number; problems: object[] };
    expect(report).toMatchObject({ format: 'ogee-fit', version: 1, problems: [] });
    expect(report.joints).toBeGreaterThan(100);
    expect(ogee('fit', 'bad.json').code).toBe(2);
  });
});

describe('a part that cannot stand', () => {
  const window = { name: 'window', block: 'main', side: 0, along: [8000, 8800], up: [900, 1700] };
  files['partly.json'] = JSON.stringify({ ...JSON.parse(good), openings: [window] });

  it('is told on standard error and in the list, with what would do; the rest is printed', () => {
    const { code, out, err } = ogee('cutlist', 'partly.json');
    expect(code).toBe(0);
    expect(err).toMatch(/^openings\.0: .*\n$/u);
    const { withheld, members } = cutListSchema.parse(JSON.parse(out));
    expect(withheld).toMatchObject([{ code: 'not-framed', path: 'openings.0' }]);
    expect(withheld[0]!.accepted.length).toBeGreaterThan(0);
    const whole = cutListSchema.parse(JSON.parse(ogee('cutlist', 'job.json').out));
    expect(members).toEqual(whole.members);
    expect(JSON.parse(ogee('fit', 'partly.json').out)).toMatchObject({ problems: [], withheld });
  });

  it('is a refusal where the whole is asked for', () => {
    for (const command of ['cutlist', 'fit'])
      expect(ogee(command, 'partly.json', '--strict')).toMatchObject({
        code: 2,
        out: '',
        err: expect.stringMatching(/^openings\.0: /u),
      });
    expect(ogee('cutlist', 'job.json', '--strict').code).toBe(0);
  });
});

describe('ogee export --to obj', () => {
  const { code, out } = ogee('export', 'job.json', '--to', 'obj');
  const lines = out.trim().split('\n');

  it('has one object a member, named by its mark', () => {
    expect(code).toBe(0);
    const list = cutListSchema.parse(JSON.parse(ogee('cutlist', 'job.json').out));
    const objects = lines
      .filter((line) => line.startsWith('o '))
      .map((line) => line.slice(2).split('_')[0]);
    for (const entry of list.members) {
      expect(objects.filter((mark) => mark === entry.mark)).toHaveLength(entry.count);
    }
  });

  it('has faces whose corners exist, and no taller a roof than the job’s', () => {
    const corners = lines
      .filter((line) => line.startsWith('v '))
      .map((line) => line.slice(2).split(' ').map(Number));
    const used = lines
      .filter((line) => line.startsWith('f '))
      .flatMap((line) => line.slice(2).split(' ').map(Number));
    expect(Math.max(...used)).toBe(corners.length);
    expect(Math.min(...used)).toBe(1);
    // The top of the ridge: hap + m × (run − half the ridge's thickness).
    const hap = (184 * 0.75) / 0.8;
    expect(corners.reduce((most, corner) => Math.max(most, corner[2]!), 0)).toBeCloseTo(
      hap + 0.75 * (3000 - 19),
      3,
    );
  });

  it('says when it has no such format', () => {
    expect(ogee('export', 'job.json', '--to', 'clay')).toMatchObject({ code: 1, out: '' });
    expect(ogee('export', 'job.json').err).toContain('no export to ""');
  });
});
