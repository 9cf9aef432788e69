import { plateWidthOf } from '../../job';
import {
  boxOver,
  SLACK_MM,
  SLACK_SINE,
  commonConvex,
  flip,
  halfSpace,
  v2,
  v3,
  type Box,
  type HalfSpace,
  type Vec2,
  PARALLEL_SINE,
} from '../../geom';
import { onSide, type Plate, type SideLine } from '../../roof';
import { plumbKeep } from '../member/board';
import { named, type EndCut, type Member, type Notch } from '../member/member';
import { woodWithin } from '../member/solid-of';
import type { Strip } from './strip';
import type { Site } from '../site';

const seatCut = (corner: Vec2, plateMm: number): EndCut => ({
  at: 'seat',
  name: 'seat cut',
  keep: halfSpace([corner[0], corner[1], plateMm], [0, 0, -1]),
  meets: null,
});

const heelCut = (corner: Vec2, outward: Vec2): EndCut => ({
  at: 'heel',
  name: 'heel cut',
  keep: plumbKeep(corner, v2.scale(outward, -1)),
  meets: null,
});

/** Seat on the plate's top, heel on a plumb plane through `corner` facing out of the building along `outward`. */
export const seatNotch = (
  corner: Vec2,
  plateMm: number,
  outward: Vec2,
  hasTail: boolean,
): Notch => ({
  for: 'plate',
  seat: seatCut(corner, plateMm),
  heels: hasTail ? [heelCut(corner, outward)] : [],
  opens: 'bottom',
  corner,
});

/** Wood that may stand in a plate before the timber is notched over it: rounding along a face. mm³ */
const TOUCHING_MM3 = 10;

/** What a plate is made of, as half-spaces. */
const boundsOf = ({ outline, topMm, bottomMm }: Plate): HalfSpace[] => {
  const [first = [0, 0]] = outline;
  return [
    halfSpace([first[0], first[1], topMm], [0, 0, 1]),
    halfSpace([first[0], first[1], bottomMm], [0, 0, -1]),
    ...outline.map((p, i) => {
      const next = outline[(i + 1) % outline.length] ?? p;
      return plumbKeep(p, [next[1] - p[1], p[0] - next[0]]);
    }),
  ];
};

/** A plate this little before a heel is behind it. mm */
const BEHIND_MM = SLACK_MM.place;

/** A timber nearer than this to a wall's own direction runs along it, as a sine. */
const RUNS_ALONG = SLACK_SINE.runs;

/** Whether a notch's seat lies at a level. */
const liesAt = ({ seat }: Pick<Notch, 'seat'>, levelMm: number): boolean =>
  Math.abs(-seat.keep.offset - levelMm) < BEHIND_MM;

const runsAlong = (heading: Vec2, { line }: Plate): boolean =>
  Math.abs(v2.dot(heading, line.inward)) < RUNS_ALONG;

/** Whether a board comes down on a plate with its lower end. One that only runs along a wall lies on no plate of it. */
const startsOver = ({ polygon, heading }: Strip, { outline }: Plate): boolean => {
  const low = Math.min(...polygon.points.map((p) => v2.dot(p, heading)));
  return commonConvex(polygon.points, outline).some((p) => v2.dot(p, heading) < low + BEHIND_MM);
};

/** The box round a plate, which is held against every board. mm */
const boxOf = (plate: Plate): Box => {
  const known = boxes.get(plate);
  if (known !== undefined) return known;
  const box = boxOver(plate.outline);
  boxes.set(plate, box);
  return box;
};

/** A plate never changes, nor does its box. */
const boxes = new WeakMap<Plate, Box>();

/** Whether, by its outline in plan, a board may stand in a plate past what its own notch has taken away. */
const mayStandIn = ({ notches, frame, topMm }: Member, strip: Strip, plate: Plate): boolean => {
  const [x0, y0, x1, y1] = strip.box;
  const { low, high } = boxOf(plate);
  if (high[0] <= x0 || low[0] >= x1 || high[1] <= y0 || low[1] >= y1) return false;
  if (runsAlong(strip.heading, plate) && !startsOver(strip, plate) && notches.length === 0)
    return false;
  const over = commonConvex(strip.polygon.points, plate.outline);
  const under = strip.plumbMm - topMm / frame.e[2];
  if (!over.some((p) => strip.topAt(p) - under < plate.topMm)) return false;
  const heading = v3.inPlan(frame.a);
  return !notches.some(
    ({ seat, corner }) =>
      liesAt({ seat }, plate.topMm) &&
      over.every((p) => v2.dot(v2.sub(p, corner), heading) > -BEHIND_MM),
  );
};

const standsIn = (member: Member, plate: Plate): boolean =>
  woodWithin(member, boundsOf(plate)) > TOUCHING_MM3;

