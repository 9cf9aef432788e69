import { LISTED_KINDS, kindName, type ListedKind } from '@ogee/core/src/kinds';
import type { CutListEntry } from '@ogee/core/src/cuts';
import type { Job } from '@ogee/core/src/job';
import { formatLength, lengthFormat } from '@ogee/core/src/units';
import { angleSummary, boardNeeded } from '@ogee/core/src/wording';
import { useVirtualizer } from '@tanstack/react-virtual';
import {
  createContext,
  memo,
  useContext,
  useEffect,
  useLayoutEffect,
  useMemo,
  useRef,
  useState,
  type Ref,
} from 'react';
import { Pressable, useWindowDimensions, View } from 'react-native';
import { alike } from '../draw/alike';
import { asWritten, writeStock } from '../ui/length-entry';
import { wasBefore } from './change-told';
import { useOutOfSight, usePainted, type Painted } from './in-sight';
import { useChanges } from './changes';
import { useStandsAlready } from '../ui/in-slices';
import { KindLine } from '../ui/kind-line';
import { Length } from '../ui/length';
import { useScroller } from '../ui/scroller';
import { useTermsOf } from '../ui/terms';
import { Figure, Small, Title } from '../ui/text';

type Display = Job['display'];

export const handsText = ({ hands }: CutListEntry): string =>
  [hands.left > 0 ? `${hands.left} left` : '', hands.right > 0 ? `${hands.right} right` : '']
    .filter((text) => text !== '')
    .join(', ');

/** All that a row shows, as it is shown: a piece that changes by less than can be read is not drawn anew. */
interface RowText {
  readonly mark: string;
  readonly count: number;
  readonly hands: string;
  /** The long point, as near as it is written. mm */
  readonly longPoint: number;
  readonly board: string;
  readonly heights: string;
  readonly angles: string;
}

const rowText = (entry: CutListEntry, display: Display): RowText => ({
  mark: entry.mark,
  count: entry.count,
  hands: handsText(entry),
  longPoint: asWritten(entry.length.longPoint, display),
  board: `${writeStock(entry.stock, display)} · ${boardNeeded(entry.length.blank, display)}`,
  heights: (entry.heights ?? [])
    .map(({ abovePlate }) => `top ${formatLength(abovePlate, lengthFormat(display))} above ‹plate›`)
    .join('; '),
  angles: angleSummary(entry.cuts, display),
});

/** Where a line stands in a list that is not on the page whole. */
interface Standing {
  readonly at?: number | undefined;
  readonly of?: number | undefined;
}

interface RowProps extends Standing {
  readonly mark: string;
  readonly display: Display;
  readonly chosen: boolean;
  readonly onOpen: (mark: string) => void;
}

type ByMark = ReadonlyMap<string, CutListEntry>;

/** What the list holds, by mark: a row asks for its own words, so that nothing around them is drawn anew. */
interface Held {
  readonly now: ByMark;
  /** As it was until what is in sight was painted: what is out of sight is written after that. */
  readonly painted: Painted<ByMark>;
}

const NOTHING: ByMark = new Map();
const Entries = createContext<Held>({
  now: NOTHING,
  painted: { value: NOTHING, out: new Set() },
});

/** What a mark's piece was, where it is cut otherwise since the list was read. */
const Was = ({ mark, display }: { readonly mark: string; readonly display: Display }) => {
  const was = wasBefore(useChanges().changes.get(mark), display);
  return was === null ? null : <Small className="text-chalk">{was}</Small>;
};

const Words = memo((row: RowText & { readonly display: Display }) => {
  const { mark, count, hands, longPoint, board, heights, angles, display } = row;
  return (
    <View className="flex-1">
      <View className="flex-row flex-wrap items-center justify-between gap-x-2">
        <View className="flex-row items-center gap-2">
          <Figure className="text-xl">{count} off</Figure>
          {hands !== '' && <Small>{hands}</Small>}
        </View>
        <Length mm={longPoint} display={display} />
      </View>
      <View className="flex-row flex-wrap justify-between gap-x-2">
        <Small>{board}</Small>
        {heights !== '' && <Small>{heights}</Small>}
        <Was mark={mark} display={display} />
        <Small>{angles}</Small>
      </View>
    </View>
  );
});
Words.displayName = 'Words';

