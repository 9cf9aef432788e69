import type { Vec2 } from '@ogee/core/src/geom';
import { useTheme, type ColourName } from '../theme/theme';
import { Circle } from './shapes';

const RADIUS_PX = 12;

/** A ring round a spot of a drawing that something is said of: red for what is wrong, dashed for what is not there. */
export const Ring = ({
  at: [cx, cy],
  colour,
  dashed = false,
}: {
  /** px */
  readonly at: Vec2;
  readonly colour: ColourName;
  readonly dashed?: boolean;
}) => {
  const theme = useTheme();
  return (
    <Circle
      cx={cx}
      cy={cy}
      r={RADIUS_PX}
      fill="none"
      stroke={theme.colour(colour)}
      strokeWidth={3}
      {...(dashed ? { strokeDasharray: [5, 4] } : {})}
    />
  );
};
