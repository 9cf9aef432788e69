import type { Vec2 } from '@ogee/core/src/geom';
import { useQuery } from '@tanstack/react-query';
import { View } from 'react-native';
import Svg, { Line, Polygon } from 'react-native-svg';
import { useListedJob, type ListedJob } from '../data/jobs';
import { fitPlan } from '../draw/plan-fit';
import { useSettled } from '../ui/settled';
import { glanceAt } from '../solver/glance';
import { useTheme } from '../theme/theme';

const WIDTH_PX = 84;
const HEIGHT_PX = 60;
const MARGIN_PX = 4;

/** A job at a glance: its outline at once, its roof and boards when they are worked out. */
export const useGlance = (listed: ListedJob) => {
  const settled = useSettled();
  const { data: job } = useListedJob(listed, true);
  const { data: glance } = useQuery({
    queryKey: ['glance', listed.id, listed.revision, listed.waits],
    queryFn: () => (job == null ? null : glanceAt(job)),
    enabled: settled && job != null,
    staleTime: Infinity,
    networkMode: 'always',
    retry: false,
  });
  return { job, glance };
};

export const JobGlance = ({ job, glance }: ReturnType<typeof useGlance>) => {
  const { colour } = useTheme();
  const outlines: readonly (readonly Vec2[])[] =
    glance?.plan.faces.map(({ points }) => points) ??
    job?.blocks.map(({ outline }) => outline) ??
    [];
  const fit = fitPlan(outlines.flat(), WIDTH_PX, HEIGHT_PX, MARGIN_PX);
  return (
    <View aria-hidden style={{ width: WIDTH_PX, height: HEIGHT_PX }}>
      {outlines.length > 0 && (
        <Svg width={WIDTH_PX} height={HEIGHT_PX}>
          {outlines.map((loop, i) => (
            <Polygon
              key={i}
              points={loop.map((p) => fit.toPx(p).join(',')).join(' ')}
              fill={colour('wood')}
              stroke={colour('wood')}
            />
          ))}
          {(glance?.plan.edges ?? []).map(([from, to], i) => {
            const [[x1, y1], [x2, y2]] = [fit.toPx(from), fit.toPx(to)];
            return (
              <Line
                key={i}
                x1={x1}
                y1={y1}
                x2={x2}
                y2={y2}
                stroke={colour('ink')}
                strokeWidth={1.5}
              />
            );
          })}
        </Svg>
      )}
    </View>
  );
};
