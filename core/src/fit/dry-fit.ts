import { FIT_GAP_MM, FIT_OVERLAP_MM3, FIT_PROUD_MM } from '../geom';
import type { Member } from '../frame';
import { roofAbout, type Roof } from '../roof';
import { gaps, type Gap } from './gaps';
import { overlaps, type Overlap } from './overlaps';
import { place, type Placed } from './placed';
import type { FitProblem, FitReport } from './report';

/** Levels of the plates that members can be seated on. mm */
const platesOf = (roof: Roof): number[] => [
  ...new Set(roof.blocks.flatMap(({ sides }) => sides.map(({ plateMm }) => plateMm))),
];

/** How far the member's highest corner stands above the roof over it, square to the roof. mm */
const proudOf = (placed: Placed, roof: Roof): number => {
  const { block, side } = placed.member;
  let most = 0;
  for (const piece of placed.pieces) {
    for (const face of piece.solid) {
      for (const [x, y, z] of face.points) {
        const over = roofAbout(roof, [x, y], block, side);
        most = Math.max(most, (z - over.z) * over.plane.plane.normal[2]);
      }
    }
  }
  return most;
};

const gapProblem = ({ one, other, cut, mm }: Gap): FitProblem => ({
  members: [one.mark, other?.mark ?? 'plate'],
  ids: [one.member.id, ...(other === null ? [] : [other.member.id])],
  kind: 'gap',
  mm,
  text: `the ${cut.name} of ${one.mark} stands ${mm.toFixed(1)} mm off ${other?.mark ?? 'the plate'} (${one.member.id})`,
});

const overlapProblem = ({ one, other, mm3 }: Overlap): FitProblem => ({
  members: [one.mark, other.mark],
  ids: [one.member.id, other.member.id],
  kind: 'overlap',
  mm3,
  text: `${one.mark} and ${other.mark} share ${(mm3 / 1000).toFixed(1)} cm³ of wood (${one.member.id}, ${other.member.id})`,
});

/**
 * Proves or disproves that the frame closes.
 *
 * @param members every member in its place
 * @param markOf the mark a member's id is known by
 * @returns joints counted, the worst found of each kind, and a problem for each past 0.1 mm or 1 cm³
 */
export const dryFit = (
  roof: Roof,
  members: readonly Member[],
  markOf: (id: string) => string,
): FitReport => {
  const placed = members.map((member) => place(member, markOf(member.id)));
  const joints = gaps(placed, platesOf(roof));
  const shared = overlaps(placed);
  const proud = placed.flatMap((one): FitProblem[] => {
    const mm = one.member.mayStandProud ? 0 : proudOf(one, roof);
    return mm <= FIT_PROUD_MM
      ? []
      : [
          {
            members: [one.mark, 'roof'],
            ids: [one.member.id],
            kind: 'proud',
            mm,
            text: `${one.mark} stands ${mm.toFixed(1)} mm proud of the roof plane (${one.member.id})`,
          },
        ];
  });
  return {
    format: 'ogee-fit',
    version: 1,
    joints: joints.length,
    worstGap: Math.max(0, ...joints.map((gap) => gap.mm)),
    worstOverlap: Math.max(0, ...shared.map((overlap) => overlap.mm3)),
    problems: [
      ...joints.filter((gap) => gap.mm > FIT_GAP_MM).map(gapProblem),
      ...shared.filter((overlap) => overlap.mm3 > FIT_OVERLAP_MM3).map(overlapProblem),
      ...proud,
    ],
  };
};
