import { parseArgs } from 'node:util';
import { cutListCsv } from '../export';
import { readJobText } from '../job';
import { problemLine, type Problem } from '../problem';
import { solve } from '../solve';

const USAGE = `usage: ogee cutlist JOB.json [--format json|csv]
`;

export interface Outcome {
  readonly code: 0 | 1 | 2;
  readonly out: string;
  readonly err: string;
}

const misused = (why: string): Outcome => ({ code: 1, out: '', err: `ogee: ${why}\n${USAGE}` });

const refusal = (problems: readonly Problem[]): Outcome => ({
  code: 2,
  out: '',
  err: problems.map((problem) => `${problemLine(problem)}\n`).join(''),
});

const cutlist = (text: string, format: string): Outcome => {
  const job = readJobText(text);
  if (!job.ok) return refusal(job.problems);
  const solution = solve(job.value);
  if (!solution.ok) return refusal(solution.problems);
  const { cuts } = solution.value;
  const out = format === 'csv' ? cutListCsv(cuts) : `${JSON.stringify(cuts, null, 2)}\n`;
  return { code: 0, out, err: '' };
};

/**
 * The `ogee` command without its process: words and a way to read files in, exit code and text out.
 * Exit 0 done, 2 the input is refused (one line a problem), 1 anything else.
 */
export const run = (words: readonly string[], read: (file: string) => string): Outcome => {
  let parsed;
  try {
    parsed = parseArgs({
      args: [...words],
      allowPositionals: true,
      options: { format: { type: 'string', default: 'json' } },
    });
  } catch (error) {
    return misused(error instanceof Error ? error.message : 'the words are off');
  }
  const [command, file, ...more] = parsed.positionals;
  const { format } = parsed.values;
  if (command !== 'cutlist') return misused(`there is no command "${command ?? ''}"`);
  if (file === undefined || more.length > 0) return misused('give one job file');
  if (format !== 'json' && format !== 'csv') return misused(`there is no format "${format}"`);
  let text: string;
  try {
    text = read(file);
  } catch {
    return misused(`${file} cannot be read`);
  }
  return cutlist(text, format);
};
