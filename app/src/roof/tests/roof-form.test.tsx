import { newJob, type Side } from '@ogee/core/src/job';
import { act, fireEvent, render, screen } from '@testing-library/react-native';
import { jobInMemory, openInMemory } from '../../data/tests/open-job-in-memory';
import { RoofForm } from '../roof-form';

jest.mock('../../data/open-job', () =>
  jest.requireActual<object>('../../data/tests/open-job-in-memory'),
);
jest.mock('../../data/roof', () =>
  jest.requireActual<object>('../../data/tests/open-job-in-memory'),
);
jest.mock('../../theme/theme', () => ({ useTheme: () => ({ colour: () => 'black' }) }));

const DISPLAY = { units: 'metric', fraction: 16, pitch: 'in12', terms: 'uk' } as const;

const type = (path: string, text: string): void => {
  const field = screen.getByTestId(`field-${path}`);
  fireEvent(field, 'focus');
  fireEvent.changeText(field, text);
  fireEvent(field, 'blur');
};

const eave = (wall: number): Extract<Side, { roof: 'eave' }> => {
  const side = jobInMemory().blocks[0]!.sides[wall]!;
  if (side.roof !== 'eave') throw new Error(`wall ${wall + 1} is no eave`);
  return side;
};

beforeEach(() => {
  act(() => openInMemory(newJob('t', DISPLAY, 9000, 6000, '18/12')));
  render(<RoofForm />);
});

describe('breaks in pitch under a wall', () => {
  it('begin with a pitch above, are set by two numbers, and go', () => {
    fireEvent.press(screen.getAllByText('Break to a lower pitch above')[0]!);
    expect(jobInMemory().timber.purlin).toEqual(jobInMemory().timber.ridge);
    expect(eave(0).breaks).toEqual([{ at: 750, pitch: '9/12' }]);
    type('blocks.0.sides.0.breaks.0.at', '1200');
    type('blocks.0.sides.0.breaks.0.pitch', '6/12');
    expect(eave(0).breaks).toEqual([{ at: 1200, pitch: '6/12' }]);
    expect(eave(0).pitch).toBe('18/12');
    fireEvent.press(screen.getByText('Take break 1 away'));
    expect(eave(0).breaks).toBeUndefined();
  });

  it('kick out at the eave once, and are put on every eave', () => {
    fireEvent.press(screen.getAllByText('Kick the eave out')[1]!);
    expect([eave(1).pitch, eave(1).breaks![0]!.pitch]).toEqual(['9/12', '18/12']);
    // No second kick under this wall; the three others may still.
    expect(screen.getAllByText('Kick the eave out')).toHaveLength(3);
    fireEvent.press(screen.getByText('Every eave of this part like wall 2'));
    for (const wall of [0, 1, 2, 3]) expect(eave(wall).breaks).toEqual(eave(1).breaks);
  });
});

it('a gablet comes with a place of its own, is moved, and goes', () => {
  fireEvent.press(screen.getAllByText('A gablet above this hip')[0]!);
  expect(eave(1).gablet!.at).toBeGreaterThan(300);
  type('blocks.0.sides.1.gablet.at', '1350');
  expect(eave(1).gablet).toEqual({ at: 1350 });
  fireEvent.press(screen.getByText('Take the gablet away'));
  expect(eave(1).gablet).toBeUndefined();
});
