/** The Ogee that this is, as it stands in the job files that it writes: the product's own version. */
export const MADE_WITH = '0.1.0';

/** Three numbers with points between. */
export const MADE_WITH_PATTERN = /^\d{1,4}\.\d{1,4}\.\d{1,4}$/;

/** Whether one Ogee came after another. */
export const isNewer = (one: string, other: string): boolean => {
  const [p, q] = [one, other].map((text) => text.split('.').map(Number));
  for (let i = 0; i < 3; i += 1) {
    const [a = 0, b = 0] = [p?.[i], q?.[i]];
    if (a !== b) return a > b;
  }
  return false;
};
