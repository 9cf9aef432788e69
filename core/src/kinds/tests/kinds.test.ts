import { isPurlin, isRow, KINDS, KINDS_IN_ORDER, LISTED_KINDS, listedKind, PHASES } from '..';
import { readJob } from '../../job';
import { PLACES_IN_ORDER } from '../../places';
import { buildingInput } from '../../tests/building';

const SIZE = { thickness: 38, depth: 140 };

it('pencils each listed kind by letters of its own', () => {
  const letters = LISTED_KINDS.map((kind) => KINDS[kind].letters);
  expect(new Set(letters).size).toBe(letters.length);
});

it('lists every kind under a kind that is listed as itself, with the same name and letters', () => {
  for (const kind of KINDS_IN_ORDER) {
    const listed = listedKind(kind);
    expect(listedKind(listed)).toBe(listed);
    expect([KINDS[kind].term, KINDS[kind].letters]).toEqual([
      KINDS[listed].term,
      KINDS[listed].letters,
    ]);
  }
  expect(KINDS_IN_ORDER.filter((kind) => isPurlin({ kind }))).toHaveLength(4);
  expect(KINDS_IN_ORDER.filter((kind) => isRow({ kind }))).toEqual([
    'roof-purlin',
    'purlin-between',
  ]);
});

it('saws each kind from a size that a job can give', () => {
  const input = buildingInput({ along: 9000, across: 6000, pitch: '9/12' });
  for (const kind of KINDS_IN_ORDER) {
    const { stock } = KINDS[kind];
    if (stock === null) continue;
    const job = readJob({ ...input, timber: { ...input.timber, [stock]: SIZE } });
    expect([kind, job.ok && job.value.timber[stock]]).toEqual([kind, SIZE]);
  }
});

it('raises and fixes each kind by what there is', () => {
  for (const kind of KINDS_IN_ORDER) {
    const { phase, fixed } = KINDS[kind];
    expect(PHASES).toContain(phase);
    for (const place of [
      'place' in fixed ? fixed.place : null,
      'head' in fixed ? fixed.head : null,
    ].filter((one) => one != null))
      expect(PLACES_IN_ORDER).toContain(place);
  }
});

it('gives way to the frame that stands by itself, whatever is asked for beyond it', () => {
  const base = KINDS_IN_ORDER.filter((kind) => KINDS[kind].seniority === 0);
  expect(base).toEqual(expect.arrayContaining(['ridge', 'hip', 'valley', 'common', 'hip-jack']));
  for (const kind of ['collar-tie', 'roof-purlin', 'gable-stud', 'strut', 'hip-brace'] as const)
    expect(KINDS[kind].seniority).toBeGreaterThan(KINDS['under-purlin'].seniority);
});