const WordsOf = ({ mark, display }: { readonly mark: string; readonly display: Display }) => {
  const { now, painted } = useContext(Entries);
  const entry = (painted.out.has(mark) ? painted.value.get(mark) : null) ?? now.get(mark);
  return entry === undefined ? null : <Words {...rowText(entry, display)} display={display} />;
};

const Row = memo(({ mark, display, chosen, onOpen, at, of }: RowProps) => (
  <View role="listitem" aria-posinset={at} aria-setsize={of} dataSet={{ mark }}>
    <Pressable
      role="link"
      onPress={() => onOpen(mark)}
      aria-current={chosen ? 'true' : undefined}
      testID={`piece-${mark}`}
      className={`min-h-[64px] flex-row items-center gap-3 border-t border-grain px-3 py-1 active:bg-wash ${chosen ? 'bg-wash' : ''}`}
    >
      <Figure className="w-14 text-2xl text-chalk">{mark}</Figure>
      <WordsOf mark={mark} display={display} />
    </Pressable>
  </View>
));
Row.displayName = 'Row';

interface HeadProps extends Standing {
  readonly kind: ListedKind;
  readonly total: number;
}

const KindHead = memo(({ kind, total, at, of }: HeadProps) => {
  const terms = useTermsOf();
  return (
    <View role="listitem" aria-posinset={at} aria-setsize={of}>
      <View className="flex-row items-center gap-3 px-3 pb-1 pt-4">
        <Title level={2} className="text-xl">
          {kindName(kind, terms, total !== 1)}
        </Title>
        <KindLine kind={kind} />
        <Small className="ml-auto">{total} in all</Small>
      </View>
    </View>
  );
});
KindHead.displayName = 'KindHead';

/** The list as it is read: each kind's heading, then its pieces by mark. */
type Item =
  | {
      readonly key: string;
      readonly kind: ListedKind;
      readonly total: number;
    }
  | { readonly key: string; readonly kind?: undefined };

const itemsOf = (members: readonly CutListEntry[]): readonly Item[] =>
  LISTED_KINDS.flatMap((kind): readonly Item[] => {
    const rows = members.filter((entry) => entry.kind === kind);
    if (rows.length === 0) return [];
    const total = rows.reduce((sum, entry) => sum + entry.count, 0);
    return [{ key: kind, kind, total }, ...rows.map(({ mark }) => ({ key: mark }))];
  });

interface CutListProps {
  readonly members: readonly CutListEntry[];
  readonly display: Display;
  readonly chosen: string | null;
  readonly onOpen: (mark: string) => void;
}

interface LinesProps extends Omit<CutListProps, 'members'> {
  readonly items: readonly Item[];
  /** Where the marks of lines that are on the page and out of sight are kept. */
  readonly out: Set<string>;
}

/** As high as most are; each of a long list is measured when it is shown. px */
const HEAD_PX = 52;
const ROW_PX = 72;
/** A house's list is on the page whole; of a longer one, what is in sight and so many beyond its edges. */
const WHOLE = 80;
const BEYOND = 4;

interface LineProps extends Standing {
  readonly item: Item;
  readonly display: Display;
  readonly chosen: boolean;
  readonly onOpen: (mark: string) => void;
}

/** One line of the list: a kind's heading, or a piece. */
const Line = ({ item, display, chosen, onOpen, at, of }: LineProps) =>
  item.kind !== undefined ? (
    <KindHead kind={item.kind} total={item.total} at={at} of={of} />
  ) : (
    <Row mark={item.key} display={display} chosen={chosen} onOpen={onOpen} at={at} of={of} />
  );

const LIST = { role: 'list', 'aria-label': 'Cut list', testID: 'cut-list' } as const;

/** Whether two lists have the same lines; what a piece's line says is its own affair. */
const sameLines = (one: LinesProps, other: LinesProps): boolean =>
  one.display === other.display &&
  one.chosen === other.chosen &&
  one.onOpen === other.onOpen &&
  one.items.length === other.items.length &&
  one.items.every((item, i) => alike(item, other.items[i] as Item));

