import js from '@eslint/js';
import boundaries from 'eslint-plugin-boundaries';
import { createTypeScriptImportResolver } from 'eslint-import-resolver-typescript';
import importX from 'eslint-plugin-import-x';
import reactHooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

const PROJECTS = ['tsconfig.app.json', 'tsconfig.node.json'];
/** The folders of the core in their order: each may import those before it, and the files beside them. */
const CORE_ORDER = [
  'anatomy',
  'geometry',
  'signal',
  'statistics',
  'model',
  'timing',
  'sound',
  'calibration',
  'tracks',
  'detections',
  'trial',
  'reconstruction',
  'quantities',
  'events',
  'measures',
  'comparison',
  'judgement',
  'planning',
  'reliability',
  'coaching',
  'scene',
  'talk',
];
/** The folders of the application layer, by topic; each may import those before it, too. */
const APPLICATION_ORDER = [
  'stores',
  'files',
  'bench',
  'analysis',
  'talk',
  'session',
  'events',
  'clips',
  'tracks',
  'comparison',
  'findings',
  'movement',
  'keeping',
  'intake',
  'export',
  'season',
];
const within = (layer) => (folder) => `${layer}-${folder}`;
/** All folders of a layer that has an order of its own, for the layers above it. */
const WHOLE = {
  core: ['core', ...CORE_ORDER.map(within('core'))],
  application: APPLICATION_ORDER.map(within('application')),
};
/** What every folder of the application layer may import besides those before it. */
const BELOW_APPLICATION = ['core', 'movements', 'formats', 'media', 'rendering', 'report', 'storage'];

/** Who may import whom; everything that is not listed is forbidden. */
const MAY_IMPORT = {
  // What is said, and nothing else: everything may say it.
  text: [],
  // Units, results and readings stand under all of them.
  core: [],
  ...Object.fromEntries(WHOLE.core.slice(1).map((folder, i) => [folder, WHOLE.core.slice(0, i + 1)])),
  movements: ['core'],
  formats: ['core'],
  media: ['core'],
  rendering: ['core'],
  report: ['core', 'movements'],
  storage: ['core', 'formats'],
  ...Object.fromEntries(
    WHOLE.application.map((folder, i) => [folder, [...BELOW_APPLICATION, ...WHOLE.application.slice(0, i)]]),
  ),
  ui: ['core', 'movements', 'application', 'rendering', 'ui-charts'],
  // Charts are given what they draw: they know no store.
  'ui-charts': ['core', 'rendering'],
  app: ['core', 'movements', 'application', 'rendering', 'ui', 'ui-charts'],
  server: [],
  cli: ['core', 'movements', 'formats', 'report', 'media', 'server'],
  demo: ['core', 'movements', 'formats', 'cli', 'server'],
  bench: ['core', 'movements', 'formats', 'media', 'demo', 'tests'],
  // The worker that makes films is tried in a page of its own.
  tests: ['core', 'movements', 'formats', 'media', 'report', 'storage', 'server', 'demo', 'cli', 'application-export'],
  scripts: ['core', 'formats'],
};
/** A layer above one that has an order may import any of it. */
const expanded = (type, allowed) =>
  WHOLE.core.includes(type) ? allowed : allowed.flatMap((layer) => WHOLE[layer] ?? [layer]);
/** @param {readonly string[]} everywhere what every layer may import besides */
const layerRule = (everywhere) => [
  'error',
  {
    default: 'disallow',
    policies: [
      { allow: { to: { module: { origin: ['external', 'core'] } } } },
      ...Object.entries(MAY_IMPORT).map(([type, allowed]) => ({
        from: { element: { type } },
        allow: { to: { element: { types: { anyOf: [type, ...expanded(type, [...allowed, ...everywhere])] } } } },
      })),
    ],
  },
];
const patternOf = (type) => (outside.has(type) ? type : `src/${type.replace(/^(core|application|ui)-/, '$1/')}`);
const outside = new Set(['cli', 'server', 'demo', 'bench', 'tests', 'scripts']);

