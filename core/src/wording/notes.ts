import type { CutList } from '../cuts';

export interface NoteGroup {
  readonly level: 'caution' | 'note';
  readonly code: string;
  readonly text: string;
  /** The marks that it is about; none where it is about the whole roof. */
  readonly marks: readonly string[];
}

/** Notes that say the same of several pieces are one, with the pieces it is about. */
export const groupedNotes = (notes: CutList['notes']): NoteGroup[] => {
  const groups = new Map<
    string,
    { code: string; level: NoteGroup['level']; text: string; marks: string[] }
  >();
  for (const { code, level, member, text } of notes) {
    // What the saw cannot do is one thing to mind, at whatever angle: the first piece's is told, each sheet has its own.
    const key = code === 'past-saw' ? code : `${code} ${text}`;
    const group = groups.get(key) ?? { code, level, text, marks: [] };
    if (member !== undefined && !group.marks.includes(member)) group.marks.push(member);
    groups.set(key, group);
  }
  return [...groups.values()];
};
