import {
  FIT_GAP_MM,
  halfSpace,
  SAME_WAY_SINE,
  v3,
  type HalfSpace,
  type Plane,
  type Vec3,
} from '../../geom';
import { woodWithin } from '../../frame';
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

/** The splays of a scarf: long faces across the depth, square to the wide faces. The bottom of a slot lies behind its own. */
const splaysOf = ({ member: { frame }, pieces }: Placed): PlacedFace[] => {
  const all = pieces.flatMap(({ faces }) => faces);
  const slanted = all.filter((face) => {
    const { normal } = face.plane;
    const along = Math.abs(v3.dot(normal, frame.a));
    const across = Math.abs(v3.dot(normal, frame.s));
    return along > SPLAY[0] && along < SPLAY[1] && across < SPLAY[0] && !isSeam(face, all);
  });
  const behind = ({ plane: { normal, offset } }: PlacedFace): boolean =>
    slanted.some(
      ({ plane }) =>
        v3.dot(plane.normal, normal) > 1 - SAME_WAY_SINE && plane.offset > offset + FIT_GAP_MM,
    );
  return slanted.filter((face) => !behind(face));
};

/** Whether a face is the bottom of a slot for wedges: it lies behind a splay of its board, along it. */
export const isSlot = (placed: Placed, { plane: { normal, offset } }: PlacedFace): boolean =>
  splaysOf(placed).some(
    ({ plane }) =>
      v3.dot(plane.normal, normal) > 1 - SAME_WAY_SINE && plane.offset > offset + FIT_GAP_MM,
  );

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

/** A joint of two halves along their splays: the plane that they share, and the middle of it along the timber. mm */
interface Joint {
  readonly other: Placed;
  readonly plane: Plane;
  readonly t: number;
}

const jointsOf = (placed: Placed, touching: Touching): Joint[] => {
  const { origin, a } = placed.member.frame;
  const splays = splaysOf(placed);
  const found = new Map<Placed, { readonly plane: Plane; readonly ts: number[] }>();
  for (const contact of touching(placed)) {
    const other = otherOf(contact, placed);
    const mine = contact.one === placed ? contact.face : contact.otherFace;
    if (!isMember(other) || other.member.kind !== placed.member.kind) continue;
    if (!splays.includes(mine)) continue;
    const known = found.get(other) ?? { plane: mine.plane, ts: [] };
    known.ts.push(...contact.points.map((p) => v3.dot(v3.sub(p, origin), a)));
    found.set(other, known);
  }
  return [...found].map(([other, { plane, ts }]) => ({
    other,
    plane,
    t: (Math.min(...ts) + Math.max(...ts)) / 2,
  }));
};

/** Of its half of the depth, how much the slot of a keyed scarf takes of each half. */
const SLOT_SHARE = 1 / 3;
/** What is read round a slot, and how much wood may be out there: rounding. mm, and mm³ */
const RIM_MM = 10;
const SLOT_MM3 = 50;

/** Wood of both halves in a window about a joint's middle, so far along the timber and to either side of the splay. mm³ */
const woodAbout = (placed: Placed, { other, plane, t }: Joint, reach: number): number => {
  const { origin, a, e } = placed.member.frame;
  const off = reach * Math.abs(v3.dot(plane.normal, e));
  const at = (along: number): Vec3 => v3.add(origin, v3.scale(a, along));
  const back = v3.scale(plane.normal, -1);
  const window: HalfSpace[] = [
    halfSpace(at(t + reach), a),
    halfSpace(at(t - reach), v3.scale(a, -1)),
    { normal: plane.normal, offset: plane.offset + off },
    { normal: back, offset: off - plane.offset },
  ];
  return [placed, other].reduce((sum, { member }) => sum + woodWithin(member, window), 0);
};

/** Keyed scarfs whose slot is not clear, or not closed right round. */
export const blockedSlots = (site: FrameOnSite, touching: Touching): FitProblem[] =>
  site.job.framing.scarfEnds !== 'keyed'
    ? []
    : site.members.flatMap((placed): FitProblem[] =>
        jointsOf(placed, touching).flatMap((joint): FitProblem[] => {
          const { stock } = placed.member;
          const half = (stock.depth * SLOT_SHARE) / 2;
          const round = half + RIM_MM;
          const wanted = 4 * stock.thickness * (round * round - half * half);
          const off = Math.max(
            woodAbout(placed, joint, half),
            Math.abs(woodAbout(placed, joint, round) - wanted),
          );
          return off <= SLOT_MM3
            ? []
            : [
                findingOn(
                  placed,
                  'misplaced',
                  0,
                  say`the slot for the wedges of a scarf of ${placed.mark} is not clear, or not closed right round`,
                ),
              ];
        }),
      );

/** A face that lies on the roof that this one is laid on, or in a slope: no scarf. */
const liesFree = ({ roof, laid }: FrameOnSite, { plane }: PlacedFace): boolean =>
  [...roof.slopes.map((slope) => slope.plane), ...(laid === null ? [] : [laid.on.deck])].some(
    ({ normal }) => Math.abs(v3.dot(normal, plane.normal)) > 1 - SAME_WAY_SINE,
  );
