import type { CutListEntry } from '@ogee/core/src/cuts';
import { changesBetween } from '@ogee/core/src/list';
import type { PlanDrawing } from '@ogee/core/src/drawing';
import type { Vec2 } from '@ogee/core/src/geom';
import type { Job } from '@ogee/core/src/job';
import { KINDS } from '@ogee/core/src/kinds';
import { formatLength, lengthFormat } from '@ogee/core/src/units';
import type { RevisionSummary } from '@ogee/core/src/wire';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { View } from 'react-native';
import Svg, { Line, Polygon } from 'react-native-svg';
import { changedBy } from '../cuts/change-told';
import { api } from '../data/api';
import { useDisplay, useHandling } from '../data/open-job';
import { useRoof } from '../data/roof';
import { fitPlan, type PlanFit } from '../draw/plan-fit';
import { roofAt } from '../solver/glance';
import { useTheme } from '../theme/theme';
import { Button } from '../ui/button';
import { Fold } from '../ui/fold';
import { Loading, Standstill } from '../ui/states';
import { Figure, Small, Strong, Title } from '../ui/text';

const HEIGHT_PX = 190;
const MARGIN_PX = 8;
/** Thinner than on the plan itself: two stand side by side. */
const LINE_SHARE = 0.4;

/** A roof and its timbers, small, in a frame that another of its kind shares. */
const SmallPlan = ({ plan, fit, width }: { plan: PlanDrawing; fit: PlanFit; width: number }) => {
  const { colour } = useTheme();
  const line = (key: string, from: Vec2, to: Vec2, stroke: string, strokeWidth: number) => {
    const [[x1, y1], [x2, y2]] = [fit.toPx(from), fit.toPx(to)];
    return (
      <Line key={key} x1={x1} y1={y1} x2={x2} y2={y2} stroke={stroke} strokeWidth={strokeWidth} />
    );
  };
  return (
    <Svg width={width} height={HEIGHT_PX}>
      {plan.faces.map(({ slope, points }, i) => (
        <Polygon
          key={i}
          points={points.map((p) => fit.toPx(p).join(',')).join(' ')}
          fill={colour('wood', slope % 2 === 0 ? 0.55 : 0.3)}
        />
      ))}
      {plan.edges.map(([from, to], i) => line(String(i), from, to, colour('edge'), 1))}
      {plan.timbers.map(({ id, kind, from, to }) =>
        line(id, from, to, colour(kind), KINDS[kind].widthPx * LINE_SHARE),
      )}
    </Svg>
  );
};

/** The two roofs to one scale. */
const Plans = ({ then, now, names }: { then: PlanDrawing; now: PlanDrawing; names: Names }) => {
  const [width, setWidth] = useState(0);
  const points = [then, now].flatMap(({ faces }) => faces.flatMap((face) => face.points));
  const fit = fitPlan(points, width, HEIGHT_PX, MARGIN_PX);
  return (
    <View className="flex-row gap-2">
      {[then, now].map((plan, i) => (
        <View key={i} className="min-w-0 flex-1 gap-1">
          <Small>{names[i]}</Small>
          <View
            role="img"
            aria-label={`Roof plan, ${names[i]}: ${plan.timbers.length} boards`}
            className="rounded border border-grain bg-paper"
            onLayout={(event) => setWidth(Math.floor(event.nativeEvent.layout.width) - 2)}
          >
            {width > 0 && <SmallPlan plan={plan} fit={fit} width={width} />}
          </View>
        </View>
      ))}
    </View>
  );
};

type Names = readonly [then: string, now: string];

const boards = (members: readonly CutListEntry[]): number =>
  members.reduce((sum, { count }) => sum + count, 0);

const shown = (entry: CutListEntry | null, display: Job['display']): string =>
  entry === null
    ? '—'
    : `${entry.count} × ${formatLength(entry.length.longPoint, lengthFormat(display))}`;

