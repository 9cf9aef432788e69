import { solve } from '../../solve';
import { CELLS, drawn, FEATURES } from '.';

/** How many of its draws are given, with or without all that they ask for, by cell; and by feature, over all the cells that it is in. */
export interface Share {
  readonly drawn: number;
  readonly framed: number;
  /** Of those, with nothing withheld. */
  readonly whole: number;
  readonly byCell: ReadonlyMap<string, number>;
  readonly lines: readonly string[];
}

/**
 * Draws so many houses of each cell and counts those that are framed.
 *
 * @param each draws a cell; with fewer, those that come are the first of the same
 */
export const shareFramed = (each: number, seed: number): Share => {
  const byCell = new Map<string, number>();
  const byFeature = new Map(FEATURES.map(({ name }) => [name, { drawn: 0, framed: 0 }]));
  let whole = 0;
  for (const cell of CELLS) {
    const framed = drawn(cell, each, seed).flatMap((job) => {
      const solution = solve(job, { waysOut: false });
      return solution.ok ? [solution.value] : [];
    });
    byCell.set(cell.name, framed.length);
    whole += framed.filter(({ withheld }) => withheld.length === 0).length;
    for (const { name } of cell.asked) {
      const sum = byFeature.get(name)!;
      byFeature.set(name, { drawn: sum.drawn + each, framed: sum.framed + framed.length });
    }
  }
  const percent = (framed: number, of: number): string => `${((100 * framed) / of).toFixed(0)} %`;
  const all = CELLS.length * each;
  const framed = [...byCell.values()].reduce((sum, one) => sum + one, 0);
  return {
    drawn: all,
    framed,
    whole,
    byCell,
    lines: [
      `asked for as framers do, a feature or a pair at a time: ${framed} of ${all} framed (${percent(framed, all)}), ${whole} of them whole (${percent(whole, all)})`,
      ...[...byFeature].map(
        ([name, sum]) =>
          `  ${name}: ${sum.framed} of ${sum.drawn} (${percent(sum.framed, sum.drawn)})`,
      ),
    ],
  };
};
