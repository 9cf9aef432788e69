const path = require('node:path');

/** Core, server and the browser tests run in plain Node; the app's components under jest-expo. */
const inNode = (name, folder) => ({
  displayName: name,
  rootDir: path.join(__dirname, folder),
  testEnvironment: 'node',
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
    inNode('core', 'core'),
    inNode('server', 'server'),
    {
      displayName: 'app',
      rootDir: path.join(__dirname, 'app'),
      preset: 'jest-expo/ios',
      testMatch: ['**/tests/*.test.{ts,tsx}'],
    },
    inNode('e2e', 'e2e'),
  ],
};
