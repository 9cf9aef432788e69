import type { Job } from '@ogee/core/src/job';
import { angleWay } from '@ogee/core/src/wording';
import { View } from 'react-native';
import { useHandling, useJob, useProblems } from '../data/open-job';
import { useRoof } from '../data/roof';
import { ChoiceField, LengthField, StepperField } from '../form/fields';
import { Button } from '../ui/button';
import { Small, Title } from '../ui/text';
import { Fixings } from './fixings';
import { HipBracesFields } from './hip-braces-fields';
import { PurlinsFields } from './purlins-fields';
import { RoofPurlinsFields } from './roof-purlins-fields';
import { RidgeBeamFields } from './ridge-beam-fields';
import { Stock } from './stock-fields';
import { TiesFields } from './ties-fields';

type Framing = Job['framing'];
type School = 'hap' | 'width' | 'depthFraction';

const schoolOf = (seat: Framing['seat']): School =>
  'hap' in seat ? 'hap' : 'width' in seat ? 'width' : 'depthFraction';

const Seat = () => {
  const job = useJob();
  const { edit } = useHandling();
  const { problemAt } = useProblems();
  const { roof } = useRoof();
  const { seat } = job.framing;
  const set = (next: Framing['seat']) =>
    edit((now) => ({ ...now, framing: { ...now.framing, seat: next } }));
  const worked = roof?.cuts.members.find((m) => m.seat !== null && m.kind !== 'hip')?.seat;
  // Changing the school keeps the seat that stands there now.
  const change = (school: School): void => {
    if (school === 'hap') set({ hap: Math.round(worked?.hap ?? 100) });
    else if (school === 'width') set({ width: Math.round(worked?.width ?? 89) });
    else set({ depthFraction: 0.25 });
  };
  return (
    <View className="gap-3">
      <ChoiceField
        label="‹Seat›"
        value={schoolOf(seat)}
        options={[
          { value: 'depthFraction', label: 'Share of depth' },
          { value: 'width', label: '‹Seat› width' },
          { value: 'hap', label: '‹Height above plate›' },
        ]}
        onChange={change}
        help="Three ways to settle one ‹birdsmouth›. A quarter of the depth is the default because it stays inside the usual limit; a fixed width gives full bearing; a fixed height matches an existing roof."
      />
      {'hap' in seat && (
        <LengthField
          label="‹Height above plate›"
          size="timber"
          path="framing.seat.hap"
          value={seat.hap}
          onValue={(hap) => set({ hap })}
        />
      )}
      {'width' in seat && (
        <LengthField
          label="‹Seat› width, level"
          size="timber"
          path="framing.seat.width"
          value={seat.width}
          onValue={(width) => set({ width })}
        />
      )}
      {'depthFraction' in seat && (
        <StepperField
          label="Notch, share of the depth"
          path="framing.seat.depthFraction"
          value={Math.round(seat.depthFraction * 100)}
          step={1}
          min={5}
          max={60}
          unit=" %"
          onValue={(share) => set({ depthFraction: share / 100 })}
          help={
            problemAt('framing.seat.depthFraction') ??
            'Past 25 % the local code or an engineer has to agree.'
          }
        />
      )}
    </View>
  );
};

/** Whether any side of the building breaks in pitch. */
const hasBreaks = ({ blocks }: Job): boolean =>
  blocks.some(({ sides }) =>
    sides.some((side) => side.roof === 'eave' && side.breaks !== undefined),
  );

