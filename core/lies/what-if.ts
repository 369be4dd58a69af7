import type { BeatPlan, LevelName } from '../formats/index';
import { cellIndex } from '../grid/index';
import type { FlowField } from '../water/index';
import { fishDay, FISH_RANGE, type FishOptions } from './fish-day';
import { ratingAt } from './needs-field';
import { withAltitude } from './rate-lies';
import { waterForFish } from './water-for-fish';

/** Another day at the same place. */
export interface WhatIf {
  change: 'warmer' | 'cooler' | 'shade' | 'sun' | 'stained' | 'level';
  /** Degrees, NTU; absent where the change is its own amount. */
  amount?: number;
  level?: LevelName;
  /** 0-100 at this very place. */
  rating: number;
}

const DEGREES = 2;
const STAINED_NTU = 20;

/**
 * What would change the rating of one place: two degrees, the shade, a stain, another level whose
 * flow is at hand. Every one is the same rating asked again; nothing is extrapolated.
 */
export function whatIf(
  plan: BeatPlan,
  flow: FlowField,
  options: FishOptions,
  place: { xM: number; yM: number },
  levels: readonly { name: LevelName; flow: FlowField }[],
): WhatIf[] {
  const asked = withAltitude(plan, options);
  const rate = (f: FlowField, o: FishOptions) => {
    const k = cellIndex(f, place.xM, place.yM);
    if (k < 0) return 0;
    const water = waterForFish(plan, f);
    return 100 * ratingAt(water, fishDay(water, o), o.method ?? 'energy-budget', k);
  };
  const here = (o: Partial<FishOptions>) => rate(flow, { ...asked, ...o });
  const out: WhatIf[] = [];
  const [coldest, warmest] = FISH_RANGE.tempC;
  const t = asked.waterTempC;
  if (t + DEGREES <= warmest)
    out.push({ change: 'warmer', amount: DEGREES, rating: here({ waterTempC: t + DEGREES }) });
  if (t - DEGREES >= coldest)
    out.push({ change: 'cooler', amount: DEGREES, rating: here({ waterTempC: t - DEGREES }) });
  const k = cellIndex(flow, place.xM, place.yM);
  const shaded = asked.shade ? asked.shade[k]! : 0;
  const shade = new Float64Array(flow.depthM.length);
  if (shaded < 0.5) out.push({ change: 'shade', rating: here({ shade: shade.fill(1) }) });
  else out.push({ change: 'sun', rating: here({ shade }) });
  if ((asked.turbidityNtu ?? 0) < STAINED_NTU)
    out.push({
      change: 'stained',
      amount: STAINED_NTU,
      rating: here({ turbidityNtu: STAINED_NTU }),
    });
  for (const { name, flow: other } of levels)
    out.push({ change: 'level', level: name, rating: rate(other, { ...asked, shade: null }) });
  return out;
}
