import type { Cause } from '@ogee/core/src/log';
import type { Sign } from '@ogee/core/src/test-fit';

/** What is looked at, in a framer's words, and which way it is counted. */
export const SIGN_WORDS: Readonly<Record<Sign, { readonly label: string; readonly help: string }>> =
  {
    'top-gap': {
      label: 'Gap at the top of the cut',
      help: 'level, at its upper edge; less than 0 where it is too long to go in',
    },
    'bottom-gap': {
      label: 'Gap at the bottom of the cut',
      help: 'level, at its lower edge; less than 0 where it is too long to go in',
    },
    'top-step': {
      label: 'Top above its mark',
      help: 'at the upper end; less than 0 where it stands below',
    },
    'plate-step': {
      label: 'Top above its neighbours',
      help: 'over the ‹plate›, to a string or a straight edge; less than 0 where it stands below',
    },
    'seat-front': {
      label: 'Gap under the seat, in front',
      help: 'at the outer corner; less than 0 where it bites in',
    },
    'seat-back': {
      label: 'Gap under the seat, behind',
      help: 'at its inner end; less than 0 where it bites in',
    },
    'heel-gap': {
      label: 'Gap at the heel',
      help: 'from the wall out to the heel cut; less than 0 where it does not come down over the wall',
    },
    hap: {
      label: 'Height above plate, off the list',
      help: 'measured on the piece, less what its sheet says',
    },
  };

/** What each cause asks for before anything is sawn. */
export const CAUSE_DOES: Readonly<Record<Cause, string>> = {
  span: 'Measure across the outside of both ‹plates›, at this piece and at both ends.',
  'wall-bowed': 'Sight along the ‹plate›; draw the wall in and brace it. The list stays.',
  'ridge-height': 'Measure the top of the ‹ridge› over the ‹plates›.',
  'ridge-pushed': 'Plumb the ‹ridge› over its centre line and brace it. The list stays.',
  'plate-height':
    'Level the ‹plate› here against its ends; pack it, or take its height into the job.',
  'ridge-thickness':
    'The piece is half a ‹ridge› too long: saw it again at the top. The list stays.',
  length: 'Lay a tape on the piece and hold it against its sheet. The list stays.',
  hap: 'Measure plumb from the seat to the top edge, and hold it against the sheet.',
  'purlin-height':
    'Measure the purlin’s height at this piece, and set it by its sheet. The list stays.',
  complement:
    'Hold a bevel to the cut: the sheet names the angle and the one that it is not. The list stays.',
  'square-17-for-12':
    'The square stood at 17 for a ‹common›: its lines are struck again at 12. The list stays.',
  'square-12-for-17':
    'The square stood at 12 for a hip or valley: its lines are struck again at 17. The list stays.',
};
