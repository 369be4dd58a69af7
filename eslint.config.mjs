import { readFileSync } from 'node:fs';
import { URL } from 'node:url';
import js from '@eslint/js';
import next from '@next/eslint-plugin-next';
import boundaries from 'eslint-plugin-boundaries';
import hooks from 'eslint-plugin-react-hooks';
import prettier from 'eslint-config-prettier';
import tseslint from 'typescript-eslint';

/** Inside `core/`, a folder may import the ones before it, through their index.ts only. */
const CORE_ORDER = JSON.parse(readFileSync(new URL('core/order.json', import.meta.url), 'utf8'));
const coreElements = CORE_ORDER.map((name) => ({ type: `core-${name}`, pattern: `core/${name}` }));
const anyCore = CORE_ORDER.map((name) => `core-${name}`);

/** Rooms of the workspace; a later step may import an earlier one, as in core. */
const STEP_ORDER = ['day', 'read', 'spot', 'stalk', 'cast', 'bench', 'log', 'learn'];
const anyStep = STEP_ORDER.map((name) => `step-${name}`);
const rooms = ['state', 'engine', 'records', 'parts', 'section', 'hours', 'frame', 'card'];

const elements = [
  ...coreElements,
  ...['workers', 'sync', 'words', 'drawing', 'store', 'services', 'ui'].map((name) => ({
    type: name,
    pattern: name,
  })),
  ...STEP_ORDER.map((name) => ({ type: `step-${name}`, pattern: `workspace/steps/${name}` })),
  ...rooms.map((name) => ({ type: `room-${name}`, pattern: `workspace/${name}` })),
  { type: 'workspace-door', pattern: 'workspace/index.ts', mode: 'file' },
  { type: 'workspace', pattern: 'workspace/*.{ts,tsx}', mode: 'file' },
  { type: 'making', pattern: 'making' },
  // From the root: core has an outing too.
  { type: 'outing', pattern: 'outing/**', mode: 'full' },
  { type: 'serving', pattern: 'serving' },
  {
    type: 'app-server',
    pattern: 'app/**/(*.server|route|page|layout|icon).{ts,tsx}',
    mode: 'file',
  },
  { type: 'app', pattern: 'app' },
  { type: 'demo', pattern: 'demo' },
  { type: 'e2e', pattern: 'e2e' },
  { type: 'testing', pattern: 'testing' },
  { type: 'seams', pattern: 'seams' },
  // From the root: a step has the same name.
  { type: 'bench', pattern: 'bench/**', mode: 'full' },
];

const allow = (from, ...to) => ({
  from: { element: { types: from } },
  allow: { to: { element: { types: to } } },
});

/** What every room that draws may use. */
const kit = ['ui', 'words', 'drawing', 'sync', 'workers', ...anyCore];
/** What every room of the workspace may use beside the kit. */
const floor = ['room-state', 'room-engine', 'workspace'];

