import nextJest from 'next/jest.js';

const createJestConfig = nextJest({ dir: './' });

/**
 * Three projects: `core`, `store`, `services`, `workers`, `sync`, `words` in Node; `store` and `services`
 * and the bent requests again on PostgreSQL; `ui`, `drawing`, `workspace`, `making` in jsdom.
 */
export default async function config() {
  const node = await createJestConfig({
    displayName: 'node',
    testEnvironment: 'node',
    // A test runs in a vm, where every look-up of a global is slow: the kernels would take ten times longer.
    sandboxInjectedGlobals: ['Math'],
    testMatch: [
      '<rootDir>/{core,store,services,serving,workers,sync,words,demo,scripts,app,testing,seams}/**/*.test.ts',
    ],
    // What only a server can do, or do wrong.
    testPathIgnorePatterns: ['/node_modules/', 'store/(on-server|standby)\\.test\\.ts$'],
  })();
  const postgres = await createJestConfig({
    displayName: 'postgres',
    testEnvironment: 'node',
    sandboxInjectedGlobals: ['Math'],
    testMatch: ['<rootDir>/{store,services}/**/*.test.ts', '<rootDir>/app/fuzz.test.ts'],
    // Of SQLite's file alone: what an older one becomes, and what a killed process leaves of it.
    testPathIgnorePatterns: [
      '/node_modules/',
      'store/(upgrade|killed|killed-upgrade|held)\\.test\\.ts$',
    ],
    globalSetup: '<rootDir>/store/fixtures/start-cluster.ts',
    globalTeardown: '<rootDir>/store/fixtures/stop-cluster.ts',
    setupFiles: ['<rootDir>/store/fixtures/on-postgres.ts'],
  })();
  const dom = await createJestConfig({
    displayName: 'dom',
    testEnvironment: 'jsdom',
    testMatch: [
      '<rootDir>/{ui,drawing,workspace,making,outing}/**/*.test.{ts,tsx}',
      '<rootDir>/app/**/*.test.tsx',
    ],
    setupFilesAfterEnv: ['<rootDir>/jest.setup.ts'],
    moduleNameMapper: { '^@/(.*)$': '<rootDir>/$1' },
  })();
  // These ship as ES modules only.
  for (const project of [node, postgres, dom]) {
    project.modulePathIgnorePatterns = ['<rootDir>/.next/'];
    project.transformIgnorePatterns = [
      '/node_modules/(?!(@tanstack/(react-table|table-core|react-store|store)|tinykeys|d3-contour|d3-array|d3-force|d3-quadtree|d3-dispatch|d3-timer|internmap|ical.js|ml-[a-z-]+|is-any-array)/)',
    ];
  }
  // What takes so long hangs, also where other programs have most of the machine.
  return { projects: [node, postgres, dom], testTimeout: 600_000 };
}
