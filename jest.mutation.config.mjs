import process from 'node:process';
import nextJest from 'next/jest.js';

/** The checks that a mutation of `core/{chance,log,moves}` must not live through: core's own, of what stands on them. */
export default async function config() {
  // Under the same source core changes here: nothing is kept.
  process.env.PEBBLE_KEPT = 'off';
  const node = await nextJest({ dir: './' })({
    testEnvironment: 'node',
    sandboxInjectedGlobals: ['Math'],
    testMatch: ['<rootDir>/core/{chance,log,moves,places,outing}/**/*.test.ts'],
  })();
  return { ...node, modulePathIgnorePatterns: ['<rootDir>/.next/'] };
}
