import { SLACK_MM, v2, v3, type Vec2, type Vec3 } from '../../geom';
import type { RoofLine, SideLine } from '../../roof';
import type { HeaderTheory } from './headers';
import { clearOfAll, closeEnds, openStrip, type Strip } from '../joint/strip';
import { memberId } from '../member/member';
import { heightOn, runFrom, slopeAt, stockOf, type Site } from '../site';

/** The header under a gablet, set. */
export interface GabletHeader {
  readonly place: HeaderTheory;
  readonly strip: Strip;
}

/** A point this near the face of a gablet is on it. mm */
const ON_FACE_MM = SLACK_MM.place;

/** Its ends run on so far, in thicknesses of the two timbers, until the hips stop them. */
const RUNS_ON = 2;

/** The two hips below a gablet that end at its face, along it. */
const hipsAt = ({ roof }: Site, face: SideLine): RoofLine[] =>
  roof.lines
    .filter(({ kind, to }) => kind === 'hip' && Math.abs(runFrom(face, v3.inPlan(to))) < ON_FACE_MM)
    .sort((p, q) => v2.dot(v2.sub(v3.inPlan(p.to), v3.inPlan(q.to)), face.along));

/**
 * The headers under gablets: each lies across the hip's end, before the gablet's first pair of rafters, from hip to hip,
 * and carries the end's rafters.
 *
 *          ╱ ridge ╲
 *         ╱─────────╲       first pair
 *     hip ▬▬▬▬▬▬▬▬▬▬▬ hip   header
 *         ╷  ╷  ╷  ╷        the end's rafters
 *
 * @param lines the lines' timbers as set
 */
export const gabletHeaders = (site: Site, lines: readonly Strip[]): GabletHeader[] =>
  site.roof.blocks.flatMap((block) =>
    block.sides.flatMap((face): GabletHeader[] => {
      if (face.roof !== 'gablet') return [];
      const [one, other] = hipsAt(site, face);
      const slope = one?.slopes.find((index) => other?.slopes.includes(index));
      if (one === undefined || other === undefined || slope === undefined) return [];
      const stock = stockOf(site, 'header');
      const { thickness, depth } = stock;
      const end = slopeAt(site, slope);
      const out = (p: Vec3, by: number): Vec2 =>
        v2.add(v3.inPlan(p), v2.scale(face.inward, -by * thickness));
      // Its top comes to the roof with its lower corner.
      const at = (p: Vec3): Vec3 => {
        const [x, y] = out(p, 1 / 2);
        return [x, y, heightOn(end, out(p, 1))];
      };
      const ends = [at(one.to), at(other.to)].sort((p, q) => p[2] - q[2]);
      const [from = at(one.to), to = at(other.to)] = ends;
      const heading = v2.unit(v2.sub(v3.inPlan(to), v3.inPlan(from)));
      const id = memberId(block.partOf, 'header', face.index, GABLET);
      const place: HeaderTheory = { id, block: block.partOf, slope, from, to, stock };
      const rise = (to[2] - from[2]) / v2.distance(v3.inPlan(from), v3.inPlan(to));
      // On into the hips, so that their faces cut it right across.
      const more = v2.scale(heading, RUNS_ON * (thickness + stockOf(site, 'hip').thickness));
      const [low, high] = [v2.sub(v3.inPlan(from), more), v2.add(v3.inPlan(to), more)];
      const whole = openStrip(low, high, thickness, {
        id,
        kind: 'header',
        heading,
        topAt: (p) => from[2] + rise * v2.dot(v2.sub(p, v3.inPlan(from)), heading),
        plumbMm: depth / Math.cos(Math.atan(rise)),
        anchor: v3.inPlan(v3.lerp(from, to, 0.5)),
      });
      const clear = clearOfAll(whole, lines);
      const strip =
        clear === null ? null : closeEnds(clear, { bottom: v3.inPlan(from), top: v3.inPlan(to) });
      return strip === null ? [] : [{ place, strip }];
    }),
  );

/** Told apart from the headers under ridges by the end of its id. */
const GABLET = 0;
