const path = require('node:path');

const cacheDirectory = path.join(__dirname, 'node_modules', '.cache', 'jest');

/** Core, server and the browser tests run in plain Node; the app's components under jest-expo. */
const inNode = (name, folder) => ({
  displayName: name,
  rootDir: path.join(__dirname, folder),
  testEnvironment: 'node',
  cacheDirectory,
  testMatch: ['**/*.test.ts'],
  testPathIgnorePatterns: ['/node_modules/', '/dist/'],
  transform: {
    '\\.tsx?$': [
      'babel-jest',
      {
        configFile: false,
        babelrc: false,
        presets: ['babel-preset-expo'],
        caller: { name: 'metro', bundler: 'metro', platform: 'node' },
      },
    ],
  },
  transformIgnorePatterns: ['/node_modules/(?!(@ogee|zod-openapi)/)'],
});

module.exports = {
  projects: [
    {
      ...inNode('core', 'core'),
      transform: { '\\.tsx?$': path.join(__dirname, 'core', 'jest-bundle.cjs') },
    },
    inNode('server', 'server'),
    {
      displayName: 'app',
      cacheDirectory,
      rootDir: path.join(__dirname, 'app'),
      preset: 'jest-expo/ios',
      testMatch: ['**/tests/*.test.{ts,tsx,js}'],
      // The icons by path are ES modules, which this preset does not transform; the package has both.
      moduleNameMapper: {
        '^lucide-react-native/icons/(.*)$': path.join(
          __dirname,
          'node_modules/lucide-react-native/dist/cjs/icons/$1.js',
        ),
      },
    },
    inNode('e2e', 'e2e'),
  ],
};
