import { planeAt, v2, v3, type Vec3 } from '../geom';
import { bellyOf, type Member } from '../frame';
import { inMm, say } from '../sentence';
import { note, type Remark, type Subject } from './remark';

/** A hip's line this near a purlin's end, in plan, runs through it. mm */
const ON_LINE_MM = 0.5;
/** A hip that hangs this near the purlins needs no packing: rounding. mm */
const TOUCHES_MM = 0.5;

/** Plumb, from the point where two purlins meet up to the belly of the hip over it. mm */
const clearUnder = (hip: Member, p: Vec3): number => {
  const belly = bellyOf(hip);
  return -planeAt(belly, p) / belly.normal[2];
};

/** Hips that stay clear above the purlins that meet under them: what is packed, once for each height. */
export const aboutPurlins = ({ framing }: Subject): Remark[] => {
  const { members } = framing;
  const hips = members.filter(({ kind }) => kind === 'hip');
  const said: number[] = [];
  return members.flatMap((purlin): Remark[] => {
    const { frame, axis, notches, ends, underRafters } = purlin;
    if (underRafters !== true || notches.length > 0 || !ends.some(({ name }) => name === 'side'))
      return [];
    return [0, axis.runMm].flatMap((t): Remark[] => {
      const p = v3.add(frame.origin, v3.scale(frame.a, t));
      const hip = hips.find(
        ({ frame: { origin, s } }) =>
          Math.abs(v2.dot(v2.sub(v3.inPlan(p), v3.inPlan(origin)), v3.inPlan(s))) < ON_LINE_MM,
      );
      if (hip === undefined) return [];
      const mm = clearUnder(hip, p);
      if (mm < TOUCHES_MM || said.some((one) => Math.abs(one - mm) < TOUCHES_MM)) return [];
      said.push(mm);
      return [
        note(
          'purlin-packed',
          say`the ‹hip› stays ${inMm(mm, 1)} clear, plumb, above the ‹purlins› that meet under it: pack it there`,
          purlin,
        ),
      ];
    });
  });
};
