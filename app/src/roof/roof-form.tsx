import {
  heightAtWall,
  pitchText,
  withHeightAtWall,
  withPosts,
  withSide,
  withSidesAlike,
  type Block,
  type Job,
  type Side,
} from '@ogee/core/src/job';
import { View } from 'react-native';
import { useHandling, useJob, useProblems } from '../data/open-job';
import { countOf, useAddressed } from '../nav/addressed';
import { BlockChoice } from '../site/block-choice';
import { Button } from '../ui/button';
import { ChoiceField, LengthField, PitchField } from '../form/fields';
import { Small, Title } from '../ui/text';
import { Breaks } from './breaks';
import { Dormers } from './dormers';
import { EaveProblem } from './eave-problem';
import { Stock } from '../timber/stock-fields';
import { Existing, Join } from './join';
import { Openings } from './openings';
import { AtWall, EaveBlocks, GableEnds } from './roof-edges';
import { Gablet } from './gablet';
import { HighPlate } from './high-plate';
import { RoofingFields } from './roofing';
import { SheathingFields } from './sheathing';

type Kind = Side['roof'];
type Eave = Extract<Side, { roof: 'eave' }>;

const WAYS: readonly { readonly value: Kind; readonly label: string }[] = [
  { value: 'eave', label: 'Eave' },
  { value: 'gable', label: 'Gable' },
  { value: 'wall', label: 'Against a wall' },
  { value: 'high', label: 'Over a high wall' },
];

const sideOf = (block: Block, wall: number, roof: Kind, before: Side | undefined): Side => {
  const now = block.sides[wall];
  if (roof === 'eave' && before !== undefined) return before;
  const overhang = now !== undefined && 'overhang' in now ? now.overhang : 0;
  if (roof === 'eave') return { roof, pitch: pitchText(block, wall), overhang };
  return roof === 'gable' || roof === 'high' ? { roof, overhang } : { roof };
};

/** Whether every eave of a part has the pitch and the breaks of this one. */
const alike = (block: Block, { pitch, breaks }: Eave): boolean =>
  block.sides.every(
    (side) =>
      side.roof !== 'eave' ||
      JSON.stringify([side.pitch, side.breaks]) === JSON.stringify([pitch, breaks]),
  );

/** What an eave stands on: its wall, or posts under a beam. */
const Posts = ({ index, wall, side }: { index: number; wall: number; side: Eave }) => {
  const job = useJob();
  const { edit } = useHandling();
  const { posts } = side;
  const path = `blocks.${index}.sides.${wall}.posts`;
  const set = (change: Partial<NonNullable<Eave['posts']>>) =>
    edit((now) =>
      withSide(now, index, wall, (was) =>
        was.roof === 'eave' && was.posts !== undefined
          ? { ...was, posts: { ...was.posts, ...change } }
          : was,
      ),
    );
  return (
    <>
      <ChoiceField
        label={`Wall ${wall + 1} stands on`}
        value={posts === undefined ? 'wall' : 'posts'}
        options={[
          { value: 'wall', label: 'A wall' },
          { value: 'posts', label: '‹Posts› and a ‹beam›' },
        ]}
        onChange={(way) => edit((now) => withPosts(now, index, wall, way === 'posts'))}
      />
      {posts !== undefined && (
        <>
          <View className="flex-row gap-3">
            <View className="flex-1">
              <LengthField
                label="‹Plate› above ground"
                of={`Wall ${wall + 1}`}
                path={`${path}.height`}
                value={posts.height}
                onValue={(height) => set({ height })}
              />
            </View>
            <View className="flex-1">
              <LengthField
                label="‹Posts›, at most apart"
                of={`Wall ${wall + 1}`}
                path={`${path}.spacing`}
                value={posts.spacing}
                onValue={(spacing) => set({ spacing })}
              />
            </View>
          </View>
          <Stock name="beam" />
          <Stock name="post" />
          {job.timber.beam !== undefined && (
            <Small>
              The ‹posts› are as long as the ‹plate› is high, less the ‹plate› and the ‹beam›.
              Footings, braces against leaning and what holds it down in wind are for the local code
              or an engineer.
            </Small>
          )}
        </>
      )}
    </>
  );
};

