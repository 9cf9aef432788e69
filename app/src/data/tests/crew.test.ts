import 'fake-indexeddb/auto';
import { withBlock, withSide, type Job } from '@ogee/core/src/job';
import type { LogEntry } from '@ogee/core/src/log';
import { deleteDB } from 'idb';
import { api, Refused } from '../api';
import { openDevice } from '../device';
import { JobInHand } from '../job-in-hand';
import { openLogShelf } from '../log-shelf';
import { Outbox } from '../outbox';
import { job, server, stored, until } from './server-in-hand';

/** Numbers that look like chance and are the same every time. */
const chance = (seed: number) => {
  let state = seed >>> 0;
  return (below: number): number => {
    state = (Math.imul(state, 1_664_525) + 1_013_904_223) >>> 0;
    return Math.floor((state / 2 ** 32) * below);
  };
};

const FIELDS = {
  spacing: {
    set: (mm: number) => (now: Job) => ({ ...now, framing: { ...now.framing, spacing: 300 + mm } }),
    get: (now: Job) => now.framing.spacing - 300,
  },
  plate: {
    set: (mm: number) => (now: Job) => withBlock(now, 0, (block) => ({ ...block, plate: mm })),
    get: (now: Job) => now.blocks[0]!.plate,
  },
  overhang: {
    set: (mm: number) => (now: Job) =>
      withSide(now, 0, 0, (side) => (side.roof === 'eave' ? { ...side, overhang: mm } : side)),
    get: (now: Job) => {
      const side = now.blocks[0]!.sides[0]!;
      return side.roof === 'eave' ? side.overhang : NaN;
    },
  },
  across: {
    set: (mm: number) => (now: Job) =>
      withBlock(now, 0, (block) => ({
        ...block,
        outline: block.outline.map(([x, y]) => [x, y > 0 ? 6000 + mm : y] as [number, number]),
      })),
    get: (now: Job) => now.blocks[0]!.outline[2]![1] - 6000,
  },
  along: {
    set: (mm: number) => (now: Job) =>
      withBlock(now, 0, (block) => ({
        ...block,
        outline: block.outline.map(([x, y]) => [x > 0 ? 9000 + mm : x, y] as [number, number]),
      })),
    get: (now: Job) => now.blocks[0]!.outline[2]![0] - 9000,
  },
} as const;
type Field = keyof typeof FIELDS;
const NAMES = Object.keys(FIELDS) as Field[];

/** A phone: its store may go and come, its page may be killed and opened again. */
class Phone {
  outbox!: Outbox;
  hand!: JobInHand;

  constructor(private readonly name: string) {}

  async open(): Promise<void> {
    this.outbox = new Outbox(openDevice(this.name), openLogShelf(`${this.name}-log`));
    if ((await this.outbox.state('j')).copy === null)
      await this.outbox.meet(stored(1, job('first')));
    this.hand = new JobInHand('j', this.outbox, await this.outbox.state('j'));
    await this.outbox.send();
  }

  close(): void {
    this.hand.dispose();
    this.outbox.dispose();
  }

  /** All of the device's stores are gone, as when the person clears them. */
  async clear(): Promise<void> {
    await deleteDB(this.name);
    await deleteDB(`${this.name}-log`);
  }
}

