import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { join } from 'node:path';
import subsetFont from 'subset-font';

/** The four cuts of the two families that the app is set in, by the names that page.css gives them. */
const CUTS = {
  SourceSans3_400Regular: '@expo-google-fonts/source-sans-3/400Regular/SourceSans3_400Regular.ttf',
  SourceSans3_600SemiBold:
    '@expo-google-fonts/source-sans-3/600SemiBold/SourceSans3_600SemiBold.ttf',
  BarlowCondensed_500Medium:
    '@expo-google-fonts/barlow-condensed/500Medium/BarlowCondensed_500Medium.ttf',
  BarlowCondensed_600SemiBold:
    '@expo-google-fonts/barlow-condensed/600SemiBold/BarlowCondensed_600SemiBold.ttf',
};

/**
 * What the app itself says is in the first file: letters, quotes and dashes, fractions, arrows, the signs of arithmetic.
 * Letters with other accents, for what people type, are in a second one that is fetched when one is there. First and
 * last code points; page.css names the same ranges.
 */
const PARTS = {
  '': [
    [0x20, 0x7e],
    [0xa0, 0xff],
    [0x2010, 0x2026],
    [0x2032, 0x2033],
    [0x2044, 0x2044],
    [0x2150, 0x215e],
    [0x2190, 0x2193],
    [0x2212, 0x2212],
    [0x2248, 0x2265],
    [0x2423, 0x2423],
  ],
  '.more': [[0x100, 0x17f]],
};

const text = (ranges) =>
  ranges
    .flatMap(([first, last]) =>
      Array.from({ length: last - first + 1 }, (_, at) => String.fromCodePoint(first + at)),
    )
    .join('');

/** Fonts as small as the app needs them, in public/, which the export copies. */
const FONTS = join(import.meta.dirname, 'public', 'fonts');
const require = createRequire(import.meta.url);
mkdirSync(FONTS, { recursive: true });
for (const [name, path] of Object.entries(CUTS))
  for (const [part, ranges] of Object.entries(PARTS))
    writeFileSync(
      join(FONTS, `${name}${part}.woff2`),
      await subsetFont(readFileSync(require.resolve(path)), text(ranges), {
        targetFormat: 'woff2',
        noHinting: true,
      }),
    );
