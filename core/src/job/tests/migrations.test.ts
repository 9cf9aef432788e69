import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Problem } from '../../problem';
import { spoken } from '../../sentence';
import { buildingInput } from '../../tests/building';
import { readJob } from '..';
import { toVersion, type Migration } from '../migrations';
import { MADE_WITH } from '../migrations/made-with';

const ROOT = join(__dirname, '..', '..', '..', '..');
const PLAIN = buildingInput({ along: 9000, across: 6000, pitch: '8/12' });

/** Two steps as they would be: a field renamed, then one taken apart. */
const ROWS: ReadonlyMap<number, Migration> = new Map<number, Migration>([
  [1, ({ title, ...rest }) => ({ ...rest, name: title })],
  [2, ({ name, ...rest }) => ({ ...rest, name: { first: name } })],
]);

describe('a job file of another version', () => {
  it('is brought to the one wanted, step by step, and not bent on the way', () => {
    const old = Object.freeze({ format: 'ogee-job', version: 1, title: 'barn', kept: [1, 2] });
    expect(toVersion(old, 3, ROWS)).toEqual({
      ok: true,
      value: { format: 'ogee-job', version: 3, name: { first: 'barn' }, kept: [1, 2] },
    });
    expect(toVersion({ version: 2, name: 'barn' }, 3, ROWS)).toMatchObject({
      value: { version: 3, name: { first: 'barn' } },
    });
  });

  it.each([[3], [0], [-1], [1.5], ['2'], [undefined]])('says version %p: left alone', (version) => {
    const data = { version, name: 'barn' };
    expect(toVersion(data, 3, ROWS)).toEqual({ ok: true, value: data });
  });

  it('that is newer is refused by its place', () => {
    expect(toVersion({ version: 4 }, 3, ROWS)).toMatchObject({
      ok: false,
      problems: [{ code: 'newer', path: ['version'] }],
    });
  });
});

describe('the Ogee that a job file was made with', () => {
  const job = (more: object): unknown => ({ ...structuredClone(PLAIN), ...more });

  it('is written by this one, and stays that of a newer one', () => {
    const made = (data: unknown): string | null => {
      const read = readJob(data);
      return read.ok ? read.value.madeWith : null;
    };
    expect(made(job({}))).toBe(MADE_WITH);
    expect(made(job({ madeWith: '0.0.9' }))).toBe(MADE_WITH);
    expect(made(job({ madeWith: '99.0.1' }))).toBe('99.0.1');
    expect(made(job({ madeWith: 'lately' }))).toBeNull();
  });

  it('is told of where that one knows a field that this one does not', () => {
    const told = (data: unknown): readonly Problem[] => {
      const read = readJob(data);
      return read.ok ? [] : read.problems;
    };
    const [newer, ...more] = told(job({ madeWith: '99.0.1', skylights: [] }));
    expect(more).toEqual([]);
    expect(newer).toMatchObject({ code: 'newer', path: ['job'] });
    expect(spoken(newer!.text)).toContain('made by a newer Ogee (99.0.1), which knows "skylights"');
    // Of this one's own it is a fault, as is anything else in a newer one's.
    expect(told(job({ madeWith: MADE_WITH, skylights: [] }))[0]).toMatchObject({ code: 'schema' });
    expect(told(job({ madeWith: '99.0.1', name: 7 }))[0]).toMatchObject({ path: ['name'] });
  });

  it('is the version of the product', () => {
    const product = JSON.parse(readFileSync(join(ROOT, 'package.json'), 'utf8')) as {
      version: string;
    };
    expect(product.version).toBe(MADE_WITH);
  });
});
