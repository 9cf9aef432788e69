import { useRouter } from 'expo-router';
import { useState, type ReactNode } from 'react';
import { View } from 'react-native';
import ArrowLeft from 'lucide-react-native/icons/arrow-left';
import History from 'lucide-react-native/icons/clock-arrow-left';
import { ChangesBar, ChangesProvider } from '../cuts/changes';
import { BoardStrip } from '../cuts/board-strip';
import { CutListView } from '../cuts/cut-list';
import { InHandsProvider } from '../cuts/in-hands';
import { useDisplay, useHandling, useJob } from '../data/open-job';
import { useRoof } from '../data/roof';
import { markIn, useOpenPiece } from '../nav/open-piece';
import { usePath } from '../nav/path';
import { RoofViews } from '../roof/roof-views';
import { ThemeButton } from '../ui/theme-button';
import { IconButton } from '../ui/button';
import { InSlices } from '../ui/in-slices';
import { Scroller } from '../ui/scroller';
import { Figure, Title, Words } from '../ui/text';
import { useWide } from '../ui/use-wide';
import { UnkeptBar, NewsBar, NotTakenBar, StaleBar, StopBar } from './bars';
import { DisplaySwitch } from './display-switch';
import { PlaceBar } from './place-bar';
import { PlaceScroll } from './place-scroll';
import { placeOf } from './places';
import { SaveMark } from './save-mark';
import { UndoBar } from './undo-bar';
import { WithheldBar } from './withheld-bar';
import { usePageTitle } from '../nav/page-title';
import { SHORTCUTS, useShortcuts } from './use-shortcuts';

const Head = ({ wide }: { wide: boolean }) => {
  const job = useJob();
  const { id } = useHandling();
  const router = useRouter();
  return (
    <View
      role="banner"
      className="flex-row flex-wrap items-center gap-1 border-b border-grain bg-sheet px-1 py-1"
    >
      <IconButton label="All jobs" icon={ArrowLeft} onPress={() => router.navigate('/')} />
      <View className={wide ? 'w-64' : 'min-w-[120px] flex-1'}>
        <Title level={1} className="text-xl" numberOfLines={1}>
          {job.name}
        </Title>
        <SaveMark />
      </View>
      {wide && (
        <View className="flex-1 items-center">
          <PlaceBar jobId={id} wide />
        </View>
      )}
      {wide && <UndoBar wide />}
      <DisplaySwitch />
      <IconButton
        label="History"
        icon={History}
        onPress={() => router.navigate(`/job/${id}/history`)}
      />
      {wide && <ThemeButton />}
    </View>
  );
};

const ShortcutHelp = () => (
  <View
    role="dialog"
    aria-label="Keyboard shortcuts"
    className="absolute bottom-4 left-4 gap-1 rounded border border-edge bg-sheet p-4"
  >
    {SHORTCUTS.map(([key, what]) => (
      <View key={key} className="flex-row gap-3">
        <Figure className="w-16">{key}</Figure>
        <Words>{what}</Words>
      </View>
    ))}
  </View>
);

/** The list of the roof on the screen: what stands round it is not drawn anew with every roof. */
const Pieces = ({ chosen }: { chosen: string | null }) => {
  const display = useDisplay();
  const { roof } = useRoof();
  const open = useOpenPiece();
  return roof === null ? null : (
    <CutListView members={roof.cuts.members} display={display} chosen={chosen} onOpen={open} />
  );
};

/**
 * Wide: list on the left, drawing in the middle, the place or the piece's sheet on the right; an open piece's board over
 * both.
 */
const WideBody = ({ children }: { children: ReactNode }) => {
  const chosen = markIn(usePath());
  return (
    <View className="min-h-0 flex-1 flex-row">
      <Scroller
        role="region"
        aria-label="Pieces"
        className="w-[330px] flex-none border-r border-grain bg-sheet py-2"
      >
        <ChangesBar />
        <Pieces chosen={chosen} />
      </Scroller>
      <View className="min-w-0 flex-1">
        {chosen !== null && <BoardStrip mark={chosen} />}
        <View className="min-h-0 flex-1 flex-row">
          <View
            role="region"
            aria-label="The roof drawn"
            className="min-w-0 flex-1 [contain:strict]"
          >
            {/* The list is there before what stands beside it. */}
            <InSlices until={null}>
              <RoofViews />
            </InSlices>
          </View>
          <PlaceScroll className="w-[430px] flex-none border-l border-grain bg-sheet">
            <View className="p-4">
              <InSlices until={null}>{children}</InSlices>
            </View>
          </PlaceScroll>
        </View>
      </View>
    </View>
  );
};

/** The name of a page by its address: of a piece its mark. */
const pageName = (path: string): string => {
  const [place = '', mark] = path.split('/').slice(3);
  const found = placeOf(place);
  const named = found?.pages[place] ?? found?.name ?? 'History';
  return mark === undefined ? named : decodeURIComponent(mark);
};

/** A job, open: its head, what needs saying, and one of its places. */
export const JobShell = ({ children }: { children: ReactNode }) => {
  const job = useJob();
  const { id } = useHandling();
  const path = usePath();
  const wide = useWide();
  const [help, setHelp] = useState(false);
  useShortcuts(setHelp);
  usePageTitle(pageName(path), job.name);
  return (
    <ChangesProvider>
      <InHandsProvider mark={markIn(path)}>
        <View className="flex-1">
          <Head wide={wide} />
          <UnkeptBar />
          <StopBar />
          <NewsBar />
          <NotTakenBar />
          <StaleBar />
          <WithheldBar />
          {wide ? (
            <WideBody>{children}</WideBody>
          ) : (
            <>
              <PlaceScroll className="flex-1" contentContainerClassName="p-4">
                {children}
              </PlaceScroll>
              <UndoBar wide={false} />
              <PlaceBar jobId={id} wide={false} />
            </>
          )}
          {help && <ShortcutHelp />}
        </View>
      </InHandsProvider>
    </ChangesProvider>
  );
};
