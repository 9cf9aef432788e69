import { isTailCut, lengthOf, planLine, type EndCut, type Member } from '../frame';
import { SAME_POINT_MM, TOUCHING_MM, v2, v3, type Vec2 } from '../geom';
import type { Job } from '../job';
import { isRafter, KINDS } from '../kinds';
import type { Place } from '../places';

/** One place where timbers are fixed: which timber, and to which, where that is one of the frame. */
export interface Joint {
  readonly place: Place;
  readonly member: Member;
  /** The end of it that is fixed there; null for what is fixed between its ends. */
  readonly at: 'top' | 'bottom' | null;
  readonly to: Member | null;
}

/** A timber that is fixed all along, and how far. mm */
export interface Run {
  readonly place: Place;
  readonly lengthMm: number;
}

/** The members by their ids, and the ids of ridges that are beams: those that posts stand under. */
interface Known {
  readonly byId: ReadonlyMap<string, Member>;
  readonly beams: ReadonlySet<string>;
}

const isScarf = ({ name }: EndCut): boolean => name === 'scarf' || name === 'abutment';

/** The ends of a member, each once however many cuts it has, with what it lies against. */
const endsOf = (
  { ends }: Member,
  known: Known,
): { readonly at: 'top' | 'bottom'; readonly scarf: boolean; readonly to: Member | null }[] =>
  (['top', 'bottom'] as const).flatMap((at) => {
    const own = ends.filter((end) => end.at === at && !isTailCut(end));
    if (own.length === 0) return [];
    const met = own.flatMap(({ meets }) => known.byId.get(meets ?? '') ?? []);
    return [{ at, scarf: own.some(isScarf), to: met[0] ?? null }];
  });

const beamsIn = (members: readonly Member[]): ReadonlySet<string> =>
  new Set(
    members
      .filter(({ kind }) => kind === 'ridge-post')
      .flatMap(({ ends }) => ends.flatMap(({ meets }) => meets ?? [])),
  );

const rafterEnd = (to: Member, { beams }: Known): Place =>
  to.kind === 'ridge'
    ? beams.has(to.id)
      ? 'rafter-at-beam'
      : 'rafter-at-ridge'
    : to.kind === 'ledger'
      ? 'rafter-at-ledger'
      : to.kind === 'header'
        ? 'rafter-at-header'
        : to.kind === 'sleeper'
          ? 'rafter-over'
          : 'rafter-at-line';

const rafterJoints = (member: Member, head: Place | undefined, known: Known): Joint[] => [
  ...(head === undefined ? [] : [{ place: head, member, at: 'top', to: null } as const]),
  ...endsOf(member, known).flatMap(({ at, to }): Joint[] => {
    if (to !== null) return [{ place: rafterEnd(to, known), member, at, to }];
    // A foot on the sheathing of another roof is fixed through it.
    return at === 'bottom' ? [{ place: 'rafter-over', member, at, to }] : [];
  }),
  ...seats(member, known),
  ...tails(member, known),
];

/** Seats on plates, and over purlins and ledgers. */
const seats = (member: Member, known: Known): Joint[] =>
  member.notches.flatMap(({ for: what, seat }): Joint[] => {
    const to = known.byId.get(seat.meets ?? '') ?? null;
    if (what === 'plate') return [{ place: 'seat', member, at: null, to }];
    return what === 'purlin' || what === 'ledger'
      ? [{ place: 'rafter-over', member, at: null, to }]
      : [];
  });

const tails = (member: Member, known: Known): Joint[] =>
  [...new Set(member.ends.flatMap((end) => (isTailCut(end) && end.meets ? [end.meets] : [])))]
    .flatMap((id) => known.byId.get(id) ?? [])
    .filter(({ kind }) => kind === 'fascia')
    .map((to): Joint => ({ place: 'fascia-at-tail', member, at: null, to }));

/** What stands on a line of the roof: scarfed where it goes on, else carried at its ends. */
const lineJoints = (member: Member, known: Known, freeEnds: boolean): Joint[] => [
  ...endsOf(member, known).flatMap(({ at, scarf, to }): Joint[] => {
    if (scarf) return at === 'top' ? [{ place: 'scarf', member, at, to }] : [];
    return to !== null || freeEnds ? [{ place: 'line-end', member, at, to }] : [];
  }),
  ...seats(member, known),
  ...tails(member, known),
];

const bothEnds = (place: Place, member: Member, known: Known): Joint[] =>
  endsOf(member, known).map(({ at, to }) => ({ place, member, at, to }));

/** How far a plan line runs beside another that is parallel to it: null where it is not. mm */
const aside = ([from, to]: readonly [Vec2, Vec2], [p, q]: readonly [Vec2, Vec2]): number | null => {
  const way = v2.unit(v2.sub(to, from));
  const off = [p, q].map((one) => v2.cross(way, v2.sub(one, from)));
  const [a = 0, b = 0] = off;
  return Math.abs(a - b) < SAME_POINT_MM ? Math.abs(a) : null;
};

