import { type Place } from '../grid/index';
import { isTimeZone } from '../units/index';
import { checkBanks, checkDepths, checkSoundings, type Say } from './check-plan';
import {
  LEVEL_NAMES,
  type BeatFeature,
  type BeatPlan,
  type Calibration,
  type FallPlace,
  type FeatureKind,
  type Level,
  type LevelName,
  type Shape,
} from './beat-plan';
import { headerNumber, KIND_RULES, shown } from './kind-rules';
import { createTangentPlane } from './tangent-plane';
import { halfPlace } from './half-place';
import { lonLatHash } from './lon-lat-hash';

/** `feature`: index in the file, null for the header. */
export interface BeatProblem {
  feature: number | null;
  property: string;
  message: string;
}

export type ReadBeatResult =
  | { ok: true; plan: BeatPlan; notes: string[] }
  /** `partial`: what could be read of it, for a draft; null when the header could not. */
  | { ok: false; problems: BeatProblem[]; partial: BeatPlan | null };

type Json = Record<string, unknown>;
const isObject = (v: unknown): v is Json =>
  typeof v === 'object' && v !== null && !Array.isArray(v);

/** Discharge of each level over the surveyed one where the file gives none; marked "guessed". */
const GUESSED_RATIO: Record<LevelName, number> = { Thin: 0.4, Fair: 1, Full: 2, Spate: 4 };
/** More than this is not a beat but a mistake. */
const MAX_FEATURES = 5000;
const MAX_POINTS = 5000;

/**
 * Reads a beat file (GeoJSON FeatureCollection in the plan frame, or RFC 7946 longitudes and
 * latitudes with an anchor). Never throws on bad input: every problem is named with its feature
 * and property, and nothing is kept.
 */
export function readBeat(json: unknown): ReadBeatResult {
  const problems: BeatProblem[] = [];
  const notes: string[] = [];
  const say = (feature: number | null, property: string, message: string) =>
    problems.push({ feature, property, message });
  if (!isObject(json) || json.type !== 'FeatureCollection') {
    say(null, 'type', 'This is not a beat file: it must be a GeoJSON FeatureCollection.');
    return { ok: false, problems, partial: null };
  }
  if (!isObject(json.pebbleLane)) {
    say(
      null,
      'pebbleLane',
      'The header pebbleLane is missing: name, lengthM, slope, bearingDeg, surveyedLevel.',
    );
    return { ok: false, problems, partial: null };
  }
  const header = readHeader(json.pebbleLane, say, notes);
  const list = Array.isArray(json.features) ? json.features : null;
  if (!list) say(null, 'features', `features is ${shown(json.features)}; it must be a list.`);
  else if (list.length > MAX_FEATURES) {
    say(null, 'features', `features holds ${list.length}; at most ${MAX_FEATURES} are possible.`);
  }
  if (!header || !list || list.length > MAX_FEATURES) return { ok: false, problems, partial: null };

  const features: BeatFeature[] = [];
  for (const [index, raw] of list.entries()) {
    const feature = readFeature(raw, index, header, say, notes);
    if (feature) features.push(feature);
  }
  const plan: BeatPlan = { ...header.plan, features };
  if (problems.length === 0) {
    checkBanks(plan, say, notes);
    checkDepths(plan, say);
  }
  if (problems.length === 0) checkSoundings(plan, say);
  if (problems.length > 0) return { ok: false, problems, partial: plan };
  return { ok: true, plan, notes };
}

interface Header {
  plan: Omit<BeatPlan, 'features'>;
  toPlan: ((lon: number, lat: number) => Place) | null;
}

