import {
  ALONGSIDE_SINE,
  FIT_GAP_MM,
  SAME_WAY_SINE,
  SLACK_SHARE,
  SLACK_SINE,
  PARALLEL_SINE,
  planeAt,
  v2,
  v3,
  type Vec2,
  type Vec3,
} from '../../geom';
import { isOneTimber } from '../../frame';
import { plateWidthOf, type RidgeBeam } from '../../job';
import { isRafter } from '../../kinds';
import { inMm, say } from '../../sentence';
import { otherOf, type Touching } from '../contact/contacts';
import { isMember, type Body, type Placed } from '../contact/placed';
import { findingOn } from '../finding';
import { outFrom, type FrameOnSite } from '../frame-on-site';
import type { FitProblem } from '../report';

/** A ridge, whole: its lengths where it is scarfed, and the plan line that it is measured along, from its low end. */
interface Ridge {
  readonly lengths: readonly Placed[];
  readonly origin: Vec2;
  readonly heading: Vec2;
}

const ridgesOf = (placed: readonly Placed[]): Ridge[] =>
  placed
    .filter((one, i) => !placed.slice(0, i).some((other) => isOneTimber(one.member, other.member)))
    .map((first): Ridge => {
      const { origin, a } = first.member.frame;
      return {
        lengths: placed.filter((one) => isOneTimber(one.member, first.member)),
        origin: v3.inPlan(origin),
        heading: v2.unit(v3.inPlan(a)),
      };
    });

const alongAt = ({ origin, heading }: Ridge, p: Vec3): number =>
  v2.dot(v2.sub(v3.inPlan(p), origin), heading);

/** Along a ridge, from its low end: from where to where corners stand. mm */
const alongOf = (ridge: Ridge, corners: readonly Vec3[]): readonly [number, number] => {
  const ts = corners.map((p) => alongAt(ridge, p));
  return [Math.min(...ts), Math.max(...ts)];
};

/** Whether a ridge ends on another timber, a rafter apart: on a hip that it breaks to, a header, the valleys it runs into. */
const isHeld = (ridge: Ridge, end: number, touching: Touching): boolean =>
  ridge.lengths.some((length) =>
    touching(length).some((contact) => {
      const other = otherOf(contact, length);
      if (!isMember(other) || isRafter(other.member) || other.member.kind === 'ridge-post')
        return false;
      if (isOneTimber(other.member, length.member)) return false;
      const near = contact.points.some((p) => Math.abs(alongAt(ridge, p) - end) < AT_END_MM);
      const own = contact.one === length ? contact.face : contact.otherFace;
      const its = contact.one === length ? contact.otherFace : contact.face;
      // On that one's side: a hip that leans on the end of the ridge comes with its own end.
      return (
        near &&
        Math.abs(v3.dot(own.plane.normal, length.member.frame.a)) > END &&
        Math.abs(v3.dot(its.plane.normal, other.member.frame.a)) < END
      );
    }),
  );

/** From where to where wood lies on a length's middle line. mm */
const middleSpans = (ridge: Ridge, { member: { frame, topMm, stock }, pieces }: Placed) => {
  const from = v3.add(frame.origin, v3.scale(frame.e, topMm - stock.depth / 2));
  const at = (t: number): number => alongAt(ridge, v3.add(from, v3.scale(frame.a, t)));
  return pieces.flatMap(({ faces }) => {
    let [low, high] = [-Infinity, Infinity];
    for (const { plane } of faces) {
      const rate = v3.dot(plane.normal, frame.a);
      const out = planeAt(plane, from);
      if (Math.abs(rate) < PARALLEL_SINE) {
        if (out > FIT_GAP_MM) return [];
      } else if (rate > 0) high = Math.min(high, -out / rate);
      else low = Math.max(low, -out / rate);
    }
    return high > low ? [[at(low), at(high)] as const] : [];
  });
};

const middleReach = (ridge: Ridge): readonly [number, number] => {
  const spans = ridge.lengths.flatMap((length) => middleSpans(ridge, length));
  return [Math.min(...spans.map(([low]) => low)), Math.max(...spans.map(([, high]) => high))];
};

/** A face nearer to a timber's own direction is a side of it, as a sine. */
const END = SLACK_SINE.side;

/** What touches a ridge this near to its end holds that end. mm */
const AT_END_MM = 300;

/** Whether a post stands under a ridge in plan, and turned with it. */
const isUnder = (ridge: Ridge, { member, corners }: Placed): boolean => {
  const across = corners.map((p) => v2.cross(ridge.heading, v2.sub(v3.inPlan(p), ridge.origin)));
  const off = (Math.min(...across) + Math.max(...across)) / 2;
  const turned = Math.abs(v2.dot(v3.inPlan(member.frame.s), ridge.heading));
  const [from, to] = alongOf(
    ridge,
    ridge.lengths.flatMap((length) => length.corners),
  );
  const [low, high] = alongOf(ridge, corners);
  return (
    Math.abs(off) <= FIT_GAP_MM &&
    turned < ALONGSIDE_SINE &&
    low > from - FIT_GAP_MM &&
    high < to + FIT_GAP_MM
  );
};

