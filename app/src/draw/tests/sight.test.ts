import type { Vec2 } from '@ogee/core/src/geom';
import { readable, type Name } from '../names';
import { asAt, moved, pinched, WHOLE, within, zoomed, type Sight } from '../sight';

const ROOM: Vec2 = [390, 450];
const seen = ({ scale, x, y }: Sight, [u, v]: Vec2): Vec2 => [u * scale + x, v * scale + y];

it('zooms about the point under the finger', () => {
  const at: Vec2 = [120, 300];
  const near = zoomed(WHOLE, 2.5, at, ROOM);
  expect(seen(near, at)).toEqual([expect.closeTo(at[0], 9), expect.closeTo(at[1], 9)]);
  const nearer = zoomed(near, 1.3, [200, 100], ROOM);
  // What lay under the finger before lies under it still.
  const [u, v] = [(200 - near.x) / near.scale, (100 - near.y) / near.scale];
  expect(seen(nearer, [u, v])).toEqual([expect.closeTo(200, 9), expect.closeTo(100, 9)]);
});

it('never shows past the drawing’s edges, nor smaller than all of it', () => {
  expect(zoomed(WHOLE, 0.2, [10, 10], ROOM)).toEqual(WHOLE);
  const pulled = moved(zoomed(WHOLE, 3, [0, 0], ROOM), [500, -5000], ROOM);
  expect(pulled.x).toBe(0);
  expect(pulled.y).toBe(ROOM[1] * (1 - 3));
  expect(within({ scale: 99, x: 0, y: 0 }, ROOM).scale).toBeLessThan(20);
});

it('follows two fingers: each keeps what it took hold of, near enough', () => {
  const was: readonly [Vec2, Vec2] = [
    [150, 200],
    [240, 200],
  ];
  const now: readonly [Vec2, Vec2] = [
    [100, 220],
    [280, 220],
  ];
  const held = pinched(WHOLE, was, now, ROOM);
  expect(held.scale).toBeCloseTo(2, 9);
  expect(seen(held, was[0])).toEqual([expect.closeTo(now[0][0], 6), expect.closeTo(now[0][1], 6)]);
  expect(seen(held, was[1])).toEqual([expect.closeTo(now[1][0], 6), expect.closeTo(now[1][1], 6)]);
});

it('moves what is painted to where it will be painted', () => {
  const [painted, live] = [
    { scale: 2, x: -40, y: -10 },
    { scale: 3, x: -100, y: -90 },
  ];
  const [, x = '', y = '', r = ''] =
    /translate\((.+)px, (.+)px\) scale\((.+)\)/u.exec(asAt(painted, live)) ?? [];
  const p = seen(painted, [70, 80]);
  expect([p[0] * Number(r) + Number(x), p[1] * Number(r) + Number(y)]).toEqual([
    expect.closeTo(seen(live, [70, 80])[0], 6),
    expect.closeTo(seen(live, [70, 80])[1], 6),
  ]);
});

describe('names on a drawing', () => {
  const name = (id: string, at: Vec2, turn = 0): Name => ({ id, text: id, at, turn, size: 12 });

  it('stand over no other, the first in the list before all', () => {
    const all = [name('R1', [100, 100]), name('C1', [104, 103]), name('C2', [160, 100])];
    expect(readable(all, 390, 450).map(({ id }) => id)).toEqual(['R1', 'C2']);
  });

  it('turned ones have the room that they take', () => {
    const upright = [name('HJ10', [100, 100], -90), name('HJ11', [114, 100], -90)];
    expect(readable(upright, 390, 450)).toHaveLength(2);
    expect(
      readable(
        upright.map((one) => ({ ...one, turn: 0 })),
        390,
        450,
      ),
    ).toHaveLength(1);
  });

  it('are left out where the drawing’s room ends', () => {
    expect(readable([name('C1', [-40, 20]), name('C2', [395, 451])], 390, 450)).toHaveLength(1);
  });
});