function readHeader(raw: Json, say: Say, notes: string[]): Header | null {
  let bad = false;
  const complain = (property: string, message: string) => {
    bad = true;
    say(null, property, message);
  };
  const num = (property: string, min: number, max: number, unit: string): number => {
    const problem = headerNumber(min, max, unit).problem(raw[property]);
    if (problem) complain(property, `${property} ${problem}.`);
    // What is no number goes no further: later messages name it.
    return problem ? NaN : (raw[property] as number);
  };
  if (raw.version !== 1)
    complain('version', `version is ${shown(raw.version)}; this program reads version 1.`);
  if (raw.frame !== 'plan' && raw.frame !== 'lonlat') {
    complain('frame', `frame is ${shown(raw.frame)}; it must be "plan" or "lonlat".`);
  }
  if (typeof raw.name !== 'string' || raw.name.trim() === '' || raw.name.length > 120) {
    complain('name', `name is ${shown(raw.name)}; it must be 1 to 120 letters.`);
  }
  const lengthM = num('lengthM', 5, 150, 'm');
  const slope = num('slope', 0, 0.2, '(fall per metre)');
  const bearingDeg = num('bearingDeg', 0, 360, 'degrees');
  const altitudeM = raw.altitudeM === undefined ? undefined : num('altitudeM', -400, 6000, 'm');
  const timeZone = raw.timeZone as string | undefined;
  if (timeZone !== undefined && !isTimeZone(timeZone)) {
    complain(
      'timeZone',
      `timeZone is ${shown(timeZone)}; it must be an IANA name such as "Etc/GMT-1".`,
    );
  }
  const anchor = raw.anchor as { lat: number; lon: number } | undefined;
  const half = halfPlace(anchor);
  if (half) complain('anchor', half);
  else if (anchor !== undefined) {
    const lat = headerNumber(-89, 89, 'degrees').problem(anchor?.lat);
    const lon = headerNumber(-180, 180, 'degrees').problem(anchor?.lon);
    if (lat) complain('anchor.lat', `anchor.lat ${lat}.`);
    if (lon) complain('anchor.lon', `anchor.lon ${lon}.`);
  } else if (raw.frame === 'lonlat') {
    complain('anchor', 'frame "lonlat" needs an anchor {lat, lon}.');
  }
  const surveyedLevel = raw.surveyedLevel as LevelName;
  if (!LEVEL_NAMES.includes(surveyedLevel)) {
    complain(
      'surveyedLevel',
      `surveyedLevel is ${shown(raw.surveyedLevel)}; it must be one of ${LEVEL_NAMES.join(', ')}.`,
    );
  }
  const fallTold = raw.fallTold as BeatPlan['fallTold'];
  if (fallTold !== undefined && typeof fallTold !== 'boolean' && fallTold !== 'levelled')
    complain('fallTold', `fallTold is ${shown(fallTold)}; it must be true, false or "levelled".`);
  const fallProfile = readFallProfile(raw.fallProfile, lengthM, complain);
  const calibration = readCalibration(raw.calibration, complain);
  const levels = bad ? [] : readLevels(raw.levels, surveyedLevel, complain, notes);
  if (bad) return null;
  const plane = raw.frame === 'lonlat' ? createTangentPlane(anchor!, bearingDeg) : null;
  return {
    plan: {
      version: 1,
      name: (raw.name as string).trim(),
      lengthM,
      slope,
      bearingDeg,
      ...(anchor && { anchor: { lat: anchor.lat, lon: anchor.lon } }),
      ...(timeZone !== undefined && { timeZone }),
      ...(altitudeM !== undefined && { altitudeM }),
      ...(fallTold !== undefined && { fallTold }),
      ...(fallProfile && { fallProfile }),
      ...(calibration && { calibration }),
      levels,
      surveyedLevel,
    },
    toPlan: plane && plane.toPlan,
  };
}

type Complain = (property: string, message: string) => void;

function readFallProfile(raw: unknown, lengthM: number, complain: Complain): FallPlace[] | null {
  if (raw === undefined) return null;
  const list = Array.isArray(raw) ? (raw as FallPlace[]) : [];
  const sound =
    list.length >= 2 &&
    list.every((p) => Number.isFinite(p?.xM) && p.share >= 0 && p.share <= 1) &&
    list.every((p, i) => i === 0 || (p.xM > list[i - 1]!.xM && p.share >= list[i - 1]!.share)) &&
    list[0]!.share === 0 &&
    list[list.length - 1]!.share === 1 &&
    Math.abs(list[0]!.xM) < 1e-6 &&
    Math.abs(list[list.length - 1]!.xM - lengthM) < 1e-6;
  if (sound) return list.map(({ xM, share }) => ({ xM, share }));
  complain(
    'fallProfile',
    `fallProfile is ${shown(raw)}; it must be a list of {xM, share}, growing, from share 0 at 0 to share 1 at ${lengthM} m.`,
  );
  return null;
}

