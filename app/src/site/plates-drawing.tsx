import type { Vec2 } from '@ogee/core/src/geom';
import { measurable, cornerAngles, standingOn, wallsOf, type Job } from '@ogee/core/src/job';
import { memo, useMemo, useRef, useState } from 'react';
import { View, type PointerEvent } from 'react-native';
import Svg, { G } from 'react-native-svg';
import { useHandling, useJob } from '../data/open-job';
import { alike } from '../draw/alike';
import { Halo, uprightTurn } from '../draw/halo';
import { fitAt, fitPlan, type PlanFit } from '../draw/plan-fit';
import { Circle, Path, Polygon } from '../draw/shapes';
import { WHOLE } from '../draw/sight';
import { useTheme } from '../theme/theme';
import { writeLength } from '../ui/length-entry';
import { Figure, Small } from '../ui/text';
import { useStable } from '../ui/use-stable';
import { RefusedLines } from './refused-lines';
import { dragged, figureOf, handlesOf, INNER, stepAt, type Dragged, type Handle } from './drag';

const HEIGHT_PX = 230;
const MARGIN_PX = 44;
const TARGET_PX = 48;
const KNOB_PX = 11;
/** A knob that was moved less than this was only touched, and what was measured stays as it is. px */
const TOUCHED_PX = 6;
/** Names stand this far outside their walls. px */
const NAME_OUT_PX = 24;
/** Corners are named this far inside, across and down: a number alone, and one with its angle. px */
const CORNER_IN_PX = { number: [18, 18], angle: [46, 24] } as const;
/** A corner's number stays within this share of the walls beside it, so that two do not meet. */
const CORNER_SHARE = 0.25;
/** A corner nearer to 90° than this would be named as 90.00°. degrees */
const SQUARE_DEG = 0.005;

const KEY_STEPS: Readonly<Record<string, number>> = {
  ArrowUp: 1,
  ArrowRight: 1,
  ArrowDown: -1,
  ArrowLeft: -1,
};

const Outline = ({ job, index, fit }: { job: Job; index: number; fit: PlanFit }) => {
  const { colour } = useTheme();
  // The part in hand lies on top.
  const order = [...job.blocks.keys()].sort((i, k) => Number(i === index) - Number(k === index));
  return order.map((i) => (
    <Polygon
      key={i}
      points={(job.blocks[i]?.outline ?? []).map((p) => fit.toPx(p).join(',')).join(' ')}
      fill={colour('wood', i === index ? 0.75 : 0.3)}
      stroke={colour(i === index ? 'ink' : 'soft')}
      strokeWidth={i === index ? 2.5 : 1}
    />
  ));
};

/** Number and length of each wall of the part in hand, and its corners: by number, with the angle where it is not square. */
const Names = ({ job, index, fit }: { job: Job; index: number; fit: PlanFit }) => {
  const { colour } = useTheme();
  const block = job.blocks[index];
  if (block === undefined) return null;
  const outline = measurable(job, index);
  const lines = wallsOf({ ...block, outline: outline.map(([x, y]) => [x, y]) });
  const inner = standingOn(job, index) === null ? null : INNER;
  return (
    <G>
      {lines.map(({ start, end, inward, lengthMm }, i) => {
        if (block.sides[i]?.roof === 'open' || i === inner) return null;
        const out = NAME_OUT_PX / fit.pxPerMm;
        const at = fit.toPx([
          (start[0] + end[0]) / 2 - inward[0] * out,
          (start[1] + end[1]) / 2 - inward[1] * out,
        ]);
        return (
          <Halo
            key={i}
            at={at}
            turn={uprightTurn(fit.toPx(start), fit.toPx(end))}
            size={16}
            text={`${i + 1} · ${writeLength(lengthMm, job.display)}`}
            colour={colour('ink')}
            dy={5}
          />
        );
      })}
      {cornerAngles(outline).map(({ deg }, i) => {
        const [own, before] = [lines[i], lines[(i + lines.length - 1) % lines.length]];
        if (own === undefined || before === undefined) return null;
        const square = Math.abs(deg - 90) < SQUARE_DEG;
        const [across, down] = CORNER_IN_PX[square ? 'number' : 'angle'];
        const most = CORNER_SHARE * fit.pxPerMm * Math.min(own.lengthMm, before.lengthMm);
        const inside = (px: number): number => (square ? Math.min(px, most) : px) / fit.pxPerMm;
        const at = fit.toPx([
          own.start[0] + (own.inward[0] + before.inward[0]) * inside(across),
          own.start[1] + (own.inward[1] + before.inward[1]) * inside(down),
        ]);
        return (
          <Halo
            key={i}
            at={at}
            turn={0}
            size={13}
            text={square ? `${i + 1}` : `${i + 1} · ${deg.toFixed(2)}°`}
            colour={colour('soft')}
            dy={4}
          />
        );
      })}
    </G>
  );
};

