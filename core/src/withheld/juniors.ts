import type { FitProblem } from '../fit';
import type { Member } from '../frame';
import { isExtra, KINDS } from '../kinds';

/** A piece that its frame's proof disproves, and what was found. */
export interface Junior {
  readonly member: Member;
  readonly finding: FitProblem;
}

/**
 * Of what a proof finds, the pieces that give way: of two that share wood the junior, of two of one rank the later. A
 * finding on the base frame alone has none.
 */
export const juniors = (
  findings: readonly FitProblem[],
  members: readonly Member[],
): readonly Junior[] => {
  const places = new Map(members.map((member, i) => [member.id, i]));
  const found = new Map<string, Junior>();
  for (const finding of findings) {
    const involved = finding.ids.flatMap((id) => members[places.get(id) ?? -1] ?? []);
    // One of them may have given way already.
    if (involved.some(({ id }) => found.has(id))) continue;
    const [junior] = involved
      .filter(isExtra)
      .sort(
        (p, q) =>
          KINDS[q.kind].seniority - KINDS[p.kind].seniority ||
          (places.get(q.id) ?? 0) - (places.get(p.id) ?? 0),
      );
    if (junior !== undefined) found.set(junior.id, { member: junior, finding });
  }
  return [...found.values()];
};
