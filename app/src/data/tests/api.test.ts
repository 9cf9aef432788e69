import { newJob } from '@ogee/core/src/job';
import { api, Refused } from '../api';

const answer = (status: number, body: unknown) =>
  jest.spyOn(globalThis, 'fetch').mockResolvedValue({
    ok: status < 400,
    status,
    headers: new Headers(),
    json: () => (body === undefined ? Promise.reject(new Error('no body')) : Promise.resolve(body)),
  } as Response);

const SUMMARY = {
  id: 'j',
  name: 'Tern',
  revision: 2,
  sample: false,
  updatedAt: 't',
  deletedAt: null,
};

const JOB = newJob(
  'Tern',
  { units: 'metric', fraction: 16, pitch: 'degrees', terms: 'uk' },
  9000,
  6000,
  '35°',
);

beforeEach(() => jest.restoreAllMocks());

describe('the jobs API, as the app calls it', () => {
  it('reads the list', async () => {
    const fetched = answer(200, { jobs: [SUMMARY], next: null });
    expect(await api.list()).toEqual([SUMMARY]);
    expect(fetched.mock.calls[0]![0]).toBe('/api/jobs');
  });

  it('sends the revision it saves over', async () => {
    const fetched = answer(200, { ...SUMMARY, job: JOB });
    await api.save('j', 2, JOB, { entry: 'e', said: 'x' });
    const [path, init] = fetched.mock.calls[0]!;
    expect(path).toBe('/api/jobs/j');
    expect(init).toMatchObject({ method: 'PUT' });
    expect(JSON.parse(init!.body as string)).toMatchObject({ revision: 2, entry: 'e', said: 'x' });
  });

  it('takes an answer without a body where none is due', async () => {
    answer(204, undefined);
    expect(await api.remove('j')).toBeNull();
  });

  it('tells a conflict with what is there now', async () => {
    const problems = [{ code: 'conflict', path: 'revision', text: 'saved elsewhere' }];
    answer(409, { problems, current: { ...SUMMARY, job: JOB } });
    const refused = await api.read('j').catch((error: unknown) => error);
    expect(refused).toBeInstanceOf(Refused);
    expect(refused).toMatchObject({
      status: 409,
      current: { revision: 2 },
      message: 'saved elsewhere',
    });
  });

  it('tells a failure without problems by its number', async () => {
    answer(502, undefined);
    await expect(api.list()).rejects.toMatchObject({
      status: 502,
      message: 'the server answered 502',
      current: null,
    });
  });

  it('rejects an answer of another shape', async () => {
    answer(200, { jobs: [{ id: 7 }] });
    await expect(api.list()).rejects.toThrow();
  });
});