/** Two lists by mark: how many of each, and how long. */
const Lists = ({
  then,
  now,
  names,
  display,
}: {
  readonly then: readonly CutListEntry[];
  readonly now: readonly CutListEntry[];
  readonly names: Names;
  readonly display: Job['display'];
}) => {
  const [open, setOpen] = useState(false);
  const changes = changesBetween(then, now);
  const changed = new Set(changes.map(({ mark }) => mark));
  const alike = now.filter(({ mark }) => !changed.has(mark));
  const row = (
    mark: string,
    was: CutListEntry | null,
    is: CutListEntry | null,
    said: string | null,
  ) => (
    <View key={mark} role="row" className="border-t border-grain py-1">
      <View className="flex-row items-baseline gap-2">
        <View role="rowheader" className="w-14">
          <Strong>{mark}</Strong>
        </View>
        {[was, is].map((entry, i) => (
          <View key={i} role="cell" className="min-w-0 flex-1">
            <Figure className="text-base">{shown(entry, display)}</Figure>
          </View>
        ))}
      </View>
      {said !== null && (
        <View role="cell" className="pl-16">
          <Small className="text-chalk">{said}</Small>
        </View>
      )}
    </View>
  );
  return (
    <View role="table" aria-label="The two lists, mark by mark">
      <View role="row" className="flex-row gap-2 py-1">
        <View role="columnheader" className="w-14">
          <Small>Mark</Small>
        </View>
        {names.map((name) => (
          <View key={name} role="columnheader" className="min-w-0 flex-1">
            <Small>{name}</Small>
          </View>
        ))}
      </View>
      {changes.length === 0 && <Small>Every mark is cut as it was.</Small>}
      {changes.map((change) => row(change.mark, change.was, change.is, changedBy(change, display)))}
      {alike.length > 0 && (
        <Fold
          title={`${alike.length} ${alike.length === 1 ? 'mark' : 'marks'} as before`}
          what="cut alike, as many of each"
          open={open}
          onOpen={setOpen}
          testID="beside-alike"
        >
          {alike.map((entry) => row(entry.mark, entry, entry, null))}
        </Fold>
      )}
    </View>
  );
};

/** An older revision beside the job as it is now: both roofs to one scale, both lists mark by mark, what was entered between. */
export const Beside = ({
  one,
  since,
  onClose,
}: {
  readonly one: RevisionSummary;
  /** What was entered after it, the newest first. */
  readonly since: readonly RevisionSummary[];
  readonly onClose: () => void;
}) => {
  const display = useDisplay();
  const { id } = useHandling();
  const { roof: now } = useRoof();
  const then = useQuery({
    queryKey: ['beside', id, one.revision],
    queryFn: async () => roofAt((await api.revision(id, one.revision)).job),
    staleTime: Infinity,
    retry: false,
  });
  const said = since.flatMap((other) => other.said ?? []);
  const names: Names = [`Revision ${one.revision}`, 'Now'];
  return (
    <View className="gap-3" testID="beside">
      <Title>{one.label ?? `Revision ${one.revision}`}, beside now</Title>
      <Button label="Back to the history" onPress={onClose} testID="beside-close" />
      {then.isPending && <Loading what="Working out the older roof …" />}
      {then.isError && (
        <Standstill
          title="The older roof cannot be shown"
          text={then.error.message}
          action={{ label: 'Try again', onPress: () => void then.refetch() }}
        />
      )}
      {then.data === null && (
        <Small className="text-pencil">
          Revision {one.revision} has no roof: as it stands it cannot be framed.
        </Small>
      )}
      {then.data != null && now !== null && (
        <>
          <Plans then={then.data.plan} now={now.plan} names={names} />
          <Small>
            {boards(then.data.cuts.members)} boards then, {boards(now.cuts.members)} now.
          </Small>
          <Lists
            then={then.data.cuts.members}
            now={now.cuts.members}
            names={names}
            display={display}
          />
        </>
      )}
      {said.length > 0 && (
        <View className="gap-1">
          <Title level={3}>Entered since</Title>
          <View role="list">
            {said.map((text, i) => (
              <View key={i} role="listitem">
                <Small>{text}</Small>
              </View>
            ))}
          </View>
        </View>
      )}
    </View>
  );
};
