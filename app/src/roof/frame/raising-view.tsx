import { kindName, LISTED_KINDS, type ListedKind } from '@ogee/core/src/kinds';
import type { FrameMesh } from '@ogee/core/src/drawing';
import type { RaisingStep, Stages } from '@ogee/core/src/raising';
import { useMemo } from 'react';
import { View } from 'react-native';
import { useOfRoof } from '../../data/roof';
import type { BoardLook } from '../../draw/frame/look';
import { countOf, oneOf, useAddressed } from '../../nav/addressed';
import { Caution } from '../../ui/caution';
import { Choice } from '../../ui/choice';
import { Loading } from '../../ui/states';
import { Stepped } from '../../ui/stepped';
import { useTermsOf } from '../../ui/terms';
import { Small, Strong, Title, Words } from '../../ui/text';
import { useFrameColours } from './colours';
import { FrameStage } from './frame-stage';

const IN_STAGES = [
  { value: '1', label: 'In one go' },
  { value: '2', label: 'Half and half' },
] as const;

type InStages = (typeof IN_STAGES)[number]['value'];

/** Which marks go up in a step, by kind: “4 C1, 2 KC1”. */
const goingUp = (
  step: RaisingStep,
  { boards }: FrameMesh,
): { kind: ListedKind; marks: string[] }[] => {
  const own = new Set(step.members);
  return LISTED_KINDS.flatMap((kind) => {
    const marks = boards.filter((board) => board.kind === kind && own.has(board.id));
    const counts = new Map<string, number>();
    for (const { mark } of marks) counts.set(mark, (counts.get(mark) ?? 0) + 1);
    return counts.size === 0
      ? []
      : [{ kind, marks: [...counts].map(([mark, count]) => `${count} ${mark}`) }];
  });
};

const Told = ({ name, lines }: { readonly name: string; readonly lines: readonly string[] }) =>
  lines.length === 0 ? null : (
    <View className="gap-1">
      <Strong>{name}</Strong>
      {lines.map((line) => (
        <View key={line} className="flex-row gap-2">
          <Words aria-hidden className="text-soft">
            –
          </Words>
          <Words className="flex-1">{line}</Words>
        </View>
      ))}
    </View>
  );

/** The frame as it goes up, one step a time: what is set, what braces it, what is checked before the next. */
export const RaisingView = ({
  heightPx,
  onOpen,
}: {
  readonly heightPx: number;
  readonly onOpen: (mark: string) => void;
}) => {
  const terms = useTermsOf();
  const colours = useFrameColours();
  const [at, setAt] = useAddressed('step', 0, countOf);
  const [inStages, setInStages] = useAddressed<InStages>('stages', '1', oneOf('1', '2'));
  const stages: Stages = inStages === '2' ? 2 : 1;
  const mesh = useOfRoof(['mesh'], (solver, roof) => solver.mesh(roof))?.answer ?? null;
  const steps = useOfRoof(['raising', inStages], (solver, roof) =>
    solver.raising(roof, stages),
  )?.answer;
  const index = Math.min(at, Math.max(0, (steps?.length ?? 1) - 1));
  const step = steps?.[index];
  const looks = useMemo(() => {
    const now = new Set(step?.members);
    const before = new Set(steps?.slice(0, index).flatMap(({ members }) => members));
    return (mesh?.boards ?? []).map(({ id, kind }): BoardLook => {
      if (now.has(id)) return { as: 'wood', colour: colours.ofKind(kind) };
      return { as: before.has(id) ? 'wood' : 'none', colour: colours.back };
    });
  }, [mesh, steps, step, index, colours]);
  if (steps == null || step === undefined || mesh === null)
    return <Loading what="Working out the order …" />;
  const parts = goingUp(step, mesh);
  const boardOf = (id: string): string => mesh.boards.find((one) => one.id === id)?.mark ?? '';
  return (
    <FrameStage
      mesh={mesh}
      looks={looks}
      heightPx={heightPx}
      words={`The frame after step ${index + 1} of ${steps.length}: ${step.title}`}
      onPick={(id) => onOpen(boardOf(id))}
    >
      <View className="gap-3 px-2" testID="raising">
        <Stepped what="step" at={index} last={steps.length - 1} onAt={setAt}>
          <Small>
            Step {index + 1} of {steps.length}
            {stages === 2 ? ` · half ${step.stage}` : ''}
          </Small>
          <Title level={3}>{step.title}</Title>
        </Stepped>
        {index === 0 && (
          <Caution
            level="caution"
            text="An unbraced frame falls over: brace as you go, stop in wind, and let nobody stand under what is lifted. Braces and scaffolds are for licensed practice to size."
          />
        )}
        <Told name="Do" lines={step.does} />
        <Told name="Brace" lines={step.braces} />
        <Told name="Check before the next" lines={step.checks} />
        {parts.length > 0 && (
          <View className="gap-1">
            <Strong>Goes up</Strong>
            {parts.map(({ kind, marks }) => (
              <Small key={kind}>
                {kindName(kind, terms, true)}: {marks.join(', ')}
              </Small>
            ))}
          </View>
        )}
        <Choice
          label="How it is raised"
          value={inStages}
          options={IN_STAGES}
          onChange={(next) => {
            setInStages(next);
            setAt(0);
          }}
          help="Half and half: the first half is raised and sheathed before the second is begun, so that something is under cover."
        />
      </View>
    </FrameStage>
  );
};
