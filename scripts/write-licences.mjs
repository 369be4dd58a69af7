// Writes public/licences.json (names) and public/licences.txt (all the texts), which the application serves.
import { readFileSync, writeFileSync } from 'node:fs';
import { shippedPackages } from './licences.mjs';

const all = shippedPackages();
const named = all.map(({ name, version, licence }) => ({ name, version, licence }));
writeFileSync('public/licences.json', `${JSON.stringify(named)}\n`);
const rule = '='.repeat(72);
const own = readFileSync('LICENSE', 'utf8').trim();
const parts = all.map(
  (p) =>
    `${rule}\n${p.name} ${p.version}, ${p.licence}\n${rule}\n\n${p.text || 'It brings no text of its own beside that name.'}`,
);
writeFileSync('public/licences.txt', `Pebble Lane\n\n${own}\n\n${parts.join('\n\n')}\n`);
