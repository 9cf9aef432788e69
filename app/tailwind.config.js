const palette = require('./src/theme/palette.json');

// Every colour is a variable that the theme sets; see src/theme/theme.tsx.
const colors = Object.fromEntries(
  Object.keys(palette.light).map((name) => [name, `rgb(var(--${name}) / <alpha-value>)`]),
);

module.exports = {
  content: ['./app/**/*.tsx', './src/**/*.tsx'],
  presets: [require('nativewind/preset')],
  darkMode: 'class',
  theme: {
    colors: { ...colors, transparent: 'transparent' },
    fontFamily: {
      words: ['SourceSans3_400Regular'],
      strong: ['SourceSans3_600SemiBold'],
      figures: ['BarlowCondensed_500Medium'],
      display: ['BarlowCondensed_600SemiBold'],
    },
  },
};
