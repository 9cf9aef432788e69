import { KINDS, type ListedKind } from '@ogee/core/src/kinds';
import Svg, { Line } from 'react-native-svg';
import { useTheme } from '../theme/theme';

/** The kind's colour and line, as on the plan. */
export const KindLine = ({ kind }: { kind: ListedKind }) => {
  const { colour } = useTheme();
  const look = KINDS[kind];
  return (
    <Svg width={44} height={12} aria-hidden>
      <Line
        x1={0}
        y1={6}
        x2={44}
        y2={6}
        stroke={colour(kind)}
        strokeWidth={look.widthPx}
        strokeDasharray={[...look.dash]}
      />
    </Svg>
  );
};
