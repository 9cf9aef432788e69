import { solve } from '../../solve';
import { CELLS, drawn, FEATURES } from '.';

/** How many of its draws are framed, by cell; and by feature, over all the cells that it is in. */
export interface Share {
  readonly drawn: number;
  readonly framed: number;
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
  for (const cell of CELLS) {
    const framed = drawn(cell, each, seed).filter((job) => solve(job, { waysOut: false }).ok);
    byCell.set(cell.name, framed.length);
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
    byCell,
    lines: [
      `asked for as framers do, a feature or a pair at a time: ${framed} of ${all} framed (${percent(framed, all)})`,
      ...[...byFeature].map(
        ([name, sum]) =>
          `  ${name}: ${sum.framed} of ${sum.drawn} (${percent(sum.framed, sum.drawn)})`,
      ),
    ],
  };
};
