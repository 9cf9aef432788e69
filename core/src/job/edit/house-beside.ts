import { pitchRad } from '../../units';
import type { Block, Job, Side } from '../schema';
import { firstEave } from '../sides';
import { eaveOf, freeId } from './add-block';
import { rectangle, wallOf, type OnWall } from './on-wall';
import { withSide } from './parts';
import { gutterOf, withSaddleBetween } from './saddles';

/**
 * Every eave's overhang as it is, where one line of fascias had worked it out: an eave over a gutter has none, and the line
 * goes on round it no more.
 */
const overhangsTyped = (job: Job): Job => {
  const { levelFascia, ...framing } = job.framing;
  if (levelFascia === undefined) return job;
  return {
    ...job,
    framing,
    blocks: job.blocks.map((block): Block => {
      const first = firstEave(block);
      if (first === null) return block;
      const { overhang } = first.side;
      const fall = overhang * Math.tan(pitchRad(first.side.pitch));
      return {
        ...block,
        sides: block.sides.map((side): Side =>
          side.roof !== 'eave'
            ? side
            : {
                ...side,
                overhang:
                  levelFascia === 'raise-plate' ? overhang : fall / Math.tan(pitchRad(side.pitch)),
              },
        ),
      };
    }),
  };
};

/**
 * A house that stands beside a part, back to back with one of its walls: where that is an eave, the two drain into a gutter
 * between them, and a saddle on both slopes throws the water out of it.
 */
export const withHouseBeside = (job: Job, index: number, side: number, on: OnWall): Job => {
  const block = job.blocks[index];
  if (block === undefined) return job;
  const { pitch, overhang } = eaveOf(block, side);
  const end: Side = { roof: 'gable', overhang: 0 };
  const drains = block.sides[side]?.roof === 'eave';
  const house: Block = {
    id: freeId(job, 'house beside'),
    outline: rectangle(wallOf(block, side), on, 0),
    plate: block.plate,
    sides: [
      { roof: 'eave', pitch, overhang },
      end,
      drains ? { roof: 'eave', pitch, overhang: 0 } : end,
      end,
    ],
    join: 'framed',
    existing: true,
  };
  const levelled = drains ? overhangsTyped(job) : job;
  const bare = drains
    ? withSide(levelled, index, side, (own) => ({ ...own, overhang: 0 }) as Side)
    : levelled;
  const beside = { ...bare, blocks: [...bare.blocks, house] };
  const gutter = gutterOf(beside, index);
  return gutter === null ? beside : withSaddleBetween(beside, gutter, true);
};
