import { SLACK_RAD, area2, SAME_POINT_MM, v2, type Vec2 } from '../geom';
import { isAlong } from '../places';
import type { Path, Problem } from '../problem';
import { standsAlready } from './sides';
import { inMm, leastMm, say, type Sentence } from '../sentence';
import { pitchRad } from '../units';
import type { Block, Job } from './schema';

const SHORTEST_SIDE_MM = 300;

const corner = (outline: readonly Vec2[], i: number): Vec2 => {
  const point = outline[(i + outline.length) % outline.length];
  if (point === undefined) throw new Error(`job: outline has no corner ${i}`);
  return point;
};

const checkOutline = (block: Block, path: Path): Problem[] => {
  const { outline } = block;
  const problem = (at: Path, text: Sentence): Problem => ({ code: 'outline', path: at, text });
  for (let i = 0; i < outline.length; i += 1) {
    const side = v2.distance(corner(outline, i), corner(outline, i + 1));
    if (side < SHORTEST_SIDE_MM) {
      return [
        problem(
          [...path, 'outline', i],
          say`this wall is ${inMm(side, 1)} long; accepted is at least ${leastMm(SHORTEST_SIDE_MM)}`,
        ),
      ];
    }
  }
  if (area2(outline) < 0) {
    return [
      problem(
        [...path, 'outline'],
        say`corners run clockwise; list them counter-clockwise (reverse the list)`,
      ),
    ];
  }
  let turned = 0;
  for (let i = 0; i < outline.length; i += 1) {
    const before = v2.sub(corner(outline, i), corner(outline, i - 1));
    const after = v2.sub(corner(outline, i + 1), corner(outline, i));
    const turn = v2.cross(before, after);
    if (turn <= SAME_POINT_MM) {
      return [
        problem(
          [...path, 'outline', i],
          say`corner ${i + 1} does not turn left; a block is convex, so split the building into convex blocks`,
        ),
      ];
    }
    turned += Math.atan2(turn, v2.dot(before, after));
  }
  // A star-shaped tangle turns left at every corner too, but more than once round.
  return turned > 2 * Math.PI + 1
    ? [
        problem(
          [...path, 'outline'],
          say`the sides cross; list the corners in order round the building`,
        ),
      ]
    : [];
};

/** A break this near to the next, or to the plate, leaves no rafter between them. mm */
const LEAST_BAND_MM = 300;
/** Pitches that differ by less than this make no break. rad */
const LEAST_BREAK_RAD = SLACK_RAD.pitch;

/** The breaks in pitch of one side: in order up the slope, and steeper only at the lowest. */
const checkBreaks = (block: Block, path: Path): Problem[] =>
  block.sides.flatMap((side, i): Problem[] => {
    if (side.roof !== 'eave' || side.breaks === undefined) return [];
    let at = 0;
    let below = pitchRad(side.pitch);
    return side.breaks.flatMap((one, k): Problem[] => {
      const field = [...path, 'sides', i, 'breaks', k];
      const [from, was] = [at, below];
      at = one.at;
      below = pitchRad(one.pitch);
      if (at < from + LEAST_BAND_MM) {
        const what = k === 0 ? "the plate's outside face" : 'the break below it';
        const text = say`the break is ${inMm(at - from, 1)} in from ${what}; accepted is at least ${leastMm(LEAST_BAND_MM)}, so that rafters stand between`;
        return [{ code: 'size', path: [...field, 'at'], text }];
      }
      if (Math.abs(below - was) < LEAST_BREAK_RAD) {
        const text = say`the pitch above the break is the one below it; accepted is another pitch`;
        return [{ code: 'size', path: [...field, 'pitch'], text }];
      }
      if (k > 0 && below > was) {
        const text = say`the roof gets steeper again above this break; accepted is steeper at the lowest break only, where an eave kicks out, and shallower at every other`;
        return [{ code: 'size', path: [...field, 'pitch'], text }];
      }
      return [];
    });
  });

const checkBlock = (block: Block, index: number): Problem[] => {
  const path = ['blocks', index];
  if (block.sides.length !== block.outline.length) {
    return [
      {
        code: 'outline',
        path: [...path, 'sides'],
        text: say`${block.sides.length} sides for ${block.outline.length} corners; give one side for each corner, side i from corner i to the next`,
      },
    ];
  }
  const problems = [...checkOutline(block, path), ...checkBreaks(block, path)];
  if (!block.sides.some((side) => side.roof === 'eave')) {
    problems.push({
      code: 'outline',
      path: [...path, 'sides'],
      text: say`no eave; a roof needs at least one side that is an eave`,
    });
  }
  return problems;
};

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

const checkReferences = (job: Job): Problem[] => {
  const problems: Problem[] = [];
  const seen = new Set<string>();
  for (const [index, block] of job.blocks.entries()) {
    if (seen.has(block.id)) {
      problems.push({
        code: 'schema',
        path: ['blocks', index, 'id'],
        text: say`"${block.id}" is used twice; give each block its own id`,
      });
    }
    seen.add(block.id);
  }
  for (const [index, purlin] of job.purlins.entries()) {
    const block = job.blocks.find((one) => one.id === purlin.block);
    if (block === undefined) {
      problems.push({
        code: 'schema',
        path: ['purlins', index, 'block'],
        text: say`no block is called "${purlin.block}"`,
      });
    } else if (block.sides[purlin.side]?.roof !== 'eave') {
      problems.push({
        code: 'schema',
        path: ['purlins', index, 'side'],
        text: say`side ${purlin.side + 1} of "${purlin.block}" is not an eave; a purlin lies under an eave's roof plane`,
      });
    }
  }
  return [
    ...problems,
    ...checkRoofPurlins(job),
    ...checkOpenings(job),
    ...checkSaddles(job),
    ...checkDormers(job),
    ...checkExisting(job),
  ];
};

