import {
  wallLengths,
  cornerAngles,
  diagonals,
  newJob,
  standingOn,
  withOutline,
  type Job,
} from '@ogee/core/src/job';
import { act, fireEvent, render, screen } from '@testing-library/react-native';
import { handInMemory, jobInMemory, openInMemory } from '../../data/tests/open-job-in-memory';
import { SiteForm } from '../site-form';

jest.mock('../../data/open-job', () =>
  jest.requireActual<object>('../../data/tests/open-job-in-memory'),
);
jest.mock('../../data/roof', () =>
  jest.requireActual<object>('../../data/tests/open-job-in-memory'),
);
jest.mock('../../theme/theme', () => ({ useTheme: () => ({ colour: () => 'black' }) }));

const DISPLAY = { units: 'metric', fraction: 16, pitch: 'degrees', terms: 'uk' } as const;

const type = (path: string, text: string): void => {
  const field = screen.getByTestId(`field-${path}`);
  fireEvent(field, 'focus');
  fireEvent.changeText(field, text);
  fireEvent(field, 'blur');
};
const walls = (): number[] => wallLengths(jobInMemory().blocks[0]!).map(Math.round);

const laidOut = (): void => {
  fireEvent(screen.getByTestId('plates-drawing').children[0] as never, 'layout', {
    nativeEvent: { layout: { width: 360, height: 230 } },
  });
};

const pointer = (clientX: number, clientY: number) => ({
  nativeEvent: { pointerId: 1, clientX, clientY },
  currentTarget: { setPointerCapture: () => undefined },
});

beforeEach(() => {
  act(() => openInMemory(newJob('t', DISPLAY, 9000, 6000, '35°')));
  render(<SiteForm />);
});

describe('parts of other than four corners', () => {
  const more = (times: number): void => {
    fireEvent.press(screen.getByText('Another number of corners'));
    for (let i = 0; i < times; i += 1) fireEvent.press(screen.getByLabelText('more: Corners'));
  };

  it('are made by a number of corners, and measured by walls and diagonals', () => {
    more(4);
    expect(jobInMemory().blocks[0]!.outline).toHaveLength(8);
    expect(new Set(walls()).size).toBe(1);
    type('blocks.0.outline.0', '2600');
    type('blocks.0.outline.diagonal.0', '4700');
    expect(walls()[0]).toBe(2600);
    const [one, , three] = jobInMemory().blocks[0]!.outline;
    expect(Math.hypot(three![0] - one![0], three![1] - one![1])).toBeCloseTo(4700, 6);
  });

  it('or by walls and angles, the last wall worked out; what does not close is said and kept out', () => {
    more(1);
    fireEvent.press(screen.getByText('Walls, angles'));
    type('blocks.0.outline.angle.0', '110');
    expect(cornerAngles(jobInMemory().blocks[0]!.outline)[1]!.deg).toBeCloseTo(110, 6);
    const before = walls();
    type('blocks.0.outline.angle.1', '20');
    expect(screen.getByText(/does not close the plan/)).toBeTruthy();
    expect(walls()).toEqual(before);
    type('blocks.0.outline.angle.1', '200');
    expect(screen.getByText(/accepted is over 0° and under 180°/)).toBeTruthy();
  });

  it('a bay stands on its wall with five walls of its own', () => {
    fireEvent.press(screen.getByText('Add a bay'));
    type('new.width', '3000');
    fireEvent.press(screen.getByText('Add the bay'));
    const { outline, sides } = jobInMemory().blocks[1]!;
    expect([outline.length, sides.filter(({ roof }) => roof === 'eave').length]).toEqual([6, 5]);
  });
});

describe('a wing by its wall and three numbers', () => {
  const add = (): void => {
    fireEvent.press(screen.getByText('Add a wing'));
    fireEvent.press(screen.getByText('Wall 3'));
    type('new.width', '3200');
    type('new.projection', '2400');
    type('new.fromCorner', '1500');
    fireEvent.press(screen.getByText('Add the wing'));
  };

  it('stands where it was measured, with a valley to be sawn', () => {
    add();
    expect(standingOn(jobInMemory(), 1)).toMatchObject({ host: 0, side: 2 });
    expect(jobInMemory().timber.valley).toBeDefined();
    expect(screen.getByText('On wall 3 of “main”')).toBeTruthy();
  });

  it('is changed by the same three numbers', () => {
    add();
    type('blocks.1.outline.projection', '2650');
    const { on } = standingOn(jobInMemory(), 1)!;
    expect([on.width, on.projection, on.fromCorner].map(Math.round)).toEqual([3200, 2650, 1500]);
  });

  it('flush with the end of its wall, is changed by them when the house is out of square too', () => {
    add();
    type('blocks.1.outline.fromCorner', '5800');
    const out = (job: Job): Job => {
      const [a, b, , d] = job.blocks[0]!.outline;
      return withOutline(job, 0, [a!, b!, [9000, 6040], [d![0] + 25, d![1]]]);
    };
    act(() => void handInMemory().edit(out, 'Measured'));
    const { on } = standingOn(jobInMemory(), 1)!;
    expect(on.fromCorner + on.width).toBeCloseTo(wallLengths(jobInMemory().blocks[0]!)[2]!, 6);
    type('blocks.1.outline.projection', '2650');
    expect(standingOn(jobInMemory(), 1)!.on.projection).toBeCloseTo(2650, 6);
  });

  it('too wide for its wall, that is said beside it and the building stays', () => {
    add();
    const before = jobInMemory();
    type('blocks.1.outline.width', '8200');
    expect(screen.getByText(/It runs past the wall/)).toBeTruthy();
    expect(jobInMemory()).toBe(before);
  });

  it('too wide before it is added, it cannot be', () => {
    fireEvent.press(screen.getByText('Add a wing'));
    type('new.width', '9000');
    fireEvent.press(screen.getByText('Add the wing'));
    expect(jobInMemory().blocks).toHaveLength(1);
  });

  it('is taken away again', () => {
    add();
    fireEvent.press(screen.getByText('Take “wing” away'));
    expect(jobInMemory().blocks).toHaveLength(1);
  });
});

