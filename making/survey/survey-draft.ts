import type { BeatFeature, BeatPlan, FeatureKind, Shape } from '../../core/formats/index';
import type { Place } from '../../core/grid/index';
import { readBeat, writeBeat } from '../../core/formats/index';

/** A photograph under the plan: metres per pixel, turned, its middle at a place. */
export interface PhotoUnderlay {
  photoId: string;
  widthPx: number;
  heightPx: number;
  mPerPx: number;
  turnDeg: number;
  middle: Place;
}

/** A survey in the making: a plan that need not be whole, and the photograph it may be traced from. */
export interface SurveyDraft {
  plan: BeatPlan;
  photo: PhotoUnderlay | null;
}

export const newSurvey = (name: string): SurveyDraft => ({
  plan: {
    version: 1,
    name,
    lengthM: 30,
    slope: 0.01,
    bearingDeg: 0,
    levels: [{ name: 'Fair', dischargeM3s: 1, how: 'guessed' }],
    surveyedLevel: 'Fair',
    features: [],
  },
  photo: null,
});

/** Changes of a survey, each giving a new one. */

const withFeatures = (d: SurveyDraft, features: BeatFeature[]): SurveyDraft => ({
  ...d,
  plan: { ...withoutFit(d.plan), features },
});

/** What was fitted to other measurements no longer holds once the bed changes. */
function withoutFit(plan: BeatPlan): BeatPlan {
  const { calibration: _fit, ...rest } = plan;
  return rest;
}

export const addFeatures = (d: SurveyDraft, ...features: BeatFeature[]): SurveyDraft =>
  withFeatures(d, [...d.plan.features, ...features]);

export const replaceFeature = (d: SurveyDraft, index: number, f: BeatFeature): SurveyDraft =>
  withFeatures(
    d,
    d.plan.features.map((old, i) => (i === index ? f : old)),
  );

export const removeFeature = (d: SurveyDraft, index: number): SurveyDraft =>
  withFeatures(
    d,
    d.plan.features.filter((_, i) => i !== index),
  );

export const changeHeader = (d: SurveyDraft, change: Partial<BeatPlan>): SurveyDraft => {
  const plan = { ...d.plan, ...change };
  // A fall spread over another length, or another fall altogether, is even again.
  if (change.lengthM !== undefined || change.slope !== undefined) delete plan.fallProfile;
  return { ...d, plan };
};

/** One corner of a shape put elsewhere. */
export function moveCorner(shape: Shape, corner: number, to: Place): Shape {
  const put = (places: Place[]) => places.map((p, i) => (i === corner ? to : p));
  if (shape.type === 'Point') return { type: 'Point', place: to };
  if (shape.type === 'LineString') return { type: 'LineString', line: put(shape.line) };
  return { type: 'Polygon', ring: put(shape.ring) };
}

/** The corner is left out while enough remain; else the shape stays as it is. */
export function dropCorner(shape: Shape, corner: number): Shape {
  const without = (places: Place[]) => places.filter((_, i) => i !== corner);
  if (shape.type === 'LineString' && shape.line.length > 2)
    return { type: 'LineString', line: without(shape.line) };
  if (shape.type === 'Polygon' && shape.ring.length > 3)
    return { type: 'Polygon', ring: without(shape.ring) };
  return shape;
}

export const shapeOf = (type: Shape['type'], places: Place[]): Shape =>
  type === 'Point'
    ? { type, place: places[0]! }
    : type === 'LineString'
      ? { type, line: places }
      : { type, ring: places };

export interface SurveyProblem {
  /** Index of the feature it speaks of; null for the beat as a whole. */
  feature: number | null;
  message: string;
}

const FEATURE_NUMBER = /^Feature (\d+) \(([^)]*)\): /;

/** What keeps the survey from being a beat, in sentences that speak of things, not of indices. */
export function surveyProblems(d: SurveyDraft): { problems: SurveyProblem[]; notes: string[] } {
  const named = d.plan.name.trim() !== '';
  const unnamed: SurveyProblem[] = named
    ? []
    : [{ feature: null, message: 'The beat has no name yet; it needs 1 to 120 letters.' }];
  // Without a name nothing else would be looked at.
  const plan = named ? d.plan : { ...d.plan, name: 'unnamed' };
  const read = readBeat(JSON.parse(JSON.stringify(writeBeat(plan))));
  if (read.ok) return { problems: unnamed, notes: read.notes };
  const problems = read.problems.map((p) => ({
    feature: p.feature,
    message: p.message.replace(
      FEATURE_NUMBER,
      (_, index: string, kind: string) =>
        `${FEATURE_NAMES[kind as FeatureKind] ?? kind} ${numberOf(d.plan, Number(index))}: `,
    ),
  }));
  return { problems: [...unnamed, ...problems], notes: [] };
}

export const FEATURE_NAMES: Record<FeatureKind, string> = {
  bank: 'Bank',
  sounding: 'Sounding',
  section: 'Section',
  boulder: 'Rock',
  log: 'Log',
  rootwad: 'Rootwad',
  ledge: 'Step',
  overhang: 'Boughs',
  weed: 'Weed',
  bed: 'Bed',
  tree: 'Tree',
  bush: 'Bush',
  entry: 'Entry',
  hazard: 'Hazard',
  snag: 'Snag',
  spring: 'Spring',
};

/** Number of a feature among those of its kind, from 1. */
export function numberOf(plan: BeatPlan, index: number): number {
  const kind = plan.features[index]?.kind;
  return plan.features.slice(0, index + 1).filter((f) => f.kind === kind).length;
}
