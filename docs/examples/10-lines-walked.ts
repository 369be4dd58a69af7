// A beat begun from two banks that somebody else drew (GeoJSON)
import { planFromLines, takeGeoJson } from '../../core/lines/index';

const bank = (lat: number) => ({
  type: 'Feature',
  geometry: { type: 'LineString', coordinates: [0, 1, 2, 3].map((i) => [8 + i * 0.0001, lat]) },
});
const file = { type: 'FeatureCollection', features: [bank(46.00004), bank(46)] };
const taken = takeGeoJson(file);
if (!taken.ok) throw new Error(taken.problem);
// Looking down-current the northern one is left: the water runs east.
const made = planFromLines(taken.taken, { lines: ['left', 'right'], points: [] }, 'Drawn');
if (made.ok) console.log(made.value.took.join('\n'));
