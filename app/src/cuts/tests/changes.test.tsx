import { newJob, type Job } from '@ogee/core/src/job';
import { act, fireEvent, render, screen, within } from '@testing-library/react-native';
import {
  handInMemory,
  openInMemory,
  useDisplay,
  useRoof,
} from '../../data/tests/open-job-in-memory';
import { ChangesBar, ChangesProvider } from '../changes';
import { CutListView } from '../cut-list';

jest.mock('../../data/open-job', () =>
  jest.requireActual<object>('../../data/tests/open-job-in-memory'),
);
jest.mock('../../data/roof', () =>
  jest.requireActual<object>('../../data/tests/open-job-in-memory'),
);
jest.mock('../../theme/theme', () => ({ useTheme: () => ({ colour: () => 'black' }) }));

const DISPLAY = { units: 'metric', fraction: 16, pitch: 'degrees', terms: 'uk' } as const;
const WALL = 'blocks.0.outline.1';
const house = (across: number): Job => newJob('t', DISPLAY, 9000, across, '35°');

const Page = () => {
  const display = useDisplay();
  const { roof } = useRoof();
  return (
    <ChangesProvider>
      <ChangesBar />
      <CutListView
        members={roof?.cuts.members ?? []}
        display={display}
        chosen={null}
        onOpen={() => undefined}
      />
    </ChangesProvider>
  );
};

const type = (across: number): void =>
  act(() => handInMemory().whileTyping(WALL, () => handInMemory().edit(() => house(across))));
const leave = (): void => act(() => void handInMemory().leave(WALL, 'Wall 2'));
const isTold = () => screen.queryByTestId('changes') !== null;
const long = (mark: string): string =>
  screen
    .getByTestId(`piece-${mark}`)
    .findAll(({ props }) => String(props['aria-label']).endsWith(' millimetres'))[0]!.props[
    'aria-label'
  ] as string;

beforeEach(() => {
  act(() => openInMemory(house(6000)));
  render(<Page />);
});

describe('what has changed in the list', () => {
  it('is told of what counts, not of a length half typed', () => {
    const before = long('C1');
    type(6050);
    expect(isTold()).toBe(false);
    expect(screen.queryByText(/^was /)).toBeNull();
    // The lengths themselves follow each key.
    expect(long('C1')).not.toBe(before);
    leave();
    expect(isTold()).toBe(true);
    // As the list writes it.
    const was = `was ${before.replace(' millimetres', ' mm')}`;
    expect(screen.getAllByText(was).length).toBeGreaterThan(0);
  });

  it('stays as it was while the next length is typed, and goes when it is read', () => {
    type(6050);
    leave();
    const said = screen.getAllByText(/^was /).length;
    // On the way back to what it was, key by key.
    type(6000);
    expect(isTold()).toBe(true);
    expect(screen.getAllByText(/^was /)).toHaveLength(said);
    act(() => handInMemory().putBack(WALL));
    fireEvent.press(screen.getByTestId('changes-read'));
    expect(isTold()).toBe(false);
    expect(screen.queryByText(/^was /)).toBeNull();
  });

  it('says of a piece as long as before to the millimetre that it is cut otherwise', () => {
    type(6000.4);
    leave();
    expect(screen.getAllByText('cut otherwise than before').length).toBeGreaterThan(0);
    for (const row of screen.getAllByTestId(/^piece-/)) {
      const was = within(row).queryByText(/^was /);
      if (was === null) continue;
      const mm = String(was.props.children).replace(/^was | mm$/g, '');
      expect(within(row).queryByLabelText(`${mm} millimetres`)).toBeNull();
    }
  });
});
