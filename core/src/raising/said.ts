import { SLACK_MM } from '../geom';
import type { Member } from '../frame';
import type { Job } from '../job';
import { framedHere, type Roof } from '../roof';
import { inMm, say, type Sentence } from '../sentence';
import { diagonalsOf } from './diagonals';
import type { Lift } from './order';
import type { Phase } from '../kinds';

/** What is said of a lift: its name, what is done, what holds it until the roof is closed, what is checked then. */
export interface Said {
  readonly title: Sentence;
  readonly does: readonly Sentence[];
  readonly braces: readonly Sentence[];
  readonly checks: readonly Sentence[];
}

const has = ({ members }: Lift, ...kinds: readonly Member['kind'][]): boolean =>
  members.some(({ kind }) => kinds.includes(kind));

/** How high a level timber's top stands over the plate of its own block. mm */
const topOver = (roof: Roof, { frame, topMm, block }: Member): number => {
  const plate = roof.blocks.find(({ id }) => id === block)?.plateMm ?? 0;
  return frame.origin[2] + topMm * frame.e[2] - plate;
};

const framesSaid = (roof: Roof, lift: Lift): Omit<Said, 'title'> => {
  const ridge = lift.members.find(({ kind }) => kind === 'ridge');
  const height =
    ridge?.axis.level === true
      ? [
          say`‹ridge› level, its top ${inMm(topOver(roof, ridge))} above the ‹plate› at every ${has(lift, 'ridge-post') ? say`‹ridge post›` : say`end frame`}`,
        ]
      : [say`‹ridge› on its two heights, as its sheet gives them`];
  const straight = say`‹ridge› straight by a string from end to end along its top, on blocks of one thickness, with a third block to try it`;
  if (has(lift, 'ridge-post'))
    return {
      does: [
        say`stand the ‹ridge posts› on what carries them, lift the ‹ridge› onto them and fix every head and foot`,
      ],
      braces: [
        say`brace each ‹ridge post› both ways before the ‹ridge› is lifted; the braces stay until the slopes are sheathed`,
      ],
      checks: [say`‹ridge posts› plumb both ways`, ...height, straight],
    };
  return lift.laid === null
    ? {
        does: [
          say`stand the rafters near each end of the ‹ridge›, opposite ones together, lift the ‹ridge› between them and fix it`,
        ],
        braces: [
          say`brace each end frame along the building, from under the ‹ridge› down to the ‹plates›; the braces stay until the slopes are sheathed`,
        ],
        checks: [
          say`end frames plumb, by a long level or a plumb bob from the ‹ridge›`,
          ...height,
          straight,
        ],
      }
    : {
        does: [
          say`plumb the end frame, run the ‹ridge› level from its peak until it comes down on the lower sheathing, and square it in plan to the wall it leaves from`,
        ],
        braces: [say`brace the end frame back to the roof below until the rafters stand`],
        checks: [...height, straight],
      };
};

type Sayer = (job: Job, roof: Roof, lift: Lift) => Omit<Said, 'title'>;

/** Walls whose plates and ridge can be measured crosswise, as checks. */
const crosswise = (roof: Roof): Sentence[] =>
  diagonalsOf(roof).map(({ wall, one, other }) =>
    Math.abs(one - other) < EQUAL_MM
      ? say`crosswise over ${wall}, from each corner of its ‹plate› to the further end of the ‹ridge›: ${inMm(one)} both ways`
      : say`crosswise over ${wall}, to the further end of the ‹ridge›: ${inMm(one)} from its start corner, ${inMm(other)} from its end corner`,
  );

/** Diagonals that differ by less are told as one. mm */
const EQUAL_MM = SLACK_MM.beside;

