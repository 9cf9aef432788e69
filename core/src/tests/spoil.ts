import { v3, type HalfSpace, type Vec3 } from '../geom';
import type { Bevel, EndCut, Member, Notch } from '../frame';

/** A motion of space: a turn about a point, then a shift; or a mirror. */
type Motion = { readonly point: (p: Vec3) => Vec3; readonly way: (d: Vec3) => Vec3 };

const movedPlane = ({ normal, offset }: HalfSpace, { point, way }: Motion): HalfSpace => {
  const on = point(v3.scale(normal, offset));
  const next = way(normal);
  return { normal: next, offset: v3.dot(next, on) };
};

const movedCut = (cut: EndCut, motion: Motion): EndCut => ({
  ...cut,
  keep: movedPlane(cut.keep, motion),
});

const movedNotch = ({ corner, ...notch }: Notch, motion: Motion): Notch => {
  const [x, y] = motion.point([corner[0], corner[1], 0]);
  return {
    ...notch,
    seat: movedCut(notch.seat, motion),
    heels: notch.heels.map((heel) => movedCut(heel, motion)),
    corner: [x, y],
  };
};

const movedBevel = ({ keep, beyond }: Bevel, motion: Motion): Bevel => ({
  keep: movedPlane(keep, motion),
  beyond: beyond === null ? null : movedPlane(beyond, motion),
});

/** The same sawn piece in another place. */
const moved = (member: Member, motion: Motion): Member => {
  const { origin, a, s, e } = member.frame;
  return {
    ...member,
    frame: {
      origin: motion.point(origin),
      a: motion.way(a),
      s: motion.way(s),
      e: motion.way(e),
    },
    ends: member.ends.map((end) => movedCut(end, motion)),
    notches: member.notches.map((notch) => movedNotch(notch, motion)),
    bevels: member.bevels.map((bevel) => movedBevel(bevel, motion)),
  };
};

const shifted = (by: Vec3): Motion => ({ point: (p) => v3.add(p, by), way: (d) => d });

/** A turn about an axis through a point. */
const turned = (axis: Vec3, about: Vec3, deg: number): Motion => {
  const rad = (deg * Math.PI) / 180;
  const way = (d: Vec3): Vec3 =>
    v3.add(
      v3.add(v3.scale(d, Math.cos(rad)), v3.scale(v3.cross(axis, d), Math.sin(rad))),
      v3.scale(axis, v3.dot(axis, d) * (1 - Math.cos(rad))),
    );
  return { way, point: (p) => v3.add(about, way(v3.sub(p, about))) };
};

/** The mirror in a board's own middle plane: the piece sawn to the other hand. */
const mirrored = ({ frame: { origin, s } }: Member): Motion => {
  const way = (d: Vec3): Vec3 => v3.sub(d, v3.scale(s, 2 * v3.dot(s, d)));
  return { way, point: (p) => v3.add(origin, way(v3.sub(p, origin))) };
};

const otherHand = (member: Member): Member => {
  const motion = mirrored(member);
  return {
    ...member,
    ends: member.ends.map((end) => movedCut(end, motion)),
    bevels: member.bevels.map((bevel) => movedBevel(bevel, motion)),
    notches: member.notches.map((notch) => movedNotch(notch, motion)),
  };
};

const shortened =
  (at: readonly string[], mm: number) =>
  (member: Member): Member => ({
    ...member,
    ends: member.ends.map((end) => {
      if (!at.includes(end.at)) return end;
      const along = Math.abs(v3.dot(end.keep.normal, member.frame.a));
      return { ...end, keep: { ...end.keep, offset: end.keep.offset - mm * along } };
    }),
  });

const middleOf = ({ frame, axis }: Member): Vec3 =>
  v3.add(frame.origin, v3.scale(frame.a, axis.runMm / 2 / Math.cos(axis.slopeRad)));

const UP: Vec3 = [0, 0, 1];

const onPlate =
  (mm: number) =>
  (member: Member): Member => ({
    ...member,
    notches: member.notches.map((notch) => ({
      ...notch,
      seat: { ...notch.seat, keep: { ...notch.seat.keep, offset: notch.seat.keep.offset - mm } },
    })),
  });

/** One way to spoil a member; null where it cannot be spoiled so. */
export interface Spoiling {
  readonly name: string;
  readonly spoil: (member: Member) => Member | 'gone' | null;
}

const any = (name: string, spoil: (member: Member) => Member): Spoiling => ({ name, spoil });

const seated =
  (spoil: (member: Member) => Member) =>
  (member: Member): Member | null =>
    member.notches.length === 0 ? null : spoil(member);

const SHIFT_MM = 5;
const SHORT_MM = 3;

/** Every way of the trade's mistakes that the proof is held against. */
export const SPOILINGS: readonly Spoiling[] = [
  { name: 'left out', spoil: () => 'gone' },
  {
    name: 'no notch',
    spoil: seated((member) => ({ ...member, notches: [] })),
  },
  ...(['a', 's', 'e'] as const).flatMap((axis) =>
    [SHIFT_MM, -SHIFT_MM].map((mm) =>
      any(`${mm} mm along ${axis}`, (member) =>
        moved(member, shifted(v3.scale(member.frame[axis], mm))),
      ),
    ),
  ),
  any(`${SHIFT_MM} mm high`, (member) => moved(member, shifted([0, 0, SHIFT_MM]))),
  any(`${SHIFT_MM} mm low`, (member) => moved(member, shifted([0, 0, -SHIFT_MM]))),
  any(`${SHORT_MM} mm short above`, shortened(['top'], SHORT_MM)),
  {
    name: `${SHORT_MM} mm short below`,
    spoil: (member) =>
      member.ends.some(({ at }) => at === 'bottom' || at === 'tail')
        ? shortened(['bottom', 'tail'], SHORT_MM)(member)
        : null,
  },
  ...[1, -1].flatMap((deg) => [
    any(`turned ${deg}° on its edge`, (member) =>
      moved(member, turned(member.frame.s, middleOf(member), deg)),
    ),
    any(`turned ${deg}° in plan`, (member) => moved(member, turned(UP, middleOf(member), deg))),
    any(`rolled ${deg}°`, (member) => moved(member, turned(member.frame.a, middleOf(member), deg))),
  ]),
  {
    name: 'sawn to the other hand',
    spoil: (member) => {
      const other = otherHand(member);
      const differs = member.ends.some(
        ({ keep }) => Math.abs(v3.dot(keep.normal, member.frame.s)) > 0.02,
      );
      return differs && !isOwnMirror(member) ? other : null;
    },
  },
  { name: 'on a plate 20 mm up', spoil: seated(onPlate(-20)) },
  { name: 'on a plate 20 mm down', spoil: seated(onPlate(20)) },
];

/** Whether each cut has its like in the mirror. */
const isOwnMirror = (member: Member): boolean => {
  const motion = mirrored(member);
  return member.ends.every((end) => {
    const like = movedPlane(end.keep, motion);
    return member.ends.some(
      ({ at, keep }) =>
        at === end.at &&
        v3.distance(keep.normal, like.normal) < 1e-3 &&
        Math.abs(keep.offset - like.offset) < 0.5,
    );
  });
};
