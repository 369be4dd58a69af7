import type { BeatPlan } from '../formats/index';
import { TOTAL_PER_FORK } from '../fish/index';
import { brokenWater, type FlowField } from '../water/index';
import { clamp } from '../grid/index';
import { fishDay, FISH_RANGE, type FishOptions, type Season } from './fish-day';
import { GUESS } from './guesses';
import { ratingAt } from './needs-field';
import { withAltitude } from './rate-lies';
import { layersInto, waterForFish, type WaterForFish } from './water-for-fish';

/** An input that an angler could measure, and how unsure it is while only judged by eye. */
export const INPUTS = [
  'depth',
  'pace',
  'cover',
  'temperature',
  'length',
  'clarity',
  'drift',
] as const;
export type Input = (typeof INPUTS)[number];

/** Doubt of a judgement by eye (our guesses): shares of depth and pace, m, C, cm, NTU. */
export const DOUBT = {
  depthShare: 0.15,
  paceShare: 0.2,
  coverM: 0.4,
  tempC: 1.5,
  lengthCm: 5,
  turbidityNtu: 8,
} as const;

export interface Sensitivity {
  input: Input;
  /** Rating of the place, 0-100, with the input at the low and at the high end of its doubt. */
  low: number;
  high: number;
  /** Ends of the doubt in the input's own unit (m, m/s, m, C, cm, NTU; drift as a share of spring's). */
  from: number;
  to: number;
}

export interface PlaceSensitivity {
  rating: number;
  /** The input that decides most, first. */
  inputs: Sensitivity[];
}

/** How much each input that is only known by eye moves the rating of one place; largest first. */
export function sensitivity(
  plan: BeatPlan,
  flow: FlowField,
  options: FishOptions,
  k: number,
): PlaceSensitivity {
  const asked = withAltitude(plan, options);
  const water = waterForFish(plan, flow);
  const method = asked.method ?? 'energy-budget';
  const rate = (w: WaterForFish, o: FishOptions) => 100 * ratingAt(w, fishDay(w, o), method, k);
  const fish = (input: Input, from: number, to: number, change: (v: number) => object) => ({
    input,
    from,
    to,
    low: rate(water, { ...asked, ...change(from) }),
    high: rate(water, { ...asked, ...change(to) }),
  });
  const place = (input: Input, own: number, share: number, scale: (f: number) => WaterForFish) => ({
    input,
    from: own * (1 - share),
    to: own * (1 + share),
    low: rate(scale(1 - share), asked),
    high: rate(scale(1 + share), asked),
  });
  const [tMin, tMax] = FISH_RANGE.tempC;
  const [lMin, lMax] = FISH_RANGE.lengthCm;
  const lengthCm = asked.forkLengthCm * TOTAL_PER_FORK;
  const ntu = asked.turbidityNtu ?? 0;
  const toBolt = water.toBoltM[k]!;
  const inputs: Sensitivity[] = [
    place('depth', flow.depthM[k]!, DOUBT.depthShare, (f) => scaled(water, f, 1)),
    place('pace', water.pace[k]!, DOUBT.paceShare, (f) => scaled(water, 1, f)),
    {
      input: 'cover',
      from: Math.max(0, toBolt - DOUBT.coverM),
      to: toBolt + DOUBT.coverM,
      low: rate(shifted(water, -DOUBT.coverM), asked),
      high: rate(shifted(water, DOUBT.coverM), asked),
    },
    fish(
      'temperature',
      clamp(asked.waterTempC - DOUBT.tempC, tMin, tMax),
      clamp(asked.waterTempC + DOUBT.tempC, tMin, tMax),
      (waterTempC) => ({ waterTempC }),
    ),
    fish(
      'length',
      clamp(lengthCm - DOUBT.lengthCm, lMin, lMax),
      clamp(lengthCm + DOUBT.lengthCm, lMin, lMax),
      (cm) => ({ forkLengthCm: cm / TOTAL_PER_FORK }),
    ),
    fish('clarity', Math.max(0, ntu - DOUBT.turbidityNtu), ntu + DOUBT.turbidityNtu, (n) => ({
      turbidityNtu: n,
    })),
    seasons(asked, (season) => rate(water, { ...asked, season })),
  ];
  const span = (s: Sensitivity) => Math.abs(s.high - s.low);
  return { rating: rate(water, asked), inputs: inputs.sort((a, b) => span(b) - span(a)) };
}

/** Drift from winter's to spring's: how much comes down is seldom known. */
function seasons(o: FishOptions, rate: (season: Season) => number): Sensitivity {
  const drift = GUESS.seasonDrift;
  const own = drift[o.season ?? 'spring'];
  const order = (Object.keys(drift) as Season[]).sort((a, b) => drift[a] - drift[b]);
  const at = order.findIndex((s) => drift[s] === own);
  const low = order[Math.max(0, at - 1)]!;
  const high = order[Math.min(order.length - 1, at + 1)]!;
  return { input: 'drift', from: drift[low], to: drift[high], low: rate(low), high: rate(high) };
}

/** The same water, deeper or quicker by a factor everywhere: a wrong tape or a wrong float. */
function scaled(water: WaterForFish, depth: number, pace: number): WaterForFish {
  const { flow } = water;
  const times = (a: Float64Array, f: number) => (f === 1 ? a : a.map((v) => v * f));
  const other: WaterForFish = {
    ...water,
    flow: {
      ...flow,
      depthM: times(flow.depthM, depth),
      u: times(flow.u, pace),
      v: times(flow.v, pace),
    },
    pace: times(water.pace, pace),
    scratch: {},
    reachable: new Map(),
  };
  other.froude = water.froude.map((f) => (f * pace) / Math.sqrt(depth));
  other.broken = other.froude.map((f, k) =>
    water.open[k] ? brokenWater(f, other.flow.depthM[k]!, flow.d84M[k]!) : 0,
  );
  if (depth !== 1) {
    other.layerRatio = new Float64Array(water.layerRatio.length);
    for (let k = 0; k < water.open.length; k++)
      if (water.open[k]) layersInto(other.layerRatio, k, other.flow.depthM[k]!, flow.d84M[k]!);
  }
  return other;
}

/** Cover and bolt-holes nearer or farther by `byM`. */
function shifted(water: WaterForFish, byM: number): WaterForFish {
  const move = (a: Float64Array) => a.map((d) => Math.max(0, d + byM));
  const nearer = Math.exp(-byM / GUESS.solidReachM);
  return {
    ...water,
    toBoltM: move(water.toBoltM),
    cover: water.cover.map((c) => clamp(c * nearer, 0, 0.95)),
    scratch: {},
    reachable: new Map(),
  };
}
