import { pathText, type Path } from '@ogee/core/src/problem';
import type { Job } from '@ogee/core/src/job';

type Placed = Pick<
  Job,
  'blocks' | 'purlins' | 'roofPurlins' | 'openings' | 'saddles' | 'dormers' | 'hipBraces'
>;

/** The part, and the wall or corner of it, that something of the job stands at. */
const standsAt = (job: Placed, [list, number, within, wall]: Path) => {
  const index = Number(number);
  switch (list) {
    case 'blocks': {
      const ofWall = within === 'sides' || within === 'outline';
      const side = ofWall && typeof wall === 'number' ? { side: wall } : {};
      return { block: job.blocks[index]?.id, ...side };
    }
    case 'purlins':
    case 'roofPurlins':
    case 'openings':
    case 'saddles':
    case 'dormers':
    case 'hipBraces':
      return job[list]?.[index];
    default:
      return undefined;
  }
};

/** A path of the job file as a framer would say it: “wing, wall 3”. A path of anything else stays as it is written. */
export const placeName = (job: Placed, path: Path): string => {
  const place = standsAt(job, path);
  if (place?.block === undefined) return pathText(path);
  if ('corner' in place) return `${place.block}, corner ${place.corner + 1}`;
  const side = 'side' in place ? place.side : undefined;
  return side === undefined ? place.block : `${place.block}, wall ${side + 1}`;
};
