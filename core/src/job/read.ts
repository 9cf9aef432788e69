import { z } from 'zod';
import { ok, refused, type Problem, type Result } from '../problem';
import { plainly, say } from '../sentence';
import { checkJob } from './check';
import { toCurrentVersion } from './migrations';
import { withIds } from './ids';
import { isNewer, MADE_WITH, MADE_WITH_PATTERN } from './migrations/made-with';
import { oversize } from './oversize';
import { jobSchema, type Job } from './schema';

const WANTED: Readonly<Record<string, string>> = {
  string: 'text',
  number: 'a number',
  array: 'a list',
  object: 'an object { … }',
  boolean: 'true or false',
};

const wording = (issue: z.core.$ZodIssue): string => {
  switch (issue.code) {
    case 'unrecognized_keys':
      return `unknown ${issue.keys.length > 1 ? 'fields' : 'field'} ${issue.keys.map((key) => `"${key}"`).join(', ')}; remove or correct the name`;
    case 'invalid_value':
      return `expected ${issue.values.map((value) => JSON.stringify(value)).join(', ')}`;
    case 'invalid_type':
      return issue.message.startsWith('Invalid input')
        ? `${issue.input === undefined ? 'missing; ' : ''}expected ${WANTED[issue.expected] ?? issue.expected}`
        : issue.message;
    case 'too_small':
      return issue.message.startsWith('Too small')
        ? `too small; accepted is ${issue.inclusive === true ? 'at least' : 'more than'} ${issue.minimum}`
        : issue.message;
    case 'too_big':
      return issue.message.startsWith('Too big')
        ? `too big; accepted is ${issue.inclusive === true ? 'at most' : 'less than'} ${issue.maximum}`
        : issue.message;
    default:
      return issue.message;
  }
};

/** A union reports its own sentence; where one branch fits but for one inner fault, that fault says more. */
const nearest = (issue: z.core.$ZodIssue): z.core.$ZodIssue => {
  if (issue.code !== 'invalid_union') return issue;
  const inner = issue.errors.flat().filter((one) => one.code === 'custom');
  const [only] = inner;
  return inner.length === 1 && only !== undefined
    ? { ...only, path: [...issue.path, ...only.path] }
    : issue;
};

const toProblem = (raw: z.core.$ZodIssue): Problem => {
  const issue = nearest(raw);
  const path = issue.path.map((key) => (typeof key === 'number' ? key : String(key)));
  return {
    code: 'schema',
    path: path.length === 0 ? ['job'] : path,
    text: plainly(wording(issue)),
  };
};

/** Fields that this program does not know, in a file that a newer one has written: no fault of the file's. */
const fromNewer = (data: unknown, issues: readonly z.core.$ZodIssue[]): Problem | null => {
  const unknown = issues.find(({ code }) => code === 'unrecognized_keys');
  const by = z.looseObject({ madeWith: z.string().regex(MADE_WITH_PATTERN) }).safeParse(data);
  if (unknown === undefined || !by.success || !isNewer(by.data.madeWith, MADE_WITH)) return null;
  const { path } = toProblem(unknown);
  const names = unknown.code === 'unrecognized_keys' ? unknown.keys : [];
  return {
    code: 'newer',
    path,
    text: plainly(
      `the job file was made by a newer Ogee (${by.data.madeWith}), which knows ${names.map((name) => `"${name}"`).join(', ')}; this one is ${MADE_WITH}. Open it with the newer one: nothing in it was changed`,
    ),
  };
};

/** Reads data of any shape and version by the schema alone: every field there, every default written in. */
const readShape = (data: unknown): Result<Job> => {
  const large = oversize(data);
  if (large !== null) return refused([large]);
  const current = toCurrentVersion(data);
  if (!current.ok) return current;
  const parsed = jobSchema.safeParse(current.value, { reportInput: true });
  if (parsed.success) {
    const { madeWith } = parsed.data;
    const job = withIds(parsed.data);
    return ok(isNewer(MADE_WITH, madeWith) ? { ...job, madeWith: MADE_WITH } : job);
  }
  const { issues } = parsed.error;
  const newer = fromNewer(current.value, issues);
  return refused(newer === null ? issues.map(toProblem) : [newer]);
};

/** Reads a job from data of any shape. */
export const readJob = (data: unknown): Result<Job> => {
  const shape = readShape(data);
  if (!shape.ok) return shape;
  const problems = checkJob(shape.value);
  return problems.length > 0 ? refused(problems) : shape;
};

const fromText = (text: string, read: (data: unknown) => Result<Job>): Result<Job> => {
  let data: unknown;
  try {
    data = JSON.parse(text);
  } catch (error) {
    const why = error instanceof Error ? error.message : 'unreadable';
    return refused([
      { code: 'not-json', path: ['file'], text: say`not JSON (${why}); expected an ogee-job file` },
    ]);
  }
  return read(data);
};

/** Reads a job from the text of a job file. */
export const readJobText = (text: string): Result<Job> => fromText(text, readJob);

/**
 * Reads a job back from where it was kept: fields that came later get their defaults. What the checks have learnt to
 * refuse since is given back nevertheless, to be put right.
 */
export const jobFromStore = (text: string): Result<Job> => fromText(text, readShape);
