import { newJob, withWing } from '@ogee/core/src/job';
import { solve } from '@ogee/core/src/solve';
import { act, fireEvent, render, screen } from '@testing-library/react-native';
import { jobInMemory, openInMemory } from '../../data/tests/open-job-in-memory';
import { LineList } from '../line-list';

const mockNavigate = jest.fn();
jest.mock('expo-router', () => ({ useRouter: () => ({ navigate: mockNavigate }) }));
jest.mock('../../data/open-job', () =>
  jest.requireActual<object>('../../data/tests/open-job-in-memory'),
);
jest.mock('../../data/roof', () =>
  jest.requireActual<object>('../../data/tests/open-job-in-memory'),
);
jest.mock('../../theme/theme', () => ({ useTheme: () => ({ colour: () => 'black' }) }));

const DISPLAY = { units: 'metric', fraction: 16, pitch: 'degrees', terms: 'uk' } as const;
const plain = newJob('t', DISPLAY, 9000, 6000, '35°');
const winged = withWing(plain, 0, 0, { width: 3200, projection: 2400, fromCorner: 1500 });
const valley = plain.timber.hip ?? plain.timber.common;

beforeEach(() => {
  act(() => openInMemory({ ...winged, timber: { ...plain.timber, valley } }));
  render(<LineList />);
});

it('names every ridge, hip and valley with its length, slope and both plan angles', () => {
  const solution = solve(jobInMemory());
  if (!solution.ok) throw new Error('refused');
  const lines = solution.value.cuts.members.filter(({ kind }) =>
    ['ridge', 'hip', 'valley'].includes(kind),
  );
  expect(new Set(lines.map(({ kind }) => kind)).size).toBe(3);
  for (const { mark, length, slope, plan } of lines) {
    expect(screen.getByText(mark)).toBeTruthy();
    expect(
      screen.getAllByLabelText(`${Math.round(length.theory)} millimetres`).length,
    ).toBeGreaterThan(0);
    if (slope > 0) expect(screen.getAllByText(`${slope.toFixed(2)}°`).length).toBeGreaterThan(0);
    if (plan !== null) {
      const [p, q] = plan.map((deg) => deg.toFixed(2));
      expect(
        screen.getAllByText(new RegExp(`${p}° and ${q}° from the eaves`)).length,
      ).toBeGreaterThan(0);
    }
  }
});

it('leaves out what only fills a space beside the rafters', () => {
  const blocking = { thickness: 38, depth: 400 };
  act(() => openInMemory({ ...plain, timber: { ...plain.timber, blocking } }));
  const solution = solve(jobInMemory());
  if (!solution.ok) throw new Error('refused');
  expect(solution.value.cuts.members.some(({ mark }) => mark === 'BK1')).toBe(true);
  expect(screen.getByText('R1')).toBeTruthy();
  expect(screen.queryByText('BK1')).toBeNull();
});

it('opens the piece of the line that is touched', () => {
  fireEvent.press(screen.getByText('R1'));
  expect(mockNavigate).toHaveBeenCalledWith('/job/in-memory/cuts/R1');
});
