import { buildingJob, entriesOf, entryOf, solved } from '../../tests/building';
import { solve, type Solution } from '../../solve';
import { boardOf, memberOf, type BoardDrawing, type CutListEntry } from '..';

const solution = solved({ along: 9000, across: 6000, pitch: '9/12' });

const boardOfLine = (entry: CutListEntry, of: Solution = solution): BoardDrawing =>
  boardOf(memberOf(of, entry)!);

const reading = (entry: CutListEntry, at: string, face: 0 | 1 = 0): number => {
  const mark = boardOfLine(entry).marks.find(
    (one) => entry.cuts[one.cut]!.at === at && one.topEdge[face] !== null,
  )!;
  return mark.topEdge[face]!;
};

describe('the marked board', () => {
  it('reads the tape from the long point: heel at long point, tail behind it', () => {
    for (const kind of ['common', 'king-common', 'hip-jack'] as const) {
      for (const entry of entriesOf(solution, kind)) {
        const near = boardOfLine(entry).hand === 'right' ? 1 : 0;
        expect(reading(entry, 'top', near)).toBeCloseTo(0, 6);
        expect(reading(entry, 'heel', near)).toBeCloseTo(entry.length.longPoint, 6);
        expect(reading(entry, 'tail', near) - reading(entry, 'heel', near)).toBeCloseTo(
          entry.length.tail,
          6,
        );
        expect(boardOfLine(entry).lengthMm).toBeCloseTo(entry.length.blank, 9);
      }
    }
  });

  it('shows a jack’s far face shorter by the thickness over cos θ', () => {
    const [jack] = entriesOf(solution, 'hip-jack');
    const [near, far] = boardOfLine(jack!).hand === 'right' ? ([1, 0] as const) : ([0, 1] as const);
    expect(reading(jack!, 'top', far) - reading(jack!, 'top', near)).toBeCloseTo(38 / 0.8, 6);
  });

  it('gives each face of a double cheek its own line, equally far from the end', () => {
    const hip = entryOf(solution, 'hip');
    const back = 19 / Math.cos((hip.slope * Math.PI) / 180);
    expect(reading(hip, 'top', 0)).toBeCloseTo(back, 6);
    expect(reading(hip, 'top', 1)).toBeCloseTo(back, 6);
    const tops = boardOfLine(hip).marks.filter((mark) => hip.cuts[mark.cut]!.at === 'top');
    expect(tops.map((mark) => mark.topEdge.filter((at) => at !== null).length)).toEqual([1, 1]);
    expect(tops.filter((mark) => mark.left !== null)).toHaveLength(1);
    expect(tops.filter((mark) => mark.right !== null)).toHaveLength(1);
  });

  it('draws the notch with the seat’s width and the heel’s depth', () => {
    const common = entryOf(solution, 'common');
    const line = (at: string) => {
      const mark = boardOfLine(common).marks.find((one) => common.cuts[one.cut]!.at === at)!;
      const [[x1, y1], [x2, y2]] = mark.left!;
      return Math.hypot(x2 - x1, y2 - y1);
    };
    expect(line('seat')).toBeCloseTo(common.seat!.width, 6);
    expect(line('heel')).toBeCloseTo(common.seat!.plumbDepth, 6);
  });

  it('says which hand is drawn, by the side its long point is on', () => {
    for (const jack of entriesOf(solution, 'hip-jack')) {
      const [left, right] = [reading(jack, 'top', 0), reading(jack, 'top', 1)];
      expect(boardOfLine(jack).hand).toBe(left < right ? 'left' : 'right');
    }
  });

  it('draws the seat of a rafter that ends at the plate down to its plumb end', () => {
    const flush = solved({ along: 9000, across: 6000, pitch: '9/12', overhang: 0 });
    const common = entryOf(flush, 'common');
    expect(common.cuts.map((cut) => cut.at)).toEqual(['top', 'seat', 'tail']);
    expect(common.length.tail).toBe(0);
    expect(boardOfLine(common, flush).marks[1]!.left).not.toBeNull();
  });
});

it('groups mirror images and keeps marks unique', () => {
  const result = solve(buildingJob({ along: 9000, across: 6000, pitch: '9/12' }));
  if (!result.ok) throw new Error('refused');
  const marks = result.value.cuts.members.map((entry) => entry.mark);
  expect(new Set(marks).size).toBe(marks.length);
  expect(marks).toEqual([
    'R1',
    'C1',
    'KC1',
    'H1',
    'HJ1',
    'HJ2',
    'HJ3',
    'HJ4',
    'HJ5',
    'HJ6',
    'HJ7',
    'F1',
    'F2',
  ]);
});
