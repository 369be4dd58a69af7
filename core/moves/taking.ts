/** What a fish may be taking: by what it is and how far up it has come. */
export const FOODS = [
  'midge',
  'emerger',
  'mayfly dun',
  'spinner',
  'caddis',
  'stonefly',
  'ant or beetle',
  'hopper',
  'nymph near the top',
] as const;
export type Food = (typeof FOODS)[number];

export const RISE_FORMS = ['sip', 'swirl', 'splash', 'head and tail'] as const;
export type RiseForm = (typeof RISE_FORMS)[number];

/** Wings of an insect at rest, as it is told in the hand. */
export const WINGS = [
  'upright',
  'flat and spread',
  'like a tent',
  'flat along the back',
  'two only',
  'none',
] as const;
export type Wings = (typeof WINGS)[number];

export const SIZES_MM = [4, 6, 8, 11, 16, 25] as const;

interface FoodFacts {
  /** Before anything is seen. */
  prior: number;
  /** Chance of each form of rise to it, in the order of `RISE_FORMS`. */
  forms: readonly [number, number, number, number];
  /** Chance of each size, in the order of `SIZES_MM`. */
  sizes: readonly [number, number, number, number, number, number];
  /** Hour of the day that it is about, and by how much it spreads, h; null: any. */
  hours: readonly { at: number; spread: number }[] | null;
  /** Water at which it is about, °C, and spread. */
  tempC: { at: number; spread: number } | null;
  /** Rises of one fish to it are regular, so far 0-1. */
  regular: number;
  wings: Wings;
  /** On the surface to be seen drifting. */
  showsDrifting: boolean;
}

/**
 * The forms of rises and the hours are common practice; every figure is our guess. A sip is to what cannot
 * get away (spinners, midges, emergers); a splash to what may (caddis, stonefly, hopper); head and tail to
 * what hangs in the film; a swirl to what is still under it.
 */
export const FOOD: Record<Food, FoodFacts> = {
  midge: {
    prior: 0.16,
    forms: [0.5, 0.15, 0.05, 0.3],
    sizes: [0.6, 0.35, 0.05, 0, 0, 0],
    hours: null,
    tempC: null,
    regular: 0.8,
    wings: 'two only',
    showsDrifting: false,
  },
  emerger: {
    prior: 0.18,
    forms: [0.3, 0.3, 0.1, 0.3],
    sizes: [0.1, 0.35, 0.35, 0.2, 0, 0],
    hours: [{ at: 14, spread: 4 }],
    tempC: { at: 12, spread: 4 },
    regular: 0.7,
    wings: 'none',
    showsDrifting: false,
  },
  'mayfly dun': {
    prior: 0.16,
    forms: [0.55, 0.1, 0.25, 0.1],
    sizes: [0.05, 0.3, 0.35, 0.25, 0.05, 0],
    hours: [{ at: 14, spread: 3 }],
    tempC: { at: 12, spread: 4 },
    regular: 0.6,
    wings: 'upright',
    showsDrifting: true,
  },
  spinner: {
    prior: 0.12,
    forms: [0.8, 0.05, 0.02, 0.13],
    sizes: [0.05, 0.3, 0.4, 0.2, 0.05, 0],
    hours: [
      { at: 20.5, spread: 1.5 },
      { at: 7.5, spread: 1.5 },
    ],
    tempC: { at: 14, spread: 5 },
    regular: 0.8,
    wings: 'flat and spread',
    showsDrifting: false,
  },
  caddis: {
    prior: 0.13,
    forms: [0.15, 0.25, 0.55, 0.05],
    sizes: [0.02, 0.15, 0.4, 0.35, 0.08, 0],
    hours: [{ at: 19.5, spread: 2.5 }],
    tempC: { at: 14, spread: 4 },
    regular: 0.25,
    wings: 'like a tent',
    showsDrifting: true,
  },
  stonefly: {
    prior: 0.06,
    forms: [0.2, 0.15, 0.6, 0.05],
    sizes: [0, 0.1, 0.2, 0.25, 0.25, 0.2],
    hours: [{ at: 14, spread: 4 }],
    tempC: { at: 11, spread: 5 },
    regular: 0.2,
    wings: 'flat along the back',
    showsDrifting: true,
  },
  'ant or beetle': {
    prior: 0.1,
    forms: [0.65, 0.1, 0.2, 0.05],
    sizes: [0.15, 0.35, 0.3, 0.17, 0.03, 0],
    hours: [{ at: 14, spread: 3 }],
    tempC: { at: 16, spread: 4 },
    regular: 0.15,
    wings: 'none',
    showsDrifting: false,
  },
  hopper: {
    prior: 0.03,
    forms: [0.1, 0.1, 0.75, 0.05],
    sizes: [0, 0, 0, 0.1, 0.45, 0.45],
    hours: [{ at: 14, spread: 3 }],
    tempC: { at: 17, spread: 3 },
    regular: 0.05,
    wings: 'flat along the back',
    showsDrifting: true,
  },
  'nymph near the top': {
    prior: 0.06,
    forms: [0.02, 0.8, 0.1, 0.08],
    sizes: [0.15, 0.3, 0.3, 0.2, 0.05, 0],
    hours: null,
    tempC: null,
    regular: 0.4,
    wings: 'none',
    showsDrifting: false,
  },
};