/** A knob with two arrowheads along the way it goes. */
const Knob = memo(({ at, way, held }: { at: Vec2; way: Vec2; held: boolean }) => {
  const { colour } = useTheme();
  const [x, y] = at;
  const turn = (Math.atan2(-way[1], way[0]) * 180) / Math.PI;
  return (
    <G>
      <Circle cx={x} cy={y} r={held ? KNOB_PX + 4 : KNOB_PX} fill={colour('chalk')} />
      <Path
        d={`M${x - 3} ${y - 4}L${x - 7} ${y}L${x - 3} ${y + 4}M${x + 3} ${y - 4}L${x + 7} ${y}L${x + 3} ${y + 4}`}
        stroke={colour('sheet')}
        strokeWidth={2}
        fill="none"
        transform={`rotate(${turn} ${x} ${y})`}
      />
    </G>
  );
}, alike);
Knob.displayName = 'Knob';

const nameOf = ({ moves, side }: Handle, name: string): string =>
  moves === 'part' ? `${name}, along its wall` : `${name}, wall ${side + 1}`;

interface GripProps {
  /** Which of the handles. */
  readonly handle: number;
  readonly x: number;
  readonly y: number;
  readonly label: string;
  readonly mm: number;
  readonly text: string;
  readonly testID: string;
  readonly onTake: (handle: number, event: PointerEvent) => void;
  readonly onMove: (event: PointerEvent) => void;
  readonly onRelease: () => void;
  readonly onLetGo: () => void;
  readonly onSteps: (handle: number, steps: number) => void;
}

/** Where a knob is taken by thumb, or stepped by keys. */
const Grip = memo((grip: GripProps) => {
  const { handle, x, y, label, mm, text, testID, onTake, onMove, onRelease, onLetGo } = grip;
  const keys = {
    onKeyDown: (event: { key: string; preventDefault: () => void }) => {
      const steps = KEY_STEPS[event.key];
      if (steps === undefined) return;
      event.preventDefault();
      grip.onSteps(handle, steps);
    },
  };
  return (
    <View
      {...keys}
      role="slider"
      focusable
      aria-label={label}
      aria-valuenow={mm}
      aria-valuetext={text}
      onPointerDown={(event) => onTake(handle, event)}
      onPointerMove={onMove}
      onPointerUp={onRelease}
      onPointerCancel={onLetGo}
      testID={testID}
      className="absolute cursor-grab touch-none rounded-full"
      style={{
        left: x - TARGET_PX / 2,
        top: y - TARGET_PX / 2,
        width: TARGET_PX,
        height: TARGET_PX,
      }}
    />
  );
});
Grip.displayName = 'Grip';

