// Read a beat file, and hear what is wrong with a bad one
import { readFileSync } from 'node:fs';
import { readBeat } from '../../core/formats/index';

const read = readBeat(JSON.parse(readFileSync('public/practice-beat.json', 'utf8')));
if (read.ok) console.log(`${read.plan.lengthM} m, ${read.plan.features.length} features`);

const bad = readBeat({ type: 'FeatureCollection', features: [] });
if (!bad.ok) console.log(bad.problems[0]!.message);
