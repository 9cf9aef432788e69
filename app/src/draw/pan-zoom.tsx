import type { Vec2 } from '@ogee/core/src/geom';
import { useEffect, useLayoutEffect, useRef, useState, type ReactNode } from 'react';
import { View, type View as ViewRef } from 'react-native';
import { asAt, moved, pinched, STEP, WHOLE, zoomed, type Sight } from './sight';

/** A finger that moves by less has touched. px */
const TOUCHED_PX = 6;
/** How far an arrow key moves the drawing. px */
const KEY_PX = 60;
/** The wheel stands still for so long before what it chose is painted sharp. ms */
const WHEEL_MS = 140;
const WHEEL_PER_PX = 0.0022;

const ARROWS: Readonly<Record<string, Vec2>> = {
  ArrowLeft: [KEY_PX, 0],
  ArrowRight: [-KEY_PX, 0],
  ArrowUp: [0, KEY_PX],
  ArrowDown: [0, -KEY_PX],
};

/**
 * A drawing that is dragged by a finger, zoomed by two, by the wheel or by keys. While a gesture lasts what is painted
 * is moved as it is; then it is painted anew at its new size.
 *
 * @param children the drawing at a sight
 */
export const PanZoom = ({
  room,
  label,
  sight,
  onSight,
  children,
}: {
  readonly room: Vec2;
  readonly label: string;
  readonly sight: Sight;
  readonly onSight: (sight: Sight) => void;
  readonly children: (sight: Sight) => ReactNode;
}) => {
  const frame = useRef<ViewRef>(null);
  const inner = useRef<ViewRef>(null);
  const state = useRef({ painted: sight, live: sight, room, dragged: false });
  const [focused, setFocused] = useState(false);

  useLayoutEffect(() => {
    state.current = { ...state.current, painted: sight, live: sight, room };
    const element = inner.current as unknown as HTMLElement | null;
    if (element !== null) element.style.transform = '';
  }, [sight, room]);

  useEffect(() => {
    const host = frame.current as unknown as HTMLElement | null;
    if (host === null) return;
    const held = new Map<number, Vec2>();
    let start: { readonly sight: Sight; readonly at: ReadonlyMap<number, Vec2> } | null = null;
    let wheel: ReturnType<typeof setTimeout> | undefined;
    const own = ({ clientX, clientY }: { clientX: number; clientY: number }): Vec2 => {
      const { left, top } = host.getBoundingClientRect();
      return [clientX - left, clientY - top];
    };
    const show = (live: Sight): void => {
      const now = state.current;
      now.live = live;
      const element = inner.current as unknown as HTMLElement | null;
      if (element !== null) element.style.transform = asAt(now.painted, live);
    };
    const settle = (): void => {
      if (state.current.live !== state.current.painted) onSight(state.current.live);
    };
    const begin = (): void => {
      start = { sight: state.current.live, at: new Map(held) };
    };
    const down = (event: PointerEvent): void => {
      if (held.size === 0) state.current.dragged = false;
      held.set(event.pointerId, own(event));
      begin();
    };
    const move = (event: PointerEvent): void => {
      if (!held.has(event.pointerId) || start === null) return;
      held.set(event.pointerId, own(event));
      const [one, other] = [...held].map(([id, now]) => ({ now, was: start?.at.get(id) ?? now }));
      if (one === undefined) return;
      const by: Vec2 = [one.now[0] - one.was[0], one.now[1] - one.was[1]];
      if (other === undefined && !state.current.dragged && Math.hypot(...by) < TOUCHED_PX) return;
      // All of it is seen: a finger scrolls the page.
      if (other === undefined && start.sight.scale === 1) return;
      state.current.dragged = true;
      host.setPointerCapture(event.pointerId);
      show(
        other === undefined
          ? moved(start.sight, by, state.current.room)
          : pinched(start.sight, [one.was, other.was], [one.now, other.now], state.current.room),
      );
    };
    const up = (event: PointerEvent): void => {
      if (!held.delete(event.pointerId)) return;
      if (held.size > 0) begin();
      else {
        start = null;
        settle();
      }
    };
    const turn = (event: WheelEvent): void => {
      event.preventDefault();
      const by = Math.exp(-event.deltaY * WHEEL_PER_PX);
      show(zoomed(state.current.live, by, own(event), state.current.room));
      clearTimeout(wheel);
      wheel = setTimeout(settle, WHEEL_MS);
    };
    // A finger that has dragged has touched nothing.
    const click = (event: MouseEvent): void => {
      if (!state.current.dragged) return;
      event.stopPropagation();
      event.preventDefault();
    };
    // Two fingers are not the page's.
    const two = (event: TouchEvent): void => {
      if (event.touches.length > 1) event.preventDefault();
    };
    host.addEventListener('pointerdown', down);
    host.addEventListener('pointermove', move);
    host.addEventListener('pointerup', up);
    host.addEventListener('pointercancel', up);
    host.addEventListener('wheel', turn, { passive: false });
    host.addEventListener('click', click, true);
    host.addEventListener('touchstart', two, { passive: false });
    return () => {
      clearTimeout(wheel);
      host.removeEventListener('pointerdown', down);
      host.removeEventListener('pointermove', move);
      host.removeEventListener('pointerup', up);
      host.removeEventListener('pointercancel', up);
      host.removeEventListener('wheel', turn);
      host.removeEventListener('click', click, true);
      host.removeEventListener('touchstart', two);
    };
  }, [onSight]);

  const middle: Vec2 = [room[0] / 2, room[1] / 2];
  return (
    <View
      ref={frame}
      role="region"
      aria-label={label}
      tabIndex={0}
      onFocus={() => setFocused(true)}
      onBlur={() => setFocused(false)}
      onKeyDown={(event) => {
        const by = ARROWS[event.key];
        const next =
          by !== undefined
            ? moved(sight, by, room)
            : event.key === '+' || event.key === '='
              ? zoomed(sight, STEP, middle, room)
              : event.key === '-'
                ? zoomed(sight, 1 / STEP, middle, room)
                : event.key === '0'
                  ? WHOLE
                  : null;
        if (next === null) return;
        event.preventDefault();
        onSight(next);
      }}
      style={[
        { width: room[0], height: room[1], overflow: 'hidden' },
        { touchAction: sight.scale > 1 ? 'none' : 'pan-y' },
        focused ? { outlineOffset: -2 } : null,
      ]}
    >
      <View ref={inner} style={{ transformOrigin: '0 0' }}>
        {children(sight)}
      </View>
    </View>
  );
};
