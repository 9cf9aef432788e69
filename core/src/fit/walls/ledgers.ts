import { SLACK_MM, FIT_GAP_MM, SAME_HEIGHT_MM, v2, v3 } from '../../geom';
import { overWall, type SideLine } from '../../roof';
import { inMm, say } from '../../sentence';
import { otherOf, type Touching } from '../contact/contacts';
import { findingOn } from '../finding';
import { outFrom, type FrameOnSite } from '../frame-on-site';
import { isMember, type Placed } from '../contact/placed';
import type { FitProblem } from '../report';

/** A slope that comes to a wall this near level wants a ledger there. mm */
const LEVEL_MM = SAME_HEIGHT_MM;
/** Shorter stretches of wall want none. mm */
const SHORTEST_MM = SLACK_MM.nothing;

interface LeanedOn {
  readonly block: string;
  readonly side: SideLine;
  /** How far along it the slope comes to it, within its ends. mm */
  readonly from: number;
  readonly to: number;
  readonly z: number;
  readonly rise: number;
}

/** The walls that slopes come to at one height. */
const wallsOf = ({ roof }: FrameOnSite): LeanedOn[] =>
  roof.blocks.flatMap(({ id, sides }) =>
    sides.flatMap((side): LeanedOn[] => {
      if (side.roof !== 'wall') return [];
      const over = overWall(roof, id, side.index);
      return [...new Set(over.map(({ slope }) => slope))].flatMap((slope): LeanedOn[] => {
        const own = over.filter((one) => one.slope === slope);
        const [us, zs] = [own.map(({ u }) => u), own.map(({ z }) => z)];
        const [from, to] = [Math.max(0, Math.min(...us)), Math.min(side.lengthMm, Math.max(...us))];
        const level = Math.max(...zs) - Math.min(...zs) < LEVEL_MM;
        return level && to - from > SHORTEST_MM
          ? [{ block: id, side, from, to, z: Math.max(...zs), rise: roof.slopes[slope]?.rise ?? 0 }]
          : [];
      });
    }),
  );

const along = (side: SideLine, p: readonly [number, number]): number =>
  v2.dot(v2.sub(p, side.start), side.along);

/** A ledger's end stands at the end of its wall, or against a hip that comes to the wall there. */
const endOff = (
  ledger: Placed,
  side: SideLine,
  wanted: number,
  upper: boolean,
  touching: Touching,
) => {
  const us = ledger.corners.map((p) => along(side, v3.inPlan(p)));
  const own = upper ? Math.max(...us) : Math.min(...us);
  const onLine = touching(ledger).some((contact) => {
    const other = otherOf(contact, ledger);
    return isMember(other) && (other.member.kind === 'hip' || other.member.kind === 'valley');
  });
  return onLine && wanted > SHORTEST_MM && wanted < side.lengthMm - SHORTEST_MM
    ? 0
    : Math.abs(own - wanted);
};

/** How far a ledger that rafters go over stands off the undersides of those at the wall. mm */
const topOff = ({ job }: FrameOnSite, { corners }: Placed, { z, rise }: LeanedOn): number =>
  Math.abs(
    Math.max(...corners.map((p) => p[2])) -
      (z - job.timber.common.depth / Math.cos(Math.atan(rise))),
  );

/** Whether each wall that rafters lean against has its ledger: flat against it, from end to end. */
export const checkLedgers = (site: FrameOnSite, touching: Touching): FitProblem[] => {
  if (site.job.timber.ledger === undefined) return [];
  const ledgers = site.members.filter(({ member }) => member.kind === 'ledger');
  const ofWall = ({ block, side }: LeanedOn): Placed[] =>
    ledgers.filter(({ member }) => member.block === block && member.side === side.index);
  return wallsOf(site).flatMap((wall): FitProblem[] => {
    const { side, from, to } = wall;
    const own = ofWall(wall);
    if (own.length === 0)
      return [
        {
          members: ['roof', 'nothing'],
          ids: [],
          kind: 'missing',
          mm: to - from,
          at: [side.start[0], side.start[1], wall.z],
          text: say`no ‹ledger› stands along wall ${side.index + 1} of "${wall.block}"`,
        },
      ];
    return own.flatMap((ledger): FitProblem[] => {
      const off = Math.max(
        Math.abs(Math.max(...ledger.corners.map((p) => outFrom(side, p)))),
        endOff(ledger, side, from, false, touching),
        endOff(ledger, side, to, true, touching),
        site.job.framing.atLedger === 'birdsmouth' ? topOff(site, ledger, wall) : 0,
      );
      return off <= FIT_GAP_MM
        ? []
        : [
            findingOn(
              ledger,
              'misplaced',
              off,
              say`${ledger.mark} stands ${inMm(off, 1)} off its wall, or short of an end of it`,
            ),
          ];
    });
  });
};
