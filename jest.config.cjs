const path = require('node:path');
const expo = require('jest-expo/ios/jest-preset');

const cacheDirectory = path.join(__dirname, 'node_modules', '.cache', 'jest');
const esbuild = path.join(__dirname, 'scripts', 'jest-esbuild.cjs');

/** Packages that are, or come as, ES modules alone: Jest runs what they are turned into. */
const ES_ONLY = 'flatbush|flatqueue|uuid';

/** Core, server and the browser tests run in plain Node; the app's components under jest-expo. */
const inNode = (name, transformer) => ({
  displayName: name,
  rootDir: path.join(__dirname, name),
  testEnvironment: 'node',
  cacheDirectory,
  testMatch: ['**/*.test.ts'],
  testPathIgnorePatterns: ['/node_modules/', '/dist/'],
  transform: { '\\.tsx?$': transformer, '/node_modules/.*\\.m?js$': esbuild },
  transformIgnorePatterns: [`/node_modules/(?!(@ogee|zod-openapi|${ES_ONLY})/)`],
});

module.exports = {
  testSequencer: path.join(__dirname, 'scripts', 'jest-sequencer.cjs'),
  projects: [
    inNode('core', path.join(__dirname, 'core', 'jest-bundle.cjs')),
    inNode('server', esbuild),
    {
      displayName: 'app',
      cacheDirectory,
      rootDir: path.join(__dirname, 'app'),
      preset: 'jest-expo/ios',
      testMatch: ['**/tests/*.test.{ts,tsx,js}'],
      // Core has no interface: it needs none of what the preset does to the app.
      transform: {
        '/core/src/.*\\.ts$': esbuild,
        [`/node_modules/(${ES_ONLY})/.*\\.js$`]: esbuild,
        ...expo.transform,
      },
      transformIgnorePatterns: expo.transformIgnorePatterns.map((pattern) =>
        pattern.replace('(?!', `(?!${ES_ONLY}|`),
      ),
      // The icons by path are ES modules, which this preset does not transform; the package has both.
      moduleNameMapper: {
        '^lucide-react-native/icons/(.*)$': path.join(
          __dirname,
          'node_modules/lucide-react-native/dist/cjs/icons/$1.js',
        ),
      },
    },
    inNode('e2e', esbuild),
  ],
};
