import { act, fireEvent, render, screen } from '@testing-library/react-native';
import { Entry } from '../entry';
import { readLengthEntry, readPitchEntry, writeLength } from '../../ui/length-entry';

const IMPERIAL = { units: 'imperial', fraction: 16, pitch: 'in12', terms: 'us' } as const;
const METRIC = { ...IMPERIAL, units: 'metric', pitch: 'degrees' } as const;

const show = (problem?: string) => {
  const onValue = jest.fn();
  const onFault = jest.fn();
  render(
    <Entry
      label="Wall 1"
      written={`24' 0"`}
      read={readLengthEntry(IMPERIAL, 'ft')}
      onValue={onValue}
      onFault={onFault}
      problem={problem}
      keys={["'", ' ', '/', '"']}
      testID="field"
    />,
  );
  const field = screen.getByTestId('field');
  fireEvent(field, 'focus');
  return { field, onValue, onFault };
};

describe('Entry', () => {
  it('says back what it understood, in both units', () => {
    const { field, onValue } = show();
    fireEvent.changeText(field, '24 6 1/2');
    expect(onValue).toHaveBeenLastCalledWith(7480.3);
    expect(screen.getByText(`understood as 24' 6 1/2" (7480.3 mm)`)).toBeTruthy();
  });

  it('keeps what was typed and says which part it did not understand', () => {
    const { field, onValue, onFault } = show();
    fireEvent.changeText(field, '24 x');
    expect(onValue).not.toHaveBeenCalled();
    expect(onFault).toHaveBeenLastCalledWith(true);
    expect(screen.getByText(/"x" is not a unit/)).toBeTruthy();
    fireEvent(field, 'blur');
    expect(screen.getByDisplayValue('24 x')).toBeTruthy();
  });

  it('can be filled with the keys a number pad lacks', () => {
    const { field, onValue } = show();
    fireEvent.changeText(field, '24');
    fireEvent.press(screen.getByLabelText('feet'));
    expect(screen.getByDisplayValue(`24'`)).toBeTruthy();
    expect(onValue).toHaveBeenLastCalledWith(7315.2);
  });

  it('shows the job’s own problem with the field', () => {
    show('too long');
    expect(screen.getByText('too long')).toBeTruthy();
  });

  it('shows the job’s writing again once a good entry is left', () => {
    const { field } = show();
    fireEvent.changeText(field, '8 m');
    jest.useFakeTimers();
    fireEvent(field, 'blur');
    expect(screen.getByDisplayValue('8 m')).toBeTruthy();
    act(() => jest.runAllTimers());
    jest.useRealTimers();
    expect(screen.getByDisplayValue(`24' 0"`)).toBeTruthy();
  });
});

describe('reading and writing in the job’s units', () => {
  it('writes millimetres with no more decimals than they have', () => {
    expect([184.15, 38.1, 195].map((mm) => writeLength(mm, METRIC))).toEqual([
      '184.15 mm',
      '38.1 mm',
      '195 mm',
    ]);
    expect(writeLength(184.15, IMPERIAL)).toBe(`7 1/4"`);
  });

  it('echoes a pitch in all three ways', () => {
    expect(readPitchEntry('in12')('9')).toEqual({
      ok: true,
      value: '9/12',
      echo: '9/12, 36.87°, 1:1.333',
      written: '9/12',
    });
    expect(readPitchEntry('degrees')('steep')).toMatchObject({ ok: false });
  });
});