function readCalibration(raw: unknown, complain: Complain): Calibration | null {
  if (raw === undefined) return null;
  const c = (isObject(raw) ? raw : {}) as unknown as Calibration;
  const rules = [
    ['roughness', headerNumber(0.1, 10, '(times)')],
    ['points', headerNumber(1, 10000, '')],
    ['depthRmsM', headerNumber(0, 10, 'm')],
    ['speedRmsMps', headerNumber(0, 10, 'm/s')],
  ] as const;
  let sound = true;
  for (const [property, rule] of rules) {
    const problem = rule.problem(c[property]);
    if (!problem) continue;
    sound = false;
    complain(`calibration.${property}`, `calibration.${property} ${problem}.`);
  }
  if (!sound) return null;
  const { roughness, points, depthRmsM, speedRmsMps } = c;
  return { roughness, points, depthRmsM, speedRmsMps };
}

function readLevels(
  raw: unknown,
  surveyed: LevelName,
  complain: (property: string, message: string) => void,
  notes: string[],
): Level[] {
  if (!Array.isArray(raw)) {
    complain(
      'levels',
      `levels is ${shown(raw)}; it must be a list with at least the surveyed level.`,
    );
    return [];
  }
  const given = new Map<LevelName, Level>();
  for (const [i, item] of raw.entries()) {
    const level = item as Level;
    if (!LEVEL_NAMES.includes(level?.name)) {
      complain(
        `levels[${i}].name`,
        `levels[${i}].name is ${shown(level?.name)}; it must be one of ${LEVEL_NAMES.join(', ')}.`,
      );
      continue;
    }
    const problem = headerNumber(0.001, 200, 'm3/s').problem(level.dischargeM3s);
    if (problem) complain(`levels[${i}].dischargeM3s`, `levels[${i}].dischargeM3s ${problem}.`);
    if (given.has(level.name)) complain(`levels[${i}].name`, `level ${level.name} is given twice.`);
    given.set(level.name, {
      name: level.name,
      dischargeM3s: level.dischargeM3s,
      how: typeof level.how === 'string' ? level.how : 'not said',
    });
  }
  const base = given.get(surveyed);
  if (!base) {
    complain('levels', `levels does not hold the surveyed level ${surveyed}.`);
    return [];
  }
  return LEVEL_NAMES.map((name) => {
    const level = given.get(name);
    if (level) return level;
    notes.push(`Level ${name} was not given: guessed from the surveyed discharge.`);
    const ratio = GUESSED_RATIO[name] / GUESSED_RATIO[surveyed];
    return { name, dischargeM3s: base.dischargeM3s * ratio, how: 'guessed' };
  });
}

