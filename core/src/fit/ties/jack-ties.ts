import { SLACK_MM, SAME_WAY_SINE, v2, v3 } from '../../geom';
import { roofAbout } from '../../roof';
import { say } from '../../sentence';
import { otherOf, type Touching } from '../contact/contacts';
import { isMember, levelBox, type Placed, type PlacedPlate } from '../contact/placed';
import { middleOf, type FrameOnSite } from '../frame-on-site';
import type { FitProblem } from '../report';
import { isTaken, platesUnder } from './untied';

/** Headings this near to opposite are, as a cosine; middle planes this near are one. mm */
const FACING = -1 + SAME_WAY_SINE;
const SAME_LINE_MM = SLACK_MM.shut;

/** A hip jack with its own foot on a plate. */
interface Jack {
  readonly jack: Placed;
  readonly heading: readonly [number, number];
  readonly off: number;
  readonly plate: PlacedPlate;
}

const jacksOf = ({ members }: FrameOnSite, touching: Touching): Jack[] =>
  members
    .filter(({ member }) => member.kind === 'hip-jack')
    .flatMap((jack): Jack[] => {
      const { frame, block, side } = jack.member;
      const heading = v2.unit(v3.inPlan(frame.a));
      const plate = platesUnder(jack, touching).find(
        (one) => one.plate.block === block && one.plate.side === side,
      );
      return plate === undefined
        ? []
        : [{ jack, heading, off: v2.cross(heading, v3.inPlan(frame.origin)), plate }];
    });

/** Whether a tie lies flat on a jack. */
const isTied = (jack: Placed, touching: Touching): boolean =>
  touching(jack).some((contact) => {
    const other = otherOf(contact, jack);
    return (
      isMember(other) &&
      other.member.kind === 'rafter-tie' &&
      Math.abs(v3.dot(contact.face.plane.normal, jack.member.frame.s)) > 1 - SAME_WAY_SINE
    );
  });

/** Whether the tie of two opposite jacks would stand in other timber or out of the roof, on either face of them. */
const hasNoRoom = (site: FrameOnSite, one: Jack, other: Jack): boolean => {
  const { job, roof } = site;
  const stock = job.timber.rafterTie;
  if (stock === undefined) return true;
  const { frame, block } = one.jack.member;
  const [x, y] = frame.origin;
  const far = other.jack.member.frame.origin;
  const span = v2.dot(v2.sub([far[0], far[1]], [x, y]), one.heading);
  const { thickness } = one.jack.member.stock;
  return ([1, -1] as const).every((way) => {
    const near = (way * thickness) / 2;
    const edge = near + way * stock.thickness;
    // Its clipped ends aside.
    const place = levelBox(
      [x, y, one.plate.plate.topMm],
      one.heading,
      [stock.depth, Math.min(near, edge), 0],
      [span - stock.depth, Math.max(near, edge), stock.depth],
    );
    const inner = place.flatMap(({ points }) => points);
    const out = inner.some((p) => roofAbout(roof, v3.inPlan(p), block, null).z < p[2]);
    return out || isTaken(site, place);
  });
};

/** Opposite hip jacks that want a whole tie between them, and have none. */
export const untiedJacks = (site: FrameOnSite, touching: Touching): FitProblem[] => {
  const { atHips } = site.job.rafterTies ?? {};
  if (atHips !== 'long' && atHips !== 'both') return [];
  const all = jacksOf(site, touching);
  return all.flatMap((one, i) =>
    all.slice(i + 1).flatMap((other): FitProblem[] => {
      const opposite =
        v2.dot(one.heading, other.heading) < FACING &&
        Math.abs(one.off + other.off) < SAME_LINE_MM &&
        one.jack.member.block === other.jack.member.block &&
        Math.abs(one.plate.plate.topMm - other.plate.plate.topMm) < SLACK_MM.beside;
      if (!opposite || (isTied(one.jack, touching) && isTied(other.jack, touching))) return [];
      if (hasNoRoom(site, one, other)) return [];
      return [
        {
          members: [one.jack.mark, other.jack.mark],
          ids: [one.jack.member.id, other.jack.member.id],
          kind: 'missing',
          wanted: ['rafter-tie'],
          at: v3.scale(v3.add(middleOf(one.jack), middleOf(other.jack)), 0.5),
          text: say`${one.jack.mark} and ${other.jack.mark} stand opposite each other untied, where a whole tie has room`,
        },
      ];
    }),
  );
};
