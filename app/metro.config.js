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
  zod: ['/locales/index.js', '/json-schema-processors.js', '/from-json-schema.js'],
  // There is one layout, of our own, and no page that lists the routes.
  'expo-router': [
    '/layouts/Tabs',
    '/layouts/experimental-stack',
    './stack',
    './color',
    './views/Sitemap',
    '/react-navigation/bottom-tabs',
    './stack-utils',
  ],
  // Long lists are virtual by another package.
  'react-native-web': ['/exports/FlatList', '/exports/SectionList', '/exports/VirtualizedList'],
};

config.resolver.resolveRequest = (context, name, platform) => {
  const from = context.originModulePath.split('/node_modules/').at(-1).split('/')[0];
  if (name.endsWith('/native-stack/createNativeStackNavigator'))
    return { type: 'sourceFile', filePath: path.join(__dirname, 'stand-ins', 'native-stack.js') };
  return UNUSED[from]?.some((end) => name.endsWith(end))
    ? { type: 'empty' }
    : context.resolveRequest(context, name, platform);
};

// A module is run when something of it is used first: what a page does not show costs it nothing.
config.transformer.getTransformOptions = () => ({
  transform: { experimentalImportSupport: true, inlineRequires: true },
});

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
