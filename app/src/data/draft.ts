import type { Job } from '@ogee/core';

/** What was entered and not yet kept by the server: survives a reload and a server that is away. */
export interface Draft {
  readonly over: number;
  readonly job: Job;
}

const key = (id: string): string => `ogee.draft.${id}`;

export const readDraft = (id: string): Draft | null => {
  const text = localStorage.getItem(key(id));
  return text === null ? null : (JSON.parse(text) as Draft);
};

export const writeDraft = (id: string, draft: Draft): void =>
  localStorage.setItem(key(id), JSON.stringify(draft));

export const dropDraft = (id: string): void => localStorage.removeItem(key(id));
