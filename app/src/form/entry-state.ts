import type { Taken } from '../instruments/instrument';

/**
 * What stands in a field, from its being taken up to its being left:
 *
 *   idle      the job's own writing
 *   in-hand   what is typed, while the field has the focus
 *   taken     left, and it counts; its keys fold in a moment
 *   refused   left, and it does not count; its keys fold in a moment
 *   stuck     typed and not taken: it stays until it is taken up again or put back
 */
export type EntryState =
  | { readonly is: 'idle' }
  | {
      readonly is: 'in-hand';
      readonly text: string;
      /** What stood in the field when it was taken up. */
      readonly stood: string;
      /** What an instrument read, where that is what stands in it; null once a key was pressed. */
      readonly by: Taken | null;
    }
  | { readonly is: 'taken'; readonly text: string }
  | {
      readonly is: 'refused' | 'stuck';
      readonly text: string;
      /** Why the job does not take it; null where it cannot be read, which the field says itself. */
      readonly why: string | null;
    };

export type EntryEvent =
  /** The focus comes; `written` is what the job has. */
  | { readonly does: 'take-up'; readonly written: string }
  | {
      readonly does: 'type';
      readonly text: string;
      readonly written: string;
      readonly by: Taken | null;
    }
  | { readonly does: 'leave'; readonly taken: boolean; readonly why: string | null }
  | { readonly does: 'fold' }
  | { readonly does: 'put-back' };

const IDLE: EntryState = { is: 'idle' };

/** What a field opens with: what stood typed and not taken when the window was last closed. */
export const openedWith = (typedBefore: string | undefined): EntryState =>
  typedBefore === undefined ? IDLE : { is: 'stuck', text: typedBefore, why: null };

export const nextState = (state: EntryState, event: EntryEvent): EntryState => {
  switch (event.does) {
    case 'take-up':
      if (state.is === 'in-hand') return state;
      return {
        is: 'in-hand',
        text: state.is === 'idle' ? event.written : state.text,
        stood: event.written,
        by: null,
      };
    case 'type':
      return {
        is: 'in-hand',
        text: event.text,
        stood: state.is === 'in-hand' ? state.stood : event.written,
        by: event.by,
      };
    case 'leave':
      if (state.is !== 'in-hand') return state;
      return event.taken
        ? { is: 'taken', text: state.text }
        : { is: 'refused', text: state.text, why: event.why };
    case 'fold':
      if (state.is === 'taken') return IDLE;
      return state.is === 'refused' ? { ...state, is: 'stuck' } : state;
    case 'put-back':
      return IDLE;
  }
};

/** Whether the keys that a number pad lacks are out. */
export const keysOut = ({ is }: EntryState): boolean =>
  is === 'in-hand' || is === 'taken' || is === 'refused';

/** What is typed and not the job's own writing; null where there is none. */
export const draftIn = (state: EntryState): string | null =>
  state.is === 'idle' ? null : state.text;
