import { kindName } from '@ogee/core/src/kinds';
import type { CutEntry, CutListEntry, Working } from '@ogee/core/src/cuts';
import type { Job } from '@ogee/core/src/job';
import { formatDegrees } from '@ogee/core/src/units';
import {
  boardNeeded,
  complement,
  faceSetting,
  stepWords,
  type AngleWay,
} from '@ogee/core/src/wording';
import { View } from 'react-native';
import { tapeMarks } from '../draw/board';
import type { PieceAnswer } from '../solver/answers';
import { MarkTable } from './mark-table';
import { Choice } from '../ui/choice';
import { Fold } from '../ui/fold';
import { writeLength, writeStock } from '../ui/length-entry';
import { KindLine } from '../ui/kind-line';
import { Length } from '../ui/length';
import { Caution } from '../ui/caution';
import { Figure, Small, Strong, Title, Words } from '../ui/text';
import { handsText } from './cut-list';
import { useInHands } from './in-hands';
import { PieceBoard } from './piece-board';
import { SetOut } from './set-out';
import { SetOutFullSize } from './set-out-full-size';
import { Worked } from './working';

type Display = Job['display'];

interface SheetProps {
  readonly piece: PieceAnswer;
  readonly display: Display;
  /** How the crew marks an angle. */
  readonly way: AngleWay;
  /** On a wide screen the board lies over the full width, above the sheet. */
  readonly boardElsewhere?: boolean;
}

/** The numbers of a line and the chains they were computed by. */
interface NumberProps extends Pick<SheetProps, 'display'> {
  readonly entry: CutListEntry;
  readonly working: Working;
}

const LENGTHS = [
  ['body', 'Body', '‹heel› plumb line to the cut, on the ‹centre› line'],
  ['shortPoint', 'Short point', 'the same, to the shortest point across the thickness'],
  ['tail', 'Tail', 'heel plumb line to the tail, along the top edge'],
  ['blank', 'Board needed', 'the shortest square-ended board'],
  ['theory', 'Theory line', 'before anything is taken off'],
] as const;

/** The first number that a framer looks for, and the board to take for it. */
const LongPoint = ({ entry, working, display }: NumberProps) => (
  <Worked steps={working['length.longPoint'] ?? []} display={display} testID="worked-longPoint">
    <View className="shrink">
      <Small>
        Long point · {boardNeeded(entry.length.blank, display)} · touch any figure for its working
      </Small>
      <View testID="figure-longPoint">
        <Length mm={entry.length.longPoint} display={display} size="large" showLoss />
      </View>
    </View>
  </Worked>
);

const Lengths = ({ entry, working, display }: NumberProps) => (
  <View>
    {LENGTHS.filter(([field]) => field !== 'tail' || entry.length.tail > 0).map(
      ([field, name, what]) => (
        <View key={field} className="border-t border-grain">
          <Worked steps={working[`length.${field}`] ?? []} display={display}>
            <View className="flex-1">
              <Strong>{name}</Strong>
              <Small>{what}</Small>
            </View>
            <View className="items-end" testID={`figure-${field}`}>
              <Length mm={entry.length[field]} display={display} showLoss up={field === 'blank'} />
            </View>
          </Worked>
        </View>
      ),
    )}
  </View>
);

const Angle = ({
  name,
  deg,
  steps,
  display,
  shown,
}: {
  name: string;
  deg: number;
  steps: Working[string];
  display: Display;
  shown?: string;
}) => (
  <Worked steps={steps} display={display}>
    <Words className="flex-1">{name}</Words>
    <Figure className="text-2xl">{shown ?? formatDegrees(deg)}</Figure>
    <Small className="w-24 text-right">not {complement(deg)}</Small>
  </Worked>
);

const CutCard = ({
  cut,
  index,
  working,
  display,
}: {
  cut: CutEntry;
  index: number;
  working: Working;
  display: Display;
}) => {
  const steps = (field: string) => working[`cuts.${index}.${field}`] ?? [];
  const face = faceSetting(cut, display);
  return (
    <View className="border-t border-grain py-1" testID={`cut-${index}`}>
      <Strong>
        {cut.name} · {cut.at}
      </Strong>
      <Angle
        name="Line on the wide face"
        deg={cut.faceAngle}
        steps={steps('faceAngle')}
        display={display}
        shown={face.includes('/') ? `${face}  ${formatDegrees(cut.faceAngle)}` : face}
      />
      <Angle name="Saw tilt" deg={cut.faceTilt} steps={steps('faceTilt')} display={display} />
      {cut.faceTilt > 0.005 && (
        <>
          <Angle
            name="Or: line on the edge"
            deg={cut.edgeAngle}
            steps={steps('edgeAngle')}
            display={display}
          />
          <Angle
            name="Tilt, board on edge"
            deg={cut.edgeTilt}
            steps={steps('edgeTilt')}
            display={display}
          />
        </>
      )}
    </View>
  );
};

