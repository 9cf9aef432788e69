import type { Path, Problem } from '../problem';
import { leastMm, say } from '../sentence';
import { runInto } from './edit/laid-on';
import type { Job } from './schema';
import { standsAlready } from './sides';

/** What stands on a part that is not there. */
const noBlock = (path: Path, id: string): Problem => ({
  code: 'schema',
  path: [...path, 'block'],
  text: say`no block is called "${id}"`,
});

/** What names a part or one of its sides names one that is there, and can have it. */
export const checkReferences = (job: Job): Problem[] => {
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
      problems.push(noBlock(['purlins', index], purlin.block));
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
    if (block === undefined) return [noBlock(path, id)];
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
    if (block === undefined) return [noBlock(path, id)];
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
    if (block === undefined) return [noBlock(path, id)];
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
    const path = ['dormers', index];
    const problem = (field: string, text: Problem['text']): Problem[] => [
      { code: 'schema', path: [...path, field], text },
    ];
    if (block === undefined) return [noBlock(path, id)];
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
    const into = framed.find((other) => !standsAlready(other) && runInto(block, other));
    if (into !== undefined)
      return problem(
        say`"${block.id}" stands already and "${into.id}" is framed into it; accepted is existing for both, with new parts laid on, or a house that stands beside it`,
      );
    return standing.length === blocks.length && saddles.length === 0
      ? problem(
          say`everything stands already, so that nothing is left to frame; accepted is a part laid on it, or a saddle`,
        )
      : [];
  });
};
