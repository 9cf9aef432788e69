import { SLACK_MM, v2, v3 } from '../geom';
import { MOST_SPACER_MM, type Member } from '../frame';
import { inMm, say } from '../sentence';
import { caution, note, type Remark, type Subject } from './remark';

/** Two that stand squarer to each other than this, as a cosine, are square. */
const SQUARE = 0.99;
/** A gap under this is none. mm */
const FLAT_MM = SLACK_MM.beside;

/** The gap between a rafter's face and that of the joist nearest to it that runs the same way over its plate. mm */
const gapTo = (rafter: Member, joists: readonly Member[]): number => {
  const { frame, stock, block } = rafter;
  const aside = v2.left(v2.unit(v3.inPlan(frame.a)));
  const gaps = joists
    .filter(
      (joist) =>
        joist.block === block &&
        Math.abs(v3.dot(joist.frame.a, v3.cross(frame.s, [0, 0, 1]))) > SQUARE,
    )
    .map((joist) => {
      const off = v2.dot(v2.sub(v3.inPlan(joist.frame.origin), v3.inPlan(frame.origin)), aside);
      return Math.abs(off) - (stock.thickness + joist.stock.thickness) / 2;
    });
  return Math.min(Infinity, ...gaps);
};

/** Joists at a spacing of their own, or lapped: which rafters meet one, where a spacer goes, what carries the lap. */
export const aboutJoists = ({
  job: { rafterTies },
  framing: { members, slid },
}: Subject): Remark[] => {
  const joists = members.filter(({ kind }) => kind === 'rafter-tie');
  const [first] = joists;
  if (first === undefined || rafterTies === undefined) return [];
  const remarks: Remark[] = [];
  const { lap, spacing } = rafterTies;
  if (slid > 0)
    remarks.push(
      note(
        'joists-slid',
        say`${slid} of the ‹rafter ties› would stand in other timber ‹on centre›, and lie flat beside it: the ceiling’s boards break on the others`,
      ),
    );
  if (lap !== undefined)
    remarks.push(
      caution(
        'joists-lapped',
        say`the ‹rafter ties› are lapped half-way, each running ${inMm(lap)} past the middle, on the two faces of their rafters: a wall must carry them there, and they hold the walls together only as well as the lap is fixed, with a spacer block between where they do not touch`,
        first,
      ),
    );
  if (spacing !== undefined) {
    const rafters = members.filter(({ kind, notches }) => kind === 'common' && notches.length > 0);
    const gaps = rafters.map((rafter) => gapTo(rafter, joists));
    const meet = gaps.filter((mm) => mm < FLAT_MM).length;
    const packed = gaps.filter((mm) => mm >= FLAT_MM && mm <= MOST_SPACER_MM);
    const spacers = [...new Set(packed.map((mm) => Math.round(mm)))].sort((p, q) => p - q);
    const alone = rafters.length - meet - packed.length;
    remarks.push(
      caution(
        'joists-meet',
        say`‹rafter ties› ${inMm(spacing)} ‹on centre› and rafters at their own spacing: ${meet} of ${rafters.length} ‹commons› lie against one and are nailed to it${
          spacers[0] === undefined
            ? say``
            : say`; ${packed.length} more want a spacer block between, ${inMm(spacers[0])} thick${spacers.length > 1 ? say` up to ${inMm(spacers.at(-1) ?? 0)}` : say``}`
        }${alone === 0 ? say`` : say`; ${alone} meet none, and the ‹plate› has to carry their push to the next`}. Ask the local code or an engineer`,
        first,
      ),
    );
  }
  return remarks;
};

/** Why no ceiling backing is in the list although its size is given. */
export const aboutBacking = ({
  job: { timber },
  framing: { members, withheld },
}: Subject): Remark[] => {
  const told = withheld.some(({ problem: { path } }) => path[1] === 'backing');
  if (timber.backing === undefined || told || members.some(({ kind }) => kind === 'backing'))
    return [];
  return [
    note(
      'backing-none',
      members.some(({ kind }) => kind === 'rafter-tie')
        ? say`no ceiling backing is in the list: along every wall that the ‹rafter ties› run beside, the nearest of them lies so near that it carries the ceiling’s edge itself`
        : say`no ceiling backing is in the list: it carries a ceiling’s edge beside ‹rafter ties›, and none are framed`,
    ),
  ];
};
