import type { Strip } from './strip';

const CELL_MM = 1000;
const CELLS_ACROSS = 65536;

interface Entry {
  readonly strip: Strip;
  /** Which it was of those that were added. */
  readonly number: number;
  /** Number of the last search that found it. */
  found: number;
}

interface Cell {
  readonly entries: Entry[];
  /** Number of the last search that passed it. */
  looked: number;
}

/** Strips by where they lie, so that only neighbours are held against each other. */
export class StripGrid {
  private readonly cells = new Map<number, Cell>();
  private search = 0;
  private count = 0;

  constructor(strips: Iterable<Strip> = []) {
    for (const strip of strips) this.add(strip);
  }

  add(strip: Strip): void {
    const entry: Entry = { strip, number: this.count, found: 0 };
    this.count += 1;
    for (const key of cellsOf(strip)) {
      const cell = this.cells.get(key);
      if (cell === undefined) this.cells.set(key, { entries: [entry], looked: 0 });
      else if (cell.entries[cell.entries.length - 1] !== entry) cell.entries.push(entry);
    }
  }

  /**
   * Strips that lie along the same cells or the next, so that none which meets this one is missed; in the order in which
   * they were added, wherever the house stands.
   */
  near(strip: Strip): Strip[] {
    this.search += 1;
    const found: Entry[] = [];
    for (const key of cellsOf(strip)) {
      for (let dx = -CELLS_ACROSS; dx <= CELLS_ACROSS; dx += CELLS_ACROSS) {
        for (let dy = -1; dy <= 1; dy += 1) {
          const cell = this.cells.get(key + dx + dy);
          if (cell === undefined || cell.looked === this.search) continue;
          cell.looked = this.search;
          for (const entry of cell.entries) {
            if (entry.found === this.search) continue;
            entry.found = this.search;
            found.push(entry);
          }
        }
      }
    }
    return found.sort((p, q) => p.number - q.number).map(({ strip: own }) => own);
  }
}

/** The cells along a strip's middle: by its length in steps, so that a long diagonal does not fill its whole box. */
const cellsOf = ({ heading, box }: Strip): number[] => {
  const keys: number[] = [];
  const long = Math.sqrt((box[2] - box[0]) ** 2 + (box[3] - box[1]) ** 2);
  const middleX = (box[0] + box[2]) / 2;
  const middleY = (box[1] + box[3]) / 2;
  const steps = Math.ceil(long / CELL_MM);
  for (let k = -steps; k <= steps; k += 1) {
    const t = (k * long) / (2 * steps);
    const x = Math.floor((middleX + heading[0] * t) / CELL_MM);
    const y = Math.floor((middleY + heading[1] * t) / CELL_MM);
    const key = x * CELLS_ACROSS + y;
    if (keys[keys.length - 1] !== key) keys.push(key);
  }
  return keys;
};