const Numbers = ({ entry, working, display }: NumberProps) => {
  const row = (name: string, field: string, text: string) => (
    <View key={field} className="border-t border-grain">
      <Worked steps={working[field] ?? []} display={display}>
        <Words className="flex-1">{name}</Words>
        <Figure className="text-2xl">{text}</Figure>
      </Worked>
    </View>
  );
  const { seat, upper, drop, backing } = entry;
  return (
    <View>
      {entry.slope > 0 && row('Slope of its axis', 'slope', formatDegrees(entry.slope, 2))}
      {entry.plan !== null &&
        row(
          'In plan, to the two eaves',
          'plan.0',
          entry.plan.map((deg) => formatDegrees(deg, 2)).join(' / '),
        )}
      {seat !== null && row('‹Height above plate›', 'seat.hap', writeLength(seat.hap, display))}
      {seat !== null && row('Seat, level', 'seat.width', writeLength(seat.width, display))}
      {seat !== null &&
        row('Notch, plumb', 'seat.plumbDepth', writeLength(seat.plumbDepth, display))}
      {upper !== null &&
        (
          [
            ['Heel to heel, along the slope', 'apart'],
            ['Over the upper wall: ‹height above plate›', 'hap'],
            ['Its seat, level', 'width'],
            ['Its notch, plumb', 'plumbDepth'],
            ['Upper tail, along the top edge', 'tail'],
          ] as const
        ).map(([name, field]) => row(name, `upper.${field}`, writeLength(upper[field], display)))}
      {drop !== null && drop > 0 && row('Drop', 'drop', writeLength(drop, display))}
      {backing !== null &&
        row(
          'Backing, each side',
          'backing.0',
          backing.map((deg) => formatDegrees(deg)).join(' / '),
        )}
    </View>
  );
};

/** Everything to saw one kind of piece: the marked board, the steps of the hands, each number with its working. */
export const PieceSheet = ({ piece, display, way, boardElsewhere = false }: SheetProps) => {
  const { entry, notes, board, working, steps } = piece;
  const { hands } = entry;
  const { hand, handed, mirrored, shown, setHand, setShown, more, setMore } = useInHands(piece);
  const marks = tapeMarks({ board, cuts: entry.cuts, mirrored, display });
  return (
    <View className="gap-4" testID="piece-sheet">
      <View>
        <View className="flex-row items-center gap-3">
          <Title level={1}>{entry.mark}</Title>
          <Title>{kindName(entry.kind, display.terms)}</Title>
          <KindLine kind={entry.kind} />
        </View>
        <Words>
          {entry.count} off{handed ? ` (${handsText(entry)})` : ''} ·{' '}
          {writeStock(entry.stock, display)}
        </Words>
      </View>
      <LongPoint entry={entry} working={working} display={display} />
      <SetOut entry={entry} tapes={piece.tapes} display={display} />
      {notes.map((note, i) => (
        <Caution key={i} level={note.level} text={note.text} />
      ))}
      {hands.left > 0 && hands.right > 0 && (
        <Choice
          label="Hand"
          hideLabel
          value={hand}
          options={[
            { value: 'left', label: `Left · ${hands.left}` },
            { value: 'right', label: `Right · ${hands.right}` },
          ]}
          onChange={setHand}
        />
      )}
      {!boardElsewhere && <PieceBoard piece={piece} display={display} />}
      <MarkTable marks={marks} shown={shown} display={display} onShow={setShown} />
      <View>
        <Title level={3}>Steps</Title>
        {stepWords(mirrored ? steps.mirrored : steps.drawn, entry.mark, { display, way }).map(
          (step, i) => (
            <View key={i} className="flex-row gap-3 border-t border-grain py-2">
              <Figure className="w-6 text-2xl text-soft">{i + 1}</Figure>
              <Words className="flex-1">{step}</Words>
            </View>
          ),
        )}
      </View>
      <Caution
        level="caution"
        text="Clamp the board, keep the cord and the other hand behind the saw, and let the guard close. A tilted saw binds sooner."
      />
      <SetOutFullSize developments={piece.developments} />
      <Fold
        title="Every figure"
        what="lengths, angles and the rest, each with its working"
        open={more}
        onOpen={setMore}
        testID="every-figure"
      >
        <View className="gap-4">
          <Lengths entry={entry} working={working} display={display} />
          <View>
            <Title level={3}>Cuts and their angles</Title>
            {entry.cuts.map((cut, i) => (
              <CutCard key={i} cut={cut} index={i} working={working} display={display} />
            ))}
          </View>
          <Numbers entry={entry} working={working} display={display} />
        </View>
      </Fold>
    </View>
  );
};
