import {
  createContext,
  useContext,
  useImperativeHandle,
  useRef,
  type ComponentProps,
  type Ref,
  type RefObject,
} from 'react';
import { ScrollView } from 'react-native';

const ScrollerContext = createContext<RefObject<ScrollView | null> | null>(null);

/**
 * Scrolls what stands in it, and lets a long list inside know by what it is scrolled. Its size is given from without: a
 * block of contained size is laid out by itself when what stands in it changes, and the page around it is not.
 */
export const Scroller = ({
  ref,
  className = '',
  ...props
}: ComponentProps<typeof ScrollView> & { readonly ref?: Ref<ScrollView | null> }) => {
  const own = useRef<ScrollView>(null);
  useImperativeHandle<ScrollView | null, ScrollView | null>(ref, () => own.current);
  return (
    <ScrollerContext.Provider value={own}>
      <ScrollView {...props} className={`block [contain:strict] ${className}`} ref={own} />
    </ScrollerContext.Provider>
  );
};

/** Finds the page's element that scrolls what stands here; none before it is laid out. */
export const useScroller = (): (() => HTMLElement | null) => {
  const scroller = useContext(ScrollerContext);
  return () => (scroller?.current?.getScrollableNode() as HTMLElement | undefined) ?? null;
};
