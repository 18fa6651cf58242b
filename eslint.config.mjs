import { readFileSync, readdirSync } from 'node:fs';
import js from '@eslint/js';
import reactHooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

const DEVICES = new URL('packages/core/src/devices/', import.meta.url);

/** Names of kinds, and of their contacts and loads where those are no common word, as the device files give them. */
function deviceNames() {
  const texts = readdirSync(DEVICES, { recursive: true })
    .filter((file) => file.endsWith('.ts') && !file.endsWith('.test.ts'))
    .map((file) => readFileSync(new URL(file, DEVICES), 'utf8'));
  const found = (pattern) => texts.flatMap((text) => [...text.matchAll(pattern)].map(([, name]) => name));
  const kinds = found(/defineDevice\(\{\n {2}kind: '([a-z-]+)'/g);
  const elements = found(/(?:contact|load|path)\('([a-z0-9]+-[a-z0-9-]+)'/g);
  // A link of the circuit document is called a jumper too.
  return [...new Set([...kinds, ...elements])].filter((name) => name !== 'jumper');
}

/** Above the devices nobody knows one by name: what is asked of it are its traits. */
const askTraits = {
  files: ['packages/core/src/**/*.ts', 'packages/app/src/**/*.{ts,tsx}', 'packages/server/src/**/*.ts'],
  ignores: [
    'packages/core/src/devices/**',
    'packages/core/src/systems/**',
    'packages/core/src/testing/**',
    '**/*.test.{ts,tsx}',
  ],
  rules: {
    'no-restricted-syntax': [
      'error',
      {
        selector: `:not(TSLiteralType) > Literal[value=/^(${deviceNames().join('|')})$/]`,
        message: 'A kind or an element by its name: ask the device for a trait (devices/define.ts).',
      },
    ],
  },
};

/** What a page has one of hangs on its store; these alone are the page's own. */
const ofThePage = {
  files: ['packages/app/src/**/*.{ts,tsx}'],
  ignores: [
    'packages/app/src/basics/backCloses.ts',
    'packages/app/src/basics/focus.ts',
    'packages/app/src/documents/keep.ts',
    'packages/app/src/model/model.ts',
    'packages/app/src/model/worker.ts',
    'packages/app/src/store/early.ts',
    'packages/app/src/testing/**',
    '**/*.test.{ts,tsx}',
  ],
  rules: {
    'no-restricted-syntax': [
      ...askTraits.rules['no-restricted-syntax'],
      {
        selector: ':matches(Program, ExportNamedDeclaration) > VariableDeclaration[kind="let"]',
        message: 'State of the page: have the store make it (store/own.ts).',
      },
      {
        selector:
          ':matches(Program, ExportNamedDeclaration) > VariableDeclaration > VariableDeclarator > NewExpression[callee.name=/^(Weak)?(Map|Set)$/][arguments.length=0]',
        message: 'State of the page: have the store make it (store/own.ts).',
      },
    ],
  },
};

export default tseslint.config(
  {
    ignores: [
      '**/dist/**',
      '**/node_modules/**',
      '**/.expo/**',
      '.cache/**',
      '**/expo-env.d.ts',
      'test-results/**',
    ],
  },
  js.configs.recommended,
  ...tseslint.configs.strict,
  {
    rules: {
      // Indexing typed arrays and checked records is the daily work of a solver; the compiler still asks each time.
      '@typescript-eslint/no-non-null-assertion': 'off',
      '@typescript-eslint/consistent-type-imports': 'error',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', ignoreRestSiblings: true }],
    },
  },
  {
    files: ['**/*.{js,mjs,cjs}'],
    languageOptions: {
      globals: {
        process: 'readonly',
        console: 'readonly',
        URL: 'readonly',
        fetch: 'readonly',
        setTimeout: 'readonly',
        clearTimeout: 'readonly',
        module: 'writable',
        require: 'readonly',
        __dirname: 'readonly',
      },
    },
    rules: { '@typescript-eslint/no-require-imports': 'off' },
  },
  askTraits,
  ofThePage,
  { files: ['packages/app/src/**/*.{ts,tsx}'], ...reactHooks.configs.flat.recommended },
  {
    files: ['packages/app/src/**/*.{ts,tsx}'],
    ignores: ['packages/app/src/theme/**'],
    rules: {
      'no-restricted-properties': [
        'error',
        {
          object: 'StyleSheet',
          property: 'create',
          message: 'Styles are compiled when they are first used: sheet (theme/sheet.ts).',
        },
      ],
      'no-restricted-imports': [
        'error',
        {
          name: 'react-native',
          importNames: ['Pressable', 'Text'],
          message: 'Tap and AppText (basics) do the same in a fraction of the time.',
        },
      ],
    },
  },
);