export const policies = [
  ...CORE_ORDER.map((name, i) =>
    allow(`core-${name}`, ...CORE_ORDER.slice(0, i + 1).map((n) => `core-${n}`)),
  ),
  allow('workers', 'workers', ...anyCore),
  allow('store', 'store', ...anyCore),
  allow('services', 'services', 'store', 'workers', ...anyCore),
  allow('serving', 'serving', 'services'),
  allow('ui', 'ui', 'core-units'),
  allow('sync', 'sync', ...anyCore),
  allow('words', 'words', ...anyCore),
  allow('drawing', 'drawing', 'workers', 'ui', 'words', ...anyCore),
  allow('room-state', 'room-state', 'workers', 'sync', ...anyCore),
  allow('room-engine', 'room-engine', 'room-state', 'workers', 'sync', ...anyCore),
  allow('workspace', ...floor, 'room-records', 'sync', 'workers', ...anyCore),
  allow('room-records', 'room-records', ...floor, 'sync', 'workers', ...anyCore),
  allow('room-parts', 'room-parts', 'room-records', ...floor, ...kit),
  ...STEP_ORDER.map((name, i) =>
    allow(
      `step-${name}`,
      ...STEP_ORDER.slice(0, i + 1).map((n) => `step-${n}`),
      'room-parts',
      'room-records',
      // The Bench draws a section of its own.
      ...(name === 'bench' ? ['room-section'] : []),
      ...floor,
      ...kit,
    ),
  ),
  allow('room-section', 'room-section', 'room-parts', ...floor, ...kit),
  allow('room-hours', 'room-hours', 'room-parts', ...floor, ...kit),
  allow(
    'room-frame',
    'room-frame',
    'room-section',
    'room-hours',
    'room-parts',
    'room-records',
    ...anyStep,
    ...floor,
    ...kit,
  ),
  allow(
    'room-card',
    'room-card',
    'room-frame',
    'room-section',
    'room-parts',
    'room-records',
    ...anyStep,
    ...floor,
    ...kit,
  ),
  allow('workspace-door', 'room-frame', 'room-state'),
  allow('making', 'making', ...kit),
  // The phone's log: neither the workspace nor a solver.
  allow('outing', 'outing', 'sync', 'words', 'ui', ...anyCore),
  allow('app', 'app', 'making', 'outing', 'workspace-door', ...kit),
  // The card is a page of its own: behind the door it would be loaded with every workspace.
  allow(
    'app-server',
    'app',
    'app-server',
    'services',
    'making',
    'outing',
    'workspace-door',
    'room-card',
    ...kit,
  ),
  allow('demo', 'demo', 'services', ...anyCore),
  allow('testing', 'testing', ...anyCore),
  // Whoever asks the same question: checks alone stand there.
  allow(
    'seams',
    'seams',
    'testing',
    'store',
    'services',
    'outing',
    'room-records',
    ...anyStep,
    ...floor,
    ...kit,
  ),
  allow(
    'bench',
    'bench',
    'demo',
    'store',
    'services',
    'room-frame',
    'room-engine',
    'room-state',
    ...kit,
  ),
  allow('e2e', 'e2e', 'demo', 'store', 'workspace-door', 'making', ...kit),
];

export default tseslint.config(
  {
    ignores: [
      // Another language: the compiler of AssemblyScript checks them.
      'core/water/assembly/{shallow,places}.ts',
      '.next/**',
      'node_modules/**',
      '.pebble/**',
      'dist-workers/**',
      'dist-serving/**',
      'public/sw.js',
      'docs/**',
      'test-results/**',
      'next-env.d.ts',
    ],
  },
  js.configs.recommended,
  ...tseslint.configs.recommended,
  {
    files: ['**/*.{ts,tsx}'],
    plugins: { boundaries, 'react-hooks': hooks, '@next/next': next },
    settings: {
      'boundaries/elements': elements,
      'boundaries/include': [
        '{core,workers,sync,words,drawing,store,services,ui,workspace,making,outing,serving,app,demo,bench,e2e,testing,seams}/**/*.{ts,tsx}',
      ],
      'import/resolver': { typescript: { alwaysTryTypes: true } },
    },
    rules: {
      ...hooks.configs['recommended-latest'].rules,
      ...next.configs.recommended.rules,
      'react-hooks/set-state-in-effect': 'off',
      'react-hooks/refs': 'off',
      'react-hooks/immutability': 'off',
      '@typescript-eslint/no-non-null-assertion': 'off',
      '@typescript-eslint/no-unused-vars': [
        'error',
        { argsIgnorePattern: '^_', varsIgnorePattern: '^_', ignoreRestSiblings: true },
      ],
      'boundaries/dependencies': ['error', { default: 'disallow', policies }],
    },
  },
  {
    // A folder of core is entered through its index.ts; core knows no clock, no chance, no DOM.
    files: ['core/**/*.ts'],
    ignores: ['core/**/*.test.ts'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          patterns: [
            {
              regex: '^\\.\\./[a-z]+/(?!index$)',
              message: 'Enter a folder of core through its index.',
            },
          ],
        },
      ],
      'no-restricted-properties': [
        'error',
        { object: 'Math', property: 'random', message: 'Pass a seeded random in.' },
        { object: 'Date', property: 'now', message: 'Pass the time in.' },
      ],
      'no-restricted-globals': ['error', 'window', 'document', 'fetch', 'process'],
    },
  },
  {
    files: ['**/*.test.{ts,tsx}', 'core/**/fixtures/**', 'e2e/**'],
    rules: { 'boundaries/dependencies': 'off' },
  },
  {
    files: ['**/*.cjs'],
    languageOptions: { globals: { module: 'writable', require: 'readonly' } },
  },
  {
    files: ['scripts/**'],
    languageOptions: { globals: { console: 'readonly', process: 'readonly' } },
  },
  prettier,
);
