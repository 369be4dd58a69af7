import type { Place } from '../grid/index';
import type { BeatPlan } from './beat-plan';
import { createTangentPlane } from './tangent-plane';

/** One place that is carried away. */
export interface CarriedPlace {
  place: Place;
  name: string;
  symbol?: string;
  /** What it is, in a word: "lie", "fish". */
  kind?: string;
  comment?: string;
  /** UTC ms. */
  atMs?: number;
}

/** What is carried on a handheld: places with names, and one way. */
export interface GpxContent {
  waypoints: readonly CarriedPlace[];
  way?: { name: string; places: readonly Place[] };
}

const DECIMALS = 8;

const tag = (name: string, text: string | undefined) =>
  text ? `<${name}>${escaped(text)}</${name}>` : '';

const ele = (heightM: number | undefined) => (heightM === undefined ? '' : `<ele>${heightM}</ele>`);

const escaped = (text: string) =>
  text
    .replace(/&/g, '&amp;')
    .replace(/</g, '&lt;')
    .replace(/>/g, '&gt;')
    .replace(/"/g, '&quot;')
    // What XML 1.0 cannot hold at all.
    // eslint-disable-next-line no-control-regex
    .replace(/[\u0000-\u0008\u000b\u000c\u000e-\u001f\ufffe\uffff]/g, '');

/** A place on the earth that is carried away: degrees, WGS84. */
export type PlaceOnEarth = Omit<CarriedPlace, 'place'> & {
  lon: number;
  lat: number;
  /** Above the sea, m, where it is known. */
  heightM?: number;
};

/**
 * GPX 1.1 (Topografix 2004) of marks and a stalk, WGS84, for a beat that has an anchor. Throws
 * RangeError without one: a plan in metres says nothing of where it lies on the earth.
 */
export function writeGpx(plan: BeatPlan, content: GpxContent): string {
  if (!plan.anchor) throw new RangeError('writeGpx: needs plan.anchor, got none');
  const plane = createTangentPlane(plan.anchor, plan.bearingDeg);
  const onEarth = (place: Place) => {
    const [lon, lat] = plane.toLonLat(place);
    return { lon, lat, ...heightOf(plan) };
  };
  return gpxOf(
    plan.name,
    content.waypoints.map(({ place, ...w }) => ({ ...w, ...onEarth(place) })),
    content.way && { name: content.way.name, places: content.way.places.map(onEarth) },
  );
}

/** A beat's height, where it was told: its fall is within what a map tells. */
export const heightOf = (plan: BeatPlan): { heightM?: number } =>
  plan.altitudeM === undefined ? {} : { heightM: plan.altitudeM };

/** The same, of places whose longitude and latitude are known, and one track. */
export function gpxOf(
  name: string,
  places: readonly PlaceOnEarth[],
  way?: { name: string; places: readonly Pick<PlaceOnEarth, 'lon' | 'lat' | 'heightM'>[] },
): string {
  const at = ({ lon, lat }: { lon: number; lat: number }) =>
    `lat="${lat.toFixed(DECIMALS)}" lon="${lon.toFixed(DECIMALS)}"`;
  const waypoints = places.map(
    (w) =>
      // In the order that the schema asks for: height, time, name, comment, symbol, type.
      `  <wpt ${at(w)}>${ele(w.heightM)}${w.atMs ? `<time>${new Date(w.atMs).toISOString()}</time>` : ''}<name>${escaped(w.name)}</name>${tag('cmt', w.comment)}${tag('sym', w.symbol)}${tag('type', w.kind)}</wpt>\n`,
  );
  const track = way
    ? `  <trk><name>${escaped(way.name)}</name><trkseg>\n${way.places
        .map((p) => `    <trkpt ${at(p)}>${ele(p.heightM)}</trkpt>\n`)
        .join('')}  </trkseg></trk>\n`
    : '';
  return `<?xml version="1.0" encoding="UTF-8"?>
<gpx version="1.1" creator="Pebble Lane" xmlns="http://www.topografix.com/GPX/1/1">
  <metadata><name>${escaped(name)}</name></metadata>
${waypoints.join('')}${track}</gpx>
`;
}