/** What was seen; what is null was not. */
export interface RisesSeen {
  /** Mean seconds between rises of one fish, and whether they come regularly. */
  everyS: number | null;
  regular: boolean | null;
  form: RiseForm | null;
  /** A thing that drifts by the fish untouched. */
  untouched: Food | null;
  hour: number;
  waterTempC: number | null;
  /** An insect that was caught beside the fish. */
  caught: { lengthMm: number; wings: Wings } | null;
}

export interface TakingOdds {
  foods: { food: Food; chance: number; sizesMm: { mm: number; chance: number }[] }[];
  /** What to show first, and how large. */
  first: { food: Food; mm: number };
  /** No food stands out: the odds of the first are hardly more than those of the next. */
  isOpen: boolean;
  /** What the insect caught is by its wings; null: none was caught, or its wings do not tell. */
  caughtIs: Food[] | null;
}

/** Drifts by untouched: so much less likely to be what is taken. */
const LEFT_ALONE = 0.15;
/** What was caught beside the fish is this much likelier to be it. */
const CAUGHT = 6;
/** What comes seldom is not taken every few seconds. */
const OFTEN_S = 15;
/** Relative error of a length told by eye. */
const LENGTH_SD = 0.25;
/** The first stands out when it is this much likelier than the next. */
const STANDS_OUT = 1.5;
const FLOOR = 0.1;

/** Odds over what is taken and its size (Bayes; each sign by itself). Throws on a length that is not above 0. */
export function whatTheyTake(seen: RisesSeen): TakingOdds {
  if (seen.caught && !(seen.caught.lengthMm > 0))
    throw new RangeError(`what they take: an insect of ${seen.caught.lengthMm} mm`);
  const weighed = FOODS.map((food) => ({ food, weight: weightOf(food, seen) }));
  const sum = weighed.reduce((s, w) => s + w.weight, 0);
  const foods = weighed
    .map(({ food, weight }) => ({ food, chance: weight / sum, sizesMm: sizesOf(food, seen) }))
    .sort((a, b) => b.chance - a.chance);
  const best = foods[0]!;
  const byWings = seen.caught
    ? FOODS.filter((f) => FOOD[f].wings === seen.caught!.wings && f !== 'ant or beetle')
    : null;
  return {
    foods,
    first: { food: best.food, mm: best.sizesMm[0]!.mm },
    isOpen: best.chance < STANDS_OUT * foods[1]!.chance,
    caughtIs: byWings && byWings.length > 0 && byWings.length < 3 ? byWings : null,
  };
}

function weightOf(food: Food, seen: RisesSeen): number {
  const f = FOOD[food];
  let w = f.prior;
  if (seen.form) w *= f.forms[RISE_FORMS.indexOf(seen.form)]!;
  if (seen.regular !== null) w *= seen.regular ? f.regular : 1 - f.regular;
  if (seen.everyS !== null && seen.everyS < OFTEN_S) w *= 0.3 + 0.7 * f.regular;
  // What is in the hand is about, whatever the hour.
  const inHand = seen.caught !== null && seen.caught.wings === f.wings && f.wings !== 'none';
  if (inHand) w *= 1 + CAUGHT * sizeFit(f.sizes, seen.caught!.lengthMm);
  else if (f.hours) w *= FLOOR + Math.max(...f.hours.map((h) => bell(seen.hour, h.at, h.spread)));
  else w *= 0.6;
  if (f.tempC && seen.waterTempC !== null)
    w *= FLOOR + bell(seen.waterTempC, f.tempC.at, f.tempC.spread);
  if (seen.untouched === food) w *= LEFT_ALONE;
  return w;
}

/** Sizes of a food, likeliest first; what was caught counts where its wings are of the food. */
function sizesOf(food: Food, { caught }: RisesSeen): { mm: number; chance: number }[] {
  const f = FOOD[food];
  const weights = SIZES_MM.map(
    (mm, i) =>
      f.sizes[i]! *
      (caught && caught.wings === f.wings ? 0.02 + likeLength(mm, caught.lengthMm) : 1),
  );
  const sum = weights.reduce((a, b) => a + b, 0);
  return SIZES_MM.map((mm, i) => ({ mm, chance: weights[i]! / sum }))
    .filter((s) => s.chance > 0.02)
    .sort((a, b) => b.chance - a.chance);
}

const sizeFit = (sizes: FoodFacts['sizes'], mm: number) =>
  SIZES_MM.reduce((sum, s, i) => sum + sizes[i]! * likeLength(s, mm), 0);
const likeLength = (a: number, b: number) => bell(Math.log(a / b), 0, LENGTH_SD);
const bell = (x: number, at: number, spread: number) => Math.exp(-0.5 * ((x - at) / spread) ** 2);
