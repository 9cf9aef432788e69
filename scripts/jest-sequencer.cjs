const Sequencer = require('@jest/test-sequencer').default;

/** What takes longest, by its place; all others are small beside these. */
const LONG = [
  'core/src/tests/asked-share',
  'e2e/access',
  'e2e/entries',
  'e2e/houses',
  'e2e/wide',
  'core/src/fit/tests/spoiling',
  'core/src/steps/tests/sawyer',
  'core/src/tests/properties',
  'e2e/',
];

const rank = ({ path }) => {
  const at = LONG.findIndex((place) => path.includes(place));
  return at < 0 ? LONG.length : at;
};

/** Suites that take long start first, so that no worker is left with one when the others are done. */
module.exports = class extends Sequencer {
  sort(tests) {
    return super.sort(tests).sort((one, other) => rank(one) - rank(other));
  }
};
