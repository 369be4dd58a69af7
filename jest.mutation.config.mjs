import process from 'node:process';
import nextJest from 'next/jest.js';

/** The checks that a mutation of `core/{chance,log,moves}` must not live through: those of these folders. */
export default async function config() {
  // Under the same source core changes here: nothing is kept.
  process.env.PEBBLE_KEPT = 'off';
  const node = await nextJest({ dir: './' })({
    testEnvironment: 'node',
    sandboxInjectedGlobals: ['Math'],
    testMatch: [`<rootDir>/core/${process.env.PEBBLE_MUTATE ?? '{chance,log,moves}'}/**/*.test.ts`],
  })();
  return {
    ...node,
    modulePathIgnorePatterns: ['<rootDir>/.next/'],
    // Thousands of draws: a minute for each mutation, and what they hold the others hold too.
    testPathIgnorePatterns: ['chance/chance\\.test', 'log/depth-pattern\\.test'],
  };
}
