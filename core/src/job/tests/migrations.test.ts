import { toVersion, type Migration } from '../migrations';

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
      problems: [{ code: 'newer', path: 'version' }],
    });
  });
});
