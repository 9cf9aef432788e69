import { SAME_WAY_SINE, SLACK_MM, v2, type Vec2 } from '../../geom';
import { facesRidge, meetsRafters, kingStandsFirst, type SetLine } from '../lines/set-lines';
import { topPoint, type RafterPlace } from './set-rafters';
import type { LinePlace } from '../site/line-places';
import type { Site } from '../site';

/** Between the hips that meet at a point, before the end of a ridge: from the plate, or from a valley below. */
export const isKing = ({ span }: RafterPlace): boolean =>
  span.station.node !== null && span.high.stop === 'hip';

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
    const kings = left.filter((one) => isKing(one) && standTogether(one, next));
    const fan = isKing(next) && kings.length > FEW_KINGS ? kings : [next];
    for (const one of fan) left.splice(left.indexOf(one), 1);
    const set = fan.splice(0, 1);
    while (fan.length > 0) {
      const cosines = fan.map(({ span }) =>
        Math.max(...set.map((one) => v2.dot(one.span.slope.uphill, span.slope.uphill))),
      );
      // Of those as far round the first: the order of the slopes, and not rounding, says which.
      const least = Math.min(...cosines) + SAME_WAY_SINE;
      set.push(
        ...fan.splice(
          cosines.findIndex((one) => one <= least),
          1,
        ),
      );
    }
    done.push(...set);
  }
  return done;
};

/** Tops this near stand on one point, though a king that starts on a valley is not numbered with it. mm */
const ON_POINT_MM = SLACK_MM.shut;

const standTogether = (one: RafterPlace, other: RafterPlace): boolean =>
  v2.distance(topPoint(one), topPoint(other)) < ON_POINT_MM;

/** Which rafters stand before the hips, and in which turn rafters are set. */
export interface Turns {
  /** Those on a hip's point, against which hips end there, in the order in which they are set. */
  readonly first: readonly RafterPlace[];
  /** All the others, kings last. */
  readonly then: readonly RafterPlace[];
}

/**
 * Whether a king looks up a hip that starts on its point, where two hips have run together: it carries that hip's foot,
 * and so stands before the kings beside it, between which it would be nipped.
 */
const carriesHip = (places: readonly LinePlace[], { span }: RafterPlace): boolean =>
  places.some(
    ({ kind, line, foot, lowEnd }) =>
      kind === 'hip' &&
      foot === null &&
      lowEnd.node === span.station.node &&
      !line.slopes.includes(span.index),
  );

/** Who is set before the hips, and in what order: kings last, unless one of them comes before all. */
export const turnsOf = (
  site: Site,
  places: readonly LinePlace[],
  rafters: readonly RafterPlace[],
): Turns => {
  const kingFirst = (one: RafterPlace): boolean => {
    const { node } = one.span.high;
    return isKing(one) && node !== null && kingStandsFirst(site, places, node);
  };
  const isFirst = (one: RafterPlace): boolean => {
    const { node } = one.span.high;
    return node !== null && (kingFirst(one) || meetsRafters(site, places, node));
  };
  const turn = (one: RafterPlace): number => {
    if (kingFirst(one)) return -1;
    if (!isKing(one)) return 0;
    return carriesHip(places, one) ? 1 : 2;
  };
  const kingsLast = (p: RafterPlace, q: RafterPlace): number => turn(p) - turn(q);
  return {
    first: fannedOut(rafters.filter(isFirst).sort(kingsLast)),
    then: rafters.filter((one) => !isFirst(one)).sort(kingsLast),
  };
};

/** A hip that tops out at the point this rafter stands on, and is cut against it. */
export const endsAgainst = (
  site: Site,
  places: readonly LinePlace[],
  { place }: SetLine,
  rafter: RafterPlace,
): boolean => {
  const { node } = place.highEnd;
  const high: Vec2 = [place.high[0], place.high[1]];
  return (
    place.kind === 'hip' &&
    node !== null &&
    v2.distance(high, topPoint(rafter)) < ON_POINT_MM &&
    !facesRidge(places, place) &&
    (meetsRafters(site, places, node) || kingStandsFirst(site, places, node))
  );
};