describe('four walls and a diagonal', () => {
  const path = 'blocks.0.outline';
  beforeEach(() => fireEvent.press(screen.getByText('Four walls, diagonals')));

  it('settle every corner, said in degrees and millimetres', () => {
    type(`${path}.diagonal`, '10900');
    expect(walls()).toEqual([9000, 6000, 9000, 6000]);
    expect(diagonals(jobInMemory().blocks[0]!.outline)![0]).toBeCloseTo(10900, 6);
    expect(screen.getAllByText(/(open|closed) by \d+\.\d\d°, [\d.]+ mm/)).toHaveLength(4);
  });

  it('no such walls: said with what could be, and the building stays', () => {
    const before = jobInMemory();
    type(`${path}.diagonal`, '15500');
    expect(screen.getByText(/no triangle has walls 1 and 2/)).toBeTruthy();
    expect(jobInMemory()).toBe(before);
  });

  it('a second diagonal that does not agree is said by how much', () => {
    type(`${path}.check`, '10900');
    expect(screen.getByText('The measurements do not agree')).toBeTruthy();
    expect(screen.getByText(/83[\d.]* mm longer/)).toBeTruthy();
  });

  it('show what a drag has changed since they were typed', () => {
    laidOut();
    type(`${path}.0`, '9500');
    type(`${path}.2`, '9500');
    const knob = screen.getByTestId('drag-wall-2');
    fireEvent(knob, 'pointerDown', pointer(100, 100));
    fireEvent(knob, 'pointerMove', pointer(100, 60));
    fireEvent(knob, 'pointerUp', pointer(100, 60));
    const [, across] = walls();
    expect(across).toBeGreaterThan(6500);
    fireEvent(screen.getByTestId(`field-${path}.0`), 'blur');
    expect(screen.getByTestId(`field-${path}.1`).props['value']).toBe(`${across} mm`);
  });
});

describe('dragging a wall', () => {
  it('says the figure while it is held, and changes nothing before it is let go', () => {
    laidOut();
    const before = jobInMemory();
    const knob = screen.getByTestId('drag-wall-1');
    fireEvent(knob, 'pointerDown', pointer(200, 100));
    fireEvent(knob, 'pointerMove', pointer(230, 100));
    expect(screen.getByText('Wall 3')).toBeTruthy();
    expect(jobInMemory()).toBe(before);
    fireEvent(knob, 'pointerUp', pointer(230, 100));
    const [along, across] = walls();
    expect(along).toBeGreaterThan(9000);
    expect(along! % 100).toBe(0);
    expect(across).toBe(6000);
  });

  it('a knob that is only touched, or brought back, leaves what was measured as it is', () => {
    laidOut();
    type('blocks.0.outline', '9037');
    const before = jobInMemory();
    const knob = screen.getByTestId('drag-wall-1');
    fireEvent(knob, 'pointerDown', pointer(200, 100));
    fireEvent(knob, 'pointerMove', pointer(203, 102));
    fireEvent(knob, 'pointerUp', pointer(203, 102));
    fireEvent(knob, 'pointerDown', pointer(200, 100));
    fireEvent(knob, 'pointerMove', pointer(260, 100));
    fireEvent(knob, 'pointerMove', pointer(199, 100));
    fireEvent(knob, 'pointerUp', pointer(199, 100));
    expect(jobInMemory()).toBe(before);
  });

  it('a touch that is taken away leaves the building as it was', () => {
    laidOut();
    const before = jobInMemory();
    const knob = screen.getByTestId('drag-wall-1');
    fireEvent(knob, 'pointerDown', pointer(200, 100));
    fireEvent(knob, 'pointerMove', pointer(260, 100));
    fireEvent(knob, 'pointerCancel');
    expect(jobInMemory()).toBe(before);
  });

  it('goes by the arrow keys too, a step at a time', () => {
    laidOut();
    const knob = screen.getByTestId('drag-wall-2');
    const key = (name: string) =>
      fireEvent(knob, 'keyDown', { key: name, preventDefault: () => undefined });
    key('ArrowUp');
    expect(walls()).toEqual([9000, 6100, 9000, 6100]);
    key('ArrowDown');
    key('ArrowDown');
    key('x');
    expect(walls()).toEqual([9000, 5900, 9000, 5900]);
  });
});
