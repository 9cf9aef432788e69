import {
  braceWay,
  firstBrace,
  hipCorners,
  withBraces,
  type Block,
  type BraceWay,
  type Job,
} from '@ogee/core/src/job';
import { useState } from 'react';
import { View } from 'react-native';
import { useHandling, useJob, useProblems } from '../data/open-job';
import { ChoiceField, LengthField } from '../form/fields';
import { Caution } from '../ui/caution';
import { Title } from '../ui/text';
import { Stock } from './stock-fields';

const indexOf = (job: Job, block: string, corner: number): number =>
  job.hipBraces?.findIndex((one) => one.block === block && one.corner === corner) ?? -1;

/** The figures of braces set alike, of the first of them. */
const Figures = ({
  path,
  way,
  onWay,
}: {
  readonly path: string;
  readonly way: BraceWay;
  readonly onWay: (way: BraceWay) => void;
}) => (
  <>
    <LengthField
      label="Head, along the ‹hip› in plan"
      of="‹Hip brace›"
      path={`${path}.at`}
      value={way.at}
      onValue={(at) => onWay({ ...way, at })}
      help="Level, from the ‹plates›’ outside corner to the middle of the brace’s head."
    />
    <LengthField
      label="Foot, along the ‹hip› in plan"
      of="‹Hip brace›"
      path={`${path}.foot`}
      value={way.foot}
      onValue={(foot) => onWay({ ...way, foot })}
      help="To the middle of the foot: on a bearing wall or a tie beam under the ‹hip›."
    />
    <LengthField
      label="Top of what it stands on, above the ‹plate›"
      of="‹Hip brace›"
      path={`${path}.level`}
      value={way.level ?? 0}
      onValue={(level) => onWay({ ...way, level })}
      help="A wall lower than the plate: with a minus."
    />
  </>
);

/** What is wrong with a brace as a whole, or with its corner. */
const Amiss = ({ path }: { readonly path: string }) => {
  const { problemAt } = useProblems();
  const problem = problemAt(path) ?? problemAt(`${path}.corner`);
  return problem === undefined ? null : <Caution level="caution" text={problem} />;
};

const AtCorner = ({ block, corner }: { readonly block: Block; readonly corner: number }) => {
  const job = useJob();
  const { edit } = useHandling();
  const way = braceWay(job, block.id, corner);
  const path = `hipBraces.${indexOf(job, block.id, corner)}`;
  const before = (corner + block.sides.length - 1) % block.sides.length;
  const set = (next: BraceWay | null) => edit((now) => withBraces(now, block.id, [corner], next));
  return (
    <View className="gap-3">
      <ChoiceField
        label={`Under the ‹hip› between walls ${before + 1} and ${corner + 1}`}
        value={way === null ? 'none' : 'brace'}
        options={[
          { value: 'none', label: 'Nothing' },
          { value: 'brace', label: 'A brace' },
        ]}
        onChange={(next) => set(next === 'none' ? null : firstBrace(job, block))}
      />
      {way !== null && (
        <>
          <Figures path={path} way={way} onWay={set} />
          <Amiss path={path} />
        </>
      )}
    </View>
  );
};

type Choice = 'none' | 'alike' | 'each';

const OfPart = ({ block, named }: { readonly block: Block; readonly named: boolean }) => {
  const job = useJob();
  const { edit } = useHandling();
  const [byThemselves, setByThemselves] = useState(false);
  const corners = hipCorners(job, block);
  const ways = corners.map((corner) => braceWay(job, block.id, corner));
  const [first = null] = ways;
  const alike = ways.every((way) => JSON.stringify(way) === JSON.stringify(first));
  const choice: Choice = byThemselves || !alike ? 'each' : first === null ? 'none' : 'alike';
  const set = (next: BraceWay | null) => edit((now) => withBraces(now, block.id, corners, next));
  const choose = (next: Choice): void => {
    setByThemselves(next === 'each');
    if (next === 'none') set(null);
    else if (next === 'alike') set(ways.find((way) => way !== null) ?? firstBrace(job, block));
  };
  const path = `hipBraces.${indexOf(job, block.id, corners[0] ?? 0)}`;
  return (
    <View className="gap-3">
      <ChoiceField
        label={named ? `Under the ‹hips› of “${block.id}”` : 'Under the ‹hips›'}
        value={choice}
        options={[
          { value: 'none', label: 'Nothing' },
          { value: 'alike', label: 'A brace each' },
          { value: 'each', label: 'Hip by hip' },
        ]}
        onChange={choose}
        help="A ‹hip brace› leans from the ‹hip›’s underside down to a bearing wall or a tie beam, in the ‹hip›’s own plumb plane. What it lands on must carry it: ask an engineer."
      />
      {choice === 'alike' && first !== null && (
        <>
          <Figures path={path} way={first} onWay={set} />
          {corners.map((corner) => (
            <Amiss key={corner} path={`hipBraces.${indexOf(job, block.id, corner)}`} />
          ))}
        </>
      )}
      {choice === 'each' &&
        corners.map((corner) => <AtCorner key={corner} block={block} corner={corner} />)}
    </View>
  );
};

/** Braces from hips down to walls or tie beams. */
export const HipBracesFields = () => {
  const job = useJob();
  const parts = job.blocks.filter((block) => hipCorners(job, block).length > 0);
  if (parts.length === 0) return null;
  // Struts under purlins have the size asked for already.
  const strutted = job.purlins.some(({ struts }) => struts !== undefined);
  return (
    <>
      <Title asked>‹Hip braces›</Title>
      {parts.map((block) => (
        <OfPart key={block.id} block={block} named={job.blocks.length > 1} />
      ))}
      {job.hipBraces !== undefined && !strutted && <Stock name="strut" />}
    </>
  );
};
