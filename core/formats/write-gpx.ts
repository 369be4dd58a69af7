import type { Place } from '../grid/index';
import type { BeatPlan } from './beat-plan';
import { createTangentPlane } from './tangent-plane';

/** What is carried on a handheld: places with names, and one way. */
export interface GpxContent {
  waypoints: readonly { place: Place; name: string; symbol?: string }[];
  way?: { name: string; places: readonly Place[] };
}

const DECIMALS = 8;

const escaped = (text: string) =>
  text
    .replace(/&/g, '&amp;')
    .replace(/</g, '&lt;')
    .replace(/>/g, '&gt;')
    .replace(/"/g, '&quot;')
    // What XML 1.0 cannot hold at all.
    // eslint-disable-next-line no-control-regex
    .replace(/[\u0000-\u0008\u000b\u000c\u000e-\u001f\ufffe\uffff]/g, '');

/**
 * GPX 1.1 (Topografix 2004) of marks and a stalk, WGS84, for a beat that has an anchor. Throws
 * RangeError without one: a plan in metres says nothing of where it lies on the earth.
 */
export function writeGpx(plan: BeatPlan, content: GpxContent): string {
  if (!plan.anchor) throw new RangeError('writeGpx: needs plan.anchor, got none');
  const plane = createTangentPlane(plan.anchor, plan.bearingDeg);
  const at = (place: Place) => {
    const [lon, lat] = plane.toLonLat(place);
    return `lat="${lat.toFixed(DECIMALS)}" lon="${lon.toFixed(DECIMALS)}"`;
  };
  const waypoints = content.waypoints.map(
    (w) =>
      `  <wpt ${at(w.place)}><name>${escaped(w.name)}</name>${w.symbol ? `<sym>${escaped(w.symbol)}</sym>` : ''}</wpt>\n`,
  );
  const way = content.way
    ? `  <trk><name>${escaped(content.way.name)}</name><trkseg>\n${content.way.places
        .map((p) => `    <trkpt ${at(p)}/>\n`)
        .join('')}  </trkseg></trk>\n`
    : '';
  return `<?xml version="1.0" encoding="UTF-8"?>
<gpx version="1.1" creator="Pebble Lane" xmlns="http://www.topografix.com/GPX/1/1">
  <metadata><name>${escaped(plan.name)}</name></metadata>
${waypoints.join('')}${way}</gpx>
`;
}
