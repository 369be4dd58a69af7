/** Longitude and latitude, degrees, WGS84. */
export type LonLat = readonly [number, number];

/** A line or an outline of somebody else's file. */
export interface TakenLine {
  name: string;
  at: LonLat[];
}

/** A place of somebody else's file, with whatever was said of it. */
export interface TakenPoint {
  name: string;
  /** Everything that was told of it in words, for guessing what it is. */
  told: string;
  at: LonLat;
  depthM: number | null;
  diameterM: number | null;
  heightM: number | null;
}

/** What a file holds that could be of a beat; `left`: a sentence for what could not. */
export interface TakenLines {
  lines: TakenLine[];
  points: TakenPoint[];
  left: string[];
}
export type TakeLines = { ok: true; taken: TakenLines } | { ok: false; problem: string };

const MOST_SHAPES = 2000;
export const MOST_PLACES = 20_000;
/** Collections within collections. */
const DEEPEST = 20;
/** A figure, and a text in which one is looked for, is no longer than this: what searches them takes the square of it. */
const LONGEST = { figure: 40, words: 400 } as const;

type Json = Record<string, unknown>;
const isObject = (v: unknown): v is Json => typeof v === 'object' && v !== null;
const listOf = (v: unknown): unknown[] => (v === undefined ? [] : Array.isArray(v) ? v : [v]);
const textOf = (v: unknown): string =>
  typeof v === 'string' ? v.trim() : typeof v === 'number' ? String(v) : '';

/** A number under any of these names; metres are taken as told. */
function figure(properties: Json, names: readonly string[]): number | null {
  for (const [key, value] of Object.entries(properties))
    if (names.includes(key.toLowerCase()) && value !== null && value !== '') {
      const told = textOf(value).slice(0, LONGEST.figure);
      const n = Number(told.replace(',', '.').replace(/m$/, '').trim());
      if (Number.isFinite(n) && n >= 0) return n;
    }
  return null;
}

/** "0.45", "0,45 m", "depth 0.45": a depth that is told in words. */
export function depthInWords(told: string): number | null {
  const words = told.slice(0, LONGEST.words);
  const found =
    /(?:^|\s)(?:depth|deep|d)[:= ]*(\d(?:[.,]\d+)?)\s*m?(?:\s|$)/i.exec(words) ??
    /^\s*(\d[.,]\d+)\s*m?\s*$/.exec(words);
  return found ? Number(found[1]!.replace(',', '.')) : null;
}

function pointOf(name: string, told: string, at: LonLat, properties: Json): TakenPoint {
  return {
    name,
    told,
    at,
    depthM:
      figure(properties, ['depth', 'depth_m', 'depthm']) ??
      depthInWords(name) ??
      depthInWords(told),
    diameterM: figure(properties, ['diameter', 'diameter_m', 'diameterm', 'width']),
    heightM: figure(properties, ['height', 'height_m', 'heightm']),
  };
}

/** Checks and counts what is taken, whatever it is taken from. */
class Taking {
  readonly taken: TakenLines = { lines: [], points: [], left: [] };
  places = 0;
  tooMuch(): string | null {
    const shapes = this.taken.lines.length + this.taken.points.length;
    return shapes > MOST_SHAPES || this.places > MOST_PLACES
      ? `The file holds more than ${MOST_SHAPES} shapes or ${MOST_PLACES} places; cut the stretch out of it first.`
      : null;
  }
  line(name: string, at: LonLat[]): void {
    this.places += at.length;
    const own = at.filter((p, i) => i === 0 || p[0] !== at[i - 1]![0] || p[1] !== at[i - 1]![1]);
    if (own.length < 2) this.taken.left.push(`"${name}" has one place only: no line.`);
    else this.taken.lines.push({ name, at: own });
  }
  point(point: TakenPoint): void {
    this.places++;
    this.taken.points.push(point);
  }
  done(): TakeLines {
    const problem = this.tooMuch();
    if (problem) return { ok: false, problem };
    if (this.taken.lines.length + this.taken.points.length === 0)
      return {
        ok: false,
        problem:
          `The file holds no line and no place that could be of a beat. ${this.taken.left.join(' ')}`.trim(),
      };
    return { ok: true, taken: this.taken };
  }
}

const inRange = (p: unknown): p is number[] =>
  Array.isArray(p) &&
  typeof p[0] === 'number' &&
  typeof p[1] === 'number' &&
  Math.abs(p[0]) <= 180 &&
  Math.abs(p[1]) <= 90;

/**
 * Lines and places of somebody else's GeoJSON (RFC 7946): any geometry, collections and the parts of
 * multiple ones too. Refused with a sentence where its numbers are no longitudes and latitudes.
 */