/** One wall of a part: what the roof does there, its pitch, its overhang. */
const Wall = ({ index, wall, block }: { index: number; wall: number; block: Block }) => {
  const job = useJob();
  const { edit, eavesBefore } = useHandling();
  const { problemAt } = useProblems();
  const side = block.sides[wall];
  if (side === undefined) return null;
  const path = `blocks.${index}.sides.${wall}`;
  const high = heightAtWall(job, index, wall);
  const problem = problemAt(`${path}.roof`) ?? problemAt(path);
  const name = `Wall ${wall + 1}`;
  const change = (to: (side: Side) => Side) => edit((now) => withSide(now, index, wall, to));
  const firstEave = block.sides.findIndex(({ roof }) => roof === 'eave');
  const worked = job.framing.levelFascia !== undefined && wall !== firstEave;
  const options =
    side.roof === 'open' ? [...WAYS, { value: 'open' as const, label: 'Open, inside' }] : WAYS;
  return (
    <View className="gap-2 rounded border border-grain p-3">
      <ChoiceField
        label={name}
        value={side.roof}
        options={options}
        onChange={(roof) => {
          if (side.roof === 'eave') eavesBefore.set(`${block.id} ${wall}`, side);
          change(() => sideOf(block, wall, roof, eavesBefore.get(`${block.id} ${wall}`)));
        }}
      />
      {problem !== undefined && <Small className="text-pencil">{problem}</Small>}
      <View className="flex-row gap-3">
        {side.roof === 'eave' && (
          <View className="flex-1">
            <PitchField
              label={`Pitch at wall ${wall + 1}`}
              path={`${path}.pitch`}
              value={pitchText(block, wall)}
              onValue={(pitch) => change((now) => (now.roof === 'eave' ? { ...now, pitch } : now))}
            />
          </View>
        )}
        {'overhang' in side && !(side.roof === 'eave' && worked) && (
          <View className="flex-1">
            <LengthField
              label={`Overhang at wall ${wall + 1}`}
              size="timber"
              path={`${path}.overhang`}
              value={side.overhang}
              onValue={(overhang) => change((now) => ({ ...now, overhang }))}
            />
          </View>
        )}
        {side.roof === 'eave' && worked && (
          <Small className="flex-1 self-center">
            Overhang worked out from wall {firstEave + 1}, so that the ‹fascias› are level.
          </Small>
        )}
      </View>
      {high !== null && (
        <LengthField
          label={`Rafters’ tops at wall ${wall + 1}, above the ‹plate›`}
          path={`${path}.roof`}
          value={high}
          onValue={(mm) => edit((now) => withHeightAtWall(now, index, wall, mm))}
          help="What the pitch comes to at the wall. Given the height instead, the pitch is worked out from it."
        />
      )}
      {side.roof === 'high' && <HighPlate index={index} wall={wall} />}
      {side.roof === 'eave' && <Posts index={index} wall={wall} side={side} />}
      {side.roof === 'eave' && <Breaks index={index} wall={wall} side={side} />}
      {side.roof === 'eave' && <Gablet index={index} wall={wall} side={side} block={block} />}
      {side.roof === 'eave' && !alike(block, side) && (
        <Button
          label={`Every eave of this part like wall ${wall + 1}`}
          onPress={() =>
            edit(
              (now) => withSidesAlike(now, index, wall),
              `Every eave of ${block.id} like wall ${wall + 1}`,
            )
          }
        />
      )}
    </View>
  );
};

type Fascia = NonNullable<Job['framing']['levelFascia']> | 'as-typed';

const FasciaSchool = () => {
  const job = useJob();
  const { edit } = useHandling();
  const set = (school: Fascia) =>
    edit((now) => {
      const { levelFascia: _before, ...framing } = now.framing;
      return {
        ...now,
        framing: school === 'as-typed' ? framing : { ...framing, levelFascia: school },
      };
    });
  return (
    <ChoiceField
      label="‹Fascia› line, where pitches differ"
      value={job.framing.levelFascia ?? 'as-typed'}
      options={[
        { value: 'vary-overhang', label: 'Vary the overhang' },
        { value: 'raise-plate', label: 'Raise the ‹plate›' },
        { value: 'as-typed', label: 'As typed' },
      ]}
      onChange={set}
      help="To keep one ‹fascia› line round a part: a steeper side takes a shorter ‹overhang› and the ‹hip› still passes over the ‹plate›’s corner (the default), or its ‹plate› is raised and the overhangs stay alike. As typed, the ‹fascias› may not meet."
    />
  );
};

/** What shape it is: each wall of each part, and the eave in section. */
export const RoofForm = () => {
  const job = useJob();
  const { edit } = useHandling();
  const [wanted, setWanted] = useAddressed('part', 0, countOf);
  const index = Math.min(wanted, job.blocks.length - 1);
  const block = job.blocks[index];
  if (block === undefined) return null;
  return (
    <View className="gap-6">
      <View className="gap-3">
        <Title>Walls</Title>
        <Small>
          A wall under an eave carries rafters; a gable wall runs up to the slope; a roof leans
          against a wall, or passes over a high one. Where two ‹eaves› meet, a ‹hip› stands on the
          corner.
        </Small>
        <BlockChoice index={index} onIndex={setWanted} />
        <Existing index={index} />
        <Join index={index} />
        {block.sides.map((_, wall) => (
          <Wall key={`${index} ${wall}`} index={index} wall={wall} block={block} />
        ))}
        <FasciaSchool />
      </View>
      <View className="gap-2">
        <GableEnds />
        <AtWall />
        <Title>The eave in section</Title>
        <EaveProblem index={index} />
        <EaveBlocks />
        <ChoiceField
          label="Tail"
          value={job.framing.tail}
          options={[
            { value: 'plumb', label: 'Plumb' },
            { value: 'square', label: 'Square' },
          ]}
          onChange={(tail) => edit((now) => ({ ...now, framing: { ...now.framing, tail } }))}
          help="Plumb takes a plumb ‹fascia› and a level soffit, and is the default; square is quicker to cut and leans the ‹fascia›."
        />
        {job.timber.fascia !== undefined && (
          <LengthField
            label="‹Fascias› left long at each end, by"
            size="timber"
            path="framing.fasciaLong"
            value={job.framing.fasciaLong ?? 0}
            onValue={(fasciaLong) =>
              edit((now) => ({ ...now, framing: { ...now.framing, fasciaLong } }))
            }
            help="To be cut in place, mitres too, once they hang on the tails; 0 saws them to length on the ground. The boards to order are so much longer."
          />
        )}
      </View>
      <Openings index={index} />
      <Dormers index={index} />
      <SheathingFields />
      <RoofingFields />
    </View>
  );
};
