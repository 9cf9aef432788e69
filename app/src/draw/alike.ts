const sameValue = (one: unknown, other: unknown): boolean =>
  one === other ||
  (Array.isArray(one) &&
    Array.isArray(other) &&
    one.length === other.length &&
    one.every((value, i) => value === other[i]));

/** Whether two sets of props draw the same: each equal, or lists of equal numbers. For `memo`. */
export const alike = <Props extends object>(one: Props, other: Props): boolean => {
  const names = Object.keys(one) as (keyof Props)[];
  return (
    names.length === Object.keys(other).length &&
    names.every((name) => sameValue(one[name], other[name]))
  );
};
