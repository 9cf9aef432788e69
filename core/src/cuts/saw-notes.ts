import type { Job } from '../job';
import { formatDegrees } from '../units';
import type { CutList, CutListEntry } from './model';

/** Cuts past the saw's tilt, each with the other way to make it. */
export const sawNotes = (job: Job, members: readonly CutListEntry[]): CutList['notes'] =>
  members.flatMap((entry) => {
    const past = entry.cuts.filter((cut) => cut.faceTilt > job.saw.maxTilt);
    const [worst] = past;
    if (worst === undefined) return [];
    const onEdge =
      worst.edgeTilt <= job.saw.maxTilt
        ? `stand the board on edge: line ${formatDegrees(worst.edgeAngle)}, tilt ${formatDegrees(worst.edgeTilt)}; or mark both faces and saw by hand`
        : 'mark both faces and saw by hand';
    return [
      {
        level: 'caution' as const,
        member: entry.mark,
        text: `the ${worst.name} wants the saw tilted ${formatDegrees(worst.faceTilt)}, past the ${formatDegrees(job.saw.maxTilt)} it can do; ${onEdge}`,
      },
    ];
  });
