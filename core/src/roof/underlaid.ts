import { PARALLEL_SINE, chordOf, intervals, v2, v3, type Interval, type Vec2 } from '../geom';
import { heightAt } from './bands';
import type { LaidOn, Roof, Slope, Underlaid } from './model';

/** What is laid on a roof, as what lies on that roof's own slopes is in its way. */
export const underlaidBy = ({ slope, block, whole, shown, part }: LaidOn): Underlaid => {
  const { common, fascia } = part.job.timber;
  const own = whole.blocks.find(({ id }) => id === block) ?? whole.blocks[0];
  return {
    slope,
    fasciaMm: fascia?.thickness ?? 0,
    walls: (own?.sides ?? []).map(({ start }) => start),
    faces: shown.faces.flatMap(({ slope: index, slopeRad, polygon }) => {
      const plane = shown.slopes[index]?.plane;
      if (plane === undefined) return [];
      const hangMm = Math.max(common.depth / Math.cos(slopeRad), fascia?.depth ?? 0);
      return [{ plane, hangMm, outline: polygon.map((p) => v3.inPlan(p)) }];
    }),
  };
};

/** Where a line crosses a convex outline; none where it does not. */
const chord = (outline: readonly Vec2[], at: Vec2, along: Vec2): Interval[] => {
  const found = chordOf({ points: outline, tags: outline.map(() => null) }, at, along);
  return found === null ? [] : [[found.low, found.high]];
};

/** Where along a stretch a height that changes evenly is none or less. */
const below = ([low, high]: Interval, over: (t: number) => number): Interval[] => {
  const [a, b] = [over(low), over(high)];
  if (a > 0 && b > 0) return [];
  if (Math.abs(b - a) < PARALLEL_SINE || (a <= 0 && b <= 0)) return [[low, high]];
  const at = low + ((high - low) * a) / (a - b);
  return [a > 0 ? [at, high] : [low, at]];
};

/**
 * Where along a level line of a slope no row can lie on it, for another roof is laid there: within that one's walls, and
 * beyond them where its rafters' undersides come down to the row's top.
 *
 * @param topMm how high the row's top stands over the slope's plane, plumb
 */
export const underLaid = (
  { underlaid, slopes }: Roof,
  slope: Slope,
  at: Vec2,
  along: Vec2,
  topMm: number,
): Interval[] =>
  underlaid
    .filter(({ slope: index }) => slopes[index] === slope)
    .flatMap(({ walls, faces, fasciaMm }) => {
      const within = chord(walls, at, along);
      return faces.flatMap(({ plane, hangMm, outline }): Interval[] => {
        const reach = chord(outline, at, along);
        const over = (t: number): number => {
          const p = v2.add(at, v2.scale(along, t));
          return heightAt({ plane }, p) - hangMm - heightAt(slope, p) - topMm;
        };
        return [
          ...intervals.common(reach, within, 0),
          ...reach
            .flatMap((stretch) => below(stretch, over))
            .map(([low, high]): Interval => [low - fasciaMm, high + fasciaMm]),
        ];
      });
    });
