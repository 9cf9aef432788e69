import type { CutListEntry, RunningMarks } from '@ogee/core/src/cuts';
import type { Job } from '@ogee/core/src/job';
import { KINDS } from '@ogee/core/src/kinds';
import { capital } from '@ogee/core/src/terms';
import type { ReactNode } from 'react';
import { View } from 'react-native';
import { writeLength } from '../ui/length-entry';
import { Figure, Small, Strong } from '../ui/text';

/** One length that is set out on site: what it is, how it is found, and the figure. */
const Row = ({
  name,
  value,
  testID,
  children,
}: {
  readonly name: string;
  readonly value: string;
  readonly testID: string;
  readonly children: ReactNode;
}) => (
  <View className="flex-row items-center border-t border-grain py-2" testID={testID}>
    <View className="flex-1">
      <Strong>{name}</Strong>
      {children}
    </View>
    <Figure className="text-2xl">{value}</Figure>
  </View>
);

/** Running measurements of one tape, in the order in which they are marked, without moving it. */
const Running = ({
  tape: { on, from, at },
  display,
}: {
  readonly tape: RunningMarks;
  readonly display: Job['display'];
}) => (
  <View className="border-t border-grain py-2" testID={`running-${on}`}>
    <Strong>
      {on === 'rafter' ? '‹Purlins›, marked up each rafter' : 'Screws, marked up a roofing sheet'}
    </Strong>
    <Small>Middles, from {from}.</Small>
    <View role="list" className="flex-row flex-wrap gap-x-4 gap-y-1 pt-1">
      {at.map(({ mm, mark }) => (
        <Figure key={mm} role="listitem" className="text-lg">
          {writeLength(mm, display)} {mark}
        </Figure>
      ))}
    </View>
  </View>
);

/** What a timber is set out by beside its cuts: the height of its top, its level line, the set-back of its lip. */
/** How far each lip of a purlin is set back; once, where both are alike. */
const lipsOf = ({ cuts }: CutListEntry): { name: string; mm: number }[] => {
  const lips = cuts.flatMap(({ at, name, setBack: mm }) =>
    at === 'heel' && mm !== undefined ? [{ name, mm }] : [],
  );
  const [first] = lips;
  if (first === undefined) return [];
  const alike = lips.every(({ mm }) => Math.abs(mm - first.mm) < ALIKE_MM);
  return alike
    ? [{ name: 'Lip set back, along the ‹purlin›', mm: first.mm }]
    : lips.map(({ name, mm }) => ({ name: `${capital(name)}: set back`, mm }));
};

/** Set-backs nearer to each other than this are told as one. mm */
const ALIKE_MM = 0.05;

export const SetOut = ({
  entry,
  tapes,
  display,
}: {
  readonly entry: CutListEntry;
  readonly tapes: readonly RunningMarks[];
  readonly display: Job['display'];
}) => {
  const shown = (mm: number): string => writeLength(mm, display);
  const { kind, heights, level, setBack } = entry;
  if (heights === null && level === null && setBack === null && tapes.length === 0) return null;
  return (
    <View>
      {heights?.map(({ top, abovePlate, fall }) => (
        <Row
          key={top}
          name={`Top of the ‹${KINDS[kind].term}›, above its ‹plate›`}
          value={shown(abovePlate)}
          testID="ridge-height"
        >
          <Small>
            {shown(top)} above the main ‹plate›’s top
            {fall > 0 ? `; its other end ${shown(fall)} higher` : ''}
          </Small>
        </Row>
      ))}
      {level !== null && (
        <Row name="Bottom edge, above the ‹plate›" value={shown(level.bottom)} testID="tie-level">
          {level.alongRafter > 0 && (
            <Small>
              {shown(level.alongRafter)} up the rafter’s top edge from the ‹heel›’s plumb line
            </Small>
          )}
        </Row>
      )}
      {kind === 'sleeper' && setBack !== null && (
        <Row name="Outer edge, inside the chalk line" value={shown(setBack)} testID="set-back">
          <Small>
            Square to the line, on the roof below: a straight-edge down the tops of the rafters that
            stand on it then strikes the line.
          </Small>
        </Row>
      )}
      {lipsOf(entry).map(({ name, mm }) => (
        <Row key={name} name={name} value={shown(mm)} testID="set-back">
          <Small>
            A straight-edge held under the ‹hip› touches its side; the ‹purlins› meet on its middle,
            half its thickness further.
          </Small>
        </Row>
      ))}
      {tapes.map((tape) => (
        <Running key={tape.on} tape={tape} display={display} />
      ))}
    </View>
  );
};
