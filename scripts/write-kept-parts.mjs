// After a build: public/kept-parts.json, what a phone keeps so that the bank's pages open without a network.
import { readFileSync, writeFileSync } from 'node:fs';
import { PAGES, partsOf } from './kept-parts.mjs';

const build = readFileSync('.next/BUILD_ID', 'utf8').trim();
const pages = PAGES.map((p) => `/${p}`);
writeFileSync('public/kept-parts.json', JSON.stringify({ build, pages, parts: partsOf('.next') }));
