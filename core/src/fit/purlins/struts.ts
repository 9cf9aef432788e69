import { SLACK_MM, ALONGSIDE_SINE, FIT_GAP_MM, intervals, v2, v3, type Interval } from '../../geom';
import type { Job } from '../../job';
import { purlinDistance, type SideLine } from '../../roof';
import { inMm, say } from '../../sentence';
import { otherOf, type Touching } from '../contact/contacts';
import { findingOn } from '../finding';
import { outFrom, type FrameOnSite } from '../frame-on-site';
import { isMember, type Placed } from '../contact/placed';
import { purlinLies } from '../roof/in-place';
import type { FitProblem } from '../report';

type Wanted = Job['purlins'][number];

/** A strut this near its even place stands in it. mm */
const EVEN_MM = SLACK_MM.shut;
/** A length that is whole spaces but for so much takes no strut more. mm */
const NEAR_MM = SLACK_MM.rounding;

/**
 * Where along a side a wanted purlin runs, from theory end to theory end: lengths that are scarfed are one, those that are
 * parted are not. mm
 */
const stretchesOf = (site: FrameOnSite, wanted: Wanted, side: SideLine): Interval[] => {
  const at = purlinDistance(site.roof, wanted);
  const lengths = site.members.flatMap((placed): Interval[] => {
    const { block, side: own, frame, axis } = placed.member;
    if (block !== wanted.block || own !== wanted.side) return [];
    if (purlinLies(site, placed) !== 'under') return [];
    if (Math.abs(-outFrom(side, frame.origin) - at) > FIT_GAP_MM) return [];
    const low = v2.dot(v2.sub(v3.inPlan(frame.origin), side.start), side.along);
    return [[low, low + axis.runMm]];
  });
  return intervals.unite(lengths, SLACK_MM.nothing);
};

/** The middle of a strut's foot, where it stands lowest. */
const footOf = ({ corners }: Placed) => {
  const low = Math.min(...corners.map(([, , z]) => z));
  const foot = corners.filter(([, , z]) => z < low + FIT_GAP_MM);
  return foot.reduce<readonly [number, number]>(
    ([x, y], p) => [x + p[0] / foot.length, y + p[1] / foot.length],
    [0, 0],
  );
};

/** Whether it lies flat on a timber beside it: its face on that one's face. */
const liesFlat = (strut: Placed, touching: Touching): boolean =>
  touching(strut).some((contact) => {
    const face = contact.one === strut ? contact.face : contact.otherFace;
    return (
      isMember(otherOf(contact, strut)) &&
      Math.abs(v3.dot(face.plane.normal, strut.member.frame.s)) > 1 - ALONGSIDE_SINE
    );
  });

/** Where a strut should stand and does not; nothing where it does. */
const offPlace = (
  strut: Placed,
  { struts }: Wanted,
  side: SideLine,
  even: readonly number[],
  touching: Touching,
): FitProblem[] => {
  if (struts === undefined) return [];
  const foot = footOf(strut);
  const along = v2.dot(v2.sub(foot, side.start), side.along);
  const off = Math.min(Infinity, ...even.map((t) => Math.abs(along - t)));
  const out = Math.abs(-outFrom(side, foot) - struts.foot);
  const turned = Math.abs(v3.dot(strut.member.frame.s, [side.inward[0], side.inward[1], 0]));
  const mm = Math.max(out, off > EVEN_MM && !liesFlat(strut, touching) ? off : 0);
  if (mm <= FIT_GAP_MM && turned < ALONGSIDE_SINE) return [];
  return [
    findingOn(
      strut,
      'misplaced',
      mm,
      say`${strut.mark} stands ${inMm(mm, 1)} off its place under the ‹purlin›, or out of the plumb plane across it`,
    ),
  ];
};

/** Whether each purlin that wants struts has them: on their wall, in their places, none missing. */
export const checkStruts = (site: FrameOnSite, touching: Touching): FitProblem[] => {
  const struts = site.members.filter(({ member }) => member.kind === 'strut');
  return site.job.purlins.flatMap((wanted): FitProblem[] => {
    const side = site.roof.blocks.find(({ id }) => id === wanted.block)?.sides[wanted.side];
    if (wanted.struts === undefined || side === undefined) return [];
    const { spacing } = wanted.struts;
    const even = stretchesOf(site, wanted, side).map(([low, high]) => {
      const bays = Math.ceil((high - low) / spacing - NEAR_MM / spacing);
      return Array.from({ length: Math.max(0, bays - 1) }, (_, k) => {
        return low + ((high - low) * (k + 1)) / bays;
      });
    });
    const own = struts.filter(
      ({ member }) => member.block === wanted.block && member.side === wanted.side,
    );
    const places = even.flat();
    const less = places.length - own.length;
    return [
      ...own.flatMap((strut) => offPlace(strut, wanted, side, places, touching)),
      ...(less <= 0
        ? []
        : [
            {
              members: ['purlin', 'nothing'] as const,
              ids: [],
              kind: 'missing' as const,
              on: { block: wanted.block, side: wanted.side },
              mm: spacing,
              at: [side.start[0], side.start[1], side.plateMm] as const,
              text: say`${less} of the ‹struts› under the ‹purlin› of wall ${side.index + 1} of "${wanted.block}" are missing`,
            },
          ]),
    ];
  });
};