let run = 0;
/** Edits and ticks of two phones, with everything that can go wrong between them; what they and the server have of it. */
const day = async (seed: number, acts: number) => {
  run += 1;
  const dice = chance(seed);
  const there = server();
  const lines = new Map<string, LogEntry>();
  const read = jest
    .spyOn(api, 'read')
    .mockImplementation(() =>
      there.state.away
        ? Promise.reject(new TypeError('no answer'))
        : Promise.resolve(there.current()),
    );
  jest.spyOn(api, 'addToLog').mockImplementation((_job, entries) => {
    if (there.state.away) return Promise.reject(new TypeError('no answer'));
    for (const entry of entries) lines.set(entry.id, entry);
    return dice(4) === 0
      ? Promise.reject(new TypeError('the answer was lost'))
      : Promise.resolve(null);
  });
  const phones = ['ada', 'ben'].map((who) => new Phone(`${who}-${run}`));
  for (const phone of phones) await phone.open();
  /** The values that were typed into each field, and by whom; those asked about, whoever answered. */
  const typed = new Map<Field, { readonly who: number; readonly value: number }[]>();
  const asked = new Set<Field>();
  let ticks = 0;
  const answer = async (): Promise<void> => {
    for (const { hand, outbox } of phones) {
      await outbox.send().catch(() => undefined);
      for (let i = 0; i < 20 && (await outbox.state('j')).stop !== null; i += 1) {
        await until(() => hand.read().stop !== null);
        const { clashes } = hand.read();
        for (const { path } of clashes)
          asked.add(
            path.includes('outline')
              ? Number(path.at(-1)) % 2 === 0
                ? 'along'
                : 'across'
              : (path.at(-1) as Field),
          );
        await (dice(2) === 0 ? hand.keepMine() : hand.takeTheirs());
        await outbox.send();
      }
    }
  };
  for (let i = 0; i < acts; i += 1) {
    const who = dice(2);
    const phone = phones[who]!;
    switch (dice(9)) {
      case 0:
        there.state.away = !there.state.away;
        break;
      case 1:
        there.state.lost = 1 + dice(2);
        break;
      case 2:
        // The page is killed, and opened again.
        phone.close();
        await phone.open();
        break;
      case 3:
        await phone.clear();
        // The page lives on for a moment: it gives back what it holds.
        await phone.outbox.send();
        break;
      case 4: {
        const at = `2026-01-01T08:${String(i % 60).padStart(2, '0')}:00Z`;
        const id = `00000000-0000-4000-8000-${String(run * 1000 + i).padStart(12, '0')}`;
        ticks += 1;
        await phone.outbox.log.append('j', [{ id, at, by: '', kind: 'note', text: `${i}` }]);
        break;
      }
      case 5:
        if (!there.state.away) await phone.outbox.meet(there.current());
        await answer();
        break;
      default: {
        const field = NAMES[dice(NAMES.length)]!;
        const value = 1 + dice(400);
        phone.hand.edit(FIELDS[field].set(value), `${field} ${value}`);
        await phone.outbox.rest();
        typed.set(field, [...(typed.get(field) ?? []), { who, value }]);
      }
    }
  }
  there.state.away = false;
  there.state.lost = 0;
  for (let i = 0; i < 6; i += 1) {
    await answer();
    for (const { outbox } of phones) {
      await outbox.meet(there.current());
      await outbox.send();
    }
  }
  const shown = await Promise.all(phones.map(async ({ outbox }) => outbox.state('j')));
  const result = { there, shown, typed, asked, lines, ticks };
  for (const phone of phones) phone.close();
  read.mockRestore();
  return result;
};

/** So many days are gone through; the attack goes through more, and others. */
const DAYS = Number(process.env['OGEE_DAYS'] ?? 12);
const FIRST = Number(process.env['OGEE_SEED'] ?? 1);

beforeEach(() => jest.restoreAllMocks());

it('two phones through anything: nothing entered is lost, and both end where the server is', async () => {
  let edits = 0;
  let questions = 0;
  for (let seed = FIRST; seed < FIRST + DAYS; seed += 1) {
    const { there, shown, typed, asked, lines, ticks } = await day(seed, 40);
    const end = there.current().job;
    for (const { waiting, stop, copy } of shown)
      expect([seed, waiting.length, stop, copy?.job]).toEqual([seed, 0, null, end]);
    expect([seed, lines.size]).toEqual([seed, ticks]);
    for (const [field, values] of typed) {
      edits += values.length;
      const stands = FIELDS[field].get(end);
      const last = values[values.length - 1]!;
      const oneHand = values.every(({ who }) => who === last.who);
      // One person's field is as he typed it last; one of two people's is one that somebody typed.
      if (oneHand && !asked.has(field))
        expect([seed, field, stands]).toEqual([seed, field, last.value]);
      else
        expect([seed, field, values.map(({ value }) => value)]).toEqual([
          seed,
          field,
          expect.arrayContaining([stands]),
        ]);
    }
    questions += asked.size;
  }
  expect(edits).toBeGreaterThan(8 * DAYS);
  expect(questions).toBeGreaterThan(0);
}, 600_000);

it('a backlog goes through a server that asks to be left alone for a moment', async () => {
  const there = server();
  const save = jest.mocked(api.save).getMockImplementation()!;
  let calls = 0;
  jest.spyOn(api, 'save').mockImplementation((...given) => {
    calls += 1;
    if (calls % 40 === 0) return Promise.reject(new Refused(429, [], null, 20));
    if (calls % 57 === 0) return Promise.reject(new Refused(503, [], null, 1000));
    return save(...given);
  });
  const phone = new Phone('backlog');
  await phone.open();
  there.state.away = true;
  for (let i = 1; i <= 120; i += 1) phone.hand.edit(FIELDS.spacing.set(i), `spacing ${i}`);
  await phone.outbox.rest();
  there.state.away = false;
  for (let i = 0; i < 400 && (await phone.outbox.waiting()).length > 0; i += 1) {
    await phone.outbox.send();
    await new Promise((resolve) => setTimeout(resolve, 25));
  }
  expect(there.current()).toMatchObject({ revision: 121, job: { framing: { spacing: 420 } } });
  phone.close();
}, 60_000);
