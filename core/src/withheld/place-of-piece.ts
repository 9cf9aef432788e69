import type { Member } from '../frame';
import type { Job } from '../job';
import { isRow, listedKind } from '../kinds';
import type { Path } from '../problem';
import { purlinsOn, type Roof } from '../roof';
import { plainly } from '../sentence';

/** Where in the job a kind is asked for that is asked for once for the whole roof. */
const ASKED_ONCE: Readonly<Record<string, Path>> = {
  'collar-tie': ['collarTies', 'bottom'],
  'rafter-tie': ['rafterTies'],
  'gable-stud': ['timber', 'gableStud'],
  barge: ['timber', 'barge'],
  lookout: ['timber', 'barge'],
  blocking: ['timber', 'blocking'],
  backing: ['timber', 'backing'],
};

const indexed = (list: string, index: number, ...field: Path): Path | null =>
  index < 0 ? null : [list, index, ...field];

/** Where in the job what is laid on another roof is asked for: a part, a saddle, a dormer; null for what lies on none. */
export const placeOfLaid = ({ laid }: Roof, block: string): Path | null => {
  const on = laid.find((one) => one.block === block);
  const [told] =
    on?.part.restored([{ code: 'not-framed', path: ['blocks', 0], text: plainly('') }]) ?? [];
  return told?.path ?? null;
};

/** A saddle or a dormer is asked for as a whole. */
const isMadeUp = ({ laid }: Roof, block: string): boolean =>
  laid.some((one) => one.block === block && one.as !== 'part');

/** Where in the job a piece beyond the base frame is asked for; null for what nothing there asks for by itself. */
export const placeOfPiece = (
  job: Job,
  roof: Roof,
  member: Pick<Member, 'block' | 'side' | 'kind'>,
): Path | null => {
  if (isMadeUp(roof, member.block)) return placeOfLaid(roof, member.block);
  const { block, side, kind } = member;
  if (isRow(member)) {
    const set = purlinsOn(job, block, side ?? -1);
    return set === null ? null : ['roofPurlins', set.index, 'first'];
  }
  const under = job.purlins.findIndex((one) => one.block === block && one.side === side);
  switch (kind) {
    case 'under-purlin':
      return indexed('purlins', under, 'at');
    case 'strut':
      return indexed('purlins', under, 'struts', 'spacing');
    case 'hip-brace':
      return indexed(
        'hipBraces',
        (job.hipBraces ?? []).findIndex((one) => one.block === block),
      );
    case 'ridge-post':
      return indexed(
        'blocks',
        job.blocks.findIndex(({ id }) => id === block),
        'ridgeBeam',
        'spacing',
      );
    case 'spacer':
      return ['rafterTies', 'spacers'];
    default:
      return ASKED_ONCE[listedKind(kind)] ?? null;
  }
};