export function takeGeoJson(json: unknown): TakeLines {
  if (!isObject(json) || typeof json.type !== 'string')
    return { ok: false, problem: 'This is not GeoJSON: it has no type.' };
  const crs =
    isObject(json.crs) && isObject(json.crs.properties) ? textOf(json.crs.properties.name) : '';
  if (crs !== '' && !/CRS84|4326/.test(crs))
    return {
      ok: false,
      problem: `The file's coordinates are in "${crs.slice(0, 60)}"; longitude and latitude (WGS84) are taken. Save it so.`,
    };
  const taking = new Taking();
  let bad: unknown = null;
  let tooDeep = false;
  const geometry = (g: unknown, name: string, properties: Json, depth = 0): void => {
    if (!isObject(g) || bad !== null || tooDeep) return;
    if (depth > DEEPEST) {
      tooDeep = true;
      return;
    }
    const parts = g.coordinates as unknown[];
    const pairs = (list: unknown): LonLat[] =>
      listOf(list).map((p) => {
        if (!inRange(p)) bad ??= p ?? 'nothing';
        return inRange(p) ? ([p[0]!, p[1]!] as const) : ([NaN, NaN] as const);
      });
    if (g.type === 'Point') {
      const [at] = pairs([parts]);
      const told = Object.entries(properties)
        .filter(([, v]) => typeof v === 'string')
        .map(([, v]) => textOf(v))
        .join(' ');
      taking.point(pointOf(name, told, at!, properties));
    } else if (g.type === 'LineString') taking.line(name, pairs(parts));
    else if (g.type === 'Polygon') listOf(parts).forEach((r) => taking.line(name, pairs(r)));
    else if (g.type === 'MultiPoint')
      listOf(parts).forEach((p) =>
        geometry({ type: 'Point', coordinates: p }, name, properties, depth + 1),
      );
    else if (g.type === 'MultiLineString')
      listOf(parts).forEach((p) =>
        geometry({ type: 'LineString', coordinates: p }, name, properties, depth + 1),
      );
    else if (g.type === 'MultiPolygon')
      listOf(parts).forEach((p) =>
        geometry({ type: 'Polygon', coordinates: p }, name, properties, depth + 1),
      );
    else if (g.type === 'GeometryCollection')
      listOf(g.geometries).forEach((p) => geometry(p, name, properties, depth + 1));
    else taking.taken.left.push(`"${name}" is a ${String(g.type).slice(0, 30)}: not understood.`);
  };
  const all =
    json.type === 'FeatureCollection'
      ? listOf(json.features)
      : [json.type === 'Feature' ? json : { geometry: json }];
  for (const [i, f] of all.entries()) {
    if (!isObject(f)) continue;
    const properties = isObject(f.properties) ? f.properties : {};
    const name =
      textOf(properties.name) ||
      textOf(properties.title) ||
      textOf(properties.kind) ||
      `Shape ${i + 1}`;
    if (!f.geometry) taking.taken.left.push(`"${name}" lies nowhere.`);
    else geometry(f.geometry, name, properties);
    if (taking.tooMuch()) break;
  }
  if (tooDeep)
    return {
      ok: false,
      problem: `The file has collections within collections, more than ${DEEPEST} deep; take the shapes out of them first.`,
    };
  if (bad !== null)
    return {
      ok: false,
      problem: `A coordinate is ${Array.isArray(bad) && bad.some(Array.isArray) ? 'a list of lists' : JSON.stringify(bad).slice(0, 60)}; it must be longitude (-180 to 180) and latitude (-90 to 90), in degrees. If these are metres, save the file as longitude and latitude.`,
    };
  return taking.done();
}

/**
 * Waypoints, tracks and routes of a GPX file, 1.0 or 1.1, as its tree of elements: attributes begin with
 * `@_`, texts are texts (`words/gpx-text.ts` reads it). Heights are left: a handheld's are metres off.
 */
export function takeGpx(tree: unknown): TakeLines {
  const gpx = isObject(tree) ? tree.gpx : undefined;
  if (!isObject(gpx))
    return { ok: false, problem: 'This is XML, but no GPX: its root is not gpx.' };
  const taking = new Taking();
  let bad: string | null = null;
  const placeOf = (raw: unknown): LonLat => {
    const told = isObject(raw) ? raw : {};
    const at = [Number(told['@_lon']), Number(told['@_lat'])] as const;
    if (!inRange(at)) bad ??= `lat="${String(told['@_lat'])}" lon="${String(told['@_lon'])}"`;
    return at;
  };
  let heights = 0;
  for (const [i, raw] of listOf(gpx.wpt).entries()) {
    const w = isObject(raw) ? raw : {};
    const name = textOf(w.name) || `Waypoint ${i + 1}`;
    const told = [w.cmt, w.desc, w.sym, w.type].map(textOf).filter(Boolean).join(' ');
    if (textOf(w.ele) !== '') heights++;
    taking.point(pointOf(name, told, placeOf(raw), {}));
  }
  const line = (name: string, points: unknown) => {
    const list = listOf(points);
    heights += list.filter((p) => isObject(p) && textOf(p.ele) !== '').length;
    taking.line(name, list.map(placeOf));
  };
  for (const [i, t] of listOf(gpx.trk).entries()) {
    const track = isObject(t) ? t : {};
    const name = textOf(track.name) || `Track ${i + 1}`;
    const segments = listOf(track.trkseg);
    segments.forEach((s, n) =>
      line(
        segments.length > 1 ? `${name}, part ${n + 1}` : name,
        isObject(s) ? s.trkpt : undefined,
      ),
    );
  }
  for (const [i, r] of listOf(gpx.rte).entries()) {
    const route = isObject(r) ? r : {};
    line(textOf(route.name) || `Route ${i + 1}`, route.rtept);
  }
  if (heights > 0)
    taking.taken.left.push(
      `${heights} heights are left: those of a handheld are metres off, and say nothing of a fall.`,
    );
  if (bad !== null)
    return {
      ok: false,
      problem: `A place is ${bad}; lat must be -90 to 90 and lon -180 to 180, in degrees.`,
    };
  return taking.done();
}
