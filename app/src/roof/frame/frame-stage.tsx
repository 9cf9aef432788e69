import type { FrameMesh } from '@ogee/core/src/drawing';
import type { Vec3 } from '@ogee/core/src/geom';
import { lazy, Suspense, useState, type ReactNode } from 'react';
import { View } from 'react-native';
import type { Around, BoardLook, SeenFrom } from '../../draw/frame/look';
import { CheckChip } from '../../ui/check-chip';
import { Choice } from '../../ui/choice';
import { Fold } from '../../ui/fold';
import { Slider } from '../../ui/slider';
import { Loading } from '../../ui/states';
import { useFrameColours } from './colours';

/** The one place from which three is loaded. */
const Frame3d = lazy(() => import('../../draw/frame/frame-3d'));

const SEEN_FROM: readonly { readonly value: SeenFrom; readonly label: string }[] = [
  { value: 'corner', label: 'Corner' },
  { value: 'front', label: 'Front' },
  { value: 'side', label: 'Side' },
  { value: 'above', label: 'Above' },
];

const CUT_WAYS = [
  { value: 'along', label: 'Along' },
  { value: 'across', label: 'Across' },
] as const;

/** Where a frame is first cut: half-way. */
const HALF = 0.5;

/**
 * The frame in the round, turned under a finger, with what stands round it: walls, roof planes, a cut through it.
 *
 * @param looks how each board is shown, in the mesh's order
 * @param children what is said of it, between the drawing and what is shown with it
 */
export const FrameStage = ({
  mesh,
  looks,
  lifted = null,
  heightPx,
  words,
  onPick,
  spots = [],
  shown,
  children,
}: {
  readonly mesh: FrameMesh | null;
  readonly looks: readonly BoardLook[];
  readonly lifted?: string | null;
  readonly heightPx: number;
  readonly words: string;
  readonly onPick: (id: string) => void;
  readonly spots?: readonly Vec3[];
  /** What else can be shown or not. */
  readonly shown?: ReactNode;
  readonly children: ReactNode;
}) => {
  const { stage } = useFrameColours();
  const [around, setAround] = useState<Around>({ walls: true, planes: false, cut: null });
  const [seenFrom, setSeenFrom] = useState<SeenFrom>('corner');
  const [open, setOpen] = useState(false);
  const { walls, planes, cut } = around;
  return (
    <View className="gap-2" testID="frame-3d">
      <View style={{ height: heightPx }} role="img" aria-label={words}>
        <Suspense fallback={<Loading what="Setting the timbers up …" />}>
          {mesh !== null && looks.length === mesh.boards.length && (
            <Frame3d
              mesh={mesh}
              looks={looks}
              lifted={lifted}
              around={around}
              seenFrom={seenFrom}
              colours={stage}
              onPick={onPick}
              spots={spots}
            />
          )}
        </Suspense>
      </View>
      {children}
      <View className="px-2">
        <Fold
          title="What is shown"
          what="From where, walls, roof planes, a cut through it"
          open={open}
          onOpen={setOpen}
          testID="frame-shown"
        >
          <View className="gap-3 pb-3">
            <Choice label="Seen from" value={seenFrom} options={SEEN_FROM} onChange={setSeenFrom} />
            <View className="flex-row flex-wrap gap-2">
              <CheckChip
                label="Show walls and plates"
                words="Walls"
                checked={walls}
                onChange={(next) => setAround({ ...around, walls: next })}
              />
              <CheckChip
                label="Show the roof’s planes"
                words="Roof planes"
                checked={planes}
                onChange={(next) => setAround({ ...around, planes: next })}
              />
              <CheckChip
                label="Cut the frame away"
                words="Cut away"
                checked={cut !== null}
                onChange={(next) =>
                  setAround({ ...around, cut: next ? { way: 'along', share: HALF } : null })
                }
              />
            </View>
            {cut !== null && (
              <View className="gap-2">
                <Choice
                  label="Cut away, going"
                  hideLabel
                  value={cut.way}
                  options={CUT_WAYS}
                  onChange={(way) => setAround({ ...around, cut: { ...cut, way } })}
                />
                <Slider
                  label="How much of the frame is left standing"
                  value={cut.share}
                  onChange={(share) => setAround({ ...around, cut: { ...cut, share } })}
                />
              </View>
            )}
            {shown}
          </View>
        </Fold>
      </View>
    </View>
  );
};
