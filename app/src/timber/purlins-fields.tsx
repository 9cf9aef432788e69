import {
  purlinsAlike,
  purlinWay,
  withPurlins,
  type Block,
  type PurlinWay,
} from '@ogee/core/src/job';
import { View } from 'react-native';
import { useOpenJob } from '../data/open-job';
import { Caution } from '../ui/caution';
import { ChoiceField, LengthField, StepperField } from '../ui/fields';
import { Small, Title } from '../ui/text';
import { Stock } from './stock-fields';

type Place = 'halfway' | 'share' | 'distance';

const placeOf = ({ at }: PurlinWay): Place =>
  typeof at === 'object' ? 'distance' : at === 0.5 ? 'halfway' : 'share';

/** Where a distance starts from when a share stood there: a metre in. mm */
const START_MM = 1000;
const START_SHARE = 0.45;

const START_AT: Readonly<Record<Place, PurlinWay['at']>> = {
  halfway: 0.5,
  share: START_SHARE,
  distance: { distance: START_MM },
};

const OfPart = ({ block, named }: { readonly block: Block; readonly named: boolean }) => {
  const { job, edit, problemAt } = useOpenJob();
  const way = purlinWay(job, block.id);
  const path = `purlins.${job.purlins.findIndex((one) => one.block === block.id)}.at`;
  const set = (next: PurlinWay | null) => edit((now) => withPurlins(now, block.id, next));
  const problem = problemAt(path);
  return (
    <View className="gap-3">
      <ChoiceField
        label={named ? `Under the rafters of “${block.id}”` : 'Under the rafters'}
        value={way?.set ?? 'none'}
        options={[
          { value: 'none', label: 'None' },
          { value: 'canted', label: 'Canted' },
          { value: 'plumb', label: 'Plumb' },
        ]}
        onChange={(next) => {
          set(next === 'none' ? null : { at: way?.at ?? 0.5, set: next });
        }}
        help="Canted lies square to the rafters, its narrow edge against them. Plumb stands upright and leaves more headroom; its top is bevelled to the slope. At a ‹hip› the two meet in a mitre, with a lip where the ‹hip› hangs lower."
      />
      {way !== null && (
        <>
          <ChoiceField
            label="How far in"
            value={placeOf(way)}
            options={[
              { value: 'halfway', label: 'Halfway' },
              { value: 'share', label: 'A share' },
              { value: 'distance', label: 'A distance' },
            ]}
            onChange={(place) => {
              set({ ...way, at: START_AT[place] });
            }}
          />
          {placeOf(way) === 'share' && typeof way.at === 'number' && (
            <StepperField
              label="Share of the run, from the ‹plate›"
              path={path}
              value={Math.round(way.at * 100)}
              step={1}
              min={5}
              max={95}
              unit=" %"
              onValue={(share) => {
                set({ ...way, at: share / 100 });
              }}
            />
          )}
          {typeof way.at === 'object' && (
            <LengthField
              label="In from the ‹plate›’s outside, level"
              of="‹Purlins›"
              path={path}
              value={way.at.distance}
              onValue={(distance) => {
                set({ ...way, at: { distance } });
              }}
            />
          )}
          {!purlinsAlike(job, block.id) && (
            <Small>
              The walls of this part have theirs set differently; a change here sets all alike.
            </Small>
          )}
          {problem !== undefined && <Caution level="caution" text={problem} />}
        </>
      )}
    </View>
  );
};

/** What carries the rafters between plate and ridge. */
export const PurlinsFields = () => {
  const { job } = useOpenJob();
  return (
    <>
      <Title asked>‹Purlins›</Title>
      {job.blocks.map((block) => (
        <OfPart key={block.id} block={block} named={job.blocks.length > 1} />
      ))}
      {job.purlins.length > 0 && <Stock name="purlin" />}
    </>
  );
};
