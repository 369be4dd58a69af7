// What ships with the application, and under which licence: read from the lock and from the packages themselves.
import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';

const TEXT = /^(licen[cs]e|copying|notice)/i;

/** Every package that is not for building or testing alone: `{name, version, licence, text}`, by name. */
export function shippedPackages() {
  const { packages } = JSON.parse(readFileSync('package-lock.json', 'utf8'));
  const out = new Map();
  for (const [path, p] of Object.entries(packages)) {
    if (path === '' || p.dev || p.devOptional || !existsSync(path)) continue;
    const own = JSON.parse(readFileSync(join(path, 'package.json'), 'utf8'));
    const files = readdirSync(path).filter((f) => TEXT.test(f) && /\.(md|txt)$|^[^.]+$/i.test(f));
    const text = files.map((f) => readFileSync(join(path, f), 'utf8').trim()).join('\n\n');
    const licence = typeof own.license === 'string' ? own.license : (own.license?.type ?? '');
    out.set(`${own.name}@${own.version}`, { name: own.name, version: own.version, licence, text });
  }
  return [...out.values()].sort((a, b) => (a.name < b.name ? -1 : 1));
}
