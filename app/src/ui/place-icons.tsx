import Svg, { Path } from 'react-native-svg';
import type { Icon } from './button';

/** Drawn for this app, on a ground of 24 by 24, of one weight with the others. */
const drawn = (d: string): Icon => {
  const Drawn: Icon = ({ size = 24, color = 'currentColor', strokeWidth = 2 }) => (
    <Svg width={size} height={size} viewBox="0 0 24 24" fill="none">
      <Path
        d={d}
        stroke={color}
        strokeWidth={strokeWidth}
        strokeLinecap="round"
        strokeLinejoin="round"
      />
    </Svg>
  );
  return Drawn;
};

/** Four walls that are not quite square, and the string across them. */
export const PlatesIcon = drawn('M4 6L19 4L21 19L4 20ZM4 6L21 19');
/** A hip end: two hips up to the ridge. */
export const RoofIcon = drawn('M2 19L8 7H16L22 19ZM8 7L10 19M16 7L14 19');
/** A board's end, with its rings. */
export const BoardIcon = drawn(
  'M3 5H21V19H3ZM6 19A6 6 0 0 1 18 19M9 19A3 3 0 0 1 15 19M3 13A10 10 0 0 1 21 13',
);
/** A rafter with its plumb cut marked, and the piece that falls off. */
export const CutIcon = drawn('M2 9H15L18 17H2ZM18.5 9H21L22 12M6 13H9');
/** A rafter's foot on its plate. */
export const SeatedIcon = drawn('M2 15L22 5M2 20L8 17V15H14V14L22 10M8 17H14V21H8Z');
