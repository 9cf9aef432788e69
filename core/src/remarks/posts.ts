import { say } from '../sentence';
import { caution, type Remark, type Subject } from './remark';

/** What posts and their beam ask of the ground, and of whoever sizes them. */
export const aboutPosts = ({ framing: { members } }: Subject): Remark[] => {
  const [post] = members.filter(({ kind }) => kind === 'post');
  return post === undefined
    ? []
    : [
        caution(
          'posts-carry',
          say`the ‹posts› bring the roof down on a few places: each wants a footing, a fixing at its head and foot against wind, and braces or a stiff house beside it, so that it cannot lean; the ‹beam›’s size is for the local code or an engineer`,
          post,
        ),
      ];
};
