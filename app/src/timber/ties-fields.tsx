import {
  collarWay,
  withBacking,
  withCollarTies,
  withRafterTies,
  type CollarWay,
} from '@ogee/core/src/job';
import { useHandling, useJob } from '../data/open-job';
import { useRoof } from '../data/roof';
import { ChoiceField, LengthField, StepperField } from '../form/fields';
import { Small, Title } from '../ui/text';
import { Stock } from './stock-fields';

/** Where ties would first be put, when there are none to keep in their place: a little over a person’s head. mm */
const OVERHEAD_MM = 1200;
const LONG_MM = 1800;

/** One tie to so many pairs of rafters. */
const EveryField = ({
  tie,
  ...field
}: { readonly tie: string } & Pick<
  Parameters<typeof StepperField>[0],
  'path' | 'value' | 'onValue' | 'help'
>) => <StepperField label={`Pairs to one ${tie}`} step={1} min={1} max={6} unit="" {...field} />;

const CollarFields = () => {
  const job = useJob();
  const { edit } = useHandling();
  const { roof } = useRoof();
  const ties = job.collarTies;
  const standing = roof?.cuts.members.find(({ kind }) => kind === 'collar-tie');
  const set = (change: Partial<NonNullable<typeof ties>>) =>
    edit((now) =>
      now.collarTies === undefined ? now : { ...now, collarTies: { ...now.collarTies, ...change } },
    );
  const change = (way: CollarWay | 'none'): void => {
    edit((now) =>
      withCollarTies(now, way === 'none' ? null : way, {
        bottom: standing?.level?.bottom ?? OVERHEAD_MM,
        long: standing?.length.longPoint ?? LONG_MM,
      }),
    );
  };
  return (
    <>
      <ChoiceField
        label="‹Collar ties›"
        value={ties === undefined ? 'none' : collarWay(ties)}
        options={[
          { value: 'none', label: 'None' },
          { value: 'upper-third', label: 'Upper third' },
          { value: 'height', label: 'By height' },
          { value: 'longPoint', label: 'By length' },
        ]}
        onChange={change}
        help="They hold the ‹ridge› together in wind. The upper third of the rise is the usual place; by height keeps headroom; by length uses the boards you have."
      />
      {ties !== undefined && (
        <>
          {typeof ties.bottom === 'number' && (
            <LengthField
              label="Bottom edge, above the ‹plate›"
              of="‹Collar ties›"
              path="collarTies.bottom"
              value={ties.bottom}
              onValue={(bottom) => set({ bottom })}
              help="The headroom under them is this, less what floor there is."
            />
          )}
          {typeof ties.bottom === 'object' && (
            <LengthField
              label="‹Long point› to long point"
              of="‹Collar ties›"
              path="collarTies.bottom.longPoint"
              value={ties.bottom.longPoint}
              onValue={(longPoint) => set({ bottom: { longPoint } })}
            />
          )}
          <EveryField
            tie="‹collar tie›"
            path="collarTies.every"
            value={ties.every}
            onValue={(every) => set({ every })}
            help="1 is every pair, 2 every second. Some codes want every pair, most no more than 1220 mm (4 ft) apart."
          />
          <LengthField
            label="Held off the slope"
            of="‹Collar ties›"
            size="timber"
            path="collarTies.hold"
            value={ties.hold}
            onValue={(hold) => set({ hold })}
            help="Square to the slope, so that an end never touches the sheathing."
          />
          <Stock name="collarTie" />
        </>
      )}
    </>
  );
};

/** What a lap and a spacing start from. mm */
const LAP_MM = 150;
const JOISTS_MM = 400;

