'use strict';
/**
 * Starts the built `ogee` command. What V8 compiled of it when it was built lies beside it and is taken from there;
 * another version of Node turns that down and compiles for itself.
 */
const { existsSync, readFileSync, writeFileSync } = require('node:fs');
const { join } = require('node:path');
const { Script } = require('node:vm');

const filename = join(__dirname, 'ogee.body.js');
const compiled = join(__dirname, 'ogee.compiled');
const script = new Script(
  `(function (exports, require, module) {${readFileSync(filename, 'utf8')}\n})`,
  { filename, cachedData: existsSync(compiled) ? readFileSync(compiled) : undefined },
);
script.runInThisContext()(exports, require, module);
if (process.env.OGEE_KEEP_COMPILED === '1') writeFileSync(compiled, script.createCachedData());
