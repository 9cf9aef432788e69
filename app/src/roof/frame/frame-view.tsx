import { LISTED_KINDS, kindName, type ListedKind } from '@ogee/core/src/kinds';
import type { Vec3 } from '@ogee/core/src/geom';
import type { CutList } from '@ogee/core/src/cuts';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { useOfRoof } from '../../data/roof';
import type { BoardLook } from '../../draw/frame/look';
import { Button } from '../../ui/button';
import { CheckChip } from '../../ui/check-chip';
import { KindLine } from '../../ui/kind-line';
import { useTermsOf } from '../../ui/terms';
import { Small, Strong } from '../../ui/text';
import { useFrameColours } from './colours';
import { FrameStage } from './frame-stage';

const NONE: readonly string[] = [];

/** The whole frame in the round: a timber picked by a touch, lifted out of it with its joints, kinds hidden by name. */
export const FrameView = ({
  cuts,
  heightPx,
  onOpen,
  wrong = NONE,
  spots = [],
}: {
  readonly cuts: CutList;
  readonly heightPx: number;
  readonly onOpen: (mark: string) => void;
  /** Ids of members, and places, where the fit found something wrong. */
  readonly wrong?: readonly string[];
  readonly spots?: readonly Vec3[];
}) => {
  const terms = useTermsOf();
  const colours = useFrameColours();
  const [hidden, setHidden] = useState<ReadonlySet<ListedKind>>(new Set());
  const [picked, setPicked] = useState<string | null>(null);
  const [lifted, setLifted] = useState(false);
  const mesh = useOfRoof(['mesh'], (solver, roof) => solver.mesh(roof))?.answer ?? null;
  const board = mesh?.boards.find(({ id }) => id === picked) ?? null;
  const out = lifted && board !== null;
  const looks = useMemo(
    () =>
      (mesh?.boards ?? []).map(({ id, kind }): BoardLook => {
        const joined = board?.meets.includes(id) === true || id === board?.id;
        return {
          as: hidden.has(kind) ? 'none' : out && !joined ? 'shade' : 'wood',
          colour:
            id === board?.id
              ? colours.picked
              : wrong.includes(id)
                ? colours.wrong
                : colours.ofKind(kind),
        };
      }),
    [mesh, board, out, hidden, wrong, colours],
  );
  const kinds = LISTED_KINDS.filter((kind) => cuts.members.some((m) => m.kind === kind));
  const toggle = (kind: ListedKind): void => {
    const next = new Set(hidden);
    if (!next.delete(kind)) next.add(kind);
    setHidden(next);
  };
  return (
    <FrameStage
      mesh={mesh}
      looks={looks}
      lifted={out ? board.id : null}
      heightPx={heightPx}
      words="The frame in three dimensions; the cut list names every piece in words"
      onPick={(id) => {
        setPicked(id);
        setLifted(false);
      }}
      spots={spots}
      shown={
        <View className="flex-row flex-wrap gap-2">
          {kinds.map((kind) => {
            const name = kindName(kind, terms, true);
            return (
              <CheckChip
                key={kind}
                label={`Show ${name.toLowerCase()}`}
                words={name}
                checked={!hidden.has(kind)}
                onChange={() => toggle(kind)}
              >
                <KindLine kind={kind} />
              </CheckChip>
            );
          })}
        </View>
      }
    >
      <View className="min-h-[48px] flex-row flex-wrap items-center justify-between gap-2 px-2">
        {board === null ? (
          <Small>Turn it with a finger. Touch a timber to name it.</Small>
        ) : (
          <>
            <Strong>
              {board.mark} · {kindName(board.kind, terms)}
            </Strong>
            <View className="flex-row gap-2">
              <Button
                label={out ? 'Put it back' : 'Lift it out'}
                onPress={() => setLifted(!lifted)}
              />
              <Button label={`See ${board.mark}`} onPress={() => onOpen(board.mark)} />
            </View>
          </>
        )}
      </View>
    </FrameStage>
  );
};
