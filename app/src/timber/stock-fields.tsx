import { View } from 'react-native';
import { useOpenJob } from '../data/open-job';
import { Button } from '../ui/button';
import { LengthField } from '../ui/fields';
import { useTerms } from '../ui/terms';
import { Small, Title } from '../ui/text';

type Sized =
  | 'common'
  | 'hip'
  | 'valley'
  | 'ridge'
  | 'purlin'
  | 'fascia'
  | 'collarTie'
  | 'rafterTie'
  | 'barge'
  | 'lookout'
  | 'blocking';

const NAMES: Readonly<Record<Sized, string>> = {
  common: '‹Commons› and jacks',
  hip: '‹Hips›',
  valley: '‹Valleys›',
  ridge: '‹Ridge›',
  purlin: '‹Purlins›',
  fascia: '‹Fascia›',
  collarTie: '‹Collar ties›',
  rafterTie: '‹Rafter ties›',
  barge: '‹Barges›',
  lookout: '‹Lookouts›',
  blocking: '‹Eave blocks›',
};

/** The actual size of one kind of timber; where it has none yet, one touch gives it. */
export const Stock = ({ name }: { readonly name: Sized }) => {
  const { job, edit, problemAt } = useOpenJob();
  const say = useTerms();
  const stock = job.timber[name];
  const set = (next: { thickness: number; depth: number }, said?: string) =>
    edit((now) => ({ ...now, timber: { ...now.timber, [name]: next } }), said);
  if (stock === undefined) {
    const problem = problemAt(`timber.${name}`);
    return (
      <View className="gap-1">
        <Button
          label={`Give a size for ${NAMES[name].toLowerCase()}`}
          onPress={() => set({ ...job.timber.common }, say(`${NAMES[name]}: a size`))}
        />
        {problem !== undefined && <Small className="text-pencil">{problem}</Small>}
      </View>
    );
  }
  return (
    <View className="gap-1">
      <Title asked level={3}>
        {NAMES[name]}
      </Title>
      <View className="flex-row gap-3">
        {(['thickness', 'depth'] as const).map((measure) => (
          <View key={measure} className="flex-1">
            <LengthField
              label={measure === 'thickness' ? 'Thickness' : 'Depth'}
              of={NAMES[name]}
              size="timber"
              path={`timber.${name}.${measure}`}
              value={stock[measure]}
              onValue={(mm) => set({ ...stock, [measure]: mm })}
            />
          </View>
        ))}
      </View>
    </View>
  );
};
