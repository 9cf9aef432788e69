import { SLACK_MM, FIT_GAP_MM, SAME_WAY_SINE, v2, v3, type Vec2 } from '../../geom';
import { isRafter } from '../../kinds';
import { inMm, say } from '../../sentence';
import { otherOf, type Touching } from '../contact/contacts';
import { findingOn } from '../finding';
import type { FrameOnSite } from '../frame-on-site';
import { isMember, type Placed, type PlacedPlate } from '../contact/placed';
import type { FitProblem } from '../report';
import { plateWidthOf } from '../../job';
import { onSide } from '../../roof';
import { isShortJoist } from './short-joists';
import { hasNoRoom, platesUnder, wants, type Opposite } from './untied';

/** Joists further apart than their spacing by less than this are not: rounding. mm */
const SPARE_MM = SLACK_MM.beside;

/** Square to the rafters over a plate, and along it rather than against it. */
const acrossOf = ({ plate: { line } }: PlacedPlate, [rafter]: readonly Placed[]): Vec2 => {
  if (rafter === undefined) return line.along;
  const aside = v2.left(v2.unit(v3.inPlan(rafter.member.frame.a)));
  return v2.dot(aside, line.along) > 0 ? aside : v2.scale(aside, -1);
};

/** Where a timber's faces stand, midway between them. */
const alongBy = (across: Vec2, { corners }: Placed): number => {
  const ts = corners.map((p) => v2.dot(v3.inPlan(p), across));
  return (Math.min(...ts) + Math.max(...ts)) / 2;
};

/** Where the inside faces of the walls at the ends of a plate's own stand, along it; null where joists are counted from rafters. mm */
const endWalls = (
  { job, roof }: FrameOnSite,
  { plate }: PlacedPlate,
  across: Vec2,
): readonly number[] | null => {
  if (job.rafterTies?.from !== 'wall') return null;
  const sides = roof.blocks.find(({ id }) => id === plate.block)?.sides ?? [];
  return sides
    .filter(({ inward }) => Math.abs(v2.dot(inward, across)) > ACROSS)
    .map((side) => v2.dot(onSide(side, side.lengthMm / 2, plateWidthOf(job)), across));
};

/** A wall that looks along a plate by more than this, as a cosine, is at an end of it. */
const ACROSS = 0.7;

/** Whether a joist lies flat on a rafter. */
const flatOnRafter = (joist: Placed, touching: Touching): boolean =>
  touching(joist).some((contact) => {
    const other = otherOf(contact, joist);
    return (
      isMember(other) &&
      isRafter(other.member) &&
      Math.abs(v3.dot(contact.face.plane.normal, joist.member.frame.s)) > 1 - SAME_WAY_SINE
    );
  });

/** Whether a joist lies flat on another: two that are lapped and lie on no rafter are nailed to each other. */
const flatOnJoist = (joist: Placed, touching: Touching): boolean =>
  touching(joist).some((contact) => {
    const other = otherOf(contact, joist);
    const flat =
      Math.abs(v3.dot(contact.face.plane.normal, joist.member.frame.s)) > 1 - SAME_WAY_SINE;
    return flat && isMember(other) && other.member.kind === 'rafter-tie';
  });

/**
 * Joists at a spacing of their own: along every plate, between pairs of rafters that stand opposite each other, none is
 * further from the next than that, nor from the first pair and the last.
 */
