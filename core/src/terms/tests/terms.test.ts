import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { inTerms, pieces, TERM_NAMES, TERMS } from '..';
import { MEANINGS } from '../../glossary';

const ROOT = join(__dirname, '..', '..', '..', '..');

const sources = (folder: string): string[] =>
  readdirSync(folder, { withFileTypes: true, recursive: true })
    .filter(({ name, parentPath }) => /\.tsx?$/.test(name) && !/tests/.test(parentPath))
    .map(({ name, parentPath }) => join(parentPath, name));

describe('the trade’s words', () => {
  it('tells each term in the crew’s own', () => {
    expect(inTerms('‹Plates› of the ‹ridge›, ‹on centre›', 'us')).toBe(
      'Plates of the ridge, on center',
    );
    expect(inTerms('‹Plates› of the ‹ridge›, ‹on centre›', 'uk')).toBe(
      'Wall plates of the ridge board, at centres',
    );
    expect(inTerms('‹hip jacks› and ‹cripple jacks›', 'uk')).toBe(
      'hip jack rafters and cripple rafters',
    );
  });

  it('leaves what is no term as it stands', () => {
    expect(inTerms('a plate, ‹Gulls’ Rest›', 'uk')).toBe('a plate, ‹Gulls’ Rest›');
    expect(pieces('the ‹hip›', 'us')).toEqual([
      { text: 'the ', term: null },
      { text: 'hip', term: 'hip' },
    ]);
  });

  it('knows every term that a text of the product names', () => {
    const named = ['core/src', 'app/src', 'app/app']
      .flatMap((folder) => sources(join(ROOT, folder)))
      .flatMap((file) => [...readFileSync(file, 'utf8').matchAll(/‹([^‹›$]+)›/g)])
      .map(([, word = '']) => word)
      .filter((word) => !/angle quotes|startsWith|endsWith/.test(word));
    expect(named.length).toBeGreaterThan(60);
    expect(named.filter((word) => pieces(`‹${word}›`, 'us')[0]!.term === null)).toEqual([]);
  });

  it('explains every term in a sentence of its own, shown but for the plainest', () => {
    expect(TERM_NAMES.filter((name) => !/[.]$/.test(MEANINGS[name].means))).toEqual([]);
    expect(TERM_NAMES.filter((name) => MEANINGS[name].shown === null)).toEqual(['centre']);
    const differ = TERM_NAMES.filter((name) => TERMS[name].us !== TERMS[name].uk);
    expect(differ).toEqual(expect.arrayContaining(['plate', 'fascia', 'ridge', 'hip']));
  });
});
