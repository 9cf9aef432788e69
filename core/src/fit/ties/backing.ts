import { plateWidthOf } from '../../job';
import {
  chordWithin,
  FIT_GAP_MM,
  intervals,
  SAME_WAY_SINE,
  v2,
  v3,
  type Interval,
  type Vec3,
} from '../../geom';
import { gablePlatesOf, type Plate } from '../../roof';
import { inMm, say } from '../../sentence';
import { otherOf, type Touching } from '../contact/contacts';
import { findingOn } from '../finding';
import { outFrom, type FrameOnSite } from '../frame-on-site';
import { isMember, type Placed } from '../contact/placed';
import type { FitProblem } from '../report';

/** How far it sticks out inside its plate. mm */
const LEDGE_MM = 50;
/** A stretch of the wall's inside with less than this bare wants none. mm */
const LEAST_BARE_MM = 80;
/** Just inside its edges, and on lines this near, wood is looked for in its place. mm */
const INSIDE_MM = 4;
const APART_MM = 10;
/** Ties nearer to a wall's way than this run beside it, as a sine. */
const BESIDE = 0.02;

/** The plates of walls that ties run beside, and none lie on. */
const wallsOf = (site: FrameOnSite, ties: readonly Placed[]): Plate[] => {
  const all = [
    ...site.plates.flatMap(({ plate, carries }) => (carries === 'rafters' ? [plate] : [])),
    ...gablePlatesOf(site.job, site.roof),
  ];
  return all.filter(({ block, line }) => {
    const own = ties.filter(({ member }) => member.block === block);
    const turn = ({ member }: Placed): number =>
      Math.abs(v2.dot(v3.inPlan(member.frame.a), line.inward));
    const reaches = own.some(
      (tie) =>
        turn(tie) > BESIDE && tie.corners.some((p) => Math.abs(outFrom(line, p)) <= FIT_GAP_MM),
    );
    return own.some((tie) => turn(tie) < BESIDE) && !reaches;
  });
};

/** Its two ends come against timber, or stand where its plate's inner edge ends. */
const endsHold = (board: Placed, { line }: Plate, reach: Interval, touching: Touching): boolean => {
  const us = board.corners.map((p) => v2.dot(v2.sub(v3.inPlan(p), line.start), line.along));
  const along: Vec3 = [line.along[0], line.along[1], 0];
  return [Math.min(...us), Math.max(...us)].every((u, i) => {
    const out = i === 0 ? -1 : 1;
    return (
      Math.abs(u - reach[i === 0 ? 0 : 1]) <= FIT_GAP_MM ||
      touching(board).some((contact) => {
        const { face } = contact.one === board ? contact : { face: contact.otherFace };
        return (
          isMember(otherOf(contact, board)) &&
          // The face at this end: a short board's other end is as near.
          out * v3.dot(face.plane.normal, along) > SAME_WAY_SINE &&
          contact.points.some(
            (p) =>
              Math.abs(v2.dot(v2.sub(v3.inPlan(p), line.start), line.along) - u) <
              board.member.stock.depth * 2,
          )
        );
      })
    );
  });
};

/** How far along its wall a plate's inner edge reaches. mm */
const reachOf = ({ line, outline }: Plate): Interval => {
  const deep = Math.min(...outline.map((p) => outFrom(line, p)));
  const us = outline
    .filter((p) => outFrom(line, p) < deep + 1)
    .map((p) => v2.dot(v2.sub(p, line.start), line.along));
  return [Math.min(...us), Math.max(...us)];
};

/** Where ceiling backing is wanted: how it lies, and what of a wall's inside has none. */
export const checkBacking = (site: FrameOnSite, touching: Touching): FitProblem[] => {
  const stock = site.job.timber.backing;
  const ties = site.members.filter(({ member }) => member.kind === 'rafter-tie');
  if (stock === undefined || ties.length === 0) return [];
  const inner = plateWidthOf(site.job) + LEDGE_MM;
  const boards = site.members.filter(({ member }) => member.kind === 'backing');
  const walls = wallsOf(site, ties);
  const lies = (board: Placed): boolean =>
    walls.some((plate) => {
      const deep = -Math.min(...board.corners.map((p) => outFrom(plate.line, p)));
      const low = Math.min(...board.corners.map(([, , z]) => z));
      return (
        plate.block === board.member.block &&
        plate.side === board.member.side &&
        Math.abs(deep - inner) <= FIT_GAP_MM &&
        Math.abs(low - plate.topMm) <= FIT_GAP_MM &&
        endsHold(board, plate, reachOf(plate), touching)
      );
    });
  const amiss = boards.flatMap((board): FitProblem[] =>
    lies(board)
      ? []
      : [
          findingOn(
            board,
            'misplaced',
            0,
            say`${board.mark} does not lie flat on its ‹plate›, ${inMm(LEDGE_MM)} of it inside, from timber to timber`,
          ),
        ],
  );
  const bare = walls.flatMap((plate): FitProblem[] => {
    const { line, topMm } = plate;
    const [x, y] = v2.add(line.start, v2.scale(line.inward, inner - INSIDE_MM));
    const width = stock.depth - 2 * INSIDE_MM;
    const lines = Array.from({ length: Math.ceil(width / APART_MM) + 1 }, (_, i): Vec3 => {
      const out = Math.min(width, i * APART_MM);
      return [x - line.inward[0] * out, y - line.inward[1] * out, topMm + stock.thickness / 2];
    });
    const a: Vec3 = [line.along[0], line.along[1], 0];
    const reach = reachOf(plate);
    const held = site.members.flatMap(({ pieces }) =>
      pieces.flatMap(({ faces }): Interval[] => {
        const keeps = faces.map(({ plane }) => plane);
        return lines.flatMap((from): Interval[] => {
          const chord = chordWithin(keeps, from, a);
          return chord === null ? [] : [[chord[0], chord[1]]];
        });
      }),
    );
    return intervals
      .without([reach], intervals.unite(held, 1), LEAST_BARE_MM)
      .filter(
        ([low, high]) =>
          (low > reach[0] + 1 && high < reach[1] - 1) ||
          (low <= reach[0] + 1 && high >= reach[1] - 1),
      )
      .map(([low, high]) => ({
        members: ['ceiling backing', 'plate'],
        ids: [],
        kind: 'missing' as const,
        mm: high - low,
        at: [x + a[0] * low, y + a[1] * low, topMm],
        text: say`${inMm(high - low)} of the inside of wall ${plate.side + 1} of "${plate.block}" has no ‹ceiling backing›`,
      }));
  });
  return [...amiss, ...bare];
};
