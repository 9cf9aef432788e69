import { KINDS_IN_ORDER, kindName, type Kind } from '@ogee/core/src/kinds';
import type { Vec3 } from '@ogee/core/src/geom';
import type { CutList } from '@ogee/core/src/cuts';
import { lazy, Suspense, useState } from 'react';
import { Pressable, View } from 'react-native';
import { useOfRoof } from '../data/roof';
import { useTheme } from '../theme/theme';
import { KindLine } from '../ui/kind-line';
import { Button } from '../ui/button';
import { Loading } from '../ui/states';
import { useTermsOf } from '../ui/terms';
import { Small, Strong } from '../ui/text';

/** The one place from which three is loaded. */
const Frame3d = lazy(() => import('../draw/frame-3d'));

/** Commas between the numbers: what three reads. */
const plainRgb = (css: string): string => {
  const numbers = css.match(/\d+(\.\d+)?/g)?.slice(0, 3) ?? ['0', '0', '0'];
  return `rgb(${numbers.join(', ')})`;
};

/** The frame in the round: turned under a finger, a timber picked by a touch, kinds hidden by their names. */
export const FrameView = ({
  cuts,
  heightPx,
  onOpen,
  wrong = [],
  spots = [],
}: {
  readonly cuts: CutList;
  readonly heightPx: number;
  readonly onOpen: (mark: string) => void;
  /** Ids of members, and places, where the fit found something wrong. */
  readonly wrong?: readonly string[];
  readonly spots?: readonly Vec3[];
}) => {
  const { colour } = useTheme();
  const terms = useTermsOf();
  const [hidden, setHidden] = useState<ReadonlySet<Kind>>(new Set());
  const [picked, setPicked] = useState<string | null>(null);
  const mesh = useOfRoof(['mesh'], (solver, roof) => solver.mesh(roof))?.answer;
  const kinds = KINDS_IN_ORDER.filter((kind) => cuts.members.some((m) => m.kind === kind));
  const toggle = (kind: Kind): void => {
    const next = new Set(hidden);
    if (!next.delete(kind)) next.add(kind);
    setHidden(next);
  };
  const entry = cuts.members.find((one) => one.mark === picked);
  return (
    <View className="gap-2" testID="frame-3d">
      <View
        style={{ height: heightPx }}
        role="img"
        aria-label="The frame in three dimensions; the cut list names every piece in words"
      >
        <Suspense fallback={<Loading what="Setting the timbers up …" />}>
          {mesh != null && (
            <Frame3d
              mesh={mesh}
              hidden={hidden}
              picked={picked}
              colourOf={(kind) => plainRgb(colour(kind))}
              woodColour={plainRgb(colour('wood'))}
              pickedColour={plainRgb(colour('chalk'))}
              onPick={setPicked}
              wrong={wrong}
              spots={spots}
              wrongColour={plainRgb(colour('pencil'))}
            />
          )}
        </Suspense>
      </View>
      <View className="min-h-[48px] flex-row items-center justify-between gap-3 px-2">
        {entry === undefined ? (
          <Small>Turn it with a finger. Touch a timber to name it.</Small>
        ) : (
          <>
            <Strong>
              {entry.mark} · {kindName(entry.kind, terms)}
            </Strong>
            <Button label={`See ${entry.mark}`} onPress={() => onOpen(entry.mark)} />
          </>
        )}
      </View>
      <View className="flex-row flex-wrap gap-2 px-2">
        {kinds.map((kind) => {
          const shown = !hidden.has(kind);
          return (
            <Pressable
              key={kind}
              role="checkbox"
              aria-checked={shown}
              aria-label={`Show ${kindName(kind, terms, true).toLowerCase()}`}
              onPress={() => toggle(kind)}
              className={`min-h-[48px] flex-row items-center gap-2 rounded border px-3 ${shown ? 'border-edge bg-sheet' : 'border-dashed border-edge bg-paper'}`}
            >
              <KindLine kind={kind} />
              <Small>{kindName(kind, terms, true)}</Small>
            </Pressable>
          );
        })}
      </View>
    </View>
  );
};