/** Rafters that a tie lies flat against, over their seats. */
const beside = (tie: Member, rafters: readonly Member[]): Member[] => {
  const line = planLine(tie);
  const way = v2.unit(v2.sub(line[1], line[0]));
  const span = [0, v2.dot(v2.sub(line[1], line[0]), way)] as const;
  return rafters.filter((rafter) => {
    const off = aside(line, planLine(rafter));
    const t = v2.dot(v2.sub(v3.inPlan(rafter.frame.origin), line[0]), way);
    const flat = (rafter.stock.thickness + tie.stock.thickness) / 2;
    return (
      off !== null &&
      Math.abs(off - flat) < TOUCHING_MM &&
      t > span[0] - tie.stock.depth &&
      t < span[1] + tie.stock.depth
    );
  });
};

/** What a tie lies on: the last long one where it is a short one, and plates. */
const tieEnds = (member: Member, known: Known, lapped: boolean): Joint[] => {
  const ends = endsOf(member, known);
  const [hung] = ends.filter(({ to }) => to !== null);
  if (hung !== undefined)
    return [
      { place: 'short-joist', member, at: hung.at, to: hung.to },
      { place: 'tie-on-plate', member, at: 'bottom', to: null },
    ];
  return ends
    .slice(0, lapped ? 1 : 2)
    .map(({ at }): Joint => ({ place: 'tie-on-plate', member, at, to: null }));
};

/** Where two plan lines cross within both. */
const cross = ([a, b]: readonly [Vec2, Vec2], [c, d]: readonly [Vec2, Vec2]): boolean => {
  const side = (p: Vec2, q: Vec2, r: Vec2): number => v2.cross(v2.sub(q, p), v2.sub(r, p));
  return side(a, b, c) * side(a, b, d) < 0 && side(c, d, a) * side(c, d, b) < 0;
};

/** Rafters and hips of its own side that a purlin on the rafters crosses. */
const crossed = (purlin: Member, members: readonly Member[]): Joint[] => {
  const line = planLine(purlin);
  return members
    .filter(
      (one) =>
        isRafter(one) &&
        one.block === purlin.block &&
        one.side === purlin.side &&
        cross(line, planLine(one)),
    )
    .map((to): Joint => ({ place: 'purlin-crossing', member: purlin, at: null, to }));
};

/** The places where a timber is cut against something, as its kind is fixed. */
const jointsBy = (member: Member, known: Known, lapped: boolean): Joint[] => {
  const { fixed } = KINDS[member.kind];
  switch (fixed.as) {
    case 'rafter':
      return rafterJoints(member, fixed.head, known);
    case 'line':
      return lineJoints(member, known, fixed.freeEnds === true);
    case 'ends':
      return bothEnds(fixed.place, member, known);
    case 'tie':
      return tieEnds(member, known, lapped);
    case 'upright':
      return [
        { place: fixed.foot, member, at: 'bottom', to: null },
        { place: fixed.head, member, at: 'top', to: null },
      ];
    // Fixed where it lies, all along, or by what meets it.
    case 'row':
    case 'run':
    case 'held':
      return [];
  }
};

/** The places where the timbers of a frame are cut against something: read off their cuts alone. */
export const cutJoints = (members: readonly Member[], lapped = false): Joint[] => {
  const known: Known = {
    byId: new Map(members.map((member) => [member.id, member])),
    beams: beamsIn(members),
  };
  return members.flatMap((member) => jointsBy(member, known, lapped));
};

/** The places where timbers lie on each other, uncut: ties against rafters, purlins over them, laps. */
const layingJoints = (members: readonly Member[], lapped: boolean): Joint[] => {
  const seated = members.filter(
    (one) => isRafter(one) && one.notches.some(({ for: what }) => what === 'plate'),
  );
  return [
    ...members.flatMap((member): Joint[] => {
      const { as } = KINDS[member.kind].fixed;
      if (as === 'tie')
        return beside(member, seated).map((to) => ({ place: 'tie-end', member, at: null, to }));
      return as === 'row' ? crossed(member, members) : [];
    }),
    ...(lapped ? lapsOf(members) : []),
  ];
};

/** Every place where the timbers of a frame are fixed, once each. */
export const jointsOf = ({ rafterTies }: Job, members: readonly Member[]): Joint[] => {
  const lapped = rafterTies?.lap !== undefined;
  return [...cutJoints(members, lapped), ...layingJoints(members, lapped)];
};

/** Ties in two lengths, one lap a pair: the first length of each. */
const lapsOf = (members: readonly Member[]): Joint[] =>
  members
    .filter(({ kind, ends }) => kind === 'rafter-tie' && ends.every(({ meets }) => meets === null))
    .filter((_, i) => i % 2 === 0)
    .map((member): Joint => ({ place: 'lap', member, at: null, to: null }));

/** What is fixed all along: sleepers, ledgers, ceiling backing. */
export const runsOf = (members: readonly Member[]): Run[] =>
  members.flatMap((member): Run[] => {
    const { fixed } = KINDS[member.kind];
    return fixed.as === 'run' ? [{ place: fixed.place, lengthMm: lengthOf(member) }] : [];
  });
