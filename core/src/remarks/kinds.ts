import { KINDS, KINDS_IN_ORDER } from '../kinds';
import { caution, type Remark, type Subject } from './remark';

/** What kinds of timber ask of whoever builds them, by their rows. */
export const aboutKinds = ({ framing: { members } }: Subject): Remark[] =>
  KINDS_IN_ORDER.flatMap((kind): Remark[] => {
    const { caution: text } = KINDS[kind];
    const first = text === undefined ? undefined : members.find((one) => one.kind === kind);
    return text === undefined || first === undefined ? [] : [caution('kind-asks', text, first)];
  });
