import { v2, v3, type Vec3 } from '../geom';
import type { Job } from '../job';
import { ok, refused, type Problem, type Result } from '../problem';
import { inMm, say } from '../sentence';
import { LINE_TIMBER, platesOf, type LineKind, type Roof } from '../roof';
import { fasciaPlaces } from './fascia-places';
import { fascias } from './fascias';
import { gabletHeaders } from './gablet-headers';
import { dividerOf, headerAt, headerStrip, type HeaderPlace } from './headers';
import { junctionsOf, linePlaces, supportingValley, type LinePlace } from './line-places';
import { KINDS_IN_ORDER } from './kinds';
import type { Member } from './member';
import { kingStandsFirst, meetsRafters, setLines, withRafters, type SetLine } from './set-lines';
import { placeRafters, setRafter, topPoint, type RafterPlace, type SetRafter } from './set-rafters';
import { dividersOf, spansAt, type Divider, type Span } from './spans';
import { allStations, type Stations } from './stations';
import { StripGrid } from './strip-grid';
import { headerMember, lineMember, rafterMember } from './to-member';
import { coveredWalls, standingWalls, type Site } from './timbers';
import { unseatedLine, unseatedRafter } from './unseated';

/** What was left out on the way, to be said. */
export interface LeftOut {
  /** Stations too near a rafter that must stand there. */
  readonly stations: number;
  /** Rafters too short to be cut. */
  readonly short: number;
  /** Junctions that want a header and have no rafters to carry it. */
  readonly headers: number;
}

export interface Framing {
  readonly members: readonly Member[];
  readonly leftOut: LeftOut;
}

const WHAT: Readonly<Record<LineKind, string>> = {
  ridge: 'a ridge',
  hip: 'hips',
  valley: 'valleys',
  break: 'a break in pitch',
};

const missingTimber = (job: Job, { lines }: Roof): Problem[] =>
  (['ridge', 'hip', 'valley', 'break'] as const).flatMap((kind) =>
    job.timber[LINE_TIMBER[kind]] !== undefined || !lines.some((line) => line.kind === kind)
      ? []
      : [
          {
            code: 'missing-timber' as const,
            path: `timber.${LINE_TIMBER[kind]}`,
            text: say`missing; this roof has ${WHAT[kind]}, so give its actual size as {"thickness": 38.1, "depth": 235}`,
          },
        ],
  );

/** Valleys carried on, or headers, where a lower ridge dies on a slope: the crew's school decides which comes first. */
const carried = (
  site: Site,
  places: readonly LinePlace[],
  stations: readonly Stations[],
): { places: readonly LinePlace[]; headers: HeaderPlace[]; bare: number } => {
  const headers: HeaderPlace[] = [];
  let current = places;
  let bare = 0;
  for (const junction of junctionsOf(places)) {
    const carryOn = (): boolean => {
      const supporting = supportingValley(site, places, junction);
      if (supporting === null) return false;
      current = current.map((place) => (place.id === supporting.id ? supporting : place));
      return true;
    };
    const addHeader = (): boolean => {
      const header = headerAt(
        site,
        junction,
        spansOf(site, stations, [], junction.slope),
        headers.length,
      );
      if (header === null) return false;
      headers.push(header);
      return true;
    };
    const done =
      site.job.framing.valleys === 'supported'
        ? carryOn() || addHeader()
        : addHeader() || carryOn();
    if (!done) bare += 1;
  }
  return { places: current, headers, bare };
};

/** Every rafter's centre line, of one slope or of all. */
const spansOf = (
  site: Site,
  stations: readonly Stations[],
  dividers: readonly Divider[],
  only: number | null = null,
): Span[] =>
  site.roof.slopes.flatMap((slope, index): Span[] => {
    if (only !== null && only !== index) return [];
    const across = dividers.filter((divider) => divider.slope === index);
    return (stations[index]?.at ?? []).flatMap((station) =>
      spansAt(site, index, slope, station, across),
    );
  });

/** Between the hips that meet at a point, before the end of a ridge: from the plate, or from a valley below. */
const isKing = ({ span }: RafterPlace): boolean => span.station.onPoint && span.high.stop === 'hip';

/** A rafter whose top is this near a point stands on it. mm */
const ON_POINT_MM = 0.1;
/** More kings than these at one point are set as they face each other, and not in the order of their slopes. */
const FEW_KINGS = 4;

/**
 * Kings that meet at one point, many of them: the first, then each time the one that stands furthest round from those
 * set before it, so that two that face each other come end to end and the next stand against their sides.
 */
const fannedOut = (rafters: readonly RafterPlace[]): RafterPlace[] => {
  const left = [...rafters];
  const done: RafterPlace[] = [];
  while (left.length > 0) {
    const [next] = left;
    if (next === undefined) break;
    const point = topPoint(next);
    const kings = left.filter(
      (one) => isKing(one) && v2.distance(topPoint(one), point) < ON_POINT_MM,
    );
    const fan = isKing(next) && kings.length > FEW_KINGS ? kings : [next];
    for (const one of fan) left.splice(left.indexOf(one), 1);
    const set = fan.splice(0, 1);
    while (fan.length > 0) {
      const cosines = fan.map(({ span }) =>
        Math.max(...set.map((one) => v2.dot(one.span.slope.uphill, span.slope.uphill))),
      );
      set.push(...fan.splice(cosines.indexOf(Math.min(...cosines)), 1));
    }
    done.push(...set);
  }
  return done;
};

/** The point where lines meet that a rafter stands on; null where it stands on none. */
const nodeUnder = (nodes: readonly Vec3[], rafter: RafterPlace): number | null => {
  if (!rafter.span.station.onPoint) return null;
  const found = nodes.findIndex((p) => v2.distance(v3.inPlan(p), topPoint(rafter)) < ON_POINT_MM);
  return found < 0 ? null : found;
};

