import {
  asBuiltPath,
  levelPacking,
  newestMeasured,
  oneOff,
  sidesOff,
  SIZED,
  type Off,
} from '@ogee/core/src/as-built';
import { ridgeHeight, type Block, type Job } from '@ogee/core/src/job';
import { kindName } from '@ogee/core/src/kinds';
import type { Measurement, Source } from '@ogee/core/src/log';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { useOpenJob } from '../data/open-job';
import { useRoof } from '../data/roof';
import { useSiteLog } from '../data/site-log';
import { InstrumentList } from '../instruments/instrument-list';
import { LogMark } from '../log/log-mark';
import { countOf, useAddressed } from '../nav/addressed';
import { BlockChoice } from '../site/block-choice';
import type { AsBuiltAnswer } from '../solver/answers';
import { Button } from '../ui/button';
import { Caution } from '../ui/caution';
import { Choice } from '../ui/choice';
import { LengthField } from '../ui/fields';
import { Fold } from '../ui/fold';
import { writeLength } from '../ui/length-entry';
import { Figure, Small, Strong, Title, Words } from '../ui/text';
import { MeasuredField } from './measured-field';
import { Outlines } from '../draw/outlines';

type Display = Job['display'];
type Taken = ReadonlyMap<string, Measurement>;

const DEFAULT_TOLERANCE_MM = 3;

const tenth = (mm: number, display: Display): string =>
  writeLength(Math.round(Math.abs(mm) * 10) / 10, display);

const signed = (mm: number, display: Display): string =>
  Math.abs(mm) < 0.05 ? writeLength(0, display) : `${mm > 0 ? '+' : '−'}${tenth(mm, display)}`;

/** Writes what was measured into the log. */
type Write = (off: Off, what: string) => (mm: number, source: Source) => void;

interface PartProps {
  readonly block: Block;
  readonly taken: Taken;
  readonly display: Display;
  readonly toleranceMm: number;
  readonly write: Write;
}

const Sides = ({ block, taken, display, toleranceMm, write }: PartProps) => {
  const { walls, diagonals } = sidesOff(block, taken);
  return (
    <View className="gap-3">
      <Title className="text-xl">Walls and diagonals</Title>
      {walls.map((off, i) => (
        <MeasuredField
          key={off.path}
          label={`Wall ${i + 1}`}
          off={off}
          display={display}
          toleranceMm={toleranceMm}
          onMeasured={write(off, `${block.id}, wall ${i + 1}`)}
        />
      ))}
      {diagonals.map((off, i) => (
        <MeasuredField
          key={off.path}
          label={`Diagonal, corner 1 to corner ${i + 3}`}
          off={off}
          display={display}
          toleranceMm={toleranceMm}
          onMeasured={write(off, `${block.id}, diagonal 1 to ${i + 3}`)}
        />
      ))}
    </View>
  );
};

const Heights = ({
  block,
  taken,
  display,
  toleranceMm,
  write,
  job,
  part,
}: PartProps & {
  readonly job: Job;
  readonly part: number;
}) => {
  const ridge = ridgeHeight(job, part);
  const ridgeOff = ridge === null ? null : oneOff(taken, asBuiltPath.ridge(block.id), ridge);
  return (
    <View className="gap-3">
      <Title className="text-xl">Heights</Title>
      {block.outline.map((_, i) => {
        const off = oneOff(taken, asBuiltPath.plate(block.id, i), 0);
        return (
          <MeasuredField
            key={off.path}
            label={`‹Plate› at corner ${i + 1}`}
            off={off}
            display={display}
            size="timber"
            toleranceMm={toleranceMm}
            {...(i === 0 ? { help: 'over one level, the same for all corners' } : {})}
            onMeasured={write(off, `${block.id}, plate at corner ${i + 1}`)}
          />
        );
      })}
      {ridgeOff !== null && (
        <MeasuredField
          label="Top of the ‹ridge› over the ‹plate›"
          off={ridgeOff}
          display={display}
          toleranceMm={toleranceMm}
          onMeasured={write(ridgeOff, `${block.id}, top of the ridge`)}
        />
      )}
    </View>
  );
};

