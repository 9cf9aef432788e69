import { array, assert, constantFrom, oneof, property, record, boolean } from 'fast-check';
import {
  draftIn,
  keysOut,
  nextState,
  openedWith,
  type EntryEvent,
  type EntryState,
} from '../entry-state';

const after = (
  events: readonly EntryEvent[],
  from: EntryState = openedWith(undefined),
): EntryState => events.reduce(nextState, from);

const takeUp = (written: string): EntryEvent => ({ does: 'take-up', written });
const type = (text: string, written = '12 m'): EntryEvent => ({
  does: 'type',
  text,
  written,
  by: null,
});
const left = (taken: boolean, why: string | null = null): EntryEvent => ({
  does: 'leave',
  taken,
  why,
});
const fold: EntryEvent = { does: 'fold' };
const putBack: EntryEvent = { does: 'put-back' };

describe('what stands in a field', () => {
  it('is the job’s own writing again once what was typed counts and the keys have folded', () => {
    const taken = after([takeUp('12 m'), type('13 m'), left(true)]);
    // Nothing moves under the thumb before that.
    expect([draftIn(taken), keysOut(taken)]).toEqual(['13 m', true]);
    expect(after([fold], taken)).toEqual({ is: 'idle' });
  });

  it('stays, with the reason, where the job does not take it; touched again it goes on from there', () => {
    const stuck = after([takeUp('12 m'), type('13 m'), left(false, 'too long'), fold]);
    expect(stuck).toEqual({ is: 'stuck', text: '13 m', why: 'too long' });
    expect(after([takeUp('12.5 m')], stuck)).toMatchObject({ text: '13 m', stood: '12.5 m' });
    expect(after([type('14 m', '12.5 m')], stuck)).toMatchObject({ is: 'in-hand', text: '14 m' });
  });

  it('is as it was when it is put back, whatever happened', () => {
    expect(after([putBack], after([takeUp('12 m'), type('x'), left(false)]))).toEqual({
      is: 'idle',
    });
  });

  it('typed before and not taken stands there when the page is opened', () => {
    expect(openedWith('13 m')).toEqual({ is: 'stuck', text: '13 m', why: null });
  });

  it('is never lost by a fold that comes late', () => {
    // Taken up again before the keys of the last time have folded.
    const again = after([
      takeUp('12 m'),
      type('13 m'),
      left(true),
      takeUp('13 m'),
      type('14 m'),
      fold,
    ]);
    expect(again).toMatchObject({ is: 'in-hand', text: '14 m' });
  });
});

test('nothing typed is lost but by being taken or put back, in whatever order things happen', () => {
  const text = constantFrom('1', '2', '3 m');
  const event = oneof(
    record({ does: constantFrom('take-up' as const), written: text }),
    record({ does: constantFrom('type' as const), text, written: text, by: constantFrom(null) }),
    record({
      does: constantFrom('leave' as const),
      taken: boolean(),
      why: constantFrom(null, 'no'),
    }),
    constantFrom<EntryEvent>(fold, putBack),
  );
  assert(
    property(array(event, { maxLength: 30 }), (events) => {
      let state = openedWith(undefined);
      let last: string | null = null;
      for (const one of events) {
        const before = state;
        state = nextState(state, one);
        if (one.does === 'type') last = one.text;
        if (one.does === 'put-back' || (one.does === 'fold' && before.is === 'taken')) last = null;
        if (last !== null) expect(draftIn(state)).toBe(last);
        expect(keysOut(state)).toBe(state.is !== 'idle' && state.is !== 'stuck');
      }
    }),
  );
});
