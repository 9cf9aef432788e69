import { newJob, wallLengths, type Job } from '@ogee/core/src/job';
import { Solving } from '../../solver/solving';
import { thread } from '../../solver/tests/thread-in-hand';
import { JobInHand } from '../job-in-hand';
import { follow, type OnScreen } from '../on-screen';
import type { Outbox } from '../outbox';
import { stored } from './server-in-hand';

const DISPLAY = { units: 'metric', fraction: 16, pitch: 'degrees', terms: 'uk' } as const;
const WALL = 'blocks.0.outline.0';
const house = (along: number): Job => newJob('t', DISPLAY, along, 6000, '35°');

const later = (ms: number) => jest.advanceTimersByTimeAsync(ms);
beforeEach(() => jest.useFakeTimers());
afterEach(() => jest.useRealTimers());

/** A job in hand and its solver, followed: what stands on the screen, and how often it was told to and in which way. */
const followed = async (together = true) => {
  const outbox: Pick<Outbox, 'append' | 'subscribe' | 'state' | 'away'> = {
    away: false,
    append: () => Promise.resolve(),
    subscribe: () => () => undefined,
    state: () => new Promise(() => undefined),
  };
  const known = { copy: stored(1, house(9000)), waiting: [], stop: null };
  const hand = new JobInHand('j', outbox as Outbox, known);
  const solver = thread();
  const solving = new Solving(solver);
  let shown: OnScreen = { snapshot: hand.read(), solved: solving.read() };
  const told: string[] = [];
  const end = follow(
    hand,
    solving,
    (next, sliced) => {
      shown = next(shown);
      told.push(sliced ? 'sliced' : 'at once');
    },
    () => together,
  );
  solver.asked.at(-1)!.answer();
  await later(0);
  told.length = 0;
  return {
    hand,
    solver,
    told,
    end,
    type: (mm: number) => hand.whileTyping(WALL, () => hand.edit(() => house(mm))),
    /** The first wall as it is shown, and as the roof beside it was worked out from. mm */
    walls: () => [
      wallLengths(shown.snapshot.job.blocks[0]!)[0],
      wallLengths(shown.solved.roof!.job.blocks[0]!)[0],
    ],
    state: () => shown.snapshot.state,
  };
};

describe('what is typed', () => {
  it('is told in one go with its roof, which is asked for at once', async () => {
    const { hand, solver, told, type, walls } = await followed();
    hand.takeUp(WALL, true);
    expect(told).toEqual(['at once']);
    type(9500);
    expect(wallLengths(solver.asked.at(-1)!.of.blocks[0]!)[0]).toBe(9500);
    await later(40);
    expect([told.length, ...walls()]).toEqual([1, 9000, 9000]);
    solver.asked.at(-1)!.answer();
    await later(0);
    expect(told).toEqual(['at once', 'sliced']);
    expect(walls()).toEqual([9500, 9500]);
  });

  it('does not wait long: then the job stands alone, and its roof follows', async () => {
    const { hand, solver, told, type, walls } = await followed();
    hand.takeUp(WALL, true);
    type(9500);
    await later(60);
    // The next key does not put it off.
    type(9505);
    await later(45);
    expect([told.length, ...walls()]).toEqual([2, 9505, 9000]);
    solver.asked.at(-1)!.answer();
    await later(0);
    // The first key's roof is overtaken by the second's.
    solver.asked.at(-1)!.answer();
    await later(0);
    expect(walls()).toEqual([9505, 9505]);
    await later(1000);
    expect(told).toEqual(['at once', 'sliced', 'sliced']);
  });

  it('is told at once where no roof stands beside it', async () => {
    const { hand, told, type, walls } = await followed(false);
    hand.takeUp(WALL, true);
    type(9500);
    expect(told).toEqual(['at once', 'at once']);
    expect(walls()).toEqual([9500, 9000]);
  });

  it('is told at once where the field does not show it itself: a step is taken from what the step before came to', async () => {
    const { hand, told, type, walls } = await followed();
    hand.takeUp(WALL);
    type(9500);
    type(10000);
    expect([told.length, walls()[0]]).toEqual([3, 10000]);
  });

  it('is told at once when it is left, put back or refused, and once', async () => {
    for (const [ends, wall, state] of [
      ['leave', 9500, 'keeping'],
      ['putBack', 9000, 'saved'],
      ['refuse', 9000, 'entering'],
    ] as const) {
      const { hand, told, type, walls, state: stands } = await followed();
      hand.takeUp(WALL, true);
      type(9500);
      if (ends === 'leave') hand.leave(WALL, 'Wall 1: 9000 mm → 9500 mm');
      else if (ends === 'putBack') hand.putBack(WALL);
      else hand.whileTyping(WALL, () => hand.refuse('no'));
      expect([ends, stands(), walls()[0]]).toEqual([ends, state, wall]);
      expect(told).toEqual(['at once', 'at once']);
      await later(200);
      expect(told).toHaveLength(2);
    }
  });

  it('is told to nobody once the job is closed', async () => {
    const { told, type, end } = await followed();
    type(9500);
    const before = told.length;
    end();
    await later(1000);
    expect(told).toHaveLength(before);
  });
});
