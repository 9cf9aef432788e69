import js from '@eslint/js';
import expo from 'eslint-config-expo/flat.js';
import prettier from 'eslint-config-prettier';
import tseslint from 'typescript-eslint';

const typed = ['core/**/*.ts', 'server/**/*.ts', 'app/**/*.{ts,tsx}', 'e2e/**/*.ts'];

export default tseslint.config(
  {
    ignores: [
      '**/node_modules/',
      '**/dist/',
      'app/public/',
      'app/.expo/',
      '.data/',
      'app/expo-env.d.ts',
    ],
  },
  js.configs.recommended,
  ...expo.map((config) => ({ ...config, files: config.files ?? ['app/**/*.{ts,tsx,js}'] })),
  ...tseslint.configs.strictTypeChecked.map((config) => ({ ...config, files: typed })),
  {
    files: typed,
    languageOptions: {
      parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname },
    },
    rules: {
      '@typescript-eslint/restrict-template-expressions': ['error', { allowNumber: true }],
      '@typescript-eslint/no-confusing-void-expression': ['error', { ignoreArrowShorthand: true }],
      '@typescript-eslint/array-type': 'off',
      '@typescript-eslint/no-unnecessary-condition': 'error',
      // The compiler has looked these up already.
      'import/namespace': 'off',
      'import/named': 'off',
      'import/default': 'off',
      'import/export': 'off',
      'import/no-unresolved': 'off',
    },
  },
  {
    files: ['**/*.mjs', '**/*.cjs', '**/*.config.js', 'app/babel.config.js', 'app/metro.config.js'],
    languageOptions: {
      globals: {
        console: 'readonly',
        document: 'readonly',
        process: 'readonly',
        URL: 'readonly',
        setTimeout: 'readonly',
        clearTimeout: 'readonly',
        setInterval: 'readonly',
        clearInterval: 'readonly',
        performance: 'readonly',
        fetch: 'readonly',
        module: 'writable',
        require: 'readonly',
        __dirname: 'readonly',
        __filename: 'readonly',
        Buffer: 'readonly',
        AbortSignal: 'readonly',
      },
    },
  },
  {
    files: ['app/stand-ins/tests/*.js'],
    languageOptions: {
      globals: { describe: 'readonly', expect: 'readonly', it: 'readonly', jest: 'readonly' },
    },
  },
  {
    // One ruler of slacks: `geom/tolerance.ts` names each by unit and purpose.
    files: ['core/src/**/*.ts'],
    // The steps that a guess is refined by are no slacks.
    ignores: ['core/src/geom/tolerance.ts', 'core/src/test-fit/rank.ts', '**/tests/**'],
    rules: {
      'no-restricted-syntax': [
        'error',
        {
          selector:
            'VariableDeclarator[id.name=/_(MM|MM2|MM3|SINE)$/] > Literal[value<=1][value>0]',
          message: 'A slack is a mark of the ruler in geom/tolerance.ts.',
        },
        {
          selector:
            'VariableDeclarator[id.name=/_(ALONG|NEAR|SAME)|^(ALONG|NEAR|SAME)/] > Literal[value<=0.1][value>0]',
          message: 'A slack is a mark of the ruler in geom/tolerance.ts.',
        },
        {
          selector:
            'Program > VariableDeclaration > VariableDeclarator > Literal[value<0.01][value>0]',
          message: 'A slack is a mark of the ruler in geom/tolerance.ts.',
        },
        {
          selector:
            'Program > ExportNamedDeclaration > VariableDeclaration > VariableDeclarator > Literal[value<0.01][value>0]',
          message: 'A slack is a mark of the ruler in geom/tolerance.ts.',
        },
        {
          selector: 'BinaryExpression[operator=/^[<>]=?$/] > Literal[value>0][value<1]',
          message: 'What is compared with is named: a slack by the ruler in geom/tolerance.ts.',
        },
      ],
    },
  },
  {
    // The elements of the 3D scene are not of the DOM.
    files: ['app/src/draw/frame/frame-3d.tsx'],
    rules: { 'react/no-unknown-property': 'off' },
  },
  {
    // A Rect's or Text's own x and y are taken for the deprecated transform shorthands of the same name.
    files: ['app/src/draw/**/*.tsx'],
    rules: { '@typescript-eslint/no-deprecated': 'off' },
  },
  {
    files: ['**/tests/**/*.{ts,tsx}', 'e2e/**/*.ts'],
    rules: {
      '@typescript-eslint/no-non-null-assertion': 'off',
      // A response's body is any until the test says what it should be.
      '@typescript-eslint/no-unsafe-assignment': 'off',
    },
  },
  prettier,
);
