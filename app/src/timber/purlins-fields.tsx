import {
  purlinsAlike,
  purlinWay,
  withPurlins,
  type Block,
  type PurlinWay,
} from '@ogee/core/src/job';
import { View } from 'react-native';
import { useHandling, useJob, useProblems } from '../data/open-job';
import { Caution } from '../ui/caution';
import { ChoiceField, LengthField, StepperField } from '../form/fields';
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

/** Where struts start from: a wall two metres in, one to two metres. mm */
const STRUTS: NonNullable<PurlinWay['struts']> = { foot: 2000, spacing: 2000 };

/** Struts from the purlins down to a bearing wall, or none. */
const Struts = ({
  way,
  path,
  onWay,
}: {
  readonly way: PurlinWay;
  readonly path: string;
  readonly onWay: (way: PurlinWay) => void;
}) => {
  const { struts, ...rest } = way;
  const set = (change: Partial<typeof STRUTS>) =>
    onWay({ ...rest, struts: { ...(struts ?? STRUTS), ...change } });
  return (
    <>
      <ChoiceField
        label="Carried between their ends"
        value={struts === undefined ? 'none' : 'struts'}
        options={[
          { value: 'none', label: 'By nothing' },
          { value: 'struts', label: 'By ‹struts›' },
        ]}
        onChange={(next) => (next === 'none' ? onWay(rest) : set({}))}
        help="A ‹strut› leans from the ‹purlin›’s underside down to a bearing wall, evenly spaced; one that would stand in a tie lies flat on it instead."
      />
      {struts !== undefined && (
        <>
          <LengthField
            label="Middle of their wall, in from the ‹plate›’s outside"
            of="‹Struts›"
            path={`${path}.struts.foot`}
            value={struts.foot}
            onValue={(foot) => set({ foot })}
          />
          <LengthField
            label="Top of that wall, above the ‹plate›"
            of="‹Struts›"
            path={`${path}.struts.level`}
            value={struts.level ?? 0}
            onValue={(level) => set({ level })}
            help="A wall lower than the plate: with a minus."
          />
          <LengthField
            label="At most so far apart"
            of="‹Struts›"
            path={`${path}.struts.spacing`}
            value={struts.spacing}
            onValue={(spacing) => set({ spacing })}
          />
          <Stock name="strut" />
        </>
      )}
    </>
  );
};

const OfPart = ({ block, named }: { readonly block: Block; readonly named: boolean }) => {
  const job = useJob();
  const { edit } = useHandling();
  const { problemAt } = useProblems();
  const way = purlinWay(job, block.id);
  const own = `purlins.${job.purlins.findIndex((one) => one.block === block.id)}`;
  const path = `${own}.at`;
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
          set(next === 'none' ? null : { ...way, at: way?.at ?? 0.5, set: next });
        }}
        help="Canted lies square to the rafters, its narrow edge against them. Plumb stands upright and leaves more headroom; its top is bevelled to the slope. At a ‹hip› the two meet in a mitre, with a lip where the ‹hip› hangs lower."
      />
      {way !== null && (
        <>
          {way.set === 'plumb' && (
            <ChoiceField
              label="Its top"
              value={way.top ?? 'bevelled'}
              options={[
                { value: 'bevelled', label: 'Bevelled' },
                { value: 'square', label: 'Square' },
              ]}
              onChange={(top) => set({ ...way, top })}
              help="Bevelled to the slope, the rafters lie on it uncut (the default). Square, every rafter is notched over it like over a ‹plate›: more bearing, and no rafter can slide."
            />
          )}
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
          <Struts way={way} path={own} onWay={set} />
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
  const job = useJob();
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
