import { SAME_WAY_SINE } from '../geom';
import { standsAlready } from '../job';
import { inDegrees, say } from '../sentence';
import { degrees, pitchRad } from '../units';
import { caution, type Remark, type Subject } from './remark';

/** Below this most tiles, slates and sheets want more than their usual lap; where the job says nothing of its roofing. rad */
const USUAL_LEAST_RAD = (15 * Math.PI) / 180;

/** Slopes that are shallower than the roofing is made for: part by part, the shallowest. */
export const aboutPitches = ({ job, roof: { blocks } }: Subject): Remark[] => {
  const given = job.roofing?.leastPitch;
  const least = given === undefined ? USUAL_LEAST_RAD : pitchRad(given);
  return blocks.flatMap(({ id, bands }): Remark[] => {
    const block = job.blocks.find((one) => one.id === id);
    if (block !== undefined && standsAlready(block)) return [];
    const slopes = bands.flat().map(({ slopeRad }) => slopeRad);
    const shallowest = Math.min(...slopes);
    if (slopes.length === 0 || shallowest > least - SAME_WAY_SINE) return [];
    const own = inDegrees(degrees(shallowest));
    return [
      caution(
        'under-least-pitch',
        given === undefined
          ? say`"${id}" falls by ${own} only, under ${inDegrees(degrees(least))}: most tiles, slates and sheets leak there without more lap, or a layer beneath. Ask whoever makes the roofing`
          : say`"${id}" falls by ${own} only; the roofing wants ${inDegrees(degrees(least))}`,
      ),
    ];
  });
};