/**
 * The plumb face that a timber's heel lies on, and which way is past it: a plate's outside face, out of the building; of a
 * high wall, over which the timber rises, its inside one, into it.
 */
const heelFace = ({ job }: Site, { line }: Plate): { readonly at: Vec2; readonly past: Vec2 } =>
  line.roof === 'high'
    ? { at: onSide(line, 0, plateWidthOf(job)), past: line.inward }
    : { at: line.start, past: v2.scale(line.inward, -1) };

/** Where the face that a timber's heel lies on crosses its centre line in plan. */
const crossingOf = (site: Site, { frame }: Member, plate: Plate): Vec2 => {
  const { at, past } = heelFace(site, plate);
  const heading = v2.unit(v3.inPlan(frame.a));
  const from = v3.inPlan(frame.origin);
  const rate = v2.dot(heading, past);
  if (Math.abs(rate) < RUNS_ALONG) return from;
  const t = v2.dot(v2.sub(at, from), past) / rate;
  return v2.add(from, v2.scale(heading, t));
};

const onOneLine = (one: SideLine, other: SideLine): boolean =>
  v2.distance(one.inward, other.inward) < PARALLEL_SINE &&
  Math.abs(v2.dot(v2.sub(one.start, other.start), one.inward)) < BEHIND_MM;

/** Those heels that leave wood below the seat, and all of them only where wood is left behind every one. */
const heelsLeft = (member: Member, seat: EndCut, heels: readonly EndCut[]): readonly EndCut[] => {
  const left = woodWithin(member, [flip(seat.keep), ...heels.map(({ keep }) => keep)]);
  return left > TOUCHING_MM3 ? heels : [];
};

/** Beside a valley, whose cheek has taken off all that would stand in the plate, a notch has nothing to clear. */
const withoutIdleNotch = (site: Site, member: Member, strip: Strip): Member => {
  const beside = member.ends.some(({ at, name }) => at === 'bottom' || name === 'tail cheek');
  if (member.notches.length === 0 || !beside) return member;
  const bare = { ...member, notches: [] };
  const needed = site.plates.some(
    (plate) => mayStandIn(bare, strip, plate) && standsIn(bare, plate),
  );
  return needed ? member : bare;
};

/**
 * Notches a timber over every plate that it stands in: jacks that come down on a valley beside the plate they cross,
 * valleys over the inner corner of two plates. The heels follow the plates' outside faces. A tail that would run along
 * in another wall's plate is cut off level with it instead.
 */
export const overPlates = (site: Site, given: Member, strip: Strip): Member => {
  if (given.kind === 'ridge') return given;
  const member = withoutIdleNotch(site, given, strip);
  const hit = site.plates.filter(
    (plate) => mayStandIn(member, strip, plate) && standsIn(member, plate),
  );
  const beside = hit.filter(
    (plate) => runsAlong(strip.heading, plate) && !startsOver(strip, plate),
  );
  const [own] = member.notches;
  if (own !== undefined && beside.some(({ topMm }) => liesAt(own, topMm)))
    return { ...member, notches: [{ ...own, heels: [] }, ...member.notches.slice(1)] };
  const across = hit.filter((plate) => !beside.includes(plate));
  const levels = [...new Set(across.map(({ topMm }) => topMm))];
  return levels.reduce((notched, topMm): Member => {
    const plates = across.filter((plate) => plate.topMm === topMm);
    const corners = plates.map((plate) => crossingOf(site, member, plate));
    const [corner = v3.inPlan(member.frame.origin)] = corners;
    const seat = seatCut(corner, topMm);
    const heels = plates
      .filter((plate) => !runsAlong(strip.heading, plate))
      .filter(
        ({ line }, i, crossed) => !crossed.slice(0, i).some((other) => onOneLine(other.line, line)),
      )
      .map((plate) => {
        const { at, past } = heelFace(site, plate);
        return heelCut(at, past);
      });
    const high = plates.some(({ line }) => line.roof === 'high');
    const over = (kept: readonly EndCut[]): Member => {
      const notch: Notch = {
        for: 'plate',
        seat: high ? named(seat, 'upper seat cut') : seat,
        heels: high ? kept.map((heel) => named(heel, 'upper heel cut')) : kept,
        opens: 'bottom',
        corner,
      };
      return { ...notched, notches: [...notched.notches, notch] };
    };
    const done = over(heelsLeft(notched, seat, heels));
    // At an inner corner what a heel leaves can stand in the plate of the wall beside.
    const inPlate = site.plates.some(
      (plate) => plate.topMm === topMm && mayStandIn(done, strip, plate) && standsIn(done, plate),
    );
    return inPlate ? over([]) : done;
  }, member);
};