function readFeature(
  raw: unknown,
  index: number,
  header: Header,
  say: Say,
  notes: string[],
): BeatFeature | null {
  if (!isObject(raw) || raw.type !== 'Feature') {
    say(index, 'type', `Feature ${index}: type is not "Feature".`);
    return null;
  }
  const properties = isObject(raw.properties) ? raw.properties : {};
  const kind = properties.kind as FeatureKind;
  const rule = Object.hasOwn(KIND_RULES, kind ?? '') ? KIND_RULES[kind] : undefined;
  if (!rule) {
    say(
      index,
      'kind',
      `Feature ${index}: kind is ${shown(kind)}; it must be one of ${Object.keys(KIND_RULES).join(', ')}.`,
    );
    return null;
  }
  const problemsIn = (property: string, message: string) =>
    say(index, property, `Feature ${index} (${kind}): ${property} ${message}.`);
  const shape = readShape(raw, rule.geometry, header, problemsIn);
  const out: Json = { kind, shape };
  let bad = shape === null;
  for (const [property, check] of Object.entries(rule.properties)) {
    const value = properties[property];
    if (value === undefined || value === null) {
      if (!check.required) continue;
      bad = true;
      problemsIn(property, 'is missing');
      continue;
    }
    const problem = check.problem(value);
    if (problem) {
      bad = true;
      problemsIn(property, problem);
    } else out[property] = property === 'stations' ? readStations(value) : value;
  }
  if (kind === 'ledge' && out.facing === undefined) out.facing = 180;
  const unknown = Object.keys(properties).filter((p) => p !== 'kind' && !(p in rule.properties));
  if (unknown.length > 0)
    notes.push(`Feature ${index} (${kind}): left out ${unknown.join(', ')}, not known here.`);
  return bad ? null : (out as unknown as BeatFeature);
}

function readStations(value: unknown) {
  return (value as Json[]).map((s) => ({
    offsetM: s.offsetM as number,
    depthM: s.depthM as number,
    ...(s.speedMps !== undefined && { speedMps: s.speedMps as number }),
  }));
}

function readShape(
  raw: Json,
  allowed: readonly string[],
  header: Header,
  complain: (property: string, message: string) => void,
): Shape | null {
  const geometry = raw.geometry;
  if (!isObject(geometry) || !allowed.includes(geometry.type as string)) {
    const given = isObject(geometry) ? shown(geometry.type) : shown(geometry);
    complain('geometry', `is ${given}; it must be ${allowed.join(' or ')}`);
    return null;
  }
  // The plan geometry kept beside true coordinates wins while those coordinates are untouched.
  const kept = raw.planGeometry;
  const untouched = header.toPlan !== null && isObject(kept) && kept.hash === lonLatHash(geometry);
  const source = untouched ? (kept as Json) : geometry;
  const toPlan = untouched ? null : header.toPlan;
  const type = geometry.type as Shape['type'];
  let flat: unknown[];
  if (type === 'Point') flat = [source.coordinates];
  else if (type === 'LineString')
    flat = Array.isArray(source.coordinates) ? source.coordinates : [];
  else {
    const rings = Array.isArray(source.coordinates) ? source.coordinates : [];
    if (rings.length > 1)
      complain('geometry', `has ${rings.length - 1} holes; a place without holes is possible`);
    flat = Array.isArray(rings[0]) ? rings[0] : [];
  }
  if (flat.length > MAX_POINTS) {
    complain('geometry', `has ${flat.length} points; at most ${MAX_POINTS} are possible`);
    return null;
  }
  const places: Place[] = [];
  for (const [i, c] of flat.entries()) {
    const [a, b] = Array.isArray(c) ? (c as unknown[]) : [];
    if (
      typeof a !== 'number' ||
      typeof b !== 'number' ||
      !Number.isFinite(a) ||
      !Number.isFinite(b)
    ) {
      complain('geometry', `point ${i} is ${shown(c)}; it must be two numbers`);
      return null;
    }
    const place = toPlan ? toPlan(a, b) : { xM: a, yM: b };
    if (Math.abs(place.xM) > 1000 || Math.abs(place.yM) > 1000) {
      complain('geometry', `point ${i} is ${shown(c)}: more than 1000 m from the beat's origin`);
      return null;
    }
    places.push(place);
  }
  if (type === 'Point') return places.length === 1 ? { type, place: places[0]! } : null;
  if (type === 'LineString') {
    if (places.length >= 2) return { type, line: places };
    complain('geometry', `has ${places.length} points; a line needs at least 2`);
    return null;
  }
  const first = places[0];
  const last = places[places.length - 1];
  if (first && last && places.length > 1 && first.xM === last.xM && first.yM === last.yM)
    places.pop();
  if (places.length >= 3) return { type, ring: places };
  complain('geometry', `has ${places.length} corners; an area needs at least 3`);
  return null;
}