const RafterTieFields = () => {
  const job = useJob();
  const { edit } = useHandling();
  const ties = job.rafterTies;
  const set = (change: Parameters<typeof withRafterTies>[1]) =>
    edit((now) => withRafterTies(now, change));
  return (
    <>
      <ChoiceField
        label="‹Rafter ties›"
        value={ties === undefined ? 'none' : ties.spacing === undefined ? 'pairs' : 'spacing'}
        options={[
          { value: 'none', label: 'None' },
          { value: 'pairs', label: 'On the ‹plates›' },
          { value: 'spacing', label: 'Own spacing' },
        ]}
        onChange={(way) =>
          set(way === 'none' ? null : { spacing: way === 'spacing' ? JOISTS_MM : undefined })
        }
        help="They keep the rafters from pushing the walls out, and carry a ceiling. Their top corners are clipped where they would stand through the slope. At a spacing of their own, only some rafters meet one."
      />
      {ties !== undefined && (
        <>
          {ties.spacing === undefined ? (
            <EveryField
              tie="‹rafter tie›"
              path="rafterTies.every"
              value={ties.every}
              onValue={(every) => set({ every })}
              help="Every pair is the rule; fewer is for an engineer."
            />
          ) : (
            <LengthField
              label="‹Rafter ties›, ‹on centre›"
              size="timber"
              path="rafterTies.spacing"
              value={ties.spacing}
              onValue={(spacing) => set({ spacing })}
              help="Counted so that they lie on rafters as often as the two spacings allow. One that would stand in a rafter lies flat on it instead."
            />
          )}
          {ties.spacing !== undefined && (
            <ChoiceField
              label="Their spacing is counted from"
              value={ties.from ?? 'rafters'}
              options={[
                { value: 'rafters', label: 'The rafters' },
                { value: 'wall', label: 'The end wall' },
              ]}
              onChange={(from) => set({ from })}
              help="From the rafters, they lie on them as often as the two spacings allow (the default). From the inside of the end wall, ceiling boards start full there and break on the middle of a tie."
            />
          )}
          <ChoiceField
            label="From wall to wall"
            value={ties.lap === undefined ? 'whole' : 'lapped'}
            options={[
              { value: 'whole', label: 'In one length' },
              { value: 'lapped', label: 'Lapped half-way' },
            ]}
            onChange={(way) => set({ lap: way === 'lapped' ? LAP_MM : undefined })}
            help="Lapped over a wall that carries them half-way, one on each face of their rafters."
          />
          {ties.lap !== undefined && (
            <LengthField
              label="Each runs past the middle by"
              of="‹Rafter ties›"
              size="timber"
              path="rafterTies.lap"
              value={ties.lap}
              onValue={(lap) => set({ lap })}
            />
          )}
          <Stock name="rafterTie" />
          <ChoiceField
            label="Past the last whole one, at a ‹hip›’s end"
            value={ties.atHips ?? 'none'}
            options={[
              { value: 'none', label: 'None' },
              { value: 'short', label: 'Short ones, square to it' },
              { value: 'long', label: 'Between opposite jacks' },
              { value: 'both', label: 'Both' },
            ]}
            onChange={(atHips) => set({ atHips })}
            help="There the ‹hip›’s end falls over whole ones. Between opposite ‹hip jacks› they go on as far as that slope leaves them room. Short joists run from the end wall back to the last whole one, one beside each rafter that has room: they hold the end wall and carry the ceiling."
          />
          {ties.spacing !== undefined && (
            <ChoiceField
              label="Between a rafter and a tie beside it"
              value={ties.spacers === true ? 'blocks' : 'said'}
              options={[
                { value: 'said', label: 'Only said' },
                { value: 'blocks', label: '‹Spacer blocks›' },
              ]}
              onChange={(way) => set({ spacers: way === 'blocks' })}
              help="Where the two do not touch, by up to 60 mm, a block as thick as the gap lets them be fixed to each other: in the list, each at its end, or only said in the notes."
            />
          )}
          <ChoiceField
            label="Along the walls they run beside"
            value={job.timber.backing === undefined ? 'none' : 'backing'}
            options={[
              { value: 'none', label: 'Nothing' },
              { value: 'backing', label: '‹Ceiling backing›' },
            ]}
            onChange={(way) => edit((now) => withBacking(now, way === 'backing'))}
            help="A board flat on the ‹plate›, 50 mm of it inside the wall, for the edge of the ceiling where no tie lies."
          />
          {job.timber.backing !== undefined && <Stock name="backing" />}
        </>
      )}
    </>
  );
};

/** What ties the rafters: high up, and at the plates. */
export const TiesFields = () => (
  <>
    <Title>Ties</Title>
    <Small asked>
      Level timbers from rafter to rafter. Without ‹rafter ties›, or a ‹ridge› that is carried as a
      beam, a roof pushes its walls out.
    </Small>
    <RafterTieFields />
    <CollarFields />
  </>
);
