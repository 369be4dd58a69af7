import { spawnSync } from 'node:child_process';

/** Lints a text as if it stood in a file there; the messages of broken import directions. */
function lint(filename: string, text: string): string {
  const run = spawnSync(
    'npx',
    ['eslint', '--stdin', '--stdin-filename', filename, '--format', 'json'],
    { input: text, encoding: 'utf8' },
  );
  const [file] = JSON.parse(run.stdout) as { messages: { ruleId: string; message: string }[] }[];
  return file!.messages.map((m) => m.ruleId).join(' ');
}

it.each([
  [
    'plan/planted.ts',
    "import { openStore } from '../store/index';\nexport const x = openStore;\n",
    'boundaries/dependencies',
  ],
  [
    'core/fish/planted.ts',
    "import { solveFlow } from '../water/index';\nexport const x = solveFlow;\n",
    'boundaries/dependencies',
  ],
  [
    'core/lies/planted.ts',
    "import { clamp } from '../grid/scalar';\nexport const x = clamp(1);\n",
    'no-restricted-imports',
  ],
  ['core/lies/planted.ts', 'export const x = Math.random();\n', 'no-restricted-properties'],
  [
    'services/planted.ts',
    "import { Workspace } from '../workspace/index';\nexport const x = Workspace;\n",
    'boundaries/dependencies',
  ],
])('a planted violation in %s fails', (filename, text, rule) => {
  expect(lint(filename, text)).toContain(rule);
});

it('an allowed import passes', () => {
  expect(
    lint(
      'services/planted.ts',
      "import { openStore } from '../store/index';\nexport const x = openStore;\n",
    ),
  ).toBe('');
});
