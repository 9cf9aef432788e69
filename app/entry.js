/**
 * The app starts in short steps, between which the page paints and answers: run in one go, on an old phone what the
 * pages stand on would hold it up for half a second. Each step runs what the next ones would.
 */
const STEPS = [
  () => require('react-dom/client'),
  () => require('react-native-web/dist/modules/prefixStyles'),
  () => require('react-native-web/dist/exports/StyleSheet/compiler'),
  () => require('react-native-web/dist/exports/StyleSheet/dom'),
  () => require('react-native-web/dist/exports/StyleSheet'),
  () => require('react-native-web/dist/exports/createElement'),
  () => require('react-native-web/dist/exports/View'),
  () => require('react-native-web/dist/exports/Text'),
  // The router compares names; the first time, the browser makes itself ready for every language.
  () => 'job>index'.localeCompare('job'),
  () => require('expo-router/entry'),
  // What the server's first answers are read by, made while they are on their way.
  () => require('zod/v4/core'),
  () => require('zod'),
  () => require('@ogee/core/src/job'),
];

const take = ([step, ...rest]) => {
  if (step === undefined) return;
  step();
  setTimeout(take, 0, rest);
};

take(STEPS);
