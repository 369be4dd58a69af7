import { execFileSync } from 'node:child_process';

const ALLOWED = [
  [
    'services/planted.ts',
    "import { openStore } from '../store/index';\nexport const x = openStore;\n",
  ],
  [
    'workspace/steps/cast/planted.ts',
    "import { HOURS } from '../../state/hours';\nexport const x = HOURS;\n",
  ],
] as const;

/** All texts linted at once, each as if it stood in its file: one start of the linter. */
const LINT = `
  const { ESLint } = require('eslint');
  (async () => {
    const eslint = new ESLint();
    const out = {};
    for (const [file, text] of JSON.parse(require('node:fs').readFileSync(0, 'utf8'))) {
      const [result] = await eslint.lintText(text, { filePath: file });
      out[file + '\\n' + text] = result.messages.map((m) => m.ruleId).join(' ');
    }
    process.stdout.write(JSON.stringify(out));
  })();`;
const planted = new Map<string, string>();
function lintAll(all: readonly (readonly [string, string])[]): void {
  const said = execFileSync('node', ['-e', LINT], { input: JSON.stringify(all), encoding: 'utf8' });
  for (const [key, rules] of Object.entries(JSON.parse(said) as Record<string, string>))
    planted.set(key, rules);
}

const imports = (what: string) => `import { x } from '${what}';\nexport const y = x;\n`;
const B = 'boundaries/dependencies';

/** One planted violation a row of the folders, each tried in the file that must not have it. */
const PLANTED = [
  ['workspace/frame/planted.ts', imports('../../store/index'), B],
  ['workspace/state/planted.ts', imports('../steps/cast/questions'), B],
  ['workspace/engine/planted.ts', imports('../steps/read/answers'), B],
  ['workspace/records/planted.ts', imports('../steps/log/log-panel'), B],
  ['workspace/parts/planted.ts', imports('../frame/steps'), B],
  ['workspace/steps/read/planted.ts', imports('../spot/spot-panel'), B],
  ['workspace/steps/stalk/planted.ts', imports('../cast/cast-panel'), B],
  ['workspace/section/planted.ts', imports('../frame/steps'), B],
  ['workspace/planted.ts', imports('./steps/read/answers'), B],
  ['making/planted.ts', imports('../workspace/state/state'), B],
  ['outing/planted.ts', imports('../workers/client'), B],
  ['outing/planted.ts', imports('../workspace/state/state'), B],
  ['serving/planted.ts', imports('../store/index'), B],
  ['drawing/planted.ts', imports('../sync/client'), B],
  ['words/planted.ts', imports('../ui/button'), B],
  ['sync/planted.ts', imports('../ui/button'), B],
  ['workers/planted.ts', imports('../words/words'), B],
  ['services/planted.ts', imports('../workspace/index'), B],
  ['app/planted.tsx', imports('../services/index'), B],
  ['core/fish/planted.ts', imports('../water/index'), B],
  ['core/cast/planted.ts', imports('../log/index'), B],
  ['core/lies/planted.ts', imports('../grid/scalar'), 'no-restricted-imports'],
  ['core/lies/planted.ts', 'export const x = Math.random();\n', 'no-restricted-properties'],
] as const;

beforeAll(() => lintAll([...PLANTED.map(([f, t]) => [f, t] as const), ...ALLOWED]));

it.each(PLANTED)('a planted violation in %s fails', (filename, text, rule) => {
  expect(planted.get(`${filename}\n${text}`)).toContain(rule);
});

it('an allowed import passes', () => {
  for (const [filename, text] of ALLOWED) expect(planted.get(`${filename}\n${text}`)).toBe('');
});