const SAID: Readonly<Record<Phase, Sayer>> = {
  sleepers: () => ({
    does: [
      say`lay the ‹sleepers› inside their chalk lines and fix them through the sheathing into the rafters below`,
    ],
    braces: [],
    checks: [
      say`a straight-edge down the upper slope touches the ‹sleeper› and strikes the chalk line`,
    ],
  }),
  cheeks: () => ({
    does: [
      say`stand the front wall and set the ‹cheek studs› on the sheathing, over the ‹trimmers›, under their ‹plates› or under the end rafter as that is set`,
    ],
    braces: [say`brace both cheeks plumb until the dormer’s rafters hold them`],
    checks: [say`cheeks plumb and parallel, their ‹plates› level and at one height`],
  }),
  posts: () => ({
    does: [
      say`stand the ‹posts› on their footings, lay the ‹beam› on them, and fix both ends of every ‹post›`,
    ],
    braces: [say`brace every ‹post› both ways before anything is loaded on the ‹beam›`],
    checks: [say`‹posts› plumb both ways; ‹beam› level, and straight by a string`],
  }),
  ledgers: () => ({
    does: [say`fix the ‹ledger› through the wall’s cladding to what carries it`],
    braces: [],
    checks: [say`‹ledger› level, at its height, and straight`],
  }),
  joists: () => ({
    does: [
      say`lay the ‹rafter ties› on the ‹plates›, each against its rafter’s mark, and nail them down; planks across them are the floor to work from`,
    ],
    braces: [say`brace the walls plumb before any rafter leans on them`],
    checks: [
      say`‹plates› straight by a string from corner to corner, and the building’s two diagonals as they are to be`,
    ],
  }),
  frames: (_job, roof, lift) => framesSaid(roof, lift),
  purlins: (_job, _roof, lift) => ({
    does: has(lift, 'strut')
      ? [
          say`set the ‹purlins› in place and their ‹struts› under them at once: nothing leans on a ‹purlin› before`,
        ]
      : [say`set the ‹purlins› on what carries them at their ends`],
    braces: [say`prop a ‹purlin› from the floor until what carries it is fixed`],
    checks: [
      say`‹purlins› at their height, and straight by a string, seen from above and from the side`,
    ],
  }),
  corners: (_job, _roof, lift) => ({
    does: [
      has(lift, 'hip')
        ? say`set the ‹hips› from the corners up, opposite ones together`
        : say`set the ‹valleys› from the inner corners up`,
    ],
    braces: [say`prop long ones at their middle until jacks stand on both sides`],
    checks: [
      say`each straight by a string along its top, seen from above and from the side, before any jack is nailed to it`,
    ],
  }),
  rafters: (job, roof, lift) => ({
    does: [
      say`set the other rafters from the ends inward, opposite ones together, so that none pushes the ‹ridge› aside`,
    ],
    braces: [
      say`nail a board flat across the undersides of a slope, from an end frame’s foot slantwise to the ‹ridge›, until it is sheathed`,
    ],
    checks: [
      say`string along the ‹ridge› again after every few pairs; rafters’ tops flush with it on both sides`,
      say`‹tails› on one line by a string`,
      ...(lift.laid === null ? crosswise(framedHere(job, roof)?.roof ?? roof) : []),
    ],
  }),
  openings: () => ({
    does: [
      say`set the ‹trimmers› whole, the ‹headers› between them, and hang the cut rafters above and below last`,
    ],
    braces: [],
    checks: [say`each opening’s width, its length and its two diagonals equal`],
  }),
  jacks: (_job, _roof, lift) => ({
    does: [
      lift.laid === null
        ? say`set the jacks in opposite pairs, the longest first: one alone bends the ‹hip› or the ‹valley›`
        : say`set the jacks in opposite pairs, each foot square across from its mark on the ‹ridge›`,
    ],
    braces: [],
    checks: [
      lift.laid === null
        ? say`‹hip› or ‹valley› still straight by its string after every pair`
        : say`each foot on its line, and the tops in one plane under a straight-edge`,
    ],
  }),
  collars: () => ({
    does: [say`fix the ‹collar ties› to both rafters of their pair`],
    braces: [],
    checks: [say`each level, and all at one height by a string`],
  }),
  gables: () => ({
    does: [say`set the ‹gable studs› plumb on the wall, up to the rafters`],
    braces: [],
    checks: [say`studs in the plane of the wall below, and the end rafters still straight`],
  }),
  blocks: () => ({
    does: [say`nail the blocks between the rafters`],
    braces: [],
    checks: [say`no block forces two rafters apart: their spacing holds at the top of each`],
  }),
  edges: (_job, _roof, lift) => ({
    does: [
      has(lift, 'barge', 'lookout')
        ? say`nail on the ‹lookouts› and hang the ‹barges›; then the ‹fascia› along the ‹tails›`
        : say`nail the ‹fascia› along the ‹tails›`,
    ],
    braces: [say`nobody leans out over an edge without a scaffold or a line`],
    checks: [say`edges straight by a string; plane off or pack what stands off it`],
  }),
  'roof-purlins': () => ({
    does: [
      say`fix the ‹purlins› on the rafters, from the ‹eave› up; tread only where rafters carry them`,
    ],
    braces: [],
    checks: [say`each straight by a string, and at its distance up the slope`],
  }),
};

const TITLES: Readonly<Record<Phase, (lift: Lift) => Sentence>> = {
  sleepers: () => say`‹Sleepers›`,
  cheeks: () => say`Cheeks`,
  posts: () => say`‹Posts› and ‹beam›`,
  ledgers: () => say`‹Ledger›`,
  joists: () => say`‹Rafter ties›`,
  frames: (lift) =>
    has(lift, 'ridge-post') ? say`‹Ridge› on its ‹posts›` : say`‹Ridge› on its end frames`,
  purlins: () => say`‹Purlins›`,
  corners: (lift) =>
    has(lift, 'hip')
      ? has(lift, 'valley')
        ? say`‹Hips› and ‹valleys›`
        : say`‹Hips›`
      : say`‹Valleys›`,
  rafters: () => say`‹Commons›`,
  openings: () => say`Openings`,
  jacks: () => say`Jacks`,
  collars: () => say`‹Collar ties›`,
  gables: () => say`‹Gable studs›`,
  blocks: () => say`Blocks`,
  edges: (lift) => (has(lift, 'barge', 'lookout') ? say`‹Barges› and ‹fascia›` : say`‹Fascia›`),
  'roof-purlins': () => say`‹Purlins› on the rafters`,
};

/** What is said of a lift of a job's frame. */
export const saidOf = (job: Job, roof: Roof, lift: Lift): Said => {
  const title = TITLES[lift.phase](lift);
  return {
    ...SAID[lift.phase](job, roof, lift),
    title: lift.laid === null ? title : say`${title} of "${lift.laid}"`,
  };
};
