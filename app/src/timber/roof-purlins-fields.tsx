import {
  roofPurlinsOf,
  seatDeepenedBy,
  withRoofPurlins,
  withSeatKept,
  type Block,
  type RoofPurlins,
} from '@ogee/core/src/job';
import { View } from 'react-native';
import { useHandling, useJob } from '../data/open-job';
import { ChoiceField, LengthField } from '../form/fields';
import { Button } from '../ui/button';
import { writeLength } from '../ui/length-entry';
import { Small, Title } from '../ui/text';

const PLACES = [
  ['first', 'First one’s middle, up from the tail'],
  ['spacing', 'Then ‹on centre›, along the slope'],
  ['last', 'Last one’s middle, down from the top'],
] as const;

const SIZES = [
  ['thickness', 'Along the slope'],
  ['depth', 'Deep, square to it'],
] as const;

/** Under purlins whose tops are the roof the seats come out deeper: what may move instead. */
const SeatKept = ({ index }: { readonly index: number }) => {
  const job = useJob();
  const { edit } = useHandling();
  const by = seatDeepenedBy(job, index);
  if (by === 0) return null;
  const text = writeLength(by, job.display);
  return (
    <View className="gap-2">
      <Small>The rafters’ ‹seats› are {text} deeper, plumb, than what is typed for them.</Small>
      <Button
        label={`‹Seat› as typed: ‹plates› ${text} lower`}
        onPress={() =>
          edit((now) => withSeatKept(now, index, 'plates'), `Plates ${text} lower, seat as typed`)
        }
      />
      <Button
        label={`‹Seat› as typed: roof ${text} higher`}
        onPress={() =>
          edit((now) => withSeatKept(now, index, 'roof'), `Roof ${text} higher, seat as typed`)
        }
      />
    </View>
  );
};

const OfPart = ({ block, named }: { readonly block: Block; readonly named: boolean }) => {
  const job = useJob();
  const { edit } = useHandling();
  const set = roofPurlinsOf(job, block.id);
  const path = `roofPurlins.${job.roofPurlins.findIndex((one) => one.block === block.id)}`;
  const change = (next: Partial<RoofPurlins> | null) =>
    edit((now) => withRoofPurlins(now, block.id, next));
  return (
    <View className="gap-3">
      <ChoiceField
        label={named ? `On the rafters of “${block.id}”` : 'On the rafters'}
        value={set?.set ?? 'none'}
        options={[
          { value: 'none', label: 'None' },
          { value: 'over', label: 'Over them' },
          { value: 'between', label: 'Between them' },
        ]}
        onChange={(next) => change(next === 'none' ? null : { set: next })}
        help="Sheet roofing lies on ‹purlins› across the rafters. Over them they run on from rafter to rafter; between them each is sawn square to its bay, its top flush."
      />
      {set !== null && (
        <>
          <View className="flex-row gap-3">
            {SIZES.map(([measure, label]) => (
              <View key={measure} className="flex-1">
                <LengthField
                  label={label}
                  of="‹Purlins› on the rafters"
                  size="timber"
                  path={`${path}.stock.${measure}`}
                  value={set.stock[measure]}
                  onValue={(mm) => change({ stock: { ...set.stock, [measure]: mm } })}
                />
              </View>
            ))}
          </View>
          {PLACES.map(([field, label]) => (
            <LengthField
              key={field}
              label={label}
              of="‹Purlins› on the rafters"
              size="timber"
              path={`${path}.${field}`}
              value={set[field]}
              onValue={(mm) => change({ [field]: mm })}
            />
          ))}
          {set.set === 'over' && (
            <ChoiceField
              label="The roof’s height is that of"
              value={set.planes}
              options={[
                { value: 'rafters', label: 'The rafters' },
                { value: 'tops', label: 'These ‹purlins›' },
              ]}
              onChange={(planes) => change({ planes })}
              help="Where the roof has to meet another, its height is that of the ‹purlins›’ tops: the rafters then stand lower by the ‹purlins›’ depth measured plumb, which is more than the depth itself."
            />
          )}
          <SeatKept index={job.blocks.indexOf(block)} />
        </>
      )}
    </View>
  );
};

/** What lies under the roofing, over or between the rafters. */
export const RoofPurlinsFields = () => {
  const job = useJob();
  return (
    <>
      <View>
        <Title>Under the roofing</Title>
        <Small>Where sheets are screwed down, rather than boarded over.</Small>
      </View>
      {job.blocks.map((block) => (
        <OfPart key={block.id} block={block} named={job.blocks.length > 1} />
      ))}
    </>
  );
};
