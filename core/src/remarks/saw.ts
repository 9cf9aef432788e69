import type { CutListEntry } from '../cuts';
import type { Job } from '../job';
import { inDegrees, say } from '../sentence';
import type { Remark } from './remark';

/** Cuts past the saw's tilt, each with the other way to make it. */
export const aboutSaw = ({ saw }: Job, lines: readonly CutListEntry[]): Remark[] =>
  lines.flatMap((entry): Remark[] => {
    const worst = entry.cuts.find((cut) => cut.faceTilt > saw.maxTilt);
    if (worst === undefined) return [];
    const other =
      worst.edgeTilt <= saw.maxTilt
        ? say`stand the board on edge: line ${inDegrees(worst.edgeAngle)}, tilt ${inDegrees(worst.edgeTilt)}; or mark both faces and saw by hand`
        : say`mark both faces and saw by hand`;
    return [
      {
        code: 'past-saw',
        level: 'caution',
        member: entry.members[0] ?? null,
        text: say`the ${worst.name} wants the saw tilted ${inDegrees(worst.faceTilt)}, past the ${inDegrees(saw.maxTilt)} it can do; ${other}`,
      },
    ];
  });