const Timbers = ({
  job,
  taken,
  display,
  write,
}: Pick<PartProps, 'taken' | 'display' | 'write'> & { readonly job: Job }) => (
  <View className="gap-3">
    <Title className="text-xl">Timber</Title>
    <Small>What the yard sent, measured at both ends: wet timber is thicker, planed thinner.</Small>
    {SIZED.map((name) => {
      const stock = job.timber[name];
      if (stock === undefined) return null;
      const kind = kindName(name, display.terms);
      const of = (size: 'thickness' | 'depth' | 'twist', planned: number) =>
        oneOff(taken, asBuiltPath.timber(name, size), planned);
      const rows = [
        [`${kind}, thickness`, of('thickness', stock.thickness)],
        [`${kind}, depth`, of('depth', stock.depth)],
        [`${kind}, twist from end to end`, of('twist', 0)],
      ] as const;
      return rows.map(([label, off]) => (
        <MeasuredField
          key={off.path}
          label={label}
          off={off}
          display={display}
          size="timber"
          toleranceMm={1}
          {...(off.path.endsWith('twist')
            ? { help: 'how far one edge stands off a flat floor over its depth' }
            : {})}
          onMeasured={write(off, label)}
        />
      ));
    })}
  </View>
);

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
const Answers = ({
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
  const { job, edit } = useOpenJob();
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

const measuredHeights = (block: Block, taken: Taken): readonly number[] | null => {
  const heights = block.outline.map((_, i) => taken.get(asBuiltPath.plate(block.id, i))?.value);
  return heights.every((mm) => mm !== undefined) ? heights : null;
};

/** What stands, measured against the plan: how far it is off, what that does to the marks, and what is done about it. */
export const AsBuiltScreen = () => {
  const { job, edit } = useOpenJob();
  const { roof, ask } = useRoof();
  const log = useSiteLog();
  const [wanted, setWanted] = useAddressed('part', 0, countOf);
  const [timbers, showTimbers] = useState(false);
  const part = Math.min(wanted, job.blocks.length - 1);
  const block = job.blocks[part];
  const taken = useMemo(() => newestMeasured(log.entries), [log.entries]);
  const toleranceMm = job.framing.tolerance ?? DEFAULT_TOLERANCE_MM;
  const measured = [...taken.values()].map(({ id }) => id).join();
  const { data: answer } = useQuery({
    queryKey: ['as built', roof?.serial ?? 0, part, measured],
    queryFn: async () =>
      roof === null
        ? null
        : ask(roof, (solver, subject) => solver.asBuilt(subject, part, [...taken.values()])),
    enabled: roof !== null && taken.size > 0,
    placeholderData: keepPreviousData,
    gcTime: 0,
    networkMode: 'always',
  });
  if (block === undefined) return null;
  const write: Write = (off, what) => (value, source) => {
    void log.write({
      kind: 'measurement',
      what,
      path: off.path,
      value,
      unit: 'mm',
      planned: off.planned,
      source,
    });
  };
  const props = { block, taken, display: job.display, toleranceMm, write };
  const heights = measuredHeights(block, taken);
  return (
    <View className="gap-5" testID="as-built">
      <View>
        <Title level={1}>As built</Title>
        <Small>
          Measure before the first piece is sawn: a plan that is out of square costs weeks later.
          Each figure goes into the log.
        </Small>
      </View>
      <LogMark log={log} />
      <BlockChoice index={part} onIndex={setWanted} />
      <LengthField
        size="timber"
        label="May be off by"
        path="framing.tolerance"
        value={toleranceMm}
        onValue={(tolerance) => edit((now) => ({ ...now, framing: { ...now.framing, tolerance } }))}
        help="What is off by more is marked."
      />
      <InstrumentList />
      <Sides {...props} />
      <Heights {...props} job={job} part={part} />
      <Fold
        title="Timber as it came"
        level={2}
        what="thickness, depth, twist"
        open={timbers}
        onOpen={showTimbers}
        testID="timbers-as-built"
      >
        {timbers && <Timbers {...props} job={job} />}
      </Fold>
      {answer != null &&
        (answer.problem === null ? (
          <Answers
            key={part}
            answer={answer}
            heights={heights === null ? null : levelPacking(heights)}
            part={part}
            taken={taken}
          />
        ) : (
          <Caution level="caution" text={answer.problem} />
        ))}
    </View>
  );
};
