import { newId } from '../browser/new-id';
import {
  openingsOf,
  saddleBehind,
  withSaddleBehind,
  withOpening,
  withOpeningAs,
  type Block,
  type Opening,
} from '@ogee/core/src/job';
import { View } from 'react-native';
import { useHandling, useJob, useProblems } from '../data/open-job';
import { Stock } from '../timber/stock-fields';
import { Button } from '../ui/button';
import { Caution } from '../ui/caution';
import { ChoiceField, LengthField } from '../form/fields';
import { Small, Title } from '../ui/text';
import { AlongWall } from './along-wall';
import { GutterSaddle, SaddlePitch } from './saddles';

/** What openings are mostly for. */
const USUAL = ['Chimney', 'Roof window', 'Hatch'] as const;

/** One opening: what it is for, where it lies, how big it is, and what is kept clear round it. */
const OneOpening = ({
  opening,
  index,
  block,
}: {
  readonly opening: Opening;
  readonly index: number;
  readonly block: Block;
}) => {
  const job = useJob();
  const { edit } = useHandling();
  const { problemAt } = useProblems();
  const path = `openings.${index}`;
  const problem = problemAt(path);
  const saddle = saddleBehind(job, index);
  const saddleProblem = problemAt(`saddles.${saddle}`);
  const set = (change: Partial<Opening> | null, said?: string) =>
    edit((now) => withOpeningAs(now, index, change), said);
  const { name, side, along, up, clearance, doubled } = opening;
  const names = USUAL.some((one) => one === name) ? USUAL : [...USUAL, name];
  return (
    <View className="gap-3 rounded border border-grain p-3" testID={`opening-${index}`}>
      <ChoiceField
        label={`Opening ${index + 1} is for`}
        value={name}
        options={names.map((one) => ({ value: one, label: one }))}
        onChange={(next) => set({ name: next })}
      />
      {problem !== undefined && <Caution level="caution" text={problem} />}
      <AlongWall
        name={name}
        path={path}
        block={block}
        side={side}
        along={along}
        wide="Width"
        onSide={(next) => set({ side: next })}
        onAlong={(next) => set({ along: next })}
      />
      <View className="flex-row gap-3">
        <View className="flex-1">
          <LengthField
            label="In from the ‹plate›"
            of={name}
            path={`${path}.up.0`}
            value={up[0]}
            onValue={(from) => set({ up: [from, from + up[1] - up[0]] })}
          />
        </View>
        <View className="flex-1">
          <LengthField
            label="Depth, level"
            of={name}
            path={`${path}.up.1`}
            value={up[1] - up[0]}
            onValue={(deep) => set({ up: [up[0], up[0] + deep] })}
          />
        </View>
      </View>
      <LengthField
        label="Kept clear all round"
        of={name}
        size="timber"
        path={`${path}.clearance`}
        value={clearance}
        onValue={(mm) => set({ clearance: mm })}
        help="How far timber keeps from a chimney is for the local code."
      />
      <ChoiceField
        label={`Beside opening ${index + 1}`}
        value={doubled === true ? 'two' : 'one'}
        options={[
          { value: 'one', label: 'One a side' },
          { value: 'two', label: 'Doubled' },
        ]}
        onChange={(next) => set({ doubled: next === 'two' })}
        help="One ‹trimmer› a side and one ‹header› an end (the default), or two of each side by side. The headers stand plumb. A rafter of the layout that would stand in a ‹trimmer› stands flat beside it."
      />
      <ChoiceField
        label={`Behind opening ${index + 1}`}
        value={saddle < 0 ? 'none' : 'saddle'}
        options={[
          { value: 'none', label: 'Nothing' },
          { value: 'saddle', label: 'A saddle' },
        ]}
        onChange={(next) => edit((now) => withSaddleBehind(now, index, next === 'saddle'))}
        help="A small roof laid on the slope, its ridge level from the chimney’s back into it, so that water runs past. It has the slope’s own pitch and stands clear by the sheathing at each side."
      />
      {saddle >= 0 && (
        <SaddlePitch numbers={[saddle]} name={`Saddle behind opening ${index + 1}`} />
      )}
      {saddleProblem !== undefined && <Caution level="caution" text={saddleProblem} />}
      <Button
        label={`Take opening ${index + 1} away`}
        onPress={() => set(null, `${name} taken away`)}
      />
    </View>
  );
};

/** Holes in the slopes of a part: for a chimney, a roof window, a hatch. */
export const Openings = ({ index }: { readonly index: number }) => {
  const job = useJob();
  const { edit } = useHandling();
  const block = job.blocks[index];
  if (block === undefined) return null;
  const own = openingsOf(job, block.id);
  return (
    <View className="gap-3">
      <Title>Openings</Title>
      <Small asked>
        Measured in plan: along the wall from its start, which is on the left as you stand outside
        and face it, and in from the ‹plate›’s outside.
      </Small>
      {own.map((one) => (
        <OneOpening key={one.index} opening={one.opening} index={one.index} block={block} />
      ))}
      <Button
        label="An opening in this part"
        testID="add-opening"
        onPress={() => edit((now) => withOpening(now, index, newId()), 'An opening')}
      />
      <GutterSaddle index={index} />
      {own.length > 0 && job.timber.trimmer !== undefined && <Stock name="trimmer" />}
      {own.length > 0 && job.timber.trimmer === undefined && (
        <Button
          label="‹Trimmers› and ‹headers› of another size than the rafters"
          onPress={() =>
            edit(
              (now) => ({ ...now, timber: { ...now.timber, trimmer: now.timber.common } }),
              'Trimmers of a size of their own',
            )
          }
        />
      )}
    </View>
  );
};
