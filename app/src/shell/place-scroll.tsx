import { useEffect, useRef, type ComponentProps } from 'react';
import type { ScrollView } from 'react-native';
import { usePath } from '../nav/path';
import { Scroller } from '../ui/scroller';

/** Scrolls what stands in it; each address keeps its own place, and a new one starts at the top. */
export const PlaceScroll = (props: ComponentProps<typeof ScrollView>) => {
  const path = usePath();
  const scroller = useRef<ScrollView>(null);
  const places = useRef(new Map<string, number>());
  const here = useRef(path);
  useEffect(() => {
    here.current = path;
    const y = places.current.get(path) ?? 0;
    // After the place has been laid out.
    const frame = requestAnimationFrame(() => scroller.current?.scrollTo({ y, animated: false }));
    return () => cancelAnimationFrame(frame);
  }, [path]);
  return (
    <Scroller
      {...props}
      ref={scroller}
      role="main"
      nativeID="main"
      tabIndex={-1}
      scrollEventThrottle={50}
      onScroll={({ nativeEvent }) => places.current.set(here.current, nativeEvent.contentOffset.y)}
    />
  );
};
