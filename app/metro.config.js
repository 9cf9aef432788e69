const http = require('node:http');
const path = require('node:path');
const { getDefaultConfig } = require('expo/metro-config');
const { withNativeWind } = require('nativewind/metro');

const config = getDefaultConfig(__dirname);

/**
 * What packages bring along and this app never shows: left out of the first load. By package, the ends of the names they
 * are asked for by. Whoever starts to use one of them takes it off this list; the browser tests run what is left.
 */
const UNUSED = {
  // Core words its own messages, and the server alone describes its schemas.
  zod: [
    '/locales/index.js',
    '/json-schema-processors.js',
    '/json-schema-generator.js',
    '/from-json-schema.js',
    '/deep-partial.js',
    '/in-out.js',
    // The content policy forbids code made from text.
    './compile.js',
  ],
  // There is one layout, of our own, and no page that lists the routes.
  'expo-router': [
    './views/Sitemap',
    './stack-utils',
    './views/Unmatched',
    './Unmatched',
    './Toast',
    '/link/Link',
    './Link',
    './createStaticNavigation',
    './StaticNavigation',
    './DrawerRouter',
  ],
  // Drawings are made of parts, never read from text.
  'react-native-svg': ['./xml'],
  // Long lists are virtual by another package.
  'react-native-web': ['/exports/FlatList', '/exports/SectionList'],
};

/** What stands in for lists of everything, by what they are asked for by, and by which package (`app`: this one). */
const STAND_INS = [
  ['react-native.js', /^react-native(-web(\/dist\/index)?)?$/, null],
  ['expo-router.js', /^expo-router$/, 'app'],
  ['router-head.js', /^\.\/head$/, 'expo-router'],
  ['native-stack.js', /\/native-stack\/createNativeStackNavigator$/, 'expo-router'],
  ['zod.js', /^zod$/, 'app'],
  ['screens.js', /^react-native-screens$/, 'expo-router'],
  ['class-names.js', /^\.\/wrap-jsx$/, 'react-native-css-interop'],
];

/** The package a module belongs to: its name, or `app`. */
const packageOf = (modulePath) => {
  const [, inside] = modulePath.split(/.*\/node_modules\//);
  return inside === undefined ? 'app' : inside.split('/')[0];
};

// While developing, the packages are whole: their own pages and messages are wanted then.
const built = process.env.NODE_ENV === 'production';

/** Rules that something was asked for by, in this build. */
const used = new Set();
const allRules = [
  ...STAND_INS.map(([file]) => file),
  ...Object.entries(UNUSED).flatMap(([from, ends]) => ends.map((end) => `${from}: ${end}`)),
];

config.resolver.resolveRequest = (context, name, platform) => {
  if (!built) return context.resolveRequest(context, name, platform);
  const from = packageOf(context.originModulePath);
  const standIn = STAND_INS.find(
    ([, asked, by]) => asked.test(name) && (by === null || by === from),
  );
  if (standIn !== undefined) {
    used.add(standIn[0]);
    return { type: 'sourceFile', filePath: path.join(__dirname, 'stand-ins', standIn[0]) };
  }
  const unused = UNUSED[from]?.find((end) => name.endsWith(end));
  if (unused === undefined) return context.resolveRequest(context, name, platform);
  used.add(`${from}: ${unused}`);
  return { type: 'empty' };
};

// These stand on packages' insides: one that matches nothing any more would let whole packages back in, unsaid.
process.on('exit', (code) => {
  const idle = used.size === 0 ? [] : allRules.filter((rule) => !used.has(rule));
  if (code !== 0 || idle.length === 0) return;
  process.stderr.write(`rules of metro.config.js that match nothing: ${idle.join(', ')}\n`);
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
