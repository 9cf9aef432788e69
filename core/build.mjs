import { spawnSync } from 'node:child_process';
import { readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { build } from 'esbuild';

const HERE = import.meta.dirname;
const DIST = join(HERE, 'dist');

/** A plain house: what the command compiles to work it out is kept beside it, so that no start compiles it again. */
const WARMING = {
  format: 'ogee-job',
  version: 1,
  name: 'warming',
  timber: {
    common: { thickness: 38, depth: 184 },
    hip: { thickness: 38, depth: 235 },
    ridge: { thickness: 38, depth: 235 },
    fascia: { thickness: 19, depth: 184 },
    collarTie: { thickness: 38, depth: 89 },
    plateWidth: 140,
  },
  framing: { spacing: 600, seat: { depthFraction: 0.25 } },
  collarTies: { bottom: 'upper-third', every: 2 },
  openings: [
    { name: 'hatch', block: 'main', side: 0, along: [4000, 4800], up: [900, 1500], clearance: 25 },
  ],
  blocks: [
    {
      id: 'main',
      outline: [
        [0, 0],
        [9000, 0],
        [9000, 6000],
        [0, 6000],
      ],
      sides: [
        { roof: 'eave', pitch: '9/12', overhang: 450 },
        { roof: 'eave', pitch: '9/12', overhang: 450 },
        { roof: 'eave', pitch: '9/12', overhang: 450 },
        { roof: 'gable', overhang: 300 },
      ],
    },
  ],
};

/** The `ogee` command as one file for Node, what starts it, and what it has compiled of itself. */
export const buildCommand = async () => {
  // First: V8 knows what it compiled by the length of its source alone, so it may never lie beside another's.
  rmSync(join(DIST, 'ogee.compiled'), { force: true });
  await build({
    entryPoints: [join(HERE, 'src', 'cli', 'main.ts')],
    outfile: join(DIST, 'ogee.body.js'),
    bundle: true,
    platform: 'node',
    format: 'cjs',
    target: 'node20',
    minify: true,
    logLevel: 'warning',
  });
  writeFileSync(join(DIST, 'ogee.cjs'), readFileSync(join(HERE, 'src', 'cli', 'start.cjs')));
  const job = join(tmpdir(), `ogee-warming-${process.pid}.json`);
  writeFileSync(job, JSON.stringify(WARMING));
  const { status, stderr } = spawnSync(process.execPath, [join(DIST, 'ogee.cjs'), 'cutlist', job], {
    env: { ...process.env, OGEE_KEEP_COMPILED: '1' },
    encoding: 'utf8',
  });
  rmSync(job);
  if (status !== 0) throw new Error(`the command does not work out a plain house: ${stderr}`);
};

if (process.argv[1] === import.meta.filename) await buildCommand();
