import { plateThicknessOf, plateWidthOf } from '../../job';
import { SLACK_MM, FIT_GAP_MM, planeAt, v2, type Vec2 } from '../../geom';
import { cheekStudOf, heightAt, type SideLine } from '../../roof';
import { inMm, say } from '../../sentence';
import { otherOf, type Touching } from '../contact/contacts';
import { findingOn } from '../finding';
import { outFrom, type FrameOnSite } from '../frame-on-site';
import { undersideOver } from '../gables/gable-studs';
import { isMember, isPlate, type Placed } from '../contact/placed';
import type { FitProblem } from '../report';

/** A stud that would be lower than this is a block; what is this near to it may stand or not. mm */
const LEAST_MM = 150;
const SPARE_MM = SLACK_MM.nothing;
/** A stud this near its place along its cheek is on it. mm */
const ON_PLACE_MM = SLACK_MM.place;

/** How high the roof stands over the lower sheathing on a cheek, as the wall's own plate or the rafters over it tell. mm */
const heightOver = (site: FrameOnSite, side: SideLine, p: Vec2): number => {
  const deck = site.laid?.on.deck;
  if (deck === undefined) return 0;
  const z = heightAt({ plane: deck }, p);
  if (side.roof === 'eave') return side.plateMm - plateThicknessOf(site.job) - z;
  const over = site.members
    .filter(({ member }) => member.kind !== 'cheek-stud')
    .flatMap((placed) => undersideOver(placed, p) ?? []);
  return over.length === 0 ? 0 : Math.min(...over) - z;
};

/** Whether a dormer's cheeks have their studs: plumb, flush, on their places, from the sheathing up to what they carry. */
export const checkCheekStuds = (site: FrameOnSite, touching: Touching): FitProblem[] => {
  const { laid, job, roof } = site;
  const sides = roof.blocks[0]?.sides ?? [];
  const [front] = sides;
  if (laid === null || laid.on.as !== 'dormer' || front === undefined) return [];
  const stock = cheekStudOf(job);
  return [1, 3].flatMap((index): FitProblem[] => {
    const side = sides[index];
    if (side === undefined) return [];
    const flat = side.roof === 'gable';
    const [across, wide] = flat ? [stock.thickness, stock.depth] : [stock.depth, stock.thickness];
    const own = site.members.filter(
      ({ member }) => member.kind === 'cheek-stud' && member.side === index,
    );
    const at = (v: number): Vec2 =>
      v2.add(
        v2.add(side.start, v2.scale(side.inward, across / 2)),
        v2.scale(front.inward, v + v2.dot(v2.sub(front.start, side.start), front.inward)),
      );
    const along = (placed: Placed): number => {
      const vs = placed.corners.map((p) => -outFrom(front, p));
      return (Math.min(...vs) + Math.max(...vs)) / 2;
    };
    const wanted: number[] = [];
    for (let v = job.framing.spacing; v < side.lengthMm; v += job.framing.spacing)
      if (v - wide / 2 >= plateWidthOf(job)) wanted.push(v);
    const amiss = own.flatMap((stud): FitProblem[] => {
      const off = Math.max(
        Math.min(Infinity, ...wanted.map((v) => Math.abs(v - along(stud)))) - ON_PLACE_MM,
        Math.abs(Math.max(...stud.corners.map((p) => outFrom(side, p)))) - FIT_GAP_MM,
        Math.abs(Math.min(...stud.corners.map((p) => planeAt(laid.on.deck, p)))) - FIT_GAP_MM,
      );
      if (off > 0)
        return [
          findingOn(
            stud,
            'misplaced',
            off,
            say`${stud.mark} stands ${inMm(off, 1)} off its place in its cheek`,
          ),
        ];
      const bears = (up: boolean): boolean =>
        touching(stud).some((contact) => {
          const other = otherOf(contact, stud);
          const face = contact.one === stud ? contact.face : contact.otherFace;
          const looks = up ? face.plane.normal[2] > LOOKS : face.plane.normal[2] < -LOOKS;
          return looks && (up ? isMember(other) || isPlate(other) : !isMember(other));
        });
      return bears(true) && bears(false)
        ? []
        : [
            findingOn(
              stud,
              'gap',
              0,
              say`${stud.mark} does not reach from the sheathing to what it carries`,
            ),
          ];
    });
    const bare = wanted.filter(
      (v) =>
        !own.some((stud) => Math.abs(along(stud) - v) < wide) &&
        heightOver(site, side, at(v + wide / 2)) > LEAST_MM + SPARE_MM,
    );
    return [
      ...amiss,
      ...bare.map((v): FitProblem => {
        const [x, y] = at(v);
        return {
          members: ['roof', 'nothing'],
          ids: [],
          kind: 'missing',
          mm: stock.depth,
          at: [x, y, side.plateMm],
          text: say`a ‹cheek stud› is missing ${inMm(v)} in from the front of "${laid.on.block}"`,
        };
      }),
    ];
  });
};

/** A face that looks up or down by more than this is a stud's head or its foot. */
const LOOKS = 0.2;
