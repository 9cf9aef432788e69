import type { Vec2 } from '@ogee/core/src/geom';

/** A name on a drawing: the middle of its text, its turn and its height. px, degrees */
export interface Name {
  readonly id: string;
  readonly text: string;
  readonly at: Vec2;
  readonly turn: number;
  readonly size: number;
}

/** How wide a letter of a name is, as a share of its height. */
export const LETTER_SHARE = 0.6;

interface Box {
  readonly low: Vec2;
  readonly high: Vec2;
}

/** The upright box round a turned text. */
const boxOf = ({ text, at, turn, size }: Name): Box => {
  const rad = (turn * Math.PI) / 180;
  const [wide, tall] = [text.length * size * LETTER_SHARE, size];
  const [c, s] = [Math.abs(Math.cos(rad)), Math.abs(Math.sin(rad))];
  const half: Vec2 = [(wide * c + tall * s) / 2, (wide * s + tall * c) / 2];
  return { low: [at[0] - half[0], at[1] - half[1]], high: [at[0] + half[0], at[1] + half[1]] };
};

const apart = (p: Box, q: Box): boolean =>
  p.high[0] <= q.low[0] || q.high[0] <= p.low[0] || p.high[1] <= q.low[1] || q.high[1] <= p.low[1];

/** The names that can be read: within the drawing's room, and none over one that stands before it in the list. */
export const readable = (names: readonly Name[], width: number, height: number): Name[] => {
  const taken: Box[] = [];
  return names.filter((name) => {
    const box = boxOf(name);
    const seen = box.high[0] > 0 && box.low[0] < width && box.high[1] > 0 && box.low[1] < height;
    if (!seen || !taken.every((other) => apart(box, other))) return false;
    taken.push(box);
    return true;
  });
};
