import { boardOf, memberOf, newJob, solve, type CutListEntry, type Member } from '@ogee/core';
import { fireEvent, render, screen } from '@testing-library/react-native';
import { PieceSheet } from '../piece-sheet';

jest.mock('../../theme/theme', () => ({ useTheme: () => ({ colour: () => 'black' }) }));

const DISPLAY = { units: 'metric', fraction: 16, pitch: 'degrees', terms: 'uk' } as const;
const solution = solve(newJob('t', DISPLAY, 9000, 6000, '35°'));
if (!solution.ok) throw new Error('refused');
const { members, notes } = solution.value.cuts;
const piece = (mark: string): CutListEntry => members.find((entry) => entry.mark === mark)!;
const drawn = (entry: CutListEntry): Member => memberOf(solution.value, entry)!;
const show = (mark: string) => {
  const entry = piece(mark);
  return render(
    <PieceSheet
      entry={entry}
      member={drawn(entry)}
      notes={notes}
      display={DISPLAY}
      backed={false}
    />,
  );
};

describe('a piece’s sheet', () => {
  it('shows every length to the millimetre, with what rounding took', () => {
    show('HJ1');
    const jack = piece('HJ1');
    expect(screen.getByLabelText(`${Math.round(jack.length.longPoint)} mm`)).toBeTruthy();
    expect(screen.getByLabelText(`${Math.round(jack.length.body)} mm`)).toBeTruthy();
    expect(screen.getAllByText(/rounded (up|down) 0\.\d mm|exact/).length).toBeGreaterThanOrEqual(
      5,
    );
  });

  it('turns the board over for the other hand', () => {
    show('HJ1');
    // The piece that was drawn lies left face towards you, its mirror image the other way about.
    const other = boardOf(drawn(piece('HJ1'))).hand === 'right' ? 'Left · 4' : 'Right · 4';
    expect(screen.getByText(/Lay it left face towards you/)).toBeTruthy();
    fireEvent.press(screen.getByText(other));
    expect(screen.getByText(/Lay it right face towards you/)).toBeTruthy();
  });

  it('offers no hand where a piece has none', () => {
    show('C1');
    expect(screen.queryByLabelText('Hand')).toBeNull();
  });

  it('puts the angle people mix up beside every angle', () => {
    show('C1');
    expect(screen.getAllByText('35.0°').length).toBeGreaterThan(0);
    expect(screen.getAllByText('not 55.0°').length).toBeGreaterThan(0);
  });

  it('opens the working of a number, and closes it', () => {
    show('C1');
    expect(screen.queryByText('plan run ÷ cos slope')).toBeNull();
    fireEvent.press(screen.getByLabelText('Theory line: working'));
    expect(screen.getByText('plan run ÷ cos slope')).toBeTruthy();
    expect(screen.getAllByText('· plan run: 3000.00 mm').length).toBeGreaterThan(0);
    fireEvent.press(screen.getByLabelText('Theory line: working'));
    expect(screen.queryByText('plan run ÷ cos slope')).toBeNull();
  });

  it('says at the piece what its notes say', () => {
    show('R1');
    expect(screen.getByText(/No ties are given/)).toBeTruthy();
  });
});