/** The plates to scale. Walls of the part in hand can be dragged; the figure it comes to is said, and set when let go. */
export const PlatesDrawing = ({ index }: { readonly index: number }) => {
  const job = useJob();
  const { edit } = useHandling();
  const { colour } = useTheme();
  const [width, setWidth] = useState(0);
  const [held, setHeld] = useState<{ handle: number; by: number; result: Dragged | null } | null>(
    null,
  );
  // What the finger did last, at once: it may be lifted before the drawing has followed.
  const last = useRef(held);
  const hold = (next: typeof held): void => {
    last.current = next;
    setHeld(next);
  };
  const from = useRef<Vec2>([0, 0]);
  const fit = useMemo(
    () =>
      fitAt(
        fitPlan(
          job.blocks.flatMap(({ outline }) => outline),
          width,
          HEIGHT_PX,
          MARGIN_PX,
        ),
        WHOLE,
      ),
    [job.blocks, width],
  );
  const block = job.blocks[index];
  const name = block?.id ?? '';
  const step = stepAt(fit.pxPerMm, job.display.units);
  const handles = handlesOf(job, index);
  const shown = held?.result?.job ?? job;
  const knobs = held === null ? handles : handlesOf(shown, index);

  /** One entry: the wall, or the part, moved so far. */
  const moveBy = (handle: Handle, by: number): void => {
    const before = figureOf(job, index, handle);
    const after = dragged(job, index, handle, by, step);
    if (after === null) return;
    const said = `${name}, ${after.name}: ${writeLength(before?.mm ?? 0, job.display)} → ${writeLength(after.mm, job.display)}`;
    edit((now) => dragged(now, index, handle, by, step)?.job ?? now, said);
  };
  const take = (handle: number, event: PointerEvent): void => {
    const { pointerId, clientX, clientY } = event.nativeEvent;
    (event.currentTarget as unknown as HTMLElement).setPointerCapture(pointerId);
    from.current = [clientX, clientY];
    hold({ handle, by: 0, result: null });
  };
  const move = (event: PointerEvent): void => {
    const now = last.current;
    const handle = handles[now?.handle ?? -1];
    if (now === null || handle === undefined) return;
    const { clientX, clientY } = event.nativeEvent;
    const [dx, dy] = [clientX - from.current[0], from.current[1] - clientY];
    const px = dx * handle.way[0] + dy * handle.way[1];
    const touched = Math.abs(px) < TOUCHED_PX;
    const by = px / fit.pxPerMm;
    const result = touched ? null : dragged(job, index, handle, by, step);
    if (touched || result !== null) hold({ handle: now.handle, by, result });
  };
  const release = (): void => {
    const done = last.current;
    const handle = handles[done?.handle ?? -1];
    hold(null);
    if (done?.result != null && handle !== undefined) moveBy(handle, done.by);
  };
  const nudge = (at: number, steps: number): void => {
    const handle = handles[at];
    if (handle !== undefined) moveBy(handle, steps * step);
  };
  const onTake = useStable(take);
  const onMove = useStable(move);
  const onRelease = useStable(release);
  const onLetGo = useStable(() => hold(null));
  const onSteps = useStable(nudge);
  if (block === undefined) return null;
  return (
    <View className="gap-1" testID="plates-drawing">
      <View
        className="rounded border border-grain bg-paper"
        style={{ height: HEIGHT_PX }}
        onLayout={(event) => setWidth(event.nativeEvent.layout.width)}
      >
        {width > 0 && (
          <>
            <Svg width={width} height={HEIGHT_PX}>
              <Outline job={shown} index={index} fit={fit} />
              {held !== null && (
                <Polygon
                  points={block.outline.map((p) => fit.toPx(p).join(',')).join(' ')}
                  fill="none"
                  stroke={colour('soft')}
                  strokeWidth={1}
                  strokeDasharray={[4, 4]}
                />
              )}
              {held === null && <RefusedLines fit={fit} />}
              <Names job={shown} index={index} fit={fit} />
              {knobs.map(({ at, way }, i) => (
                <Knob key={i} at={fit.toPx(at)} way={way} held={held?.handle === i} />
              ))}
            </Svg>
            {handles.map((handle, i) => {
              const [x, y] = fit.toPx(handle.at);
              const now = figureOf(job, index, handle);
              return (
                <Grip
                  key={i}
                  handle={i}
                  x={x}
                  y={y}
                  label={nameOf(handle, name)}
                  mm={Math.round(now?.mm ?? 0)}
                  text={now === null ? '' : `${now.name} ${writeLength(now.mm, job.display)}`}
                  testID={`drag-${handle.moves}-${handle.side}`}
                  onTake={onTake}
                  onMove={onMove}
                  onRelease={onRelease}
                  onLetGo={onLetGo}
                  onSteps={onSteps}
                />
              );
            })}
          </>
        )}
      </View>
      <View className="min-h-[48px] justify-center" aria-live="polite">
        {held?.result == null ? (
          <Small>
            Drag a wall for a quick change
            {width > 0 ? `, by ${writeLength(step, job.display)} at this scale` : ''}; measured
            figures are typed below.
          </Small>
        ) : (
          <View className="flex-row items-baseline gap-2">
            <Small>{held.result.name}</Small>
            <Figure className="text-3xl">{writeLength(held.result.mm, job.display)}</Figure>
          </View>
        )}
      </View>
    </View>
  );
};
