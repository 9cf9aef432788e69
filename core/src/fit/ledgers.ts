import { FIT_GAP_MM, SAME_HEIGHT_MM, v2, v3 } from '../geom';
import type { RoofBorder, SideLine } from '../roof';
import { inMm, say } from '../sentence';
import { otherOf, type Touching } from './contacts';
import { findingOn } from './finding';
import { outFrom, type FrameOnSite } from './frame-on-site';
import { isMember, type Placed } from './placed';
import type { FitProblem } from './report';

/** A wall of which the roof's edge is this near level wants a ledger. mm */
const LEVEL_MM = SAME_HEIGHT_MM;
/** Shorter stretches of wall want none. mm */
const SHORTEST_MM = 1;

/** The level edges of the roof along walls, and how far along its wall each runs, within the wall's ends. mm */
const wallsOf = ({ roof }: FrameOnSite) =>
  roof.edges.flatMap((edge) => {
    if (edge.kind !== 'wall' || Math.abs(edge.from[2] - edge.to[2]) > LEVEL_MM) return [];
    const side = roof.blocks.find(({ id }) => id === edge.block)?.sides[edge.side];
    if (side === undefined) return [];
    const us = [edge.from, edge.to].map((p) => along(side, v3.inPlan(p)));
    const from = Math.max(0, Math.min(...us));
    const to = Math.min(side.lengthMm, Math.max(...us));
    return to - from < SHORTEST_MM ? [] : [{ edge, side, from, to }];
  });

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

/** Whether each wall that rafters lean against has its ledger: flat against it, from end to end. */
export const ledgersAmiss = (site: FrameOnSite, touching: Touching): FitProblem[] => {
  if (site.job.timber.ledger === undefined) return [];
  const ledgers = site.members.filter(({ member }) => member.kind === 'ledger');
  const ofWall = ({ block, side }: RoofBorder): Placed[] =>
    ledgers.filter(({ member }) => member.block === block && member.side === side);
  return wallsOf(site).flatMap(({ edge, side, from, to }): FitProblem[] => {
    const own = ofWall(edge);
    if (own.length === 0)
      return [
        {
          members: ['roof', 'nothing'],
          ids: [],
          kind: 'missing',
          mm: to - from,
          at: edge.from,
          text: say`no ‹ledger› stands along wall ${edge.side + 1} of "${edge.block}"`,
        },
      ];
    return own.flatMap((ledger): FitProblem[] => {
      const off = Math.max(
        Math.abs(Math.max(...ledger.corners.map((p) => outFrom(side, p)))),
        endOff(ledger, side, from, false, touching),
        endOff(ledger, side, to, true, touching),
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
