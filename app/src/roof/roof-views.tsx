import type { Vec2 } from '@ogee/core/src/geom';
import { LISTED_KINDS, kindName, type ListedKind } from '@ogee/core/src/kinds';
import type { Terms } from '@ogee/core/src/terms';
import { memo, useState, type ComponentProps } from 'react';
import { ScrollView, View } from 'react-native';
import ListTree from 'lucide-react-native/icons/list-tree';
import Maximize from 'lucide-react-native/icons/maximize';
import ZoomIn from 'lucide-react-native/icons/zoom-in';
import ZoomOut from 'lucide-react-native/icons/zoom-out';
import { KindLine } from '../ui/kind-line';
import { useDisplay, useJob, useProblems } from '../data/open-job';
import { useOfRoof, useRoof } from '../data/roof';
import { oneOf, useAddressed } from '../nav/addressed';
import { markIn, useOpenPiece } from '../nav/open-piece';
import { usePath } from '../nav/path';
import { alike } from '../draw/alike';
import { Elevation } from '../draw/elevation';
import { PanZoom } from '../draw/pan-zoom';
import { countsOf, Plan } from '../draw/plan';
import { STEP, WHOLE, zoomed, type Sight } from '../draw/sight';
import { IconButton } from '../ui/button';
import { Choice } from '../ui/choice';
import { Loading } from '../ui/states';
import { Small } from '../ui/text';
import { useWide } from '../ui/use-wide';
import { FrameView } from './frame/frame-view';
import { RaisingView } from './frame/raising-view';

type RoofView = 'plan' | 'side' | 'end' | 'frame' | 'raise';

const VIEWS: readonly { readonly value: RoofView; readonly label: string }[] = [
  { value: 'plan', label: 'Plan' },
  { value: 'side', label: 'Side' },
  { value: 'end', label: 'End' },
  { value: 'frame', label: '3D' },
  { value: 'raise', label: 'Raise' },
];

/** Room that is kept under a frame in the round for what is said of it: a named timber; a step's heading and what is done. */
const UNDER_PX = { frame: 150, raise: 330 } as const;
/** The least that a frame is drawn in. px */
const LEAST_PX = 240;

interface InRoom {
  /** How high it is; as high as its room where none is given. px */
  readonly heightPx?: number | undefined;
}

/** The roof from above, from the side, end on, or in the round, in the room it is given. */
export const RoofViews = ({ heightPx }: InRoom) => {
  const [view, setView] = useAddressed<RoofView>(
    'view',
    'plan',
    oneOf(...VIEWS.map(({ value }) => value)),
  );
  return (
    <View className={heightPx === undefined ? 'min-h-0 flex-1' : ''}>
      <View className="px-2 pb-2">
        <Choice label="View" hideLabel value={view} options={VIEWS} onChange={setView} />
      </View>
      {view === 'plan' ? (
        <RoofPlan heightPx={heightPx} />
      ) : (
        <OtherView view={view} heightPx={heightPx} />
      )}
    </View>
  );
};

/** The roof on the screen, seen level. */
const RoofElevation = (props: Omit<ComponentProps<typeof Elevation>, 'view'>) => {
  const { looking } = props;
  const view = useOfRoof(['elevation', looking], (solver, roof) =>
    solver.elevation(roof, looking),
  )?.answer;
  return view == null ? null : <Elevation view={view} {...props} />;
};

/** Every view but the plan. */
const OtherView = ({ view, heightPx }: InRoom & { readonly view: Exclude<RoofView, 'plan'> }) => {
  const display = useDisplay();
  const { roof, stale } = useRoof();
  const openPiece = useOpenPiece();
  const [room, setRoom] = useState<{ width: number; height: number } | null>(null);
  const fills = heightPx === undefined;
  const round = view === 'frame' || view === 'raise';
  return (
    <View
      className={`${fills ? 'min-h-0 flex-1' : ''} ${stale ? 'opacity-50' : ''}`}
      style={fills || round ? undefined : { height: heightPx }}
      onLayout={(event) => setRoom(event.nativeEvent.layout)}
    >
      {roof !== null && room !== null && (view === 'side' || view === 'end') && (
        <RoofElevation
          display={display}
          looking={view}
          widthPx={room.width}
          heightPx={heightPx ?? room.height}
        />
      )}
      {roof !== null && room !== null && view === 'frame' && (
        <ScrollView>
          <FrameView
            cuts={roof.cuts}
            heightPx={heightPx ?? Math.max(LEAST_PX, room.height - UNDER_PX.frame)}
            onOpen={openPiece}
          />
        </ScrollView>
      )}
      {roof !== null && room !== null && view === 'raise' && (
        <ScrollView>
          <RaisingView
            heightPx={heightPx ?? Math.max(LEAST_PX, room.height - UNDER_PX.raise)}
            onOpen={openPiece}
          />
        </ScrollView>
      )}
    </View>
  );
};

