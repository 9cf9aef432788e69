import { dequal } from 'dequal';
import type { Job } from '../schema';

type Block = Job['blocks'][number];

const byId = ({ blocks }: Job, id: string): Block | undefined =>
  blocks.find((block) => block.id === id);

/** A part's name, and the one that it has instead. */
export type Renaming = readonly [from: string, to: string];

/** A job in which a part has another name, also where something stands on it. */
export const withPartRenamed = (job: Job, [from, to]: Renaming): Job => {
  const on = <T extends { readonly block: string }>(list: readonly T[]): T[] =>
    list.map((one) => (one.block === from ? { ...one, block: to } : one));
  return {
    ...job,
    blocks: job.blocks.map((block) => (block.id === from ? { ...block, id: to } : block)),
    purlins: on(job.purlins),
    roofPurlins: on(job.roofPurlins),
    openings: on(job.openings),
    saddles: on(job.saddles),
    dormers: on(job.dormers),
    ...(job.hipBraces && { hipBraces: on(job.hipBraces) }),
  };
};

/**
 * Two people who each add a part may both call it “wing”: then mine has another name, as theirs is known by its own to
 * others already.
 */
export const renamings = (was: Job, mine: Job, theirs: Job): readonly Renaming[] => {
  const taken = new Set([...mine.blocks, ...theirs.blocks].map((block) => block.id));
  return mine.blocks.flatMap((here): Renaming[] => {
    const { id } = here;
    const there = byId(theirs, id);
    if (there === undefined || byId(was, id) !== undefined || dequal(here, there)) return [];
    let number = 2;
    while (taken.has(`${id.slice(0, 36)} ${number}`)) number += 1;
    const to = `${id.slice(0, 36)} ${number}`;
    taken.add(to);
    return [[id, to]];
  });
};
