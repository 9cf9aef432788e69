import type { Member } from '../frame';
import { isRafter } from '../kinds';
import { inMm, leastMm, say } from '../sentence';
import { caution, note, type Remark, type Subject } from './remark';

/** The widest that collar ties usually stand apart, on centre: four feet. mm */
const USUAL_COLLARS_MM = 1220;

/** Whether posts carry a part's ridge as a beam, all that are asked for. */
const isBeam = ({ job, framing }: Subject, block: string): boolean =>
  framing.members.some((one) => one.kind === 'ridge-post' && one.block === block) &&
  !framing.withheld.some(
    ({ problem: { path } }) =>
      path[0] === 'blocks' && job.blocks[Number(path[1])]?.id === block && path[2] === 'ridgeBeam',
  );

/** Whether the rafters at a ridge push walls out: they are seated on plates, and nothing else carries the ridge. */
const pushes = (subject: Subject, { kind, block }: Member): boolean =>
  kind === 'ridge' &&
  !isBeam(subject, block) &&
  subject.framing.members.some(
    (one) =>
      one.block === block && isRafter(one) && one.notches.some((notch) => notch.for === 'plate'),
  );

/** What holds the walls together, and the ridge. */
export const aboutTies = (subject: Subject): Remark[] => {
  const { job, framing } = subject;
  const { collarTies, rafterTies } = job;
  const remarks: Remark[] = [];
  const [collar] = framing.members.filter(({ kind }) => kind === 'collar-tie');
  const [joist] = framing.members.filter(({ kind }) => kind === 'rafter-tie');
  const ridge = framing.members.find((one) => pushes(subject, one));
  if (rafterTies === undefined && ridge !== undefined)
    remarks.push(
      caution(
        'no-ties',
        say`no ‹rafter ties› are given: the rafters push the walls out. Three ways hold them: ‹rafter ties› low down at every pair (under Timber); a ‹ridge› that is a beam on ‹posts›, down to the ground (under Timber); or walls that an engineer makes stiff enough. ‹Collar ties› do not do it`,
        ridge,
      ),
    );
  if (rafterTies !== undefined && joist === undefined && ridge !== undefined)
    remarks.push(
      caution(
        'no-ties',
        say`‹rafter ties› are asked for and none can lie where they should: nothing keeps the rafters from pushing the walls out. See what stands in their way at the ‹plates›, or have the ‹ridge› carried as a beam, as an engineer says`,
        ridge,
      ),
    );
  const apart = job.framing.spacing * (collarTies?.every ?? 1);
  if (collar !== undefined && apart > USUAL_COLLARS_MM)
    remarks.push(
      note(
        'collars-far-apart',
        say`the ‹collar ties› stand ${inMm(apart)} apart; the usual limit is ${leastMm(USUAL_COLLARS_MM)} ‹on centre›, and some codes want one at every pair of rafters: ask the local code`,
        collar,
      ),
    );
  if (joist !== undefined && rafterTies?.spacing === undefined && (rafterTies?.every ?? 1) > 1)
    remarks.push(
      caution(
        'pairs-untied',
        say`not every pair of rafters has its ‹rafter tie›: between them the ‹plate› has to carry the push from one to the next. Ask the local code or an engineer`,
        joist,
      ),
    );
  if (framing.leftOut.alone > 0 && (collarTies !== undefined || rafterTies !== undefined))
    remarks.push(
      note(
        'no-partner',
        framing.leftOut.alone === 1
          ? say`one rafter at a ‹ridge› has no partner straight opposite and no tie: the two sides are laid out differently there`
          : say`${framing.leftOut.alone} rafters at a ‹ridge› have no partner straight opposite and no tie: the two sides are laid out differently there`,
      ),
    );
  return remarks;
};
