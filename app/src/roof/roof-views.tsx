import { KINDS_IN_ORDER, kindName } from '@ogee/core/src/kinds';
import { usePathname } from 'expo-router';
import { useState } from 'react';
import { ScrollView, View } from 'react-native';
import ZoomIn from 'lucide-react-native/icons/zoom-in';
import ZoomOut from 'lucide-react-native/icons/zoom-out';
import { KindLine } from '../ui/kind-line';
import { useOpenJob } from '../data/open-job';
import { useDrawnRoof, useRoof } from '../data/roof';
import { oneOf, useAddressed } from '../nav/addressed';
import { markIn, useOpenPiece } from '../nav/open-piece';
import { Elevation } from '../draw/elevation';
import { countsOf, Plan } from '../draw/plan';
import { IconButton } from '../ui/button';
import { Choice } from '../ui/choice';
import { Loading } from '../ui/states';
import { Small } from '../ui/text';
import { useNextFrame } from '../ui/use-next-frame';
import { FrameView } from './frame-view';

const ZOOMS = [1, 1.6, 2.6, 4] as const;

type RoofView = 'plan' | 'side' | 'end' | 'frame';

const VIEWS: readonly { readonly value: RoofView; readonly label: string }[] = [
  { value: 'plan', label: 'Plan' },
  { value: 'side', label: 'Side' },
  { value: 'end', label: 'End' },
  { value: 'frame', label: '3D' },
];

/** Room the kinds and the named timber need under the frame. */
const UNDER_FRAME_PX = 190;

/** The roof from above, from the side, end on, or in the round, in the room it is given. */
export const RoofViews = ({ heightPx }: { heightPx?: number }) => {
  const { job } = useOpenJob();
  const { stale } = useRoof();
  const roof = useDrawnRoof();
  const openPiece = useOpenPiece();
  const [view, setView] = useAddressed<RoofView>(
    'view',
    'plan',
    oneOf(...VIEWS.map(({ value }) => value)),
  );
  const [room, setRoom] = useState<{ width: number; height: number } | null>(null);
  const fills = heightPx === undefined;
  return (
    <View className={fills ? 'min-h-0 flex-1' : ''}>
      <View className="px-2 pb-2">
        <Choice label="View" hideLabel value={view} options={VIEWS} onChange={setView} />
      </View>
      {view === 'plan' ? (
        <RoofPlan {...(heightPx === undefined ? {} : { heightPx })} />
      ) : (
        <View
          className={`${fills ? 'min-h-0 flex-1' : ''} ${stale ? 'opacity-50' : ''}`}
          style={fills || view === 'frame' ? undefined : { height: heightPx }}
          onLayout={(event) => setRoom(event.nativeEvent.layout)}
        >
          {roof !== null && room !== null && view !== 'frame' && (
            <Elevation
              display={job.display}
              looking={view}
              widthPx={room.width}
              heightPx={heightPx ?? room.height}
            />
          )}
          {roof !== null && room !== null && view === 'frame' && (
            <ScrollView>
              <FrameView
                cuts={roof.cuts}
                heightPx={heightPx ?? Math.max(240, room.height - UNDER_FRAME_PX)}
                onOpen={openPiece}
              />
            </ScrollView>
          )}
        </View>
      )}
    </View>
  );
};

/** The plan in the room it is given, zoomed by buttons and scrolled by thumb. */
const RoofPlan = ({ heightPx }: { heightPx?: number }) => {
  const { job, problems } = useOpenJob();
  const { stale } = useRoof();
  const roof = useNextFrame(useDrawnRoof());
  const openPiece = useOpenPiece();
  const path = usePathname();
  const [room, setRoom] = useState<{ width: number; height: number } | null>(null);
  const [zoom, setZoom] = useState(0);
  const factor = ZOOMS[zoom] ?? 1;
  const chosen = markIn(path);
  const kinds = KINDS_IN_ORDER.filter((kind) =>
    roof?.cuts.members.some((entry) => entry.kind === kind),
  );
  return (
    <View className={`${heightPx === undefined ? 'flex-1' : ''} ${stale ? 'opacity-50' : ''}`}>
      <View
        className={heightPx === undefined ? 'min-h-0 flex-1' : ''}
        style={heightPx === undefined ? undefined : { height: heightPx }}
        onLayout={(event) => setRoom(event.nativeEvent.layout)}
      >
        {roof === null && problems.length === 0 && <Loading what="Working the roof out …" />}
        {roof !== null && room !== null && (
          <ScrollView
            horizontal
            scrollEnabled={factor > 1}
            contentContainerStyle={{ width: room.width * factor }}
          >
            <ScrollView
              scrollEnabled={factor > 1}
              role="region"
              aria-label="The plan, scrolled"
              tabIndex={factor > 1 ? 0 : -1}
              contentContainerStyle={{ height: room.height * factor }}
            >
              <Plan
                drawing={roof.plan}
                words={countsOf(roof.cuts)}
                display={job.display}
                spacingMm={job.framing.spacing}
                widthPx={room.width * factor}
                heightPx={room.height * factor}
                selected={chosen}
                onPick={openPiece}
              />
            </ScrollView>
          </ScrollView>
        )}
      </View>
      <View className="flex-row items-center px-2">
        <View className="flex-1 flex-row flex-wrap gap-x-4">
          {kinds.map((kind) => (
            <View key={kind} className="flex-row items-center gap-2">
              <KindLine kind={kind} />
              <Small>{kindName(kind, job.display.terms)}</Small>
            </View>
          ))}
        </View>
        <IconButton
          label="Smaller plan"
          icon={ZoomOut}
          disabled={zoom === 0}
          onPress={() => setZoom(zoom - 1)}
        />
        <IconButton
          label="Larger plan"
          icon={ZoomIn}
          disabled={zoom === ZOOMS.length - 1}
          onPress={() => setZoom(zoom + 1)}
        />
      </View>
    </View>
  );
};
