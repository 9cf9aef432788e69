import { plateThicknessOf } from '../../job';
import { FIT_GAP_MM, intervals, v2, v3 } from '../../geom';
import { postedEaves, type PostedEave, type SideLine } from '../../roof';
import { inMm, say } from '../../sentence';
import { otherOf, type Touching } from '../contact/contacts';
import { findingOn } from '../finding';
import { outFrom, type FrameOnSite } from '../frame-on-site';
import { isMember, type Placed } from '../contact/placed';
import type { FitProblem } from '../report';

const alongOf = ({ start, along }: SideLine, { corners }: Placed): readonly [number, number] => {
  const us = corners.map((p) => v2.dot(v2.sub(v3.inPlan(p), start), along));
  return [Math.min(...us), Math.max(...us)];
};

const nothing = (one: PostedEave, mm: number, u: number, text: FitProblem['text']): FitProblem => {
  const [x, y] = v2.add(one.side.start, v2.scale(one.side.along, u));
  return {
    members: ['roof', 'nothing'],
    ids: [],
    kind: 'missing',
    mm,
    at: [x, y, one.side.plateMm],
    text,
  };
};

/** A face nearer to a beam's own direction is a side of it, as a sine. */
const END = 0.1;

/** Whether an end of a beam holds: it comes to the end of its wall, or against another beam. */
const endHolds = (beam: Placed, u: number, side: SideLine, touching: Touching): boolean =>
  [0, side.lengthMm].some((end) => Math.abs(u - end) <= FIT_GAP_MM) ||
  touching(beam).some((contact) => {
    const other = otherOf(contact, beam);
    return (
      isMember(other) &&
      other.member.kind === 'beam' &&
      // With its end, not with its side.
      Math.abs(v3.dot(contact.face.plane.normal, beam.member.frame.a)) > END &&
      contact.points.some(
        (p) =>
          Math.abs(v2.dot(v2.sub(v3.inPlan(p), side.start), side.along) - u) <
          5 * beam.member.stock.depth,
      )
    );
  });

const checkBeam = (
  site: FrameOnSite,
  one: PostedEave,
  beam: Placed,
  touching: Touching,
): FitProblem[] => {
  const { side } = one;
  const top = Math.max(...beam.corners.map(([, , z]) => z));
  const out = Math.max(...beam.corners.map((p) => outFrom(side, p)));
  const off = Math.max(Math.abs(top - (side.plateMm - plateThicknessOf(site.job))), Math.abs(out));
  const ends = alongOf(side, beam).every((u) => endHolds(beam, u, side, touching));
  return off <= FIT_GAP_MM && ends
    ? []
    : [
        findingOn(
          beam,
          'misplaced',
          off,
          say`${beam.mark} stands ${inMm(off, 1)} off its place under the ‹plate›, or short of an end of it`,
        ),
      ];
};

/** Where posts are wanted under an eave: the middles, from the wall's start. mm */
const placesOf = ({ side, spacing }: PostedEave, wide: number): number[] =>
  intervals.evenly(wide / 2, side.lengthMm - wide / 2, spacing);

/** Whether each eave that stands on posts has its beam under the plate, and its posts under that. */
export const checkPosts = (site: FrameOnSite, touching: Touching): FitProblem[] => {
  const { post: stock } = site.job.timber;
  const all = site.members.filter(({ member }) => member.kind === 'post');
  return postedEaves(site.job, site.roof).flatMap((one): FitProblem[] => {
    const own = (kind: string): Placed[] =>
      site.members.filter(
        ({ member }) =>
          member.kind === kind && member.block === one.block && member.side === one.side.index,
      );
    const beams = own('beam');
    if (beams.length === 0 || stock === undefined)
      return [
        nothing(
          one,
          one.side.lengthMm,
          0,
          say`no ‹beam› lies under wall ${one.side.index + 1} of "${one.block}", which stands on ‹posts›`,
        ),
      ];
    const wanted = placesOf(one, stock.depth);
    const middle = (post: Placed): number => {
      const [low, high] = alongOf(one.side, post);
      return (low + high) / 2;
    };
    const placed = own('post').flatMap((post): FitProblem[] => {
      const low = Math.min(...post.corners.map(([, , z]) => z));
      const off = Math.max(
        Math.min(...wanted.map((u) => Math.abs(u - middle(post)))),
        Math.abs(low - (one.side.plateMm - one.height)),
        Math.abs(Math.max(...post.corners.map((p) => outFrom(one.side, p)))),
      );
      return off <= FIT_GAP_MM
        ? []
        : [
            findingOn(
              post,
              'misplaced',
              off,
              say`${post.mark} stands ${inMm(off, 1)} off its place under the ‹beam›`,
            ),
          ];
    });
    // At a corner the post of the next wall stands there.
    const bare = wanted.filter(
      (u) =>
        !all.some((post) => {
          const [low, high] = alongOf(one.side, post);
          const out = Math.abs(Math.max(...post.corners.map((p) => outFrom(one.side, p))));
          return u > low - stock.depth / 2 && u < high + stock.depth / 2 && out <= FIT_GAP_MM;
        }),
    );
    return [
      ...beams.flatMap((beam) => checkBeam(site, one, beam, touching)),
      ...placed,
      ...bare.map((u) =>
        nothing(
          one,
          stock.depth,
          u,
          say`a ‹post› is missing ${inMm(u)} along wall ${one.side.index + 1} of "${one.block}"`,
        ),
      ),
    ];
  });
};
