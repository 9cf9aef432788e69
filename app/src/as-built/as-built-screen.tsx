import { asBuiltPath, levelPacking, newestMeasured } from '@ogee/core/src/as-built';
import type { Block } from '@ogee/core/src/job';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { useHandling, useJob } from '../data/open-job';
import { useRoof } from '../data/roof';
import { useSiteLog } from '../data/site-log';
import { InstrumentList } from '../instruments/instrument-list';
import { LogMark } from '../log/log-mark';
import { countOf, useAddressed } from '../nav/addressed';
import { BlockChoice } from '../site/block-choice';
import { Caution } from '../ui/caution';
import { LengthField } from '../form/fields';
import { Fold } from '../ui/fold';
import { Small, Title } from '../ui/text';
import { Answers } from './answers';
import type { Taken, Write } from './off';
import { Heights, Sides, Timbers } from './parts';

const DEFAULT_TOLERANCE_MM = 3;

const measuredHeights = (block: Block, taken: Taken): readonly number[] | null => {
  const heights = block.outline.map((_, i) => taken.get(asBuiltPath.plate(block.id, i))?.value);
  return heights.every((mm) => mm !== undefined) ? heights : null;
};

/** What stands, measured against the plan: how far it is off, what that does to the marks, and what is done about it. */
export const AsBuiltScreen = () => {
  const job = useJob();
  const { edit } = useHandling();
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
