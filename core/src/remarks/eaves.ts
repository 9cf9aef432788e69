import { SLACK_MM, SAME_HEIGHT_MM, v2, v3 } from '../geom';
import { isSquareTail, memberId, offSquareGables } from '../frame';
import { clearanceOf } from '../job';
import { inMm, say } from '../sentence';
import { comesOverWalls, type Roof, type SideLine } from '../roof';
import { caution, note, type Remark, type Subject } from './remark';

/** The widest gable overhang that a ladder usually carries: a foot. mm */
const USUAL_LADDER_MM = 305;

/** What is cleared by less than this under nothing touches: rounding. mm */
const CLEAR_MM = SLACK_MM.rounding;

const eaves = (roof: Roof): { fall: number; line: SideLine; block: string }[] =>
  roof.slopes.flatMap(({ sides }) =>
    sides.map(({ line, rise, block }) => ({
      fall: line.overhangMm * rise - line.plateMm,
      line,
      block,
    })),
  );

/** The longest valley that lies in the overhang from end to end, in plan. mm */
const longestInOverhang = ({ edges, blocks, slopes }: Roof): number =>
  Math.max(
    0,
    ...edges.map((edge) =>
      'side' in edge || edge.kind !== 'valley' || comesOverWalls(blocks, slopes, edge)
        ? 0
        : v2.distance(v3.inPlan(edge.from), v3.inPlan(edge.to)),
    ),
  );

/** Fascia lines, and what an eave or a gable still wants. */
export const aboutEaves = ({ job, roof, framing }: Subject): Remark[] => {
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
  const [fascia] = framing.members.filter(({ kind }) => kind === 'fascia');
  if (fascia !== undefined && fascia.longMm > 0)
    remarks.push(
      note(
        'fascias-long',
        say`the ‹fascias›’ boards are ${inMm(fascia.longMm)} longer at each end than the lengths between their cuts: nail each on along a string, and cut its ends and mitres in place`,
        fascia,
      ),
    );
  if (job.framing.tail === 'square' && all.some(({ line }) => line.overhangMm === 0))
    remarks.push(
      note(
        'tail-plumb',
        say`where there is no overhang the rafter ends plumb at the ‹plate›, not square`,
      ),
    );
  const plumbTails = roof.slopes
    .flatMap((slope) => slope.sides)
    .filter(
      (plane) => plane.band === 0 && plane.line.overhangMm > 0 && !isSquareTail({ job }, plane),
    );
  const [stub] = [...plumbTails].sort((p, q) => p.line.overhangMm - q.line.overhangMm);
  if (job.framing.tail === 'square' && stub !== undefined)
    remarks.push(
      note(
        'tail-plumb',
        say`${stub.block}, wall ${stub.side + 1}: with an overhang of ${inMm(stub.line.overhangMm)} a square tail would come in over the ‹plate› and take the seat; the tails there are cut plumb`,
      ),
    );
  const inOverhang = longestInOverhang(roof);
  if (inOverhang > 0)
    remarks.push(
      note(
        'valley-in-overhang',
        say`at an inner corner two eaves meet in a valley that lies in the overhang from end to end, ${inMm(inOverhang)} in plan: no timber stands on it; block between the tails beside it, so that the edges of the sheathing are nailed`,
      ),
    );
  const inWay = Math.min(...job.blocks.flatMap((_, i) => clearanceOf(job, i) ?? []));
  if (inWay < -CLEAR_MM)
    remarks.push(
      caution(
        'not-cleared',
        say`what stands outside the wall comes ${inMm(-inWay, 1)} into the rafters, measured plumb; set them higher over the ‹plate›, or take less overhang, under Roof`,
      ),
    );
  const sides = roof.blocks.flatMap((block) => block.sides);
  const hanging = sides.filter((side) => side.roof === 'gable' && side.overhangMm > 0);
  if (hanging.length > 0 && job.timber.barge === undefined)
    remarks.push(
      note(
        'gable-overhang',
        say`the gable overhang wants ‹barges› and ‹lookouts›; give them under Roof, or frame it another way`,
      ),
    );
  if (job.timber.barge !== undefined) {
    const has = (block: string, side: number): boolean =>
      framing.members.some(({ id }) => id.startsWith(`${memberId(block, 'barge', side)}.`));
    for (const { block, side } of offSquareGables(roof)) {
      if (side.overhangMm === 0) continue;
      const place = say`${block}, wall ${side.index + 1}: the ‹gable› is not square to the slopes beside it`;
      remarks.push(
        has(block, side.index)
          ? note(
              'gable-off-square',
              say`${place}. Its ‹barges› run along the edge of the roof, and one top corner of them comes to it; each ‹lookout› has its own length, square at the rafter and cut to the ‹barge›`,
            )
          : caution(
              'gable-off-square',
              say`${place}, so its ‹barges› and ‹lookouts› are not worked out and not in the list. Set them to a line along the edge of the roof on site`,
            ),
      );
    }
  }
  const widest = Math.max(0, ...hanging.map(({ overhangMm }) => overhangMm));
  const laidIn = job.framing.lookouts === 'laid-in';
  if (job.timber.barge !== undefined && !laidIn && widest > USUAL_LADDER_MM)
    remarks.push(
      caution(
        'wide-ladder',
        say`a ladder of butted ‹lookouts› carries ${inMm(widest)} of overhang by its nails alone; past ${inMm(USUAL_LADDER_MM)} the usual way is ‹lookouts› that run in over the gable’s rafter: ask the local code`,
      ),
    );
  const [shortest] = framing.members
    .filter(({ kind, ends }) => kind === 'lookout' && ends.some(({ meets }) => meets !== null))
    .sort((p, q) => p.axis.runMm - q.axis.runMm);
  const within = (shortest?.axis.runMm ?? 0) - widest + (job.timber.barge?.thickness ?? 0);
  if (laidIn && shortest !== undefined && within < widest)
    remarks.push(
      caution(
        'short-lookout',
        say`a ‹lookout› runs ${inMm(within)} in past the ‹gable› and the roof hangs ${inMm(widest)} over it: the usual way is to run in at least as far as it hangs over, and to hold the inner end down; ask the local code`,
        shortest,
      ),
    );
  if (sides.some((side) => side.roof === 'wall'))
    remarks.push(
      job.timber.ledger === undefined
        ? note(
            'wants-ledger',
            say`the rafters’ upper ends at the wall want a ‹ledger›; give its size under Roof, or carry them another way`,
          )
        : caution(
            'ledger-carries',
            say`the ‹ledger› carries half of what lies on the roof against the wall: fix it through to the wall’s studs or masonry, hang every rafter in a hanger, and let the local code or an engineer say with what`,
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
