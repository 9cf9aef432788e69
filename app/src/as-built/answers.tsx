import { useState } from 'react';
import { View } from 'react-native';
import { useHandling, useJob } from '../data/open-job';
import { useSiteLog } from '../data/site-log';
import { Outlines } from '../draw/outlines';
import type { AsBuiltAnswer } from '../solver/answers';
import { Button } from '../ui/button';
import { Caution } from '../ui/caution';
import { Choice } from '../ui/choice';
import { Figure, Small, Strong, Words } from '../ui/text';
import { signed, tenth, type Display, type Taken } from './off';

/** What is packed where the roof is held as planned. */
const Packing = ({
  answer,
  heights,
  display,
}: {
  readonly answer: AsBuiltAnswer;
  readonly heights: readonly number[] | null;
  readonly display: Display;
}) => (
  <View className="gap-1" testID="packing">
    <Strong>Packing at each wall</Strong>
    {answer.packing.map(({ wall, atStart, atEnd }) => (
      <View
        key={wall}
        className="flex-row flex-wrap justify-between gap-x-3 border-t border-grain py-1"
      >
        <Words>Wall {wall + 1}</Words>
        <Figure>
          {signed(atStart, display)} … {signed(atEnd, display)}
        </Figure>
      </View>
    ))}
    <Small>
      From its start to its end, out from the wall to the planned line; less than 0 where the wall
      stands out past it and the ‹plate› is set in.
    </Small>
    {heights !== null && (
      <>
        <Strong>Packing under the plates</Strong>
        {heights.map((mm, i) => (
          <View key={i} className="flex-row justify-between gap-3 border-t border-grain py-1">
            <Words>Corner {i + 1}</Words>
            <Figure>{tenth(mm, display)}</Figure>
          </View>
        ))}
      </>
    )}
  </View>
);

/** So many marks are shown at first, those that move most. */
const FIRST_MARKS = 12;

const Marks = ({
  moved,
  display,
}: {
  readonly moved: AsBuiltAnswer['moved'];
  readonly display: Display;
}) => {
  const [all, setAll] = useState(false);
  const off = [...moved]
    .filter(({ was, is, after }) => after === null || Math.abs(is - was) >= 0.05)
    .sort((p, q) => Math.abs(q.is - q.was) - Math.abs(p.is - p.was));
  if (off.length === 0) return <Words>No mark changes.</Words>;
  return (
    <View testID="marks-moved">
      {off.slice(0, all ? undefined : FIRST_MARKS).map(({ mark, after, was, is }) => (
        <View key={mark} className="flex-row items-baseline gap-3 border-t border-grain py-1">
          <Figure className="w-14 text-chalk">{mark}</Figure>
          <Small className="flex-1">
            {after === null ? 'no longer there' : `to ${tenth(is, display)}`}
          </Small>
          <Figure>{after === null ? '–' : signed(is - was, display)}</Figure>
        </View>
      ))}
      {!all && off.length > FIRST_MARKS && (
        <Button label={`All ${off.length} marks`} onPress={() => setAll(true)} />
      )}
    </View>
  );
};

/** The two honest answers to a house that is not as planned. */
export const Answers = ({
  answer,
  heights,
  part,
  taken,
}: {
  readonly answer: AsBuiltAnswer;
  readonly heights: readonly number[] | null;
  readonly part: number;
  readonly taken: Taken;
}) => {
  const job = useJob();
  const { edit } = useHandling();
  const log = useSiteLog();
  const [way, setWay] = useState<'true' | 'square'>('true');
  const [done, setDone] = useState<string | null>(null);
  const { display } = job;
  const chosen = way === 'true' ? answer.framed : answer.heldSquare;
  const name = job.blocks[part]?.id ?? '';
  const take = (): void => {
    if (chosen === null) return;
    const said =
      way === 'true'
        ? `“${name}” framed to the plan as it stands`
        : `“${name}” held as planned, and packed`;
    if (chosen.changed && !edit((now) => ({ ...chosen.job, display: now.display }), said)) return;
    const reason = [...taken.values()].map(({ what, value }) => `${what} ${tenth(value, display)}`);
    void log.write({ kind: 'correction', said, reason: reason.join(', ').slice(0, 500) });
    setDone(said);
  };
  return (
    <View className="gap-3">
      <Outlines held={answer.held} built={answer.outline} />
      <View>
        {answer.corners.map(({ deg, plannedDeg, endOffMm }, i) => (
          <View
            key={i}
            className="flex-row flex-wrap justify-between gap-x-3 border-t border-grain py-1"
          >
            <Words>Corner {i + 1}</Words>
            <Figure>
              {deg.toFixed(2)}° ({deg >= plannedDeg ? '+' : '−'}
              {Math.abs(deg - plannedDeg).toFixed(2)}°), {tenth(endOffMm, display)} out
            </Figure>
          </View>
        ))}
      </View>
      <Choice
        label="What is done about it"
        value={way}
        options={[
          { value: 'true', label: 'Frame to the true plan' },
          { value: 'square', label: 'Hold as planned, pack' },
        ]}
        onChange={(next) => {
          setWay(next);
          setDone(null);
        }}
        help={
          way === 'true'
            ? 'Every piece is cut to where the ‹plates› are: no packing, more sorts of pieces.'
            : 'The roof is cut as planned and the ‹plates› are packed to it: the list stays simple, the packing is what carries.'
        }
      />
      {way === 'square' && <Packing answer={answer} heights={heights} display={display} />}
      {chosen === null ? (
        <Caution
          level="caution"
          text="This plan cannot be framed as it stands; see what Site says."
        />
      ) : (
        <>
          <Strong>What it does to the marks</Strong>
          <Marks moved={way === 'true' ? answer.moved : answer.movedHeld} display={display} />
          <Button
            label={way === 'true' ? 'Take the true plan' : 'Hold as planned'}
            look="filled"
            onPress={take}
            testID="take-as-built"
          />
        </>
      )}
      {done !== null && (
        <View
          role="status"
          className="rounded border border-chalk bg-wash p-3"
          testID="as-built-taken"
        >
          <Strong>{done}</Strong>
          <Small>It is in the log, with what was measured.</Small>
        </View>
      )}
    </View>
  );
};
