// A beat begun from two banks that were walked with a handheld
import { planFromLines, takeGpx } from '../../core/lines/index';

const track = (name: string, lat: number) =>
  `<trk><name>${name}</name><trkseg>${[0, 1, 2, 3]
    .map((i) => `<trkpt lat="${lat}" lon="${8 + i * 0.0001}"/>`)
    .join('')}</trkseg></trk>`;
const taken = takeGpx(`<gpx version="1.1">${track('A', 46.00004)}${track('B', 46)}</gpx>`);
if (!taken.ok) throw new Error(taken.problem);
// Looking down-current the northern one is left: the water runs east.
const made = planFromLines(taken.taken, { lines: ['left', 'right'], points: [] }, 'Walked');
if (made.ok) console.log(made.value.took.join('\n'));
