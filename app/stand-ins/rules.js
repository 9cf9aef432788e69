/**
 * What packages bring along and this app never shows: left out of the first load. By package, the ends of the names they
 * are asked for by. Whoever starts to use one of them takes it off this list; the browser tests run what is left.
 */
const UNUSED = {
  // Core words its own messages, and the server alone describes its schemas.
  zod: [
    '/locales/index.js',
    '/json-schema-processors.js',
    '/from-json-schema.js',
    // The content policy forbids code made from text.
    './compile.js',
  ],
  // There is one layout, of our own, and no page that lists the routes.
  'expo-router': [
    './views/Sitemap',
    './stack-utils',
    './Toast',
    '/link/Link',
    './StaticNavigation',
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

/** Each rule by its name. */
const RULES = [
  ...STAND_INS.map(([file]) => file),
  ...Object.entries(UNUSED).flatMap(([from, ends]) => ends.map((end) => `${from}: ${end}`)),
];

/** The rule that saves no bytes: half the components, and so half the time, of all that is drawn. */
const BY_TIME = 'class-names.js';

module.exports = { BY_TIME, RULES, STAND_INS, UNUSED };
