// Where the sun stands (Meeus 1998)
import { sunAt } from '../../core/sight/index';

const utcMs = Date.parse('2026-06-21T12:00:00Z');
const { altitudeRad } = sunAt({ latDeg: 51.48, lonDeg: 0, utcMs });
console.log(`${((altitudeRad * 180) / Math.PI).toFixed(1)}° high`);
