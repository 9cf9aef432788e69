import { SAME_HEIGHT_MM } from '../geom';
import { say } from '../sentence';
import type { Roof, SideLine } from '../roof';
import { note, type Remark, type Subject } from './remark';

const eaves = (roof: Roof): { fall: number; line: SideLine; block: string }[] =>
  roof.slopes.flatMap(({ sides }) =>
    sides.map(({ line, rise, block }) => ({
      fall: line.overhangMm * rise - line.plateMm,
      line,
      block,
    })),
  );

/** Fascia lines, and what an eave or a gable still wants. */
export const aboutEaves = ({ job, roof }: Subject): Remark[] => {
  const remarks: Remark[] = [];
  const all = eaves(roof);
  const uneven = roof.blocks.some(({ id }) => {
    const falls = all.filter(({ block }) => block === id).map(({ fall }) => fall);
    return Math.max(...falls) - Math.min(...falls) > SAME_HEIGHT_MM;
  });
  if (uneven || roof.edges.some(({ kind }) => kind === 'step')) {
    remarks.push(
      note(
        'fascias-uneven',
        say`the ‹fascias› do not all meet at one height: the overhangs fall by different amounts. Level ‹fascias› (under Roof) mend it within a block`,
      ),
    );
  }
  if (job.framing.tail === 'square' && all.some(({ line }) => line.overhangMm === 0))
    remarks.push(
      note(
        'tail-plumb',
        say`where there is no overhang the rafter ends plumb at the ‹plate›, not square`,
      ),
    );
  const sides = roof.blocks.flatMap((block) => block.sides);
  if (sides.some((side) => side.roof === 'gable' && side.overhangMm > 0))
    remarks.push(
      note(
        'gable-overhang',
        say`the gable overhang wants barge rafters and lookouts; they are not in this list yet`,
      ),
    );
  if (sides.some((side) => side.roof === 'wall'))
    remarks.push(
      note(
        'wants-ledger',
        say`the rafters’ upper ends at the wall want a ledger; it is not in this list yet`,
      ),
    );
  return remarks;
};

/** Open ends that were carried on over the roof they lie in. */
export const aboutOpenEnds = ({ job, roof }: Subject): Remark[] =>
  job.blocks.flatMap(({ id, sides }, i): Remark[] => {
    const carried = sides.some(
      (side, k) => side.roof === 'open' && roof.blocks[i]?.sides[k]?.roof !== 'open',
    );
    return carried
      ? [
          note(
            'carried-over',
            say`the roof of "${id}" stands above the one its open end lies in: it runs on over it and comes down on the far side`,
          ),
        ]
      : [];
  });
