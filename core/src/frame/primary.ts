import { v2, v3 } from '../geom';
import { ok, refused, type Problem, type Result } from '../problem';
import { inMm, say } from '../sentence';
import { gabletHeaders } from './headers/gablet-headers';
import {
  dividerOf,
  headerAt,
  headerStrip,
  type HeaderPlace,
  type HeaderTheory,
} from './headers/headers';
import { endsAgainst, turnsOf } from './rafters/kings';
import { junctionsOf, linePlaces, supportingValley, type LinePlace } from './site/line-places';
import { setLines, withRafters, type SetLine } from './lines/set-lines';
import { placeRafters, setRafter, type SetRafter } from './rafters/set-rafters';
import { dividersOf, rafterSpans, type Divider, type Span } from './layout/spans';
import { allStations, type Stations } from './layout/stations';
import type { Strip } from './joint/strip';
import { StripGrid } from './joint/strip-grid';
import { isOpen, openingDividers, openingHeaders } from './openings/headers';
import type { Site } from './site';

/** What was left out on the way, to be said. */
export interface LeftOut {
  /** Stations too near a rafter that must stand there. */
  readonly stations: number;
  /** Rafters too short to be cut. */
  readonly short: number;
  /** Junctions that want a header and have no rafters to carry it. */
  readonly headers: number;
}

export interface SetHeader {
  readonly place: HeaderTheory;
  readonly strip: Strip;
}

/** The timbers that stand on the roof's lines and on its slopes, their joints cut in plan: all that others hang on. */
export interface Primary {
  readonly lines: readonly SetLine[];
  readonly headers: readonly SetHeader[];
  readonly rafters: readonly SetRafter[];
  /** Everything that stands, to be cut against by what comes later. */
  readonly standing: readonly StripGrid[];
  readonly leftOut: LeftOut;
}

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
      rafterSpans(site, index, slope, station, across),
    );
  });

/** Valleys carried on, or headers, where a lower ridge dies on a slope: the crew's school decides which comes first. */
const carryLowerRidges = (
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
      const spans = spansOf(site, stations, [], junction.slope);
      const header = headerAt(site, junction, spans, headers.length);
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

/** Lines whose timber had to give way so far to others that nothing is left of it. */
const noRoom = ({ job }: Site, places: readonly LinePlace[], set: readonly SetLine[]): Problem[] =>
  places
    .filter(({ id }) => !set.some(({ place }) => place.id === id))
    .map(({ kind, block, low, high }) => ({
      code: 'line-too-short',
      path: ['blocks', job.blocks.findIndex(({ id }) => id === block), 'outline'],
      text: say`a ${kind} of "${block}", ${inMm(v2.distance(v3.inPlan(low), v3.inPlan(high)))} long in plan, runs so near another timber that there is no room for both; accepted is a plan where the two lines are one, or stand further apart`,
    }));

/**
 * Sets the primary frame, the senior before the junior: headers and lines in the rough, the rafters that stand on
 * points, the lines again between those, then every other rafter against all of them.
 */
export const primaryFrame = (site: Site): Result<Primary> => {
  const first = linePlaces(site);
  const stations = allStations(site, first);
  const { places, headers, bare } = carryLowerRidges(site, first, stations);
  const dividers = [...dividersOf(places), ...headers.map(dividerOf), ...openingDividers(site)];
  const spans = spansOf(site, stations, dividers).filter((span) => !isOpen(site, span));
  const rafterPlaces = placeRafters(spans);
  const setHeaders = [...headers, ...openingHeaders(site)].map((place) => ({
    place,
    strip: headerStrip(site, place, rafterPlaces),
  }));
  const headerStrips = setHeaders.map(({ strip }) => strip);
  const rough = setLines(site, places, headerStrips);
  const turns = turnsOf(site, places, rafterPlaces);
  const firsts: SetRafter[] = [];
  const stood = new StripGrid();
  for (const place of turns.first) {
    // Hips that end between these rafters are cut against them, not they against the hips.
    const before = rough.filter((line) => !endsAgainst(site, places, line, place));
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
  for (const place of turns.then) {
    const set = setRafter(site, place, standing, stood);
    if (set === null) continue;
    rafters.push(set);
    stood.add(set.strip);
  }
  return ok({
    lines,
    headers: [...setHeaders, ...gablets],
    rafters,
    standing: [standing, stood],
    leftOut: {
      stations: stations.reduce((sum, { leftOut }) => sum + leftOut.length, 0),
      short: rafterPlaces.length - rafters.length,
      headers: bare,
    },
  });
};
