import type { CutListEntry } from '@ogee/core/src/cuts';
import { newJob } from '@ogee/core/src/job';
import { solve } from '@ogee/core/src/solve';
import { fireEvent, render, screen, within } from '@testing-library/react-native';
import { pieceAnswer } from '../../solver/answers';
import { writeLength } from '../../ui/length-entry';
import { InHandsProvider } from '../in-hands';
import { PieceSheet } from '../piece-sheet';

jest.mock('../../theme/theme', () => ({ useTheme: () => ({ colour: () => 'black' }) }));

const DISPLAY = { units: 'metric', fraction: 16, pitch: 'degrees', terms: 'uk' } as const;
const solution = solve(newJob('t', DISPLAY, 9000, 6000, '35°'));
if (!solution.ok) throw new Error('refused');
const answer = (mark: string) => pieceAnswer(solution.value, mark)!;
const piece = (mark: string): CutListEntry => answer(mark).entry;
const show = (mark: string) =>
  render(
    <InHandsProvider mark={mark}>
      <PieceSheet piece={answer(mark)} display={DISPLAY} way="degrees" />
    </InHandsProvider>,
  );
/** What is looked up now and then is folded away at first. */
const unfold = () => fireEvent.press(screen.getByTestId('every-figure'));

describe('a piece’s sheet', () => {
  it('shows every length to the millimetre, with what rounding took', () => {
    show('HJ1');
    unfold();
    const jack = piece('HJ1');
    for (const mm of [jack.length.longPoint, jack.length.body])
      expect(screen.getAllByLabelText(`${Math.round(mm)} millimetres`).length).toBeGreaterThan(0);
    // The board to take is never told shorter than it is.
    expect(
      screen.getAllByLabelText(`${Math.ceil(jack.length.blank)} millimetres`).length,
    ).toBeGreaterThan(0);
    expect(screen.getAllByText(/rounded (up|down) 0\.\d mm|exact/).length).toBeGreaterThanOrEqual(
      5,
    );
  });

  it('leans the saw the other way for the other hand', () => {
    show('HJ1');
    const other = answer('HJ1').board.hand === 'right' ? 'Left · 4' : 'Right · 4';
    const lean = (): string => {
      const [end, ...others] = ['upper', 'lower'].filter(
        (one) => screen.queryByText(new RegExp(`^Cheek cut: .*nearer the ${one} end`)) !== null,
      );
      expect(others).toEqual([]);
      return end!;
    };
    const before = lean();
    fireEvent.press(screen.getByText(other));
    expect(screen.getByText(/Lay it left face towards you/)).toBeTruthy();
    expect(lean()).not.toBe(before);
  });

  it('gives a ridge’s height above its plate first among its numbers', () => {
    show('R1');
    const [height] = piece('R1').heights!;
    expect(screen.getByText('Top of the ridge, above its plate')).toBeTruthy();
    expect(height!.abovePlate).toBeGreaterThan(2000);
    expect(screen.getAllByText(writeLength(height!.abovePlate, DISPLAY)).length).toBeGreaterThan(0);
  });

  it('has the marks first, in the order of the tape, and goes to each on the board', () => {
    show('C1');
    const names = ['plumb cut', 'heel cut', 'tail cut'];
    for (const [i, name] of names.entries())
      expect(within(screen.getByTestId(`mark-${i}`)).getByText(name)).toBeTruthy();
    expect(screen.queryByTestId('mark-3')).toBeNull();
    fireEvent.press(screen.getByTestId('next-mark'));
    fireEvent.press(screen.getByTestId('next-mark'));
    expect(screen.getByTestId('marks')).toBeTruthy();
  });

  it('offers no hand where a piece has none', () => {
    show('C1');
    expect(screen.queryByLabelText('Hand')).toBeNull();
  });

  it('puts the angle people mix up beside every angle', () => {
    show('C1');
    unfold();
    expect(screen.getAllByText('35.0°').length).toBeGreaterThan(0);
    expect(screen.getAllByText('not 55.0°').length).toBeGreaterThan(0);
  });

  it('opens the working of a number, and closes it', () => {
    show('C1');
    expect(screen.queryByText('Theory line')).toBeNull();
    unfold();
    expect(screen.queryByText('plan run ÷ cos slope')).toBeNull();
    fireEvent.press(screen.getByText('Theory line'));
    expect(screen.getByText('plan run ÷ cos slope')).toBeTruthy();
    expect(screen.getAllByText('· plan run: 3000.00 mm').length).toBeGreaterThan(0);
    fireEvent.press(screen.getByText('Theory line'));
    expect(screen.queryByText('plan run ÷ cos slope')).toBeNull();
  });

  it('says at the piece what its notes say', () => {
    show('R1');
    expect(screen.getByText(/No ceiling ties are given/)).toBeTruthy();
  });
});