/** How far a post's foot stands off the level of what it stands on. mm */
const footOff = (
  { job, roof }: FrameOnSite,
  { member: { block, frame }, corners }: Placed,
  foot: number,
): number => {
  const own = roof.blocks.find(({ id }) => id === block);
  if (own === undefined) return Infinity;
  const width = plateWidthOf(job);
  const zs = corners.map(([, , z]) => z);
  const low = Math.min(...zs);
  const tilted = 1 - frame.a[2] > SAME_WAY_SINE ? Infinity : 0;
  // Over a gable's plate it stands on that.
  const outs = own.sides
    .filter((side) => side.roof === 'gable')
    .map((side) => corners.map((p) => outFrom(side, p)));
  const inWall = outs.some((out) => -(Math.max(...out) + Math.min(...out)) / 2 < width);
  return Math.max(tilted, Math.abs(low - own.plateMm - (inWall ? 0 : foot)));
};

/** The ends of a ridge that posts hold: null where another timber does. Where they should stand, evenly between. mm */
const placesOf = (
  ridge: Ridge,
  { spacing }: RidgeBeam,
  wide: number,
  touching: Touching,
): { readonly places: readonly number[]; readonly held: readonly [boolean, boolean] } => {
  const [from, to] = middleReach(ridge);
  const held = [isHeld(ridge, from, touching), isHeld(ridge, to, touching)] as const;
  const first = held[0] ? from : from + wide / 2;
  const last = held[1] ? to : to - wide / 2;
  const bays = Math.ceil((last - first) / spacing - SLACK_SHARE.rounding);
  const all = Array.from({ length: bays + 1 }, (_, i) => first + ((last - first) * i) / bays);
  return { places: all.slice(held[0] ? 1 : 0, held[1] ? -1 : undefined), held };
};

const isRidge = (body: Body): boolean => isMember(body) && body.member.kind === 'ridge';

/** Whether a post stands flat beside another timber, along its ridge: moved out of that one's place. */
const besideOther = (post: Placed, ridge: Ridge, touching: Touching): boolean =>
  touching(post).some((contact) => {
    const { normal } = contact.face.plane;
    return (
      !isRidge(otherOf(contact, post)) &&
      Math.abs(v2.dot(v3.inPlan(normal), ridge.heading)) > 1 - SAME_WAY_SINE
    );
  });

/** How far a post stands off its even place along its ridge; 0 where it is flat beside what stands there. mm */
const alongOff = (
  post: Placed,
  ridge: Ridge,
  places: readonly number[],
  slack: number,
  touching: Touching,
): number => {
  const [low, high] = alongOf(ridge, post.corners);
  const off = Math.min(...places.map((t) => Math.abs(t - (low + high) / 2)));
  return off <= FIT_GAP_MM || (off <= slack && besideOther(post, ridge, touching)) ? 0 : off;
};

/** Whether each ridge that is a beam has posts under it: evenly, so far apart at most, and at the ends that nothing else holds. */
export const checkRidgePosts = (site: FrameOnSite, touching: Touching): FitProblem[] => {
  const { job, members } = site;
  return job.blocks.flatMap(({ id, ridgeBeam }): FitProblem[] => {
    if (ridgeBeam === undefined) return [];
    const ofKind = (kind: string): Placed[] =>
      members.filter(({ member }) => member.kind === kind && member.block === id);
    const ridges = ridgesOf(ofKind('ridge'));
    const posts = ofKind('ridge-post');
    const wide = job.timber.post?.depth ?? 0;
    const slack = job.framing.spacing / 2 + FIT_GAP_MM;
    const astray = posts.flatMap((post): FitProblem[] => {
      const ridge = ridges.find((one) => isUnder(one, post));
      const off =
        ridge === undefined
          ? Infinity
          : Math.max(
              footOff(site, post, ridgeBeam.foot ?? 0),
              alongOff(
                post,
                ridge,
                placesOf(ridge, ridgeBeam, wide, touching).places,
                slack,
                touching,
              ),
            );
      return off <= FIT_GAP_MM
        ? []
        : [
            findingOn(
              post,
              'misplaced',
              Number.isFinite(off) ? off : 0,
              say`${post.mark} stands off its place under the ‹ridge›, or off what it stands on`,
            ),
          ];
    });
    const bare = ridges.flatMap((ridge) => {
      const own = posts
        .filter((post) => isUnder(ridge, post))
        .map((post) => alongOf(ridge, post.corners));
      return placesOf(ridge, ridgeBeam, wide, touching)
        .places.filter((t) => own.every(([low, high]) => Math.abs(t - (low + high) / 2) > slack))
        .map((t): FitProblem => {
          const [first] = ridge.lengths;
          const [x, y] = v2.add(ridge.origin, v2.scale(ridge.heading, t));
          const mark = first?.mark ?? '';
          return {
            members: [mark, 'nothing'],
            ids: [],
            kind: 'missing',
            mm: wide,
            at: [x, y, first?.member.frame.origin[2] ?? 0],
            text: say`a ‹ridge post› is missing under ${mark}, ${inMm(t - middleReach(ridge)[0])} from its end`,
          };
        });
    });
    return [...astray, ...bare];
  });
};
