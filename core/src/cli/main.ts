import { readFileSync } from 'node:fs';
import { run } from './run';

const { code, out, err } = run(process.argv.slice(2), (file) => readFileSync(file, 'utf8'));
if (err !== '') process.stderr.write(err);
process.stdout.write(out);
process.exitCode = code;
