import {
  atWallWay,
  edgeWay,
  hangsOverGables,
  hasGables,
  leansOnWall,
  studWay,
  withBarges,
  withBlocking,
  withGableStuds,
  withLedger,
} from '@ogee/core/src/job';
import { useHandling, useJob } from '../data/open-job';
import { Stock } from '../timber/stock-fields';
import { ChoiceField } from '../form/fields';
import { Title } from '../ui/text';

/** What the edge of a roof that hangs over its gables is made of. */
const Edge = () => {
  const job = useJob();
  const { edit } = useHandling();
  const way = edgeWay(job);
  return (
    <>
      <ChoiceField
        label="At the edge over a ‹gable›"
        value={way}
        options={[
          { value: 'none', label: 'Not framed here' },
          { value: 'butted', label: 'A ladder' },
          { value: 'laid-in', label: '‹Lookouts› laid in' },
        ]}
        onChange={(wanted) => edit((now) => withBarges(now, wanted))}
        help="A ‹barge› at the edge of the roof. On a ladder, ‹lookouts› are butted between it and the ‹gable›’s own rafter: enough for a narrow overhang (the default). Laid in, they lie flat in housings through that rafter’s top and run in to the next: for a wide one. Hold the first pair by a temporary strip until all are nailed."
      />
      {way !== 'none' && (
        <>
          <Stock name="barge" />
          <Stock name="lookout" />
        </>
      )}
    </>
  );
};

/** What fills the gables' walls under the rafters. */
const Studs = () => {
  const job = useJob();
  const { edit } = useHandling();
  const way = studWay(job);
  return (
    <>
      <ChoiceField
        label="In the ‹gable›, under its rafters"
        value={way}
        options={[
          { value: 'none', label: 'Not framed here' },
          { value: 'flat', label: '‹Gable studs›, flat' },
          { value: 'notched', label: 'On edge, notched' },
        ]}
        onChange={(wanted) => edit((now) => withGableStuds(now, wanted))}
        help="Flat under the rafter, so that ties pass inside them (the default); or on edge, stiffer against wind, notched round the rafter and running up beside it, where no tie lies against it. Spaced like the rafters: out from the peak, or in from the ‹plate› corners. What holds the wall up against wind is for the local code."
      />
      {way !== 'none' && <Stock name="gableStud" />}
    </>
  );
};

/** The gables: what stands in them, and the edge of the roof over them. */
export const GableEnds = () => {
  const job = useJob();
  if (!hasGables(job)) return null;
  return (
    <>
      <Title>Gable ends</Title>
      {hangsOverGables(job) && <Edge />}
      <Studs />
    </>
  );
};

/** What the rafters end on where a roof leans against a wall. */
export const AtWall = () => {
  const job = useJob();
  const { edit } = useHandling();
  if (!leansOnWall(job)) return null;
  const way = atWallWay(job);
  return (
    <>
      <Title>Against the wall</Title>
      <ChoiceField
        label="The rafters’ upper ends"
        value={way}
        options={[
          { value: 'wall', label: 'At the wall itself' },
          { value: 'hanger', label: 'Hung on a ‹ledger›' },
          { value: 'birdsmouth', label: 'Over a ‹ledger›' },
        ]}
        onChange={(wanted) => edit((now) => withLedger(now, wanted))}
        help="Cut plumb against a ‹ledger› and hung in hangers (the default of those who frame against a finished wall): its outer top corner lies in the line of the rafters’ tops. Or over it to the wall, with a birdsmouth as wide as it is thick: no hangers, a lower ‹ledger›. What fixes it to the wall is for the local code or an engineer."
      />
      {way !== 'wall' && <Stock name="ledger" />}
    </>
  );
};

/** What closes the roof between the rafters, over the plate. */
export const EaveBlocks = () => {
  const job = useJob();
  const { edit } = useHandling();
  const blocked = job.timber.blocking !== undefined;
  return (
    <>
      <ChoiceField
        label="Between the rafters, over the ‹plate›"
        value={blocked ? 'blocks' : 'open'}
        options={[
          { value: 'open', label: 'Open' },
          { value: 'blocks', label: '‹Eave blocks›' },
        ]}
        onChange={(way) => edit((now) => withBlocking(now, way === 'blocks'))}
        help="They keep the rafters upright and close the roof; each is ripped to its depth, its top bevelled to the slope. Leave room for air where the local code wants it."
      />
      {blocked && <Stock name="blocking" />}
    </>
  );
};