/** Sets every timber of the roof in its place. */
export const frameRoof = (job: Job, roof: Roof): Result<Framing> => {
  const problems = missingTimber(job, roof);
  if (problems.length > 0) return refused(problems);
  const plates = platesOf(job, roof);
  const site: Site = {
    job,
    roof,
    plates,
    standing: standingWalls(roof),
    covered: coveredWalls(roof),
    fascias: fasciaPlaces({ job, roof }),
  };
  const { places: first, nodes } = linePlaces(site);
  const stations = allStations(site, first);
  const { places, headers, bare } = carried(site, first, stations);
  const dividers = [...dividersOf(places), ...headers.map(dividerOf)];
  const all = placeRafters(spansOf(site, stations, dividers));
  const headerStrips = headers.map((header) => headerStrip(site, header, all));
  const rough = setLines(site, places, headerStrips);
  const kingFirst = (one: RafterPlace): boolean => {
    const node = nodeUnder(nodes, one);
    return isKing(one) && node !== null && kingStandsFirst(site, places, node);
  };
  // On a hip's point, and a hip ends against it there.
  const isFirst = (one: RafterPlace): boolean => {
    const node = nodeUnder(nodes, one);
    return node !== null && (kingFirst(one) || meetsRafters(site, places, node));
  };
  const turn = (one: RafterPlace): number => (kingFirst(one) ? -1 : Number(isKing(one)));
  const kingsLast = (p: RafterPlace, q: RafterPlace): number => turn(p) - turn(q);
  const onPoints = fannedOut(all.filter(isFirst).sort(kingsLast));
  const firsts: SetRafter[] = [];
  const stood = new StripGrid();
  for (const place of onPoints) {
    // Hips that end between these rafters are cut against them, not they against the hips.
    const before = rough.filter((line) => !endsAt(site, places, line, place));
    const standing = new StripGrid([...headerStrips, ...before.map(({ strip }) => strip)]);
    const set = setRafter(site, place, standing, stood);
    if (set === null) continue;
    firsts.push(set);
    stood.add(set.strip);
  }
  const firstStrips = firsts.map(({ strip }) => strip);
  const lines = withRafters(site, places, rough, headerStrips, firstStrips);
  const crowded = noRoom(site, places, lines);
  if (crowded.length > 0) return refused(crowded);
  const lineStrips = lines.map(({ strip }) => strip);
  const gablets = gabletHeaders(site, lineStrips);
  const standing = new StripGrid([
    ...headerStrips,
    ...lineStrips,
    ...gablets.map(({ strip }) => strip),
  ]);
  const rafters = [...firsts];
  let short = onPoints.length - firsts.length;
  for (const place of all.filter((one) => !isFirst(one)).sort(kingsLast)) {
    const set = setRafter(site, place, standing, stood);
    if (set === null) short += 1;
    else {
      rafters.push(set);
      stood.add(set.strip);
    }
  }
  const lineMembers = lines.map((line) => ({ line, member: lineMember(site, line) }));
  const rafterMembers = rafters.map((rafter) => ({ rafter, member: rafterMember(site, rafter) }));
  const unseated = [
    ...lineMembers.flatMap(({ line, member }) => unseatedLine(line, member)),
    ...rafterMembers.flatMap(({ rafter, member }) => unseatedRafter(site, rafter, member)),
  ];
  if (unseated.length > 0) return refused(oneAPlace(unseated));
  const members = [
    ...lineMembers.map(({ member }) => member),
    ...headers.flatMap((header, i): Member[] => {
      const strip = headerStrips[i];
      return strip === undefined ? [] : [headerMember(site, header, strip)];
    }),
    ...gablets.map(({ place, strip }) => headerMember(site, place, strip)),
    ...rafterMembers.map(({ member }) => member),
    ...fascias(site, [standing, stood]),
  ];
  return ok({
    members: inOrder(members),
    leftOut: {
      stations: stations.reduce((sum, { dropped }) => sum + dropped.length, 0),
      short,
      headers: bare,
    },
  });
};

/** Lines whose timber had to give way so far to others that nothing is left of it. */
const noRoom = ({ job }: Site, places: readonly LinePlace[], set: readonly SetLine[]): Problem[] =>
  places
    .filter(({ id }) => !set.some(({ place }) => place.id === id))
    .map(({ kind, block, low, high }) => ({
      code: 'line-too-short',
      path: `blocks.${job.blocks.findIndex(({ id }) => id === block)}.outline`,
      text: say`a ${kind} of "${block}", ${inMm(v2.distance(v3.inPlan(low), v3.inPlan(high)))} long in plan, runs so near another timber that there is no room for both; accepted is a plan where the two lines are one, or stand further apart`,
    }));

/** One problem a field: the first is as good as the others. */
const oneAPlace = (problems: readonly Problem[]): Problem[] =>
  problems.filter(({ path }, i) => problems.findIndex((other) => other.path === path) === i);

/** A hip that tops out at the point this rafter stands on. */
const endsAt = (
  site: Site,
  places: readonly LinePlace[],
  { place }: SetLine,
  rafter: RafterPlace,
): boolean => {
  const { node } = place.highEnd;
  return (
    place.kind === 'hip' &&
    node !== null &&
    (meetsRafters(site, places, node) || kingStandsFirst(site, places, node)) &&
    v2.distance([place.high[0], place.high[1]], topPoint(rafter)) < ON_POINT_MM
  );
};

/** The order of erection, then round the building. */
const inOrder = (members: readonly Member[]): Member[] =>
  KINDS_IN_ORDER.flatMap((kind) => members.filter((member) => member.kind === kind));
