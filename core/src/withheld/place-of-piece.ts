import type { Member } from '../frame';
import type { Job } from '../job';
import { isRow, listedKind } from '../kinds';
import type { Path } from '../problem';
import { purlinsOn, type Roof } from '../roof';

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

/** Where in the job the part of a made-up block is asked for: a saddle, a dormer. */
const madeUp = (roof: Roof, block: string): Path | null => {
  const laid = roof.laid.find((one) => one.block === block);
  if (laid === undefined || laid.as === 'part') return null;
  const [told] = laid.part.restored([
    { code: 'not-framed', path: ['blocks', 0], text: { words: [''], values: [] } },
  ]);
  return told?.path ?? null;
};

/** Where in the job a piece beyond the base frame is asked for; null for what nothing there asks for by itself. */
export const placeOfPiece = (
  job: Job,
  roof: Roof,
  member: Pick<Member, 'block' | 'side' | 'kind'>,
): Path | null => {
  const own = madeUp(roof, member.block);
  if (own !== null) return own;
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
    case 'spacer':
      return ['rafterTies', 'spacers'];
    default:
      return ASKED_ONCE[listedKind(kind)] ?? null;
  }
};