export const joistsApart = (
  site: FrameOnSite,
  opposite: readonly Opposite[],
  spacing: number,
  touching: Touching,
): FitProblem[] => {
  const joists = site.members.filter(
    (tie) => tie.member.kind === 'rafter-tie' && !isShortJoist(tie, touching),
  );
  const on = new Map(joists.map((joist) => [joist, new Set(platesUnder(joist, touching))]));
  const { common, rafterTie } = site.job.timber;
  const lapped = site.job.rafterTies?.lap !== undefined;
  const beside = (common.thickness + (rafterTie?.thickness ?? 0)) / 2;
  const wanted = opposite.filter((pair) => wants(site, 'rafter-tie', pair, touching));
  return site.plates.flatMap((plate): FitProblem[] => {
    const rafters = wanted.flatMap((pair) =>
      pair.rafters.filter((rafter) => platesUnder(rafter, touching).includes(plate)),
    );
    const across = acrossOf(plate, rafters);
    const along = (placed: Placed): number => alongBy(across, placed);
    const pairs = rafters.map(along).sort((p, q) => p - q);
    const own = joists
      .filter((joist) => on.get(joist)?.has(plate) === true)
      .map(along)
      .sort((p, q) => p - q);
    // Pairs side by side; a wider gap is a wing, or rafters without partners.
    const runs: number[][] = [];
    for (const at of pairs) {
      const run = runs.at(-1);
      if (run !== undefined && at - (run.at(-1) ?? at) <= site.job.framing.spacing + SPARE_MM)
        run.push(at);
      else runs.push([at]);
    }
    // From the inside of either end wall, where the crew counts from those.
    const walls = endWalls(site, plate, across);
    const starts = opposite.flatMap((pair) => pair.rafters.map(along));
    const thickness = rafterTie?.thickness ?? 0;
    // On its centres from a pair of rafters, beside it; the second of two lapped beside that.
    const offCentre = (at: number): number =>
      (walls ?? starts)
        .flatMap((start) =>
          (walls === null ? [beside, -beside] : [0]).flatMap((first) =>
            [0, thickness, -thickness].map((second) => {
              const away = at - start - first - second;
              return away - Math.round(away / spacing) * spacing;
            }),
          ),
        )
        .reduce((p, q) => (Math.abs(q) < Math.abs(p) ? q : p), Infinity);
    const onCentre = (at: number): boolean => Math.abs(offCentre(at)) <= FIT_GAP_MM;
    // How far one that lies flat on a rafter has slid off its centre, where a rafter stands in that.
    const slid = (at: number): number => {
      const off = offCentre(at);
      const [low, high] = [at - off - thickness / 2, at - off + thickness / 2];
      const taken = site.members.some((other) => {
        if (!isRafter(other.member) || other.member.block !== plate.plate.block) return false;
        const ts = other.corners.map((p) => v2.dot(v3.inPlan(p), across));
        return Math.min(...ts) < high - FIT_GAP_MM && Math.max(...ts) > low + FIT_GAP_MM;
      });
      return taken && Math.abs(off) <= spacing / 2 ? Math.abs(off) : 0;
    };
    const off = joists.flatMap((joist): FitProblem[] =>
      on.get(joist)?.has(plate) !== true ||
      flatOnRafter(joist, touching) ||
      (onCentre(along(joist)) && (!lapped || flatOnJoist(joist, touching)))
        ? []
        : [
            findingOn(
              joist,
              'misplaced',
              0,
              say`${joist.mark} lies on no rafter, nor on its centres along the ‹plate›`,
            ),
          ],
    );
    const bare = runs.flatMap((run): FitProblem[] => {
      const [from, to] = [run[0] ?? 0, run.at(-1) ?? 0];
      const between = own.filter((at) => at > from - 2 * beside && at < to + 2 * beside);
      // One that lies flat on a rafter stands off its centre; the first and the last may want room at a gable.
      const noRoom = wanted.some(
        (pair) =>
          pair.rafters.some((rafter) => [from, to].includes(along(rafter))) &&
          hasNoRoom(site, 'rafter-tie', pair, touching, new Set()),
      );
      const stops = [from - beside, ...between, to + beside];
      const widest = Math.max(
        ...stops.slice(1).map((at, i) => {
          const atEnd = i === 0 || i === stops.length - 2;
          const before = stops[i] ?? at;
          const free = noRoom && atEnd ? spacing : 0;
          const wide = at - before - free - (lapped ? 6 : atEnd ? 4 : 2) * beside;
          return wide <= spacing ? wide : wide - slid(before) - slid(at);
        }),
      );
      if (widest <= spacing + SPARE_MM) return [];
      const { line } = plate.plate;
      const p = v2.add(line.start, v2.scale(line.along, line.lengthMm / 2));
      return [
        {
          members: ['rafter tie', 'plate'],
          ids: [],
          kind: 'missing',
          wanted: ['rafter-tie'],
          mm: widest,
          at: [p[0], p[1], plate.plate.topMm],
          text: say`along "${plate.plate.block}", wall ${plate.plate.side + 1}, ${inMm(widest)} has no ‹rafter tie›: they are wanted ${inMm(spacing)} ‹on centre›`,
        },
      ];
    });
    return [...off, ...bare];
  });
};