/** What the lines of the plan are. */
const KeyOf = memo(
  ({ kinds, terms }: { readonly kinds: readonly ListedKind[]; readonly terms: Terms }) => (
    <View className="flex-row flex-wrap gap-x-4 px-2" testID="plan-key">
      {kinds.map((kind) => (
        <View key={kind} className="flex-row items-center gap-2">
          <KindLine kind={kind} />
          <Small>{kindName(kind, terms)}</Small>
        </View>
      ))}
    </View>
  ),
  alike,
);
KeyOf.displayName = 'KeyOf';

const PlanKey = () => {
  const { terms } = useDisplay();
  const { roof } = useRoof();
  const kinds = LISTED_KINDS.filter((kind) =>
    roof?.cuts.members.some((entry) => entry.kind === kind),
  );
  return <KeyOf kinds={kinds} terms={terms} />;
};

/** The plan of the roof on the screen: what stands round it is not drawn anew with every roof. */
const PlanOfRoof = ({ room: [widthPx, heightPx], sight }: { room: Vec2; sight: Sight }) => {
  const job = useJob();
  const display = useDisplay();
  const { spacing } = job.framing;
  const { roof } = useRoof();
  const openPiece = useOpenPiece();
  const chosen = markIn(usePath());
  return roof === null ? null : (
    <Plan
      drawing={roof.plan}
      words={countsOf(roof.cuts)}
      display={display}
      spacingMm={spacing}
      widthPx={widthPx}
      heightPx={heightPx}
      sight={sight}
      selected={chosen}
      onPick={openPiece}
    />
  );
};

/** The plan in the room it is given: dragged and pinched by thumb, zoomed by buttons and keys. */
const RoofPlan = ({ heightPx }: InRoom) => {
  const { problems } = useProblems();
  const { roof, stale } = useRoof();
  const wide = useWide();
  const [room, setRoom] = useState<Vec2 | null>(null);
  const [sight, setSight] = useState(WHOLE);
  const [keyShown, showKey] = useState<boolean | null>(null);
  const zoom = (by: number): void => {
    if (room !== null) setSight(zoomed(sight, by, [room[0] / 2, room[1] / 2], room));
  };
  const keyOpen = keyShown ?? wide;
  const drawn = roof !== null;
  const refused = problems.length > 0;
  return (
    <View className={`${heightPx === undefined ? 'flex-1' : ''} ${stale ? 'opacity-50' : ''}`}>
      <View
        className={heightPx === undefined ? 'min-h-0 flex-1' : ''}
        style={heightPx === undefined ? undefined : { height: heightPx }}
        onLayout={({ nativeEvent: { layout } }) => setRoom([layout.width, layout.height])}
      >
        {!drawn && !refused && <Loading what="Working the roof out …" />}
        {drawn && room !== null && (
          <PanZoom
            room={room}
            label="The plan, dragged and zoomed"
            sight={sight}
            onSight={setSight}
          >
            {(at) => <PlanOfRoof room={room} sight={at} />}
          </PanZoom>
        )}
      </View>
      {keyOpen && <PlanKey />}
      <View className="flex-row flex-wrap px-2">
        <IconButton
          label={keyOpen ? 'Hide what the lines are' : 'Show what the lines are'}
          icon={ListTree}
          onPress={() => showKey(!keyOpen)}
        />
        <View className="ml-auto flex-row">
          <IconButton
            label="Whole plan"
            icon={Maximize}
            disabled={sight.scale === 1}
            onPress={() => setSight(WHOLE)}
          />
          <IconButton
            label="Smaller plan"
            icon={ZoomOut}
            disabled={sight.scale === 1}
            onPress={() => zoom(1 / STEP)}
          />
          <IconButton label="Larger plan" icon={ZoomIn} onPress={() => zoom(STEP)} />
        </View>
      </View>
    </View>
  );
};