/** Every line on the page: those that are seen first, then the others. */
const WholeList = memo(({ items, display, chosen, onOpen, out }: LinesProps) => {
  const list = useRef<View>(null);
  const { height } = useWindowDimensions();
  const whole = useStandsAlready();
  const lines = useMemo(
    () => (whole ? items : items.slice(0, Math.ceil(height / HEAD_PX))),
    [whole, items, height],
  );
  useOutOfSight(list, lines, out);
  const at = chosen === null ? -1 : lines.findIndex(({ key }) => key === chosen);
  useEffect(() => {
    if (at < 0) return;
    const shown = (list.current as unknown as HTMLElement | null)?.children;
    const frame = requestAnimationFrame(() => shown?.[at]?.scrollIntoView({ block: 'nearest' }));
    return () => cancelAnimationFrame(frame);
  }, [at]);
  return (
    <View ref={list} {...LIST}>
      {lines.map((item) => (
        <Line
          key={item.key}
          item={item}
          display={display}
          chosen={item.key === chosen}
          onOpen={onOpen}
        />
      ))}
    </View>
  );
}, sameLines);
WholeList.displayName = 'WholeList';

/** Of thousands of lines, those in sight: they scroll as a few do. */
const LongList = ({ items, display, chosen, onOpen }: LinesProps) => {
  const scroller = useScroller();
  const list = useRef<View>(null);
  const [above, setAbove] = useState(0);
  // oxlint-disable-next-line react/incompatible-library -- its rows are memoised by themselves
  const virtualizer = useVirtualizer({
    count: items.length,
    getScrollElement: scroller,
    estimateSize: (at) => (items[at]?.kind !== undefined ? HEAD_PX : ROW_PX),
    getItemKey: (at) => items[at]?.key ?? at,
    overscan: BEYOND,
    scrollMargin: above,
    // The scroller's own scrollTo is React Native's, with other words.
    scrollToFn: (offset, { adjustments = 0 }, { scrollElement }) => {
      if (scrollElement !== null) scrollElement.scrollTop = offset + adjustments;
    },
  });
  const { width } = useWindowDimensions();
  useLayoutEffect(() => {
    const [own, around] = [list.current, scroller()];
    if (own === null || around === null) return;
    const top = own.getBoundingClientRect().top - around.getBoundingClientRect().top;
    setAbove(Math.round(top + around.scrollTop));
    // Measured anew where lines may wrap otherwise, not with every list.
    // oxlint-disable-next-line react/exhaustive-deps
  }, [width]);
  const shown = virtualizer.getVirtualItems();
  const [first, last] = [shown[0], shown.at(-1)];
  // The chosen piece is brought into sight, once the list stands as high as it is.
  const at = chosen === null ? -1 : items.findIndex(({ key }) => key === chosen);
  const stands = first !== undefined;
  useEffect(() => {
    if (at < 0 || !stands) return;
    const frame = requestAnimationFrame(() => virtualizer.scrollToIndex(at, { align: 'auto' }));
    return () => cancelAnimationFrame(frame);
    // oxlint-disable-next-line react/exhaustive-deps -- the virtualizer is one for as long as the list stands
  }, [at, stands]);
  return (
    <View
      ref={list}
      {...LIST}
      style={{
        paddingTop: first === undefined ? 0 : first.start - above,
        paddingBottom:
          last === undefined ? 0 : Math.max(0, virtualizer.getTotalSize() - (last.end - above)),
      }}
    >
      {shown.map(({ key, index }) => {
        const item = items[index];
        return item === undefined ? null : (
          <View
            key={key}
            ref={virtualizer.measureElement as unknown as Ref<View>}
            role="none"
            dataSet={{ index }}
          >
            <Line
              item={item}
              display={display}
              chosen={item.key === chosen}
              onOpen={onOpen}
              at={index + 1}
              of={items.length}
            />
          </View>
        );
      })}
    </View>
  );
};

/** Every piece, by kind in the order it goes up, longest first. Lengths are to the long point. */
export const CutListView = ({ members, display, chosen, onOpen }: CutListProps) => {
  const items = useMemo(() => itemsOf(members), [members]);
  const now = useMemo(() => new Map(members.map((one) => [one.mark, one])), [members]);
  const [out] = useState(() => new Set<string>());
  const painted = usePainted(now, out);
  const held = useMemo(() => ({ now, painted }), [now, painted]);
  const Lines = items.length <= WHOLE ? WholeList : LongList;
  return (
    <Entries value={held}>
      <Lines items={items} display={display} chosen={chosen} onOpen={onOpen} out={out} />
    </Entries>
  );
};
