import {
  canBeLaidOn,
  ridgeHeight,
  standsBeside,
  withExisting,
  withJoin,
  withRidgeHeight,
  withSleepers,
} from '@ogee/core/src/job';
import { useHandling, useJob, useProblems } from '../data/open-job';
import { Stock } from '../timber/stock-fields';
import { Caution } from '../ui/caution';
import { ChoiceField, LengthField } from '../form/fields';

/** Whether the house that new parts are laid on is framed too, or stands already. */
export const Existing = ({ index }: { readonly index: number }) => {
  const job = useJob();
  const { edit } = useHandling();
  const { problemAt } = useProblems();
  const block = job.blocks[index];
  const laid = job.blocks.some(({ join }, i) => i > 0 && join === 'laid-on');
  if (block === undefined || (index > 0 && block.join === 'laid-on')) return null;
  if (!laid && block.existing !== true && !standsBeside(job, index)) return null;
  const problem = problemAt(`blocks.${index}.existing`);
  const height = ridgeHeight(job, index);
  return (
    <>
      <ChoiceField
        label={standsBeside(job, index) ? `“${block.id}”` : 'The house itself'}
        value={block.existing === true ? 'stands' : 'framed'}
        options={[
          { value: 'framed', label: 'To be framed' },
          { value: 'stands', label: 'Stands already' },
        ]}
        onChange={(way) => edit((now) => withExisting(now, index, way === 'stands'))}
        help="What stands already is given by its planes alone: measure its walls, its eaves’ height and its pitch. Only what is laid on it, and what stands beside it, comes in the list."
      />
      {block.existing === true && height !== null && (
        <LengthField
          label="Its ‹ridge› over its ‹plate›, as measured"
          path={`blocks.${index}.ridge`}
          refusedAt={`blocks.${index}`}
          value={height}
          onValue={(mm) => edit((now) => withRidgeHeight(now, index, mm))}
          help="To the line in which the two slopes’ rafters meet on top. The pitch falls out of it."
        />
      )}
      {problem !== undefined && <Caution level="caution" text={problem} />}
    </>
  );
};

/** How a part with an open end meets the roof it runs into: by framed valleys, or laid on its sheathing. */
export const Join = ({ index }: { readonly index: number }) => {
  const job = useJob();
  const { edit } = useHandling();
  const { problemAt } = useProblems();
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
