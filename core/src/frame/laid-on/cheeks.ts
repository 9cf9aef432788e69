import {
  SLACK_MM,
  flip,
  halfSpace,
  SAME_WAY_SINE,
  v2,
  v3,
  type HalfSpace,
  type Vec2,
  type Vec3,
} from '../../geom';
import { plateThicknessOf, plateWidthOf, type Job, type Stock } from '../../job';
import { isRafter } from '../../kinds';
import { cheekStudOf, heightAt, type LaidOn, type SideLine } from '../../roof';
import { underAll } from '../gables/gable-studs';
import { makeMember, axisOf, memberId, type Member } from '../member/member';

/** A stud lower than this is a block. mm */
const LEAST_CHEEK_MM = 150;

/** The two sides of a dormer that run up the slope. */
const CHEEKS = [1, 3] as const;

/** The rafter in a cheek's outside face: of a shed, the end one. */
const endRafter = (side: SideLine, members: readonly Member[]): Member | undefined =>
  members.find((one) => {
    const off = v2.dot(v2.sub(v3.inPlan(one.frame.origin), side.start), side.inward);
    const along = Math.abs(v2.dot(v3.inPlan(one.frame.a), side.inward)) < SAME_WAY_SINE;
    return isRafter(one) && along && Math.abs(off - one.stock.thickness / 2) < IN_FACE_MM;
  });

/** A rafter this near the inside of a cheek's face stands in it. mm */
const IN_FACE_MM = SLACK_MM.shut;

/**
 * The studs of one cheek, on centres from the front wall's outside face, plumb on the sheathing over the trimmers: under
 * a gable dormer's level plate on edge, across the wall; under a shed's end rafter flat, in the wall's face.
 *
 *      ─────plate─────╲       foot cut along the lower slope,
 *      │  │  │  │ ╱           head square under a plate,
 *      │  │  ╱───             or cut to the rafter's underside
 *      │ ╱ the lower slope
 */
const cheek = (
  job: Job,
  { deck, block, whole }: LaidOn,
  side: SideLine,
  front: SideLine,
  stock: Stock,
  members: readonly Member[],
): Member[] => {
  const { spacing } = job.framing;
  const flat = side.roof === 'gable';
  const over = flat ? endRafter(side, members) : undefined;
  if (flat && over === undefined) return [];
  const plate: HalfSpace = halfSpace([0, 0, side.plateMm - plateThicknessOf(job)], [0, 0, 1]);
  // On edge it stands across the wall; flat, along it.
  const [across, wide] = flat ? [stock.thickness, stock.depth] : [stock.depth, stock.thickness];
  const up: Vec2 = front.inward;
  const a: Vec3 = [0, 0, 1];
  // The same way in both cheeks, whose studs are then one piece.
  const facing = flat ? v2.scale(up, -1) : v2.left(up);
  const e: Vec3 = [facing[0], facing[1], 0];
  const start = v2.dot(v2.sub(front.start, side.start), up);
  const onEdge = (v: number): Vec2 =>
    v2.add(v2.add(side.start, v2.scale(up, start + v)), v2.scale(side.inward, across / 2));
  const studAt = (v: number): Member | null => {
    const at = onEdge(v);
    const foot = heightAt({ plane: deck }, at);
    const slope = whole.slopes[0]?.plane;
    const top = flat && slope !== undefined ? slope : plate;
    const stud: Member = makeMember({
      id: '',
      kind: 'cheek-stud',
      block,
      side: side.index,
      stock,
      frame: { origin: [at[0], at[1], foot], a, e, s: v3.cross(e, a) },
      topMm: stock.depth / 2,
      ends: [
        { at: 'top', name: 'head', keep: top, meets: null },
        { at: 'bottom', name: 'foot on the roof', keep: flip(deck), meets: null },
      ],
      axis: axisOf(0, heightAt({ plane: top }, at) - foot),
      pair: { rise: 0, run: 1 },
    });
    return over === undefined ? stud : underAll(stud, [over]);
  };
  /** How high a stud is on its upper edge, where it is lowest. mm */
  const least = (stud: Member, v: number): number => {
    const p = onEdge(v + wide / 2);
    const heads = stud.ends.filter((end) => end.at === 'top');
    return (
      Math.min(...heads.map(({ keep }) => heightAt({ plane: keep }, p))) -
      heightAt({ plane: deck }, p)
    );
  };
  return Array.from({ length: Math.ceil(side.lengthMm / spacing) }, (_, k) => (k + 1) * spacing)
    .filter((v) => v - wide / 2 >= plateWidthOf(job))
    .flatMap((v): Member[] => {
      const stud = studAt(v);
      return stud === null || least(stud, v) < LEAST_CHEEK_MM ? [] : [stud];
    })
    .map((stud, i) => ({ ...stud, id: memberId(block, 'cheek-stud', side.index, i) }));
};

/** The studs in a dormer's cheeks; none for what is no dormer. */
export const cheekStuds = (job: Job, laid: LaidOn, members: readonly Member[]): Member[] => {
  if (laid.as !== 'dormer') return [];
  const sides = laid.whole.blocks[0]?.sides ?? [];
  const [front] = sides;
  if (front === undefined) return [];
  return CHEEKS.flatMap((index) => {
    const side = sides[index];
    return side === undefined ? [] : cheek(job, laid, side, front, cheekStudOf(job), members);
  });
};
