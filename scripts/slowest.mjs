// The twenty slowest checks of the last whole run, of .pebble/unit.json and .pebble/e2e.json.
import { existsSync, readFileSync } from 'node:fs';
import { relative } from 'node:path';

const SHOWN = 20;
const told = (file) => (existsSync(file) ? JSON.parse(readFileSync(file, 'utf8')) : null);

/** Every check of a suite of Playwright and of the suites in it. */
const inSuite = (suite, file = suite.file) => [
  ...(suite.specs ?? []).flatMap(({ title, tests }) =>
    tests.map((t) => ({
      ms: t.results.reduce((sum, r) => sum + r.duration, 0),
      name: `e2e/${file}: ${title}`,
    })),
  ),
  ...(suite.suites ?? []).flatMap((inner) => inSuite(inner, file)),
];

const unit = (told('.pebble/unit.json')?.testResults ?? []).flatMap(({ name, assertionResults }) =>
  assertionResults.map(({ duration, fullName }) => ({
    ms: duration ?? 0,
    name: `${relative(process.cwd(), name)}: ${fullName}`,
  })),
);
const e2e = (told('.pebble/e2e.json')?.suites ?? []).flatMap((suite) => inSuite(suite));

console.log(`The ${SHOWN} slowest checks:`);
for (const { ms, name } of [...unit, ...e2e].sort((a, b) => b.ms - a.ms).slice(0, SHOWN))
  console.log(`${(ms / 1000).toFixed(1).padStart(6)} s  ${name.slice(0, 110)}`);
