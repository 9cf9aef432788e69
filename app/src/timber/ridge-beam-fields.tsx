import {
  hasRidge,
  standsAlready,
  withRidgeBeam,
  type Block,
  type RidgeBeam,
} from '@ogee/core/src/job';
import { useHandling, useJob, useProblems } from '../data/open-job';
import { ChoiceField, LengthField } from '../form/fields';
import { Caution } from '../ui/caution';
import { Stock } from './stock-fields';

const OfPart = ({
  index,
  block,
  named,
}: {
  readonly index: number;
  readonly block: Block;
  readonly named: boolean;
}) => {
  const { edit } = useHandling();
  const { problemAt } = useProblems();
  const { ridgeBeam: beam } = block;
  const path = `blocks.${index}.ridgeBeam`;
  const problem = problemAt(path);
  const set = (change: Partial<RidgeBeam>) =>
    beam !== undefined && edit((now) => withRidgeBeam(now, index, { ...beam, ...change }));
  return (
    <>
      <ChoiceField
        label={named ? `The ‹ridge› of “${block.id}” is carried by` : 'The ‹ridge› is carried by'}
        value={beam === undefined ? 'board' : 'beam'}
        options={[
          { value: 'board', label: 'The rafters' },
          { value: 'beam', label: '‹Posts›, as a beam' },
        ]}
        onChange={(way) =>
          edit((now) => withRidgeBeam(now, index, way === 'beam' ? 'start' : null))
        }
        help="As a board it holds the rafters apart and they hold it up, so that they push the walls out (the default, with ‹rafter ties›). As a beam it carries them: they hang on it and push nothing; its own size and what its posts stand on are for an engineer."
      />
      {problem !== undefined && <Caution level="caution" text={problem} />}
      {beam !== undefined && (
        <>
          <LengthField
            label="‹Ridge posts›, at most apart"
            of={block.id}
            path={`${path}.spacing`}
            value={beam.spacing}
            onValue={(spacing) => set({ spacing })}
          />
          <LengthField
            label="What they stand on, above the ‹plate›"
            of={block.id}
            path={`${path}.foot`}
            value={beam.foot ?? 0}
            onValue={(foot) => set({ foot })}
            help="A wall or a floor lower than the ‹plate›: with a minus. A ‹post› in a ‹gable› stands on that wall’s ‹plate›."
          />
        </>
      )}
    </>
  );
};

/** What carries the ridge of each part. */
export const RidgeBeamFields = () => {
  const job = useJob();
  const parts = job.blocks.flatMap((block, index) =>
    hasRidge(block) && !standsAlready(block) ? [{ block, index }] : [],
  );
  const wanted = parts.some(({ block }) => block.ridgeBeam !== undefined);
  return (
    <>
      {parts.map(({ block, index }) => (
        <OfPart key={block.id} block={block} index={index} named={job.blocks.length > 1} />
      ))}
      {wanted && <Stock name="post" />}
    </>
  );
};
