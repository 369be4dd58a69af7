import { execFile } from 'node:child_process';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { promisify } from 'node:util';

/** `docs/core.md` from `docs/examples/`, each with what it prints: `npx tsx scripts/write-core-page.ts`. */
const EXAMPLES = 'docs/examples';

async function printed(file: string): Promise<string> {
  const { stdout } = await promisify(execFile)(process.execPath, [
    '--import',
    'tsx',
    join(EXAMPLES, file),
  ]);
  return stdout.trim();
}

export async function corePage(): Promise<string> {
  const files = readdirSync(EXAMPLES)
    .filter((f) => f.endsWith('.ts'))
    .sort();
  const parts: string[] = [];
  // Two at a time: some of them solve a beat's water.
  for (let i = 0; i < files.length; i += 2) {
    const pair = files.slice(i, i + 2);
    const outputs = await Promise.all(pair.map(printed));
    pair.forEach((file, k) => {
      const [title, ...code] = readFileSync(join(EXAMPLES, file), 'utf8').trim().split('\n');
      parts.push(
        `## ${title!.replace(/^\/\/ /, '')}\n\n\`\`\`ts\n${code.join('\n')}\n\`\`\`\n\nPrints:\n\n\`\`\`text\n${outputs[k]}\n\`\`\``,
      );
    });
  }
  return `# Scripting the models

\`core/\` knows no interface, no book and no clock: pure functions of plain data, in SI units (m, m/s, °C, UTC ms), places in a beat's plan frame (x up-current, y toward the true right). Import a room through its \`index.ts\`; run a script with \`node --import tsx script.ts\` from the repository. A function that is handed what it cannot work with throws a \`RangeError\` that names it, or gives \`ok: false\` with sentences.

Made from \`docs/examples/\` by \`npx tsx scripts/write-core-page.ts\`; a test runs each of the ten and holds what it prints.

${parts.join('\n\n')}
`;
}