/** What it is built of: actual sizes, spacing, the crew's ways, what the saw can do. */
export const TimberForm = () => {
  const job = useJob();
  const { edit } = useHandling();
  const { framing, timber, display } = job;
  const scarfed = [timber.ridge, timber.purlin].some((one) => one?.longest !== undefined);
  const set = (change: Partial<Framing>) =>
    edit((now) => ({ ...now, framing: { ...now.framing, ...change } }));
  return (
    <View className="gap-6">
      <View>
        <Title>Sizes</Title>
        <Small>
          Actual sizes as measured, not nominal ones. What size is strong enough belongs to the
          local code and an engineer.
        </Small>
      </View>
      <Stock name="common" />
      <Stock name="hip" />
      {timber.hip !== undefined && timber.hip.depth > timber.common.depth && (
        <Button
          label="Rafters as deep as the ‹hips›"
          onPress={() =>
            edit(
              (now) => ({
                ...now,
                timber: {
                  ...now.timber,
                  common: {
                    ...now.timber.common,
                    depth: now.timber.hip?.depth ?? now.timber.common.depth,
                  },
                },
              }),
              'Rafters as deep as the hips',
            )
          }
        />
      )}
      {(job.blocks.length > 1 || timber.valley !== undefined) && <Stock name="valley" />}
      <Stock name="ridge" />
      <RidgeBeamFields />
      {hasBreaks(job) && job.purlins.length === 0 && <Stock name="purlin" />}
      <Stock name="fascia" />
      <LengthField
        label="‹Plate› width"
        size="timber"
        path="timber.plateWidth"
        value={timber.plateWidth ?? 0}
        onValue={(plateWidth) => edit((now) => ({ ...now, timber: { ...now.timber, plateWidth } }))}
      />
      <Title>Layout</Title>
      <LengthField
        label="Spacing, ‹on centre›"
        size="timber"
        path="framing.spacing"
        value={framing.spacing}
        onValue={(spacing) => set({ spacing })}
      />
      <ChoiceField
        label="Counted from"
        value={framing.layout}
        options={[
          { value: 'ridge', label: '‹Ridge› ends' },
          { value: 'corner', label: '‹Plate› corners' },
        ]}
        onChange={(layout) => set({ layout })}
        help="From the ‹ridge›, the longest ‹hip jack› stands a whole space from the ‹common› (the default). From the corner, sheets start full at the corner."
      />
      <LengthField
        label="Shortest jack"
        size="timber"
        path="framing.shortestJack"
        value={framing.shortestJack}
        onValue={(shortestJack) => set({ shortestJack })}
        help="Shorter ones are left out; blocking carries the corner."
      />
      <Seat />
      <TiesFields />
      <PurlinsFields />
      <HipBracesFields />
      <RoofPurlinsFields />
      <Title>The crew’s ways</Title>
      <ChoiceField
        label="Top of the ‹hip›"
        value={framing.hipTop}
        options={[
          { value: 'drop', label: 'Dropped' },
          { value: 'back', label: 'Backed' },
          { value: 'none', label: 'Neither' },
        ]}
        onChange={(hipTop) => set({ hipTop })}
        help="A ‹drop› lowers the ‹hip› until its square corners meet the roof planes: one deeper ‹seat›, no bevel (the default). ‹Backing› bevels its top instead."
      />
      {framing.hipTop === 'drop' && (
        <LengthField
          label="‹Hips› lower still, by"
          size="timber"
          path="framing.hipLowered"
          value={framing.hipLowered ?? 0}
          onValue={(hipLowered) => set({ hipLowered })}
          help="Plumb, past what the ‹drop› asks; 0 is the usual. So much deeper a ‹seat› on both ‹plates›, and jacks’ cheeks that bear on the whole of their cut where the ‹hip› is no deeper than they are."
        />
      )}
      <ChoiceField
        label="‹Hip› at the ‹ridge›"
        value={framing.hipAtRidge}
        options={[
          { value: 'to-commons', label: 'Between ‹commons›' },
          { value: 'to-ridge', label: 'On the ‹ridge›' },
        ]}
        onChange={(hipAtRidge) => set({ hipAtRidge })}
        help="Between the ‹king common› and the first ‹common›, with two cheeks (the default, self-centring); or one cheek on the ‹ridge›’s side, the first ‹commons› nipped to pass."
      />
      <ChoiceField
        label="‹Valleys› at a lower ‹ridge›"
        value={framing.valleys}
        options={[
          { value: 'supported', label: 'One runs on' },
          { value: 'to-ridge-end', label: 'Both stop' },
        ]}
        onChange={(valleys) => set({ valleys })}
        help="One ‹valley› runs on to the higher ‹ridge› and carries the other (the default, no ‹header›). Or both stop at the lower ‹ridge›’s end, on a ‹header› between two rafters. Either way an engineer sizes what carries."
      />
      {scarfed && (
        <ChoiceField
          label="A scarf is"
          value={framing.scarf === 5 ? '5' : '3'}
          options={[
            { value: '3', label: '3 × the depth' },
            { value: '5', label: '5 × the depth' },
          ]}
          onChange={(times) => set({ scarf: times === '5' ? 5 : 3 })}
          help="The long splayed joint of two lengths, over a rafter. Three times the depth is the usual one (the default); five holds better and takes more wood. Neither replaces a support under it."
        />
      )}
      {scarfed && (
        <ChoiceField
          label="It ends"
          value={framing.scarfEnds ?? 'feathered'}
          options={[
            { value: 'feathered', label: 'In feather edges' },
            { value: 'square', label: 'On square abutments' },
            { value: 'keyed', label: 'Keyed, with wedges' },
          ]}
          onChange={(scarfEnds) => set({ scarfEnds })}
          help="Feather edges are one saw cut (the default); they split and curl. Square abutments, a sixth of the depth at each end, push against each other and cannot slide, for two more cuts a half. Keyed, a pair of folding wedges through a slot in the middle drives the abutments together."
        />
      )}
      <ChoiceField
        label="Angles marked by"
        value={angleWay(job)}
        options={[
          { value: 'square', label: 'The square' },
          { value: 'degrees', label: 'Degrees' },
          { value: 'two-readings', label: 'Two readings' },
        ]}
        onChange={(angles) => set({ angles })}
        help="How the steps of a piece give a line: the pair to hold on a ‹framing square›, degrees from square across, or a reading on each edge, joined, for which no square is needed. Each says which way the line leans."
      />
      <StepperField
        label="The saw tilts to"
        path="saw.maxTilt"
        value={job.saw.maxTilt}
        step={1}
        min={0}
        max={70}
        unit="°"
        onValue={(maxTilt) => edit((now) => ({ ...now, saw: { maxTilt } }))}
        help="Cuts past this are pointed out, with another way to make them."
      />
      {display.units === 'imperial' && (
        <ChoiceField
          label="Round figures to"
          value={String(display.fraction)}
          options={['8', '16', '32'].map((value) => ({ value, label: `1/${value}″` }))}
          onChange={(value) =>
            edit((now) => ({
              ...now,
              display: { ...now.display, fraction: value === '8' ? 8 : value === '32' ? 32 : 16 },
            }))
          }
          help="Rounding is for reading only; the numbers behind stay exact."
        />
      )}
      <ChoiceField
        label="Words of the trade"
        value={display.terms}
        options={[
          { value: 'us', label: 'American' },
          { value: 'uk', label: 'British' },
        ]}
        onChange={(terms) => edit((now) => ({ ...now, display: { ...now.display, terms } }))}
        help="What a thing is called where you build: here the timber on a wall is a ‹plate›, the middle of a thing its ‹centre›. Touch a dotted word for what it means."
      />
      <Fixings />
    </View>
  );
};
