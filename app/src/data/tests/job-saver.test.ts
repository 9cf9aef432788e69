import { newJob, type Job, type StoredJob } from '@ogee/core';
import { api, Refused } from '../api';
import { readDraft, writeDraft } from '../draft';
import { JobSaver } from '../job-saver';

const DISPLAY = { units: 'metric', fraction: 16, pitch: 'degrees', terms: 'uk' } as const;

const job = (name: string): Job => newJob(name, DISPLAY, 9000, 6000, '35°');
const stored = (revision: number, name = 'Tern House'): StoredJob => ({
  id: 'j',
  name,
  revision,
  sample: false,
  updatedAt: '2026-01-01T00:00:00Z',
  deletedAt: null,
  job: job(name),
});
const rename = (name: string) => (before: Job) => ({ ...before, name });

const kept = new Map<string, string>();
beforeEach(() => {
  jest.useFakeTimers();
  jest.restoreAllMocks();
  kept.clear();
  Object.defineProperty(globalThis, 'localStorage', {
    configurable: true,
    value: {
      getItem: (key: string) => kept.get(key) ?? null,
      setItem: (key: string, value: string) => kept.set(key, value),
      removeItem: (key: string) => kept.delete(key),
    },
  });
});
afterEach(() => jest.useRealTimers());

const open = (from = stored(1)) => new JobSaver('j', from, jest.fn());
const settle = () => jest.advanceTimersByTimeAsync(600);

describe('JobSaver', () => {
  it('saves once after a burst of edits, over the revision it knows', async () => {
    const save = jest.spyOn(api, 'save').mockResolvedValue(stored(2, 'c'));
    const saver = open();
    for (const name of ['a', 'b', 'c']) saver.edit(rename(name));
    expect(saver.read().state).toBe('waiting');
    expect(readDraft('j')?.job.name).toBe('c');
    await settle();
    expect(save).toHaveBeenCalledTimes(1);
    expect(save).toHaveBeenCalledWith('j', 1, expect.objectContaining({ name: 'c' }));
    expect(saver.read()).toMatchObject({ state: 'saved', revision: 2 });
    expect(readDraft('j')).toBeNull();
  });

  it('keeps an edit made while a save was under way, and saves it next', async () => {
    let answer: (value: StoredJob) => void = () => undefined;
    const save = jest
      .spyOn(api, 'save')
      .mockImplementationOnce(() => new Promise((resolve) => (answer = resolve)));
    save.mockResolvedValueOnce(stored(3, 'late'));
    const saver = open();
    saver.edit(rename('early'));
    await settle();
    saver.edit(rename('late'));
    answer(stored(2, 'early'));
    await settle();
    expect(save).toHaveBeenLastCalledWith('j', 2, expect.objectContaining({ name: 'late' }));
    expect(saver.read()).toMatchObject({ state: 'saved', revision: 3, job: { name: 'late' } });
  });

  it('never has two saves under way, however slow the first', async () => {
    const answers: ((value: StoredJob) => void)[] = [];
    const save = jest
      .spyOn(api, 'save')
      .mockImplementation(() => new Promise((resolve) => answers.push(resolve)));
    const saver = open();
    saver.edit(rename('early'));
    await settle();
    for (const name of ['later', 'last']) {
      saver.edit(rename(name));
      await settle();
    }
    expect(save).toHaveBeenCalledTimes(1);
    answers[0]!(stored(2, 'early'));
    await settle();
    expect(save).toHaveBeenCalledTimes(2);
    expect(save).toHaveBeenLastCalledWith('j', 2, expect.objectContaining({ name: 'last' }));
    answers[1]!(stored(3, 'last'));
    await settle();
    expect(saver.read()).toMatchObject({ state: 'saved', revision: 3 });
  });

  it('holds what the job’s checks refuse, on the device', async () => {
    const save = jest.spyOn(api, 'save');
    const saver = open();
    saver.edit((now) => ({ ...now, framing: { ...now.framing, spacing: 1 } }));
    await settle();
    expect(saver.read().state).toBe('held');
    expect(save).not.toHaveBeenCalled();
    expect(readDraft('j')?.job.framing.spacing).toBe(1);
  });

  it('tries again when the server is away', async () => {
    const save = jest.spyOn(api, 'save').mockRejectedValueOnce(new TypeError('Failed to fetch'));
    save.mockResolvedValueOnce(stored(2));
    const saver = open();
    saver.edit(rename('x'));
    await settle();
    expect(saver.read().state).toBe('away');
    await jest.advanceTimersByTimeAsync(4100);
    expect(saver.read().state).toBe('saved');
  });

  it('stops at a conflict, and saves mine over theirs only when told', async () => {
    const save = jest
      .spyOn(api, 'save')
      .mockRejectedValueOnce(new Refused(409, [], stored(5, 'theirs')));
    const saver = open();
    saver.edit(rename('mine'));
    await settle();
    expect(saver.read()).toMatchObject({
      state: 'conflict',
      job: { name: 'mine' },
      theirs: { revision: 5 },
    });
    saver.edit(rename('mine still'));
    await settle();
    expect(save).toHaveBeenCalledTimes(1);
    save.mockResolvedValueOnce(stored(6, 'mine still'));
    await saver.keepMine();
    expect(save).toHaveBeenLastCalledWith('j', 5, expect.objectContaining({ name: 'mine still' }));
    expect(saver.read()).toMatchObject({ state: 'saved', revision: 6, theirs: null });
  });

  it('taking theirs puts mine into the history first', async () => {
    jest
      .spyOn(api, 'save')
      .mockRejectedValueOnce(new Refused(409, [], stored(5, 'theirs')))
      .mockResolvedValueOnce(stored(6, 'mine'));
    const restore = jest.spyOn(api, 'restore').mockResolvedValue(stored(7, 'theirs'));
    const saver = open();
    saver.edit(rename('mine'));
    await settle();
    await saver.takeTheirs();
    expect(restore).toHaveBeenCalledWith('j', 5, 6);
    expect(saver.read()).toMatchObject({ state: 'saved', revision: 7, job: { name: 'theirs' } });
  });

  it('takes up a draft after a reload; asks when the job has moved on since', () => {
    jest.spyOn(api, 'save').mockResolvedValue(stored(2));
    writeDraft('j', { over: 1, job: job('draft') });
    expect(open(stored(1)).read()).toMatchObject({ state: 'waiting', job: { name: 'draft' } });
    expect(open(stored(4, 'theirs')).read()).toMatchObject({
      state: 'conflict',
      theirs: { revision: 4 },
    });
  });

  it('follows another tab when nothing here is unsaved', () => {
    const saver = open();
    saver.meet(stored(3, 'theirs'));
    expect(saver.read()).toMatchObject({ state: 'saved', revision: 3, job: { name: 'theirs' } });
    saver.edit(rename('mine'));
    saver.meet(stored(4, 'again'));
    expect(saver.read()).toMatchObject({ state: 'conflict', job: { name: 'mine' } });
  });
});
