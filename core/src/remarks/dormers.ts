import { heightAt, type LaidOn } from '../roof';
import { inDegrees, inMm, say } from '../sentence';
import { v2 } from '../geom';
import { degrees } from '../units';
import { caution, note, type Remark, type Subject } from './remark';

/** How long a dormer's cheek plate is on top, from its front wall's outside to where it comes on to the sheathing. mm */
const cheekPlate = ({ wall, deck, whole }: LaidOn): number => {
  const front = whole.blocks[0]?.sides[0];
  if (front === undefined) return 0;
  const top = whole.blocks[0]?.plateMm ?? 0;
  const from = v2.dot(v2.sub(front.start, wall.start), wall.inward);
  const { normal } = deck;
  const atWall = heightAt({ plane: deck }, wall.start);
  const rise = Math.hypot(normal[0], normal[1]) / normal[2];
  return (top - atWall) / rise - from;
};

/** What dormers ask of the roof they stand on, and how their cheeks are cut. */
export const aboutDormers = ({ roof: { laid }, framing: { members } }: Subject): Remark[] => {
  const falseTail = members.find(({ kind }) => kind === 'false-tail');
  const dormers = laid.filter(({ as }) => as === 'dormer');
  return [
    ...dormers.flatMap((on): Remark[] => {
      const own = members.filter(({ block }) => block === on.block);
      const stud = own.find(({ kind }) => kind === 'cheek-stud');
      const gable = on.whole.blocks[0]?.sides[0]?.roof === 'gable';
      const slope = Math.acos(on.deck.normal[2]);
      return [
        caution(
          'dormer-carries',
          say`"${on.block}" stands on the ‹trimmers› beside its opening and on the ‹header› under its front: they carry its roof, its cheeks and its snow, and its rafters push its cheeks apart. Ties at its ‹plates›, and the sizes under it, are for the local code or an engineer`,
          stud ?? own[0],
        ),
        ...(gable
          ? [
              note(
                'dormer-carries',
                say`the ‹plates› on the cheeks of "${on.block}" are ${inMm(
                  cheekPlate(on),
                )} long on top, from the outside of its front, and end on the sheathing at ${inDegrees(degrees(slope))} off level`,
                stud,
              ),
            ]
          : []),
      ];
    }),
    ...(falseTail === undefined
      ? []
      : [
          caution(
            'false-tails-hang',
            say`‹false tails› have no rafter behind them: they hang on the studs of the wall alone, and carry an ‹eave› that a person may stand on. Fix them as the local code or an engineer says`,
            falseTail,
          ),
        ]),
  ];
};
