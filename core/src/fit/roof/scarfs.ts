import { SAME_WAY_SINE, v3 } from '../../geom';
import { say } from '../../sentence';
import { otherOf, type Touching } from '../contact/contacts';
import { isSeam } from './ends';
import { findingOn } from '../finding';
import type { FrameOnSite } from '../frame-on-site';
import { isMember, type Placed, type PlacedFace } from '../contact/placed';
import type { FitProblem } from '../report';

/** What is made in lengths and is proved by nothing else along its splays. */
const SCARFED: ReadonlySet<Placed['member']['kind']> = new Set(['ridge', 'beam']);
/** A splay turns from its board's own direction by more than this and less than that, as sines. */
const SPLAY = [0.1, 0.5] as const;

/** The splays of a scarf: long faces across the depth, square to the wide faces. */
const splaysOf = ({ member: { frame }, pieces }: Placed): PlacedFace[] => {
  const all = pieces.flatMap(({ faces }) => faces);
  return all.filter((face) => {
    const { normal } = face.plane;
    const along = Math.abs(v3.dot(normal, frame.a));
    const across = Math.abs(v3.dot(normal, frame.s));
    return along > SPLAY[0] && along < SPLAY[1] && across < SPLAY[0] && !isSeam(face, all);
  });
};

/** Scarfs whose two halves do not lie face to face. */
export const openScarfs = (site: FrameOnSite, touching: Touching): FitProblem[] =>
  site.members.flatMap((placed): FitProblem[] => {
    if (!SCARFED.has(placed.member.kind)) return [];
    const own = touching(placed);
    const open = splaysOf(placed).some(
      (face) =>
        !own.some((contact) => {
          const other = otherOf(contact, placed);
          const mine = contact.one === placed ? contact.face : contact.otherFace;
          return mine === face && isMember(other) && other.member.kind === placed.member.kind;
        }) && !liesFree(site, face),
    );
    return open
      ? [
          findingOn(
            placed,
            'gap',
            0,
            say`a scarf of ${placed.mark} does not lie against the other half`,
          ),
        ]
      : [];
  });

/** A face that lies on the roof that this one is laid on, or in a slope: no scarf. */
const liesFree = ({ roof, laid }: FrameOnSite, { plane }: PlacedFace): boolean =>
  [...roof.slopes.map((slope) => slope.plane), ...(laid === null ? [] : [laid.on.deck])].some(
    ({ normal }) => Math.abs(v3.dot(normal, plane.normal)) > 1 - SAME_WAY_SINE,
  );