/** Purlins over and between rafters: on eaves that are there, one set a side. */
const checkRoofPurlins = ({ blocks, roofPurlins }: Job): Problem[] => {
  const taken = new Set<string>();
  return roofPurlins.flatMap(({ block: id, side }, index): Problem[] => {
    const path = ['roofPurlins', index];
    const block = blocks.find((one) => one.id === id);
    if (block === undefined)
      return [{ code: 'schema', path: [...path, 'block'], text: say`no block is called "${id}"` }];
    const eaves = block.sides.flatMap((one, i) => (one.roof === 'eave' ? [i] : []));
    if (side !== undefined && !eaves.includes(side)) {
      const text = say`side ${side + 1} of "${id}" is not an eave; ‹purlins› lie on an eave's rafters`;
      return [{ code: 'schema', path: [...path, 'side'], text }];
    }
    const own = eaves.filter((i) => side === undefined || side === i);
    const twice = own.find((i) => taken.has(`${i} ${id}`));
    for (const i of own) taken.add(`${i} ${id}`);
    return twice === undefined
      ? []
      : [
          {
            code: 'schema',
            path: [...path, 'side'],
            text: say`side ${twice + 1} of "${id}" has ‹purlins› over or between its rafters already; accepted is one set a side`,
          },
        ];
  });
};

/** Openings lie in the slopes of eaves that are there. */
const checkOpenings = ({ blocks, openings }: Job): Problem[] =>
  openings.flatMap(({ block: id, side }, index): Problem[] => {
    const block = blocks.find((one) => one.id === id);
    const path = ['openings', index];
    if (block === undefined)
      return [{ code: 'schema', path: [...path, 'block'], text: say`no block is called "${id}"` }];
    return block.sides[side]?.roof === 'eave'
      ? []
      : [
          {
            code: 'schema',
            path: [...path, 'side'],
            text: say`side ${side + 1} of "${id}" is not an eave; an opening lies in an eave's slope`,
          },
        ];
  });

/** Saddles stand in the slopes of eaves that are there. */
const checkSaddles = ({ blocks, saddles }: Job): Problem[] =>
  saddles.flatMap(({ block: id, side }, index): Problem[] => {
    const block = blocks.find((one) => one.id === id);
    const path = ['saddles', index];
    if (block === undefined)
      return [{ code: 'schema', path: [...path, 'block'], text: say`no block is called "${id}"` }];
    return block.sides[side]?.roof === 'eave' && block.join === 'framed'
      ? []
      : [
          {
            code: 'schema',
            path: [...path, 'side'],
            text: say`side ${side + 1} of "${id}" is not an eave of a framed roof; a saddle stands on an eave's slope`,
          },
        ];
  });

/** Dormers stand on the slopes of eaves that are framed here, and have one way to their pitch. */
const checkDormers = ({ blocks, dormers }: Job): Problem[] =>
  dormers.flatMap((dormer, index): Problem[] => {
    const { block: id, side, roof, pitch, top, face } = dormer;
    const block = blocks.find((one) => one.id === id);
    const problem = (field: string, text: Problem['text']): Problem[] => [
      { code: 'schema', path: ['dormers', index, field], text },
    ];
    if (block === undefined) return problem('block', say`no block is called "${id}"`);
    if (block.sides[side]?.roof !== 'eave' || (block.join !== 'framed' && blocks[0] !== block))
      return problem(
        'side',
        say`side ${side + 1} of "${id}" is not an eave of a framed roof; a dormer stands on an eave's slope`,
      );
    if (standsAlready(block))
      return problem(
        'block',
        say`"${id}" stands already, and its rafters are not known here; accepted is a dormer on a roof that is framed in this job`,
      );
    if (roof === 'gable')
      return top === undefined
        ? []
        : problem(
            'top',
            say`a gable dormer's ridge runs level into the slope; accepted is a pitch, and no "top"`,
          );
    if ((pitch === undefined) === (top === undefined))
      return problem(
        'pitch',
        say`a shed dormer falls by its pitch, or to where it comes down; accepted is "pitch" or "top", one of them`,
      );
    return top !== undefined && top <= face
      ? problem(
          'top',
          say`its roof comes down before its front wall; accepted is over ${leastMm(face)}`,
        )
      : [];
  });

/** Blocks that stand already: all that is framed into each other, and something laid on it. */
const checkExisting = ({ blocks, saddles }: Job): Problem[] => {
  const framed = blocks.filter(({ join }, i) => i === 0 || join === 'framed');
  const standing = blocks.filter(standsAlready);
  return blocks.flatMap((block, i): Problem[] => {
    if (!standsAlready(block)) return [];
    const problem = (text: Problem['text']): Problem[] => [
      { code: 'not-framed', path: ['blocks', i, 'existing'], text },
    ];
    if (!framed.includes(block))
      return problem(
        say`"${block.id}" is laid on another roof and is framed; accepted is existing for what it is laid on`,
      );
    if (standing.length < framed.length)
      return problem(
        say`"${block.id}" stands already and other parts are framed into it; accepted is existing for all of them, with new parts laid on`,
      );
    return framed.length === blocks.length && saddles.length === 0
      ? problem(
          say`everything stands already, so that nothing is left to frame; accepted is a part laid on it, or a saddle`,
        )
      : [];
  });
};

/** What a schema cannot see: fields that must agree with each other. */
export const checkJob = (job: Job): Problem[] => [
  ...job.blocks.flatMap(checkBlock),
  ...checkBreakCount(job),
  ...checkSizes(job),
  ...checkReferences(job),
  ...checkFixings(job),
];
