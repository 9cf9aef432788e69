/** The script that this page runs, whose name changes with what is in it; null where there is none. */
export const ownBuild = (): string | null => {
  if (typeof document === 'undefined') return null;
  const found = [...document.scripts].map(({ src }) => src).find((src) => src.includes('/entry-'));
  return found === undefined ? null : (/entry-[\w-]+\.js/.exec(found)?.[0] ?? null);
};
