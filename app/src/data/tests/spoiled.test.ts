import 'fake-indexeddb/auto';
import { newJob } from '@ogee/core/src/job';
import { openDB } from 'idb';
import { openDevice } from '../device';
import { openLogShelf } from '../log-shelf';

/** What a damaged disk, or another program, may have left in the stores of this device. */
const JUNK = [
  null,
  7,
  'x',
  [],
  {},
  { at: 'x' },
  { entry: { kind: 'tick' } },
  { theirs: { id: 1 } },
];

const job = newJob(
  'kept',
  { units: 'metric', fraction: 16, pitch: 'degrees', terms: 'uk' },
  9000,
  6000,
  '35°',
);

/** Puts each piece of junk into each store, under the key that the store asks for. */
const spoil = async (name: string): Promise<void> => {
  const database = await openDB(name);
  for (const store of database.objectStoreNames)
    for (const [at, junk] of JUNK.entries()) {
      const keyed = { id: `junk ${at}`, jobId: 'j', path: `p ${at}`, at: 'device' };
      const plain = typeof junk === 'object' && !Array.isArray(junk) ? junk : { junk };
      await database.put(store, { ...keyed, ...plain });
    }
  database.close();
};

it('what cannot be read of a job is set aside or found out anew, and the rest stands', async () => {
  const device = openDevice();
  const entry = { act: 'save', job, said: 'Kept' } as const;
  await device.append('j', 'a', () => entry);
  await device.setTyped('j', 'ridge', '12 1/');
  await spoil('ogee');
  expect((await device.waiting()).map(({ said }) => said)).toEqual(['Kept']);
  expect(await device.aside()).toBeGreaterThanOrEqual(JUNK.length);
  expect(await device.copies()).toEqual([]);
  expect(await device.stops()).toEqual([]);
  expect([...(await device.typed('j'))]).toEqual([['ridge', '12 1/']]);
});

it('a line of a log that cannot be read is neither shown nor sent, and stays, and is counted', async () => {
  const shelf = openLogShelf();
  const id = '0b0c7a52-6d53-4b8c-9f57-0c9d2a4f8e11';
  const note = { id, at: '2026-05-01T08:00:00Z', by: '', kind: 'note', text: 'Kept' } as const;
  await shelf.add('j', [note]);
  await spoil('ogee-log');
  expect((await shelf.kept('j')).lines.map(({ entry }) => entry)).toEqual([note]);
  expect((await shelf.waiting()).map(({ entry }) => entry)).toEqual([note]);
  expect((await shelf.kept('j')).unread).toBe(JUNK.length);
  expect((await shelf.kept('another')).unread).toBe(0);
  const database = await openDB('ogee-log');
  expect(await database.count('lines')).toBeGreaterThan(1);
  database.close();
});
