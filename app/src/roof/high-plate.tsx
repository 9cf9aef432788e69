import { highPlateOf, withHighPlate, withPitchOfPlates } from '@ogee/core/src/job';
import { useHandling, useJob } from '../data/open-job';
import { ChoiceField, LengthField } from '../form/fields';
import { Button } from '../ui/button';
import { writeLength } from '../ui/length-entry';
import { Small } from '../ui/text';

/** How high the upper of two walls under one slope stands: worked out for two notches alike, or as it was built. */
export const HighPlate = ({ index, wall }: { index: number; wall: number }) => {
  const job = useJob();
  const { edit } = useHandling();
  const plate = highPlateOf(job, index, wall);
  if (plate === null) return null;
  return (
    <>
      <ChoiceField
        label={`‹Plate› of wall ${wall + 1}`}
        value={plate.typed ? 'typed' : 'alike'}
        options={[
          { value: 'alike', label: 'For two notches alike' },
          { value: 'typed', label: 'As it stands' },
        ]}
        onChange={(way) =>
          edit((now) =>
            withHighPlate(now, index, wall, way === 'alike' ? 'alike' : Math.round(plate.raise)),
          )
        }
        help="Two notches alike: the pitch says how high the upper ‹plate› stands (the default; one notch to set out). As it stands: the wall is there, or is drawn so, and the upper notch comes out deeper or shallower than the lower."
      />
      {plate.typed ? (
        <LengthField
          label="It stands above the low one by"
          of={`Wall ${wall + 1}`}
          path={`blocks.${index}.sides.${wall}.raise`}
          value={plate.raise}
          onValue={(raise) => edit((now) => withHighPlate(now, index, wall, raise))}
        />
      ) : (
        <Small>
          It stands {writeLength(plate.raise, job.display)} above the low one, top to top.
        </Small>
      )}
      {plate.typed && !plate.alike && (
        <Button
          label="The pitch for two notches alike"
          onPress={() =>
            edit((now) => withPitchOfPlates(now, index, wall), 'Pitch set for two notches alike')
          }
        />
      )}
    </>
  );
};
