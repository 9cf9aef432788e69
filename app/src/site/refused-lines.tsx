import { G } from 'react-native-svg';
import { useProblems } from '../data/open-job';
import type { PlanFit } from '../draw/plan-fit';
import { Ring } from '../draw/ring';
import { Path } from '../draw/shapes';
import { useTheme } from '../theme/theme';

/** Of a roof that is refused, its lines as far as they can be worked out, and the spots that the reasons are about. */
export const RefusedLines = ({ fit }: { readonly fit: PlanFit }) => {
  const { problems } = useProblems();
  const { colour } = useTheme();
  if (problems.length === 0) return null;
  const path = problems
    .flatMap(({ lines = [] }) => lines)
    .map(({ from, to }) => `M${fit.toPx(from).join(' ')}L${fit.toPx(to).join(' ')}`)
    .join('');
  const spots = problems.flatMap(({ at }) => (at === undefined ? [] : [at]));
  return (
    <G testID="refused-lines">
      <Path d={path} stroke={colour('soft')} strokeWidth={1.5} fill="none" />
      {spots.map((at) => (
        <Ring key={at.join(' ')} at={fit.toPx(at)} colour="pencil" />
      ))}
    </G>
  );
};
