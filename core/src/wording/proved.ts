import type { FindingKind, FitProblem, FitReport } from '../fit';
import type { Job } from '../job';
import { formatLength, lengthFormat } from '../units';

/** One thing that the dry fit proves, or finds not to be so. */
export interface Proved {
  readonly holds: boolean;
  readonly text: string;
}

const count = (problems: readonly FitProblem[], ...kinds: readonly FindingKind[]): number =>
  problems.filter(({ kind }) => kinds.includes(kind)).length;

/** What was proved, in words, in the order in which a frame stands up. */
export const proved = (report: FitReport, job: Job): Proved[] => {
  const { problems, carried, joints, seats, leastBearing, shortJacks, worstGap } = report;
  const say = (mm: number): string => formatLength(mm, lengthFormat(job.display));
  const open = count(problems, 'gap');
  const loose = count(problems, 'loose', 'floating');
  const missing = count(problems, 'missing');
  const shared = count(problems, 'overlap');
  const off = count(problems, 'proud', 'low', 'misplaced');
  const gap = formatLength(worstGap, { style: 'mm', places: 1 });
  return [
    {
      holds: loose === 0,
      text:
        loose === 0
          ? `${carried} boards carried: both ends bear, down to a ‹plate› or a wall`
          : `${loose} ends or boards are carried by nothing, or by too little`,
    },
    {
      holds: open === 0,
      text:
        open === 0
          ? `${joints} joints close, worst gap ${gap}`
          : `${open} of ${joints} joints stand open, worst gap ${gap}`,
    },
    {
      holds: leastBearing !== null,
      text:
        leastBearing === null
          ? 'Nothing stands on a ‹plate›'
          : `${seats.length} seats on their ‹plates›, least bearing ${say(leastBearing)}`,
    },
    {
      holds: missing === 0,
      text:
        missing === 0
          ? `A timber on every ridge, hip and valley; no bare strip wider than ${say(job.framing.spacing)}${shortJacks.length === 0 ? '' : `, but for ${shortJacks.length === 1 ? 'one place' : `${shortJacks.length} places`} where the shortest jack is left out`}`
          : `${missing} places of the roof are bare`,
    },
    {
      holds: shared === 0,
      text:
        shared === 0
          ? 'No two boards in one place, none in a ‹plate›'
          : `${shared} pairs of boards share wood, or a board stands in a ‹plate›`,
    },
    {
      holds: off === 0,
      text:
        off === 0
          ? 'Every top in its roof plane to 0.1 mm, every rafter on the layout'
          : `${off} boards stand out of their plane or off the layout`,
    },
  ];
};
