import type { Path, Problem } from '../problem';
import { say, type Sentence } from '../sentence';

/** No list of a job file is longer, no object has more fields, nothing lies deeper: the schema's own bounds are lower. */
const MOST_ENTRIES = 500;
const MOST_DEEP = 12;
const MOST_VALUES = 50_000;

/**
 * What is too large to be read at all, found without recursion before a schema looks at every entry; null where the
 * data are of a size to be read.
 */
export const oversize = (data: unknown): Problem | null => {
  const waiting: { readonly value: unknown; readonly path: Path; readonly deep: number }[] = [
    { value: data, path: [], deep: 0 },
  ];
  let values = 0;
  for (let next = waiting.pop(); next !== undefined; next = waiting.pop()) {
    const { value, path, deep } = next;
    values += 1;
    if (typeof value !== 'object' || value === null) continue;
    const entries = Object.entries(value);
    const name = path.length === 0 ? ['job'] : path;
    const refuse = (text: Sentence): Problem => ({ code: 'size', path: name, text });
    if (entries.length > MOST_ENTRIES)
      return refuse(
        say`${entries.length} entries; accepted are at most ${MOST_ENTRIES} in one list or object`,
      );
    if (deep > MOST_DEEP) return refuse(say`nested more than ${MOST_DEEP} deep`);
    if (values + waiting.length > MOST_VALUES)
      return refuse(say`more than ${MOST_VALUES} values; no job is that large`);
    for (const [key, inner] of entries)
      waiting.push({
        value: inner,
        path: [...path, Array.isArray(value) ? Number(key) : key],
        deep: deep + 1,
      });
  }
  return null;
};
