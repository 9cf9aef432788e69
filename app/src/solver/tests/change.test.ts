import {
  array,
  assert,
  constantFrom,
  dictionary,
  integer,
  letrec,
  oneof,
  property,
} from 'fast-check';
import { changed, changeOf } from '../change';

const plain = letrec((tie) => ({
  value: oneof(
    { depthSize: 'small' },
    integer({ min: 0, max: 4 }),
    constantFrom('a', 'b', null, true),
    array(tie('value'), { maxLength: 6 }),
    dictionary(constantFrom('x', 'y', 'z'), tie('value'), { noNullPrototype: true }),
  ),
})).value;

test('a change that is told makes the new value of the old one, whatever the two are', () => {
  assert(
    property(plain, plain, (before, next) => {
      // As it comes through between the threads: a copy.
      const told = structuredClone(changeOf(before, next));
      expect(changed(before, told)).toEqual(next);
      expect(changeOf(before, structuredClone(before))).toBeNull();
    }),
    { numRuns: 500 },
  );
});

test('what stayed as it was stays the very same object, and is not told', () => {
  const lines = Array.from({ length: 50 }, (_, i) => ({
    mark: `C${i}`,
    at: [i, 0],
    cuts: { plumb: 35 },
  }));
  const before = { lines, notes: ['a'] };
  const next = structuredClone(before);
  next.lines[7]!.cuts.plumb = 36;
  const change = changeOf(before, next);
  expect(JSON.stringify(change)).toBe(
    '{"each":[["lines",{"each":[[7,{"each":[["cuts",{"each":[["plumb",{"to":36}]]}]]}]],"size":50}]]}',
  );
  const after = changed(before, change) as typeof before;
  expect(after.notes).toBe(before.notes);
  expect(after.lines.map((line, i) => line === before.lines[i])).toEqual(
    lines.map((_, i) => i !== 7),
  );
  expect(after.lines[7]!.at).toBe(before.lines[7]!.at);
});
