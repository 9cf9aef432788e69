import { newId } from '../browser/new-id';
import {
  dormersOf,
  withDormer,
  withDormerAs,
  withDormerRoof,
  writtenPitch,
  type Block,
  type Dormer,
  type ShedWay,
} from '@ogee/core/src/job';
import { View } from 'react-native';
import { useHandling, useJob, useProblems } from '../data/open-job';
import { Stock } from '../timber/stock-fields';
import { Button } from '../ui/button';
import { Caution } from '../ui/caution';
import { ChoiceField, LengthField, PitchField } from '../form/fields';
import { Small, Title } from '../ui/text';
import { AlongWall } from './along-wall';

/** How its roof is, and how that comes to its pitch. */
const DormerRoof = ({ dormer, index, block }: { dormer: Dormer; index: number; block: Block }) => {
  const { edit } = useHandling();
  const path = `dormers.${index}`;
  const number = index + 1;
  const side = block.sides[dormer.side];
  const way: 'gable' | ShedWay =
    dormer.roof === 'gable' ? 'gable' : dormer.top === undefined ? 'pitch' : 'top';
  const own = dormer.pitch ?? (side?.roof === 'eave' ? side.pitch : undefined);
  return (
    <View className="gap-3">
      <ChoiceField
        label={`Roof of dormer ${number}`}
        value={way}
        options={[
          { value: 'gable', label: 'Gable' },
          { value: 'pitch', label: 'Shed, by pitch' },
          { value: 'top', label: 'Shed, by its top' },
        ]}
        onChange={(next) => edit((now) => withDormerRoof(now, index, next))}
        help="A gable’s ridge runs level into the slope; a shed is one slope, shallower than the roof it stands on. Its pitch is given, or falls out of where it comes down."
      />
      {way === 'top' ? (
        <LengthField
          label="Comes down, in from the ‹plate›"
          of={`Dormer ${number}`}
          path={`${path}.top`}
          value={dormer.top ?? 0}
          onValue={(top) => edit((now) => withDormerAs(now, index, { top }))}
        />
      ) : (
        own !== undefined && (
          <PitchField
            label="Its own pitch"
            of={`Dormer ${number}`}
            path={`${path}.pitch`}
            value={writtenPitch(own)}
            onValue={(pitch) => edit((now) => withDormerAs(now, index, { pitch }))}
          />
        )
      )}
    </View>
  );
};

/** One dormer: where it stands, how high, what roof it has. */
const OneDormer = ({ dormer, index, block }: { dormer: Dormer; index: number; block: Block }) => {
  const { edit } = useHandling();
  const { problemAt } = useProblems();
  const path = `dormers.${index}`;
  const number = index + 1;
  const name = `Dormer ${number}`;
  const set = (change: Partial<Dormer>) => edit((now) => withDormerAs(now, index, change));
  const { side, along, face, plate, overhang, rake } = dormer;
  const said = [problemAt(path), problemAt(`${path}.along`)].filter((one) => one !== undefined);
  return (
    <View className="gap-3 rounded border border-grain p-3" testID={`dormer-${index}`}>
      <Title level={3}>{name}</Title>
      {said.map((text) => (
        <Caution key={text} level="caution" text={text} />
      ))}
      <AlongWall
        name={name}
        path={path}
        block={block}
        side={side}
        along={along}
        wide="Width over cheeks"
        onSide={(next) => set({ side: next })}
        onAlong={(next) => set({ along: next })}
      />
      <View className="flex-row gap-3">
        <View className="flex-1">
          <LengthField
            label="Front, in from the ‹plate›"
            of={name}
            path={`${path}.face`}
            value={face}
            onValue={(mm) => set({ face: mm })}
          />
        </View>
        <View className="flex-1">
          <LengthField
            label="Its ‹plate› over the main one"
            of={name}
            path={`${path}.plate`}
            value={plate}
            onValue={(mm) => set({ plate: mm })}
          />
        </View>
      </View>
      {face === 0 && (
        <Small asked>
          In line with the wall below: no rafters stand before it, and ‹false tails› carry the
          ‹eave› on.
        </Small>
      )}
      <DormerRoof dormer={dormer} index={index} block={block} />
      <View className="flex-row gap-3">
        <View className="flex-1">
          <LengthField
            label="‹Overhang› at its ‹eaves›"
            of={name}
            path={`${path}.overhang`}
            value={overhang}
            onValue={(mm) => set({ overhang: mm })}
          />
        </View>
        <View className="flex-1">
          <LengthField
            label={dormer.roof === 'gable' ? 'At its ‹gable›' : 'Over its cheeks'}
            of={name}
            path={`${path}.rake`}
            value={rake}
            onValue={(mm) => set({ rake: mm })}
          />
        </View>
      </View>
      <Button
        label={`Take dormer ${number} away`}
        onPress={() => edit((now) => withDormerAs(now, index, null), `${name} taken away`)}
      />
    </View>
  );
};

/** Dormers on the slopes of a part. */
export const Dormers = ({ index }: { readonly index: number }) => {
  const job = useJob();
  const { edit } = useHandling();
  const block = job.blocks[index];
  if (block === undefined) return null;
  const own = dormersOf(job, block.id);
  return (
    <View className="gap-3">
      <Title>Dormers</Title>
      <Small asked>
        A small roof laid on the sheathing, over an opening of its own, doubled ‹trimmers› under its
        cheeks. Its ‹cheek studs› stand on the sheathing; its front wall is a wall of the house.
      </Small>
      {own.map((one) => (
        <OneDormer key={one.index} dormer={one.dormer} index={one.index} block={block} />
      ))}
      <Button
        label="A dormer on this part"
        testID="add-dormer"
        onPress={() => edit((now) => withDormer(now, index, newId()), 'A dormer')}
      />
      {own.length > 0 && job.timber.cheekStud !== undefined && <Stock name="cheekStud" />}
      {own.length > 0 && job.timber.cheekStud === undefined && (
        <Button
          label="‹Cheek studs› of a size of their own"
          onPress={() =>
            edit(
              (now) => ({
                ...now,
                timber: {
                  ...now.timber,
                  cheekStud: {
                    thickness: now.timber.common.thickness,
                    depth: now.timber.plateWidth ?? 89,
                  },
                },
              }),
              'Cheek studs of a size of their own',
            )
          }
        />
      )}
    </View>
  );
};
