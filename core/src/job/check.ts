import { v2 } from '../geom';
import { isAlong } from '../places';
import type { Path, Problem } from '../problem';
import { inMm, leastMm, say } from '../sentence';
import { pitchRad } from '../units';
import { checkBlock, corner } from './check-block';
import { checkReferences } from './check-references';
import type { Job } from './schema';

/** More rafters than this are no building that one list is for. */
const MOST_RAFTERS = 6000;

/** How many rafters the eaves of a job come to, near enough. */
const rafterCount = ({ blocks, framing }: Job): number =>
  blocks.reduce(
    (sum, { outline, sides }) =>
      sides.reduce((own, side, i) => {
        if (side.roof !== 'eave') return own;
        const long = v2.distance(corner(outline, i), corner(outline, i + 1));
        // Above and below each break in pitch stands a rafter.
        return own + (long / framing.spacing) * (1 + (side.breaks?.length ?? 0));
      }, sum),
    0,
  );

/** More breaks in pitch than these, or more eaves that kick out, and where they cross takes too long to work out. */
const MOST_BREAKS = 160;
const MOST_KICKS = 48;

const checkBreakCount = ({ blocks }: Job): Problem[] => {
  const broken = blocks.flatMap(({ sides }, i) =>
    sides.flatMap((side, k) =>
      side.roof === 'eave' && side.breaks !== undefined
        ? [{ path: ['blocks', i, 'sides', k, 'breaks'], side, breaks: side.breaks }]
        : [],
    ),
  );
  const kicks = broken.filter(
    ({ side, breaks: [first] }) =>
      first !== undefined && pitchRad(first.pitch) > pitchRad(side.pitch),
  );
  const count = broken.reduce((sum, { breaks }) => sum + breaks.length, 0);
  const over = (path: Path | undefined, found: number, most: number, what: string): Problem[] =>
    found <= most || path === undefined
      ? []
      : [
          {
            code: 'size',
            path,
            text: say`${found} ${what} in this job; accepted are at most ${most}, or the building in several jobs`,
          },
        ];
  return [
    ...over(broken[0]?.path, count, MOST_BREAKS, 'breaks in pitch'),
    ...over(kicks[0]?.path, kicks.length, MOST_KICKS, 'eaves that kick out'),
  ];
};

const checkSizes = (job: Job): Problem[] => {
  const problems: Problem[] = [];
  const rafters = rafterCount(job);
  if (rafters > MOST_RAFTERS) {
    problems.push({
      code: 'size',
      path: ['framing', 'spacing'],
      text: say`some ${Math.round(rafters)} rafters along these eaves; accepted are at most ${MOST_RAFTERS} in one job: a wider spacing, or the building in several jobs`,
    });
  }
  const { spacing } = job.framing;
  const { thickness } = job.timber.common;
  if (spacing < 2 * thickness) {
    problems.push({
      code: 'size',
      path: ['framing', 'spacing'],
      text: say`${inMm(spacing, 1)} ‹on centre› leaves no gap between rafters ${inMm(thickness, 1)} thick; accepted is at least ${leastMm(2 * thickness, 1)}`,
    });
  }
  return problems;
};

/** Each place has one rule, told as it is fixed: so many at each, or at centres all along. */
const checkFixings = ({ fixings }: Job): Problem[] =>
  fixings.flatMap(({ place, each, centres }, i): Problem[] => {
    const path = ['fixings', i];
    const along = isAlong(place);
    if (fixings.findIndex((other) => other.place === place) < i)
      return [
        {
          code: 'schema',
          path: [...path, 'place'],
          text: say`"${place}" has a rule already; accepted is one rule a place`,
        },
      ];
    if (
      along
        ? centres === undefined || each !== undefined
        : each === undefined || centres !== undefined
    )
      return [
        {
          code: 'schema',
          path,
          text: along
            ? say`"${place}" is fixed all along; accepted is "centres", how far apart, and no "each"`
            : say`"${place}" is fixed place by place; accepted is "each", how many at one, and no "centres"`,
        },
      ];
    return [];
  });

/** What a schema cannot see: fields that must agree with each other. */
export const checkJob = (job: Job): Problem[] => [
  ...job.blocks.flatMap(checkBlock),
  ...checkBreakCount(job),
  ...checkSizes(job),
  ...checkReferences(job),
  ...checkFixings(job),
];
