import { newJob, type Job } from '@ogee/core/src/job';
import { formatDegrees, formatPitch, radians } from '@ogee/core/src/units';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import Svg, { Line, Polygon } from 'react-native-svg';
import { useJobChanges, useJobs } from '../data/jobs';
import { useOutbox } from '../data/outbox-provider';
import { signed } from '../data/log-line';
import { useWho } from '../data/who';
import { fitPlan } from '../draw/plan-fit';
import { useTheme } from '../theme/theme';
import { Button } from '../ui/button';
import { Length } from '../ui/length';
import { writeTenth } from '../ui/length-entry';
import { Figure, Small, Strong, Words } from '../ui/text';
import type { Figured, Outcome } from './tool';

type Display = Job['display'];

const HEIGHT_PX = 150;
const MARGIN_PX = 16;

const text = ({ value, unit }: Figured, display: Display): string => {
  switch (unit) {
    case 'length':
      return writeTenth(value, display);
    case 'angle':
      return formatDegrees(value, 2);
    case 'pitch':
      return `${formatPitch(radians(Math.abs(value)), 'in12')} · ${formatDegrees(value, 2)}`;
    case 'number':
      return String(Number(value.toFixed(2)));
  }
};

/** The triangle to scale. */
const Drawn = ({
  drawn: { run, rise, offDeg },
}: {
  readonly drawn: NonNullable<Extract<Outcome, { ok: true }>['drawn']>;
}) => {
  const { colour } = useTheme();
  const [widthPx, setWidth] = useState(0);
  const lean = radians(offDeg);
  const top = [run + rise * Math.sin(lean), rise * Math.cos(lean)] as const;
  const points = [[0, 0], [run, 0], top] as const;
  const fit = fitPlan(points, widthPx, HEIGHT_PX, MARGIN_PX);
  const [foot, corner, peak] = points.map((p) => fit.toPx(p));
  return (
    <View onLayout={({ nativeEvent: { layout } }) => setWidth(layout.width)}>
      {widthPx > 0 && foot && corner && peak && (
        <View role="img" aria-label="The triangle to scale">
          <Svg width={widthPx} height={HEIGHT_PX}>
            <Polygon
              points={[foot, corner, peak].map((p) => p.join()).join(' ')}
              fill={colour('wash')}
              stroke={colour('soft')}
              strokeWidth={1.5}
            />
            <Line
              x1={foot[0]}
              y1={foot[1]}
              x2={peak[0]}
              y2={peak[1]}
              stroke={colour('chalk')}
              strokeWidth={4}
            />
          </Svg>
        </View>
      )}
    </View>
  );
};

/** Where a result goes on: into a new job, or into the log of one that is there. */
const GoesOn = ({
  outcome,
  said,
  display,
}: {
  readonly outcome: Extract<Outcome, { ok: true }>;
  readonly said: string;
  readonly display: Display;
}) => {
  const router = useRouter();
  const outbox = useOutbox();
  const [who] = useWho();
  const { create } = useJobChanges();
  const jobs = useJobs();
  const [choosing, choose] = useState(false);
  const [done, setDone] = useState<string | null>(null);
  const { job } = outcome;
  const start = (): void => {
    if (job === undefined) return;
    const pitch = `${Number(job.pitch.toFixed(4))}°`;
    create.mutate(
      {
        job: newJob('From the bench', display, Math.max(1.5 * job.span, 3000), job.span, pitch),
        said: `From the bench: ${said}`.slice(0, 200),
      },
      { onSuccess: (id) => router.navigate(`/job/${id}/site`) },
    );
  };
  return (
    <View className="gap-2">
      <View className="flex-row flex-wrap gap-2">
        {job !== undefined && (
          <Button label="Start a job with it" onPress={start} testID="start-job" />
        )}
        <Button label="Write it in a log" onPress={() => choose(!choosing)} testID="to-a-log" />
      </View>
      {choosing && (
        <View className="gap-2" testID="logs">
          <Strong>Which job’s log?</Strong>
          {(jobs.data?.jobs ?? []).map(({ id, name }) => (
            <Button
              key={id}
              label={name}
              onPress={() => {
                void outbox.log
                  .append(id, [signed({ kind: 'note', text: `Bench: ${said}` }, who)])
                  .then(() => setDone(name));
                choose(false);
              }}
            />
          ))}
        </View>
      )}
      {done !== null && (
        <Small role="status" testID="written">
          It is in the log of {done}.
        </Small>
      )}
    </View>
  );
};

/** What came out: the figure that is looked for large, the rest in rows; and where it goes on. */
export const Result = ({
  name,
  outcome,
  display,
}: {
  readonly name: string;
  readonly outcome: Outcome;
  readonly display: Display;
}) => {
  if (!outcome.ok)
    return (
      <View aria-live="polite" testID="outcome">
        <Words>{outcome.text}</Words>
      </View>
    );
  const main = outcome.figures.filter((one) => one.main === true);
  const said = `${name}: ${outcome.figures.map((one) => `${one.label} ${text(one, display)}`).join(', ')}`;
  return (
    <View className="gap-3" aria-live="polite" testID="outcome">
      {main.map((one) => (
        <View key={one.label}>
          <Small>{one.label}</Small>
          {one.unit === 'length' ? (
            <Length mm={one.value} display={display} size="large" showLoss />
          ) : (
            <Figure className="text-5xl">{text(one, display)}</Figure>
          )}
        </View>
      ))}
      {outcome.drawn !== undefined && <Drawn drawn={outcome.drawn} />}
      <View>
        {outcome.figures
          .filter((one) => one.main !== true)
          .map((one) => (
            <View
              key={one.label}
              className="flex-row flex-wrap items-baseline justify-between gap-x-3 border-t border-grain py-1"
            >
              <Words>{one.label}</Words>
              <Figure className="text-2xl">{text(one, display)}</Figure>
            </View>
          ))}
      </View>
      <GoesOn key={said} outcome={outcome} said={said} display={display} />
    </View>
  );
};
