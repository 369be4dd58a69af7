// Mutations of the heart: `npx stryker run`, not a part of ./pebble test. What lives is read, and killed
// or named in docs/validation.md. One folder alone: npx stryker run --mutate 'core/moves/**/*.ts'
export default {
  testRunner: 'jest',
  jest: { configFile: 'jest.mutation.config.mjs', enableFindRelatedTests: false },
  coverageAnalysis: 'perTest',
  mutate: [
    'core/{chance,log,moves}/**/*.ts',
    '!core/**/*.test.ts',
    '!core/**/fixtures/**',
    '!core/**/index.ts',
    // Held by two hundred simulated days alone.
    '!core/log/depth-pattern.ts',
  ],
  // A constant of a sentence or of a document is told by whoever reads it.
  mutator: { excludedMutations: ['StringLiteral'] },
  concurrency: 2,
  timeoutMS: 20_000,
  dryRunTimeoutMinutes: 30,
  reporters: ['clear-text', 'json', 'progress-append-only'],
  clearTextReporter: { allowColor: false, logTests: false },
  jsonReporter: { fileName: '.pebble/mutations.json' },
  tempDirName: '.pebble/stryker',
  ignorePatterns: [
    '.next',
    '.pebble',
    'docs',
    'dist-serving',
    'dist-workers',
    'test-results',
    'public',
  ],
};
