import { alike } from '../alike';

const line = { x1: 1, y1: 2, stroke: 'red', strokeDasharray: [3, 3], rotation: undefined };

describe('what a drawing shows', () => {
  it('is as it was where every figure is, whichever lists they come in', () => {
    expect(alike(line, { ...line, strokeDasharray: [3, 3] })).toBe(true);
  });

  it.each([
    ['a figure', { ...line, x1: 1.1 }],
    ['a word', { ...line, stroke: 'blue' }],
    ['a figure of a list', { ...line, strokeDasharray: [3, 4] }],
    ['the length of a list', { ...line, strokeDasharray: [3, 3, 3] }],
    ['a list that is none any more', { ...line, strokeDasharray: 3 }],
    ['a handler', { ...line, rotation: () => 0 }],
  ])('is another by %s', (_, other: object) => {
    expect(alike<object>(line, other)).toBe(false);
  });

  it('is another by what is given beside, or no more', () => {
    const { strokeDasharray, ...without } = line;
    expect(strokeDasharray).toHaveLength(2);
    expect(alike<object>(line, without)).toBe(false);
    expect(alike<object>(without, line)).toBe(false);
  });
});
