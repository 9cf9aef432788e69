import { useMemo } from 'react';
import type { ListedKind } from '@ogee/core/src/kinds';
import { useTheme } from '../../theme/theme';

/** Boards are wood, tinged with so much of their kind's colour that kinds are told apart. */
const KIND_SHARE = 0.42;
/** What stands already steps back behind what goes up. */
const BACK_SHARE = 0.45;

type Rgb = readonly [number, number, number];

const rgbOf = (css: string): Rgb => {
  const [r = 0, g = 0, b = 0] = css.match(/\d+(\.\d+)?/g)?.map(Number) ?? [];
  return [r, g, b];
};

const mixed = (one: Rgb, other: Rgb, share: number): string =>
  `rgb(${one.map((value, i) => Math.round(value + ((other[i] ?? 0) - value) * share)).join(', ')})`;

/** The colours of a frame in the round, as what draws it reads them. */
export const useFrameColours = () => {
  const { colour } = useTheme();
  return useMemo(() => {
    const plain = (name: Parameters<typeof colour>[0]): string =>
      mixed(rgbOf(colour(name)), [0, 0, 0], 0);
    const [wood, paper] = [rgbOf(colour('wood')), rgbOf(colour('paper'))];
    const ofKind = (kind: ListedKind): string => mixed(wood, rgbOf(colour(kind)), KIND_SHARE);
    return {
      ofKind,
      back: mixed(wood, paper, BACK_SHARE),
      picked: plain('chalk'),
      wrong: plain('pencil'),
      stage: {
        ink: plain('ink'),
        wall: plain('soft'),
        plate: mixed(wood, rgbOf(colour('soft')), 0.35),
        plane: plain('chalk'),
        spot: plain('pencil'),
      },
    };
  }, [colour]);
};
