import { borrowsFromBrown } from '../fish/index';
import type { Reason } from '../units/index';
import type { FishDay } from './fish-day';
import { pulls, shelterBy, type Method, type WeighedName } from './methods';
import type { PlaceNeeds } from './needs';
import type { WaterForFish } from './water-for-fish';

/** Profit asks for food at little cost: what lacks is whichever of the two is less. */
function needBehind(name: WeighedName, n: PlaceNeeds): 'shelter' | 'food' | 'ease' | 'air' {
  if (name === 'profit') return n.food <= n.ease ? 'food' : 'ease';
  return name === 'oxygen' ? 'air' : name;
}

/** Water that an angler would call coloured, NTU. */
const STAINED_NTU = 5;

/**
 * Why a place is rated as it is. The need that holds it back is the one that pulls the weighted
 * mean down most under the method, or the temperature where that takes more.
 */
export function reasons(
  n: PlaceNeeds,
  water: WaterForFish,
  day: FishDay,
  method: Method,
  k: number,
): Reason[] {
  const fish = day.at(k);
  const share = pulls(n, method);
  const worst = (Object.keys(share) as WeighedName[]).sort((a, b) => share[b] - share[a])[0]!;
  const about = n.temperature < 0.5 && n.temperature < n[worst] ? 'air' : needBehind(worst, n);
  const value =
    about === 'air'
      ? n.oxygen * n.temperature
      : about === 'shelter'
        ? shelterBy(n, method)
        : n[about];
  const out: Reason[] = [
    { what: 'holds-back', value, unit: '', source: 'power-mean', about },
    { what: 'nose-pace', value: n.noseMps, unit: 'm/s', source: 'log-law' },
    {
      what: 'best-pace-in-reach',
      value: n.bestWithinReachMps,
      unit: 'm/s',
      source: 'hughes-dill-1990',
    },
    { what: 'depth', value: water.flow.depthM[k]!, unit: 'm', source: 'flow' },
    { what: 'bolt-hole', value: water.toBoltM[k]!, unit: 'm', source: 'plan' },
    { what: 'cover', value: water.cover[k]!, unit: '', source: 'plan' },
    { what: 'broken', value: water.broken[k]!, unit: '', source: 'flow' },
    { what: 'intake', value: n.intakeJph, unit: 'J/h', source: 'hughes-dill-1990' },
    { what: 'cost', value: n.costJph, unit: 'J/h', source: 'dieterman-2004' },
    { what: 'temperature', value: n.temperature, unit: '', source: 'trapezoid' },
    { what: 'oxygen', value: n.oxygenMgL, unit: 'mg/L', source: 'benson-krause-1984' },
  ];
  if (day.shade) out.push({ what: 'shade', value: day.shade[k]!, unit: '', source: 'sun' });
  if ((day.options.turbidityNtu ?? 0) >= STAINED_NTU)
    out.push({
      what: 'clarity',
      value: day.options.turbidityNtu ?? 0,
      unit: 'NTU',
      source: 'barrett-1992',
    });
  if (fish !== day.base)
    out.push({ what: 'spring-water', value: fish.tempC, unit: '°C', source: 'plan' });
  if (borrowsFromBrown(fish.body.species))
    out.push({ what: 'borrowed', value: 1, unit: '', source: 'borrowed-from-brown' });
  return out;
}
