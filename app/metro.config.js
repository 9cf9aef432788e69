const http = require('node:http');
const path = require('node:path');
const { getDefaultConfig } = require('expo/metro-config');
const { withNativeWind } = require('nativewind/metro');
const { RULES, STAND_INS, UNUSED } = require('./stand-ins/rules');

const config = getDefaultConfig(__dirname);

/** The package a module belongs to: its name, or `app`. */
const packageOf = (modulePath) => {
  const [, inside] = modulePath.split(/.*\/node_modules\//);
  return inside === undefined ? 'app' : inside.split('/')[0];
};

// While developing, the packages are whole: their own pages and messages are wanted then.
const built = process.env.NODE_ENV === 'production';

/** A rule that this build does without, to see what it saves: `node scripts/bench-stand-ins.mjs`. */
const without = process.env.OGEE_WITHOUT_RULE;

/** Rules that something was asked for by, in this build. */
const used = new Set(without === undefined ? [] : [without]);

config.resolver.resolveRequest = (context, name, platform) => {
  const whole = () => context.resolveRequest(context, name, platform);
  if (!built) return whole();
  const from = packageOf(context.originModulePath);
  const standIn = STAND_INS.find(
    ([, asked, by]) => asked.test(name) && (by === null || by === from),
  );
  const end = UNUSED[from]?.find((one) => name.endsWith(one));
  const rule = standIn === undefined ? end && `${from}: ${end}` : standIn[0];
  if (rule === undefined || rule === without) return whole();
  used.add(rule);
  return standIn === undefined
    ? { type: 'empty' }
    : { type: 'sourceFile', filePath: path.join(__dirname, 'stand-ins', standIn[0]) };
};

// These stand on packages' insides: one that matches nothing any more would let whole packages back in, unsaid.
process.on('exit', (code) => {
  const idle = used.size === 0 ? [] : RULES.filter((rule) => !used.has(rule));
  if (code !== 0 || idle.length === 0) return;
  process.stderr.write(`rules of stand-ins/rules.js that match nothing: ${idle.join(', ')}\n`);
  process.exitCode = 1;
});

// A module is run when something of it is used first: what a page does not show costs it nothing.
config.transformer.getTransformOptions = () => ({
  transform: { experimentalImportSupport: true, inlineRequires: true },
});

config.transformer.minifierPath = require.resolve('./minify.js');
config.transformer.minifierConfig = {};

// While developing, the page comes from Metro and the jobs from the server beside it.
const apiPort = process.env.OGEE_API_PORT;
if (apiPort) {
  config.server.enhanceMiddleware = (middleware) => (request, response, next) => {
    if (!request.url.startsWith('/api/')) return middleware(request, response, next);
    const { url, method, headers } = request;
    const onward = http.request({ port: apiPort, path: url, method, headers }, (answer) => {
      response.writeHead(answer.statusCode, answer.headers);
      answer.pipe(response);
    });
    onward.on('error', () => response.writeHead(502).end());
    request.pipe(onward);
  };
}

module.exports = withNativeWind(config, { input: './src/theme/global.css', inlineRem: 16 });
