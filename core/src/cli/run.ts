import { parseArgs } from 'node:util';
import { markOf } from '../cuts';
import { cutListCsv, framingObj } from '../export';
import type { FitReport } from '../fit';
import { readJobText } from '../job';
import { spoken } from '../sentence';
import { problemLine, type Problem } from '../problem';
import { fit, solve, withheldOf, type Solution } from '../solve';

const USAGE = `usage: ogee cutlist JOB.json [--format json|csv] [--strict]
       ogee fit JOB.json [--strict]
       ogee export JOB.json --to obj [--strict]
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

interface Flags {
  readonly format: string;
  readonly to: string | undefined;
}

const json = (value: unknown): string => `${JSON.stringify(value, null, 2)}\n`;

/** What each command prints of a solved job; a sentence where its flags are off. */
const COMMANDS: Readonly<
  Record<string, (flags: Flags) => ((solution: Solution) => string) | string>
> = {
  cutlist: ({ format }) => {
    if (format === 'json')
      return (solution) => json({ ...solution.cuts, withheld: withheldOf(solution) });
    return format === 'csv' ? ({ cuts }) => cutListCsv(cuts) : `there is no format "${format}"`;
  },
  fit: () => (solution) => json({ ...printedFit(fit(solution)), withheld: withheldOf(solution) }),
  export: ({ to }) =>
    to === 'obj'
      ? (solution) => framingObj(solution.members, markOf(solution))
      : `there is no export to "${to ?? ''}"`,
};

/** A report whose findings are told in words. */
const printedFit = (report: FitReport): object => ({
  ...report,
  problems: report.problems.map((problem) => ({ ...problem, text: spoken(problem.text) })),
});

const printed = (text: string, print: (solution: Solution) => string, strict: boolean): Outcome => {
  const job = readJobText(text);
  if (!job.ok) return refusal(job.problems);
  const solution = solve(job.value);
  if (!solution.ok) return refusal(solution.problems);
  const { withheld } = solution.value;
  if (strict && withheld.length > 0) return refusal(withheld.map(({ problem }) => problem));
  return {
    code: 0,
    out: print(solution.value),
    err: withheld.map(({ problem }) => `${problemLine(problem)}\n`).join(''),
  };
};

/**
 * The `ogee` command without its process: words and a way to read files in, exit code and text out.
 * Exit 0 done, with a line for each part that is withheld; 2 the input is refused (one line a problem), or, with `--strict`,
 * a part of it is withheld; 1 anything else.
 */
export const run = (words: readonly string[], read: (file: string) => string): Outcome => {
  let parsed;
  try {
    parsed = parseArgs({
      args: [...words],
      allowPositionals: true,
      options: {
        format: { type: 'string', default: 'json' },
        to: { type: 'string' },
        strict: { type: 'boolean', default: false },
      },
    });
  } catch (error) {
    return misused(error instanceof Error ? error.message : 'the words are off');
  }
  const [command, file, ...more] = parsed.positionals;
  const { format, to, strict } = parsed.values;
  const chosen = Object.hasOwn(COMMANDS, command ?? '') ? COMMANDS[command ?? ''] : undefined;
  if (chosen === undefined) return misused(`there is no command "${command ?? ''}"`);
  if (file === undefined || more.length > 0) return misused('give one job file');
  const print = chosen({ format, to });
  if (typeof print === 'string') return misused(print);
  let text: string;
  try {
    text = read(file);
  } catch {
    return misused(`${file} cannot be read`);
  }
  return printed(text, print, strict);
};
