import { canBeLaidOn, withJoin, withSleepers } from '@ogee/core/src/job';
import { useOpenJob } from '../data/open-job';
import { Stock } from '../timber/stock-fields';
import { Caution } from '../ui/caution';
import { ChoiceField } from '../ui/fields';

/** How a part with an open end meets the roof it runs into: by framed valleys, or laid on its sheathing. */
export const Join = ({ index }: { readonly index: number }) => {
  const { job, edit, problemAt } = useOpenJob();
  const block = job.blocks[index];
  if (block === undefined || !canBeLaidOn(job, index)) return null;
  const laid = block.join === 'laid-on';
  const problem = problemAt(`blocks.${index}.join`);
  return (
    <>
      <ChoiceField
        label="Where it meets the other roof"
        value={block.join}
        options={[
          { value: 'framed', label: 'Framed ‹valleys›' },
          { value: 'laid-on', label: 'Laid on it' },
        ]}
        onChange={(join) => edit((now) => withJoin(now, index, join))}
        help="Framed, ‹valleys› carry both roofs (the default of a new house). Laid on, the roof below runs on whole and this one stands on its sheathing: quicker, and the way for a porch or an extension on what stands."
      />
      {problem !== undefined && <Caution level="caution" text={problem} />}
      {laid && (
        <ChoiceField
          label="Its rafters’ feet stand"
          value={job.timber.sleeper === undefined ? 'sheathing' : 'sleepers'}
          options={[
            { value: 'sheathing', label: 'On the sheathing' },
            { value: 'sleepers', label: 'On ‹sleepers›' },
          ]}
          onChange={(way) => edit((now) => withSleepers(now, way === 'sleepers'))}
          help="‹Sleepers› lie flat along the chalk lines and spread the load; each is set back by what its thickness takes. Where the lines are struck is in the notes of the list."
        />
      )}
      {laid && job.timber.sleeper !== undefined && <Stock name="sleeper" />}
    </>
  );
};
