import { SLACK_MM, ALONGSIDE_SINE, FIT_GAP_MM, v2, v3, type Vec2 } from '../../geom';
import type { Job } from '../../job';
import { say } from '../../sentence';
import { findingOn } from '../finding';
import type { FrameOnSite } from '../frame-on-site';
import type { Placed } from '../contact/placed';
import type { FitProblem } from '../report';

type Wanted = NonNullable<Job['hipBraces']>[number];

/** Corners this near a brace's lowest or highest are its foot's or its head's. mm */
const AT_END_MM = SLACK_MM.nothing;

/** Where a brace should stand: its wall's corner, and the way that the corner's hip runs in plan. */
interface Place {
  readonly corner: Vec2;
  readonly heading: Vec2;
  readonly levelMm: number;
}

const placeOf = ({ roof }: FrameOnSite, wanted: Wanted): Place | null => {
  const block = roof.blocks.find(({ id }) => id === wanted.block);
  const start = block?.sides[wanted.corner]?.start;
  if (block === undefined || start === undefined) return null;
  const line = roof.lines.find(({ kind, from, to }) => {
    if (kind !== 'hip') return false;
    const [low, high] = [v3.inPlan(from), v3.inPlan(to)];
    const along = v2.unit(v2.sub(high, low));
    const ahead = v2.dot(v2.sub(start, low), along);
    return (
      Math.abs(v2.cross(along, v2.sub(start, low))) < FIT_GAP_MM &&
      ahead > -AT_END_MM &&
      ahead < v2.distance(low, high)
    );
  });
  return line === undefined
    ? null
    : {
        corner: start,
        heading: v2.unit(v2.sub(v3.inPlan(line.to), v3.inPlan(line.from))),
        levelMm: block.plateMm + (wanted.level ?? 0),
      };
};

/** How far a brace stands off its place: its foot's level, where foot and head stand along the hip, and beside it. mm */
const offPlace = ({ corners, member }: Placed, wanted: Wanted, place: Place): number => {
  const { corner, heading, levelMm } = place;
  const lowest = Math.min(...corners.map(([, , z]) => z));
  const feet = corners.filter(([, , z]) => z < lowest + AT_END_MM);
  const flat = Math.max(...feet.map(([, , z]) => z)) - lowest;
  const middle = (points: readonly (readonly number[])[], k: 0 | 1): number =>
    points.reduce((sum, p) => sum + (p[k] ?? 0), 0) / points.length;
  const foot = v2.sub([middle(feet, 0), middle(feet, 1)], corner);
  // Its head's cut lies in the hip's underside, which the bearings hold it to: its middle along the brace is its own.
  const along = v3.dot(member.frame.a, [heading[0], heading[1], 0]);
  const turned = Math.abs(v3.dot(member.frame.s, [heading[0], heading[1], 0]));
  const rise = member.frame.a[2];
  const ahead = wanted.at - wanted.foot;
  const head = member.ends.find(({ at }) => at === 'top')?.keep;
  const reach =
    head === undefined
      ? NaN
      : (head.offset - v3.dot(head.normal, member.frame.origin)) /
        v3.dot(head.normal, member.frame.a);
  return Math.max(
    flat,
    Math.abs(lowest - levelMm),
    Math.abs(v2.dot(foot, heading) - wanted.foot),
    Math.abs(v2.cross(heading, foot)),
    Math.abs(along * reach - ahead),
    turned > ALONGSIDE_SINE || rise <= 0 ? Infinity : 0,
  );
};

/** Whether each hip that wants a brace has it, on its wall or tie beam, under its place, plumb under the hip. */
export const checkHipBraces = (site: FrameOnSite): FitProblem[] => {
  const braces = site.members.filter(({ member }) => member.kind === 'hip-brace');
  const all = site.job.hipBraces ?? [];
  const missing = all.length - braces.length;
  const off = braces.flatMap((brace): FitProblem[] => {
    const offs = all.flatMap((wanted): number[] => {
      const place = wanted.block === brace.member.block ? placeOf(site, wanted) : null;
      return place === null ? [] : [offPlace(brace, wanted, place)];
    });
    const mm = Math.min(Infinity, ...offs);
    return mm <= FIT_GAP_MM
      ? []
      : [
          findingOn(
            brace,
            'misplaced',
            Number.isFinite(mm) ? mm : 0,
            say`${brace.mark} stands off its place under the ‹hip›, or out of its plumb plane`,
          ),
        ];
  });
  return missing <= 0
    ? off
    : [
        ...off,
        {
          members: ['hip', 'nothing'] as const,
          ids: [],
          kind: 'missing' as const,
          mm: 0,
          at: [0, 0, 0] as const,
          text: say`${missing} of the ‹hip braces› that are asked for are missing`,
        },
      ];
};