export default tseslint.config(
  {
    ignores: [
      'dist/',
      'node_modules/',
      'public/',
      'coverage/',
      'test-results/',
      'playwright-report/',
      '.tmp/',
      '.weights/',
    ],
  },
  js.configs.recommended,
  ...tseslint.configs.recommended,
  {
    files: ['**/*.{ts,tsx}'],
    plugins: { boundaries, 'import-x': importX },
    languageOptions: {
      parserOptions: { project: PROJECTS, tsconfigRootDir: import.meta.dirname },
    },
    settings: {
      'import/resolver': {
        typescript: { project: PROJECTS, noWarnOnMultipleProjects: true },
      },
      'import-x/resolver-next': [createTypeScriptImportResolver({ project: PROJECTS, noWarnOnMultipleProjects: true })],
      'import-x/parsers': { '@typescript-eslint/parser': ['.ts', '.tsx'] },
      'boundaries/elements': Object.keys(MAY_IMPORT)
        .reverse()
        .map((type) => ({
          type,
          // The whole path counts: there is a `bench` screen inside `ui`, too.
          partialMatch: false,
          pattern: patternOf(type),
        })),
    },
    rules: {
      'boundaries/dependencies': layerRule(['text']),
      'import-x/no-cycle': 'error',
      '@typescript-eslint/switch-exhaustiveness-check': ['error', { considerDefaultExhaustiveForUnions: true }],
      '@typescript-eslint/no-floating-promises': 'error',
      '@typescript-eslint/no-misused-promises': ['error', { checksVoidReturn: { attributes: false } }],
      '@typescript-eslint/explicit-module-boundary-types': 'off',
      '@typescript-eslint/consistent-type-imports': 'error',
      eqeqeq: ['error', 'always', { null: 'ignore' }],
      'no-console': 'off',
      'max-lines': ['error', { max: 300 }],
    },
  },
  {
    // Data may be as long as it is.
    files: ['src/movements/*.ts', 'demo/athlete/*-keys.ts'],
    rules: { 'max-lines': 'off' },
  },
  {
    // The core is told everything it needs: it has no clock, no dice, no console and no packages but the schema library.
    files: ['src/core/**/*.ts', 'src/movements/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: {
      'no-console': 'error',
      'no-restricted-properties': [
        'error',
        { object: 'Math', property: 'random' },
        { object: 'Date', property: 'now' },
      ],
      'no-restricted-imports': [
        'error',
        { patterns: [{ regex: '^(?!\\.|zod$)', message: 'The core depends on nothing but zod.' }] },
      ],
    },
  },
  {
    files: ['src/**/*.tsx', 'src/**/*.ts'],
    plugins: { 'react-hooks': reactHooks },
    // The React Compiler is not used: what it could not keep memoised is no finding.
    rules: { ...reactHooks.configs.recommended.rules, 'react-hooks/preserve-manual-memoization': 'off' },
  },
  {
    // What is read on a screen stands in the catalogue, where it can be read through in one place.
    files: ['src/ui/**/*.tsx', 'src/app/**/*.tsx'],
    rules: {
      'no-restricted-syntax': [
        'error',
        { selector: 'JSXText[value=/[A-Za-z]{2}/]', message: 'Put the words into src/text.' },
        {
          selector: `JSXAttribute[name.name=/^(label|title|placeholder|helperText|alt|aria-label)$/] > Literal[value=/[A-Za-z]{2}/]`,
          message: 'Put the words into src/text.',
        },
        {
          selector: `JSXAttribute[name.name=/^(label|title|placeholder|helperText|alt|aria-label)$/] TemplateElement[value.raw=/[A-Za-z]{2}/]`,
          message: 'Put the words into src/text.',
        },
        {
          selector: 'JSXElement > JSXExpressionContainer > TemplateLiteral > TemplateElement[value.raw=/[A-Za-z]{2}/]',
          message: 'Put the words into src/text.',
        },
        {
          selector: 'JSXElement > JSXExpressionContainer > ConditionalExpression > Literal[value=/[A-Za-z]{2}/]',
          message: 'Put the words into src/text.',
        },
      ],
    },
  },
  {
    // Tests beside the code share fixtures, and may look at what is built on it.
    files: ['src/**/*.test.ts', 'server/**/*.test.ts'],
    rules: { 'boundaries/dependencies': layerRule(['text', 'tests', ...WHOLE.core]) },
  },
  {
    files: ['src/application/**/*.test.ts'],
    rules: { 'boundaries/dependencies': layerRule(['text', 'tests', ...WHOLE.core, ...WHOLE.application]) },
  },
  { files: ['**/*.mjs'], languageOptions: { globals: { process: 'readonly', console: 'readonly' } } },
);
