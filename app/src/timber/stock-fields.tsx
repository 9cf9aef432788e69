import type { Stock as StockSize } from '@ogee/core/src/job';
import { View } from 'react-native';
import { useHandling, useJob, useProblems } from '../data/open-job';
import { Button } from '../ui/button';
import { LengthField } from '../form/fields';
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
  | 'blocking'
  | 'gableStud'
  | 'ledger'
  | 'strut'
  | 'beam'
  | 'post'
  | 'backing'
  | 'trimmer'
  | 'sleeper'
  | 'cheekStud';

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
  gableStud: '‹Gable studs›',
  ledger: '‹Ledger›',
  strut: '‹Struts› and ‹hip braces›',
  beam: '‹Beam›',
  post: '‹Posts›',
  backing: '‹Ceiling backing›',
  sleeper: '‹Sleepers›',
  cheekStud: '‹Cheek studs›',
  trimmer: '‹Trimmers› and ‹headers›',
};

/** What is made in lengths, scarfed, where its timber cannot be had as long as it is. */
const SCARFED: readonly Sized[] = ['ridge', 'purlin', 'beam'];

/** What is asked first: a board of six metres. mm */
const USUAL_MM = 6000;

/** The longest board that can be had, where the crew says one. */
const Longest = ({
  name,
  stock,
  onChange,
}: {
  readonly name: Sized;
  readonly stock: StockSize;
  readonly onChange: (stock: StockSize, said?: string) => void;
}) => {
  const say = useTerms();
  const { longest, ...size } = stock;
  if (longest === undefined)
    return (
      <Button
        label={`${NAMES[name]}: give the longest length`}
        onPress={() =>
          onChange({ ...stock, longest: USUAL_MM }, say(`${NAMES[name]}: the longest board`))
        }
      />
    );
  return (
    <>
      <LengthField
        label="Longest length that can be had"
        of={NAMES[name]}
        path={`timber.${name}.longest`}
        value={longest}
        onValue={(mm) => onChange({ ...stock, longest: mm })}
        help="A longer one is made of lengths, scarfed over a rafter or a post."
      />
      <Button
        label={`${NAMES[name]}: any length can be had`}
        onPress={() => onChange(size, say(`${NAMES[name]}: any length`))}
      />
    </>
  );
};

/** The actual size of one kind of timber; where it has none yet, one touch gives it. */
export const Stock = ({ name }: { readonly name: Sized }) => {
  const job = useJob();
  const { edit } = useHandling();
  const { problemAt } = useProblems();
  const say = useTerms();
  const stock = job.timber[name];
  const set = (next: StockSize, said?: string) =>
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
      {SCARFED.includes(name) && <Longest name={name} stock={stock} onChange={set} />}
    </View>
  );
};
