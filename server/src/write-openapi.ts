import { readFileSync, writeFileSync } from 'node:fs';
import { openApiDocument } from './routes/openapi';

/** Writes docs/openapi.json; with `--check`, fails when what stands there is not what the server says. */
const FILE = 'docs/openapi.json';
const text = `${JSON.stringify(openApiDocument(), null, 2)}\n`;
if (!process.argv.includes('--check')) writeFileSync(FILE, text);
else if (readFileSync(FILE, 'utf8') !== text) {
  process.stderr.write(`${FILE} is out of date; run npm run openapi\n`);
  process.exitCode = 1;
}
