import type { DayAsked } from './asked';
import { dayCautions, type Caution } from './cautions';
import { heatLimitC, NEAR_C } from './heat';
import { lightHours } from './hour-worth';
import { bestOrder, gainOf, timeOrder, type DayOrder, type OrderAsk, type Pinned } from './order';
import { drawnSites, orderSite, otherOrders, type OtherOrder } from './other-orders';
import { contradictions, type Contradiction } from './site-curve';
import { shutAt, SLOT_H, SLOT_MIN, workSite, type SitePlan, type Worked } from './site-plan';

export interface PlannedStay {
  siteId: string;
  arriveH: number;
  leaveH: number;
  /** On the way here from the stay before, or from home, min. */
  wayMin: number;
  looks: number;
  /** Set by hand into hours that are shut. */
  inShut: boolean;
}

/** Why nothing is planned. */
export type NoDay = 'no sites' | 'closed' | 'too warm' | 'dark' | 'over' | 'pays nothing';

export interface DayPlan {
  sites: SitePlan[];
  stays: PlannedStay[];
  /** null where there is a plan. */
  none: NoDay | null;
  looks: { low: number; best: number; high: number };
  fishingMin: number;
  wayMin: number;
  /** How far above this the best order could be; null: proven. */
  gap: number | null;
  /** What the order set by hand costs; null: the order is the best one. */
  handCosts: OtherOrder['costs'] | null;
  /** The order set by hand does not fit the day. */
  handFails: boolean;
  others: OtherOrder[];
  cautions: Caution[];
  contradictions: Contradiction[];
  limitC: number;
  /** First and last light, h. */
  light: { fromH: number; toH: number };
}

/** The whole day: curves, stops, the order of beats, what another would cost, what to mind. Pure. */
export function planDay(asked: DayAsked): DayPlan {
  const limitC = heatLimitC(asked.heat);
  const light = lightHours(asked.sun);
  const worked = asked.sites.map((site) => workSite(asked, site, limitC, light));
  const chosen = worked.filter((w) => asked.chosen.includes(w.site.id));
  const n = Math.ceil((light.toH - light.fromH) / SLOT_H - 1e-9);
  const hourOfSlot = (t: number) => light.fromH + t * SLOT_H;
  const slotOfHour = (h: number) =>
    Math.min(n, Math.max(0, Math.round((h - light.fromH) / SLOT_H)));
  const indexOf = (id: string) => asked.sites.findIndex((s) => s.id === id);
  const travelMin = [...chosen.map((w) => indexOf(w.site.id)), asked.sites.length].map(
    (i, _, all) => all.map((j) => asked.travelMin[i]![j]!),
  );
  const ask: OrderAsk = {
    sites: chosen.map((w) => orderSite(asked, w, limitC, n, hourOfSlot)),
    travelMin,
    slotMin: SLOT_MIN,
    minutePrice: asked.minutePrice,
  };
  const best = n > 0 && chosen.length > 0 ? bestOrder(ask) : NOTHING;
  const hand = byHand(asked, ask, chosen, slotOfHour);
  const shown = hand ?? best;
  const draws = drawnSites(asked, chosen, ask, limitC, hourOfSlot);
  const looksUnder = (order: DayOrder) =>
    draws.map((sites) => gainOf({ sites, slotMin: SLOT_MIN }, order.stays));
  const shownLooks = looksUnder(shown);
  const bestLooks = looksUnder(best);
  const paid = (order: DayOrder) => order.gain - order.net;
  const costsOf = (order: DayOrder) => {
    const looks = looksUnder(order);
    return band(
      best.net - order.net,
      looks.map((l, i) => bestLooks[i]! - paid(best) - (l - paid(order))),
    );
  };
  const stays = shown.stays.map((s, k): PlannedStay => {
    const before = shown.stays[k - 1];
    return {
      siteId: chosen[s.site]!.site.id,
      arriveH: hourOfSlot(s.arrive),
      leaveH: hourOfSlot(s.leave),
      wayMin: travelMin[before?.site ?? chosen.length]![s.site]!,
      looks: gainOf(ask, [s]),
      inShut: ask.sites[s.site]!.shut.slice(s.arrive, s.leave).some((x) => x),
    };
  });
  return {
    sites: worked.map((w) => w.plan),
    stays,
    none: stays.length > 0 ? null : whyNone(asked, chosen, ask, limitC, light),
    looks: band(shown.gain, shownLooks),
    fishingMin: shown.fishingMin,
    wayMin: shown.wayMin,
    gap: shown.gap,
    handCosts: hand && costsOf(hand),
    handFails: asked.byHand !== null && hand === null,
    others: otherOrders(ask, chosen, best).map(({ order, ...told }) => ({
      ...told,
      costs: costsOf(order),
      savesMin: best.wayMin + best.fishingMin - order.wayMin - order.fishingMin,
    })),
    cautions: cautionsOf(asked, worked, chosen, stays, limitC),
    contradictions: contradictions(asked.readings),
    limitC,
    light,
  };
}

const NOTHING: DayOrder = { stays: [], net: 0, gain: 0, fishingMin: 0, wayMin: 0, gap: null };

function byHand(
  { byHand: hand }: DayAsked,
  ask: OrderAsk,
  chosen: readonly Worked[],
  slotOfHour: (h: number) => number,
): DayOrder | null {
  if (!hand) return null;
  const at = (id: string) => chosen.findIndex((w) => w.site.id === id);
  const known = hand.filter((s) => at(s.siteId) >= 0);
  const pins = new Map(
    known.map((s): [number, Pinned] => [
      at(s.siteId),
      {
        ...(s.arriveH !== null && { arrive: slotOfHour(s.arriveH) }),
        ...(s.leaveH !== null && { leave: slotOfHour(s.leaveH) }),
      },
    ]),
  );
  return timeWhatFits(
    ask,
    known.map((s) => at(s.siteId)),
    pins,
  );
}

/** The order given; where it does not fit the day, without the stays that nobody set, the fewest first. */
function timeWhatFits(
  ask: OrderAsk,
  order: readonly number[],
  pins: ReadonlyMap<number, Pinned>,
): DayOrder | null {
  const whole = timeOrder(ask, order, pins);
  if (whole) return whole;
  const isSet = (site: number) => Object.keys(pins.get(site) ?? {}).length > 0;
  const fewer = order
    .filter((site) => !isSet(site))
    .map((gone) => order.filter((site) => site !== gone));
  const fitting = fewer.flatMap((rest) => timeOrder(ask, rest, pins) ?? []);
  if (fitting.length > 0) return fitting.reduce((x, y) => (y.net > x.net ? y : x));
  return fewer.length > 0 ? timeWhatFits(ask, fewer.at(-1)!, pins) : null;
}

function band(best: number, draws: readonly number[]): { low: number; best: number; high: number } {
  const sorted = [...draws].sort((a, b) => a - b);
  const at = (share: number) => sorted[Math.round(share * (sorted.length - 1))] ?? best;
  return { low: Math.min(best, at(0.1)), best, high: Math.max(best, at(0.9)) };
}

function whyNone(
  asked: DayAsked,
  chosen: readonly Worked[],
  ask: OrderAsk,
  limitC: number,
  light: { fromH: number; toH: number },
): NoDay {
  if (chosen.length === 0) return 'no sites';
  if (ask.sites.some((s) => s.shut.some((x) => !x))) return 'pays nothing';
  if (light.toH <= light.fromH) return 'dark';
  const reasons = chosen.flatMap(({ site, curve, plan }) => {
    const out = [];
    for (let h = light.fromH; h + SLOT_H <= light.toH + 1e-9; h += SLOT_H)
      out.push(shutAt(asked, site, curve, limitC, h, plan.stop.overSinceH));
    return out;
  });
  if (reasons.includes('too warm')) return 'too warm';
  return reasons.every((r) => r === 'closed') ? 'closed' : 'over';
}

function cautionsOf(
  asked: DayAsked,
  worked: readonly Worked[],
  chosen: readonly Worked[],
  stays: readonly PlannedStay[],
  limitC: number,
): Caution[] {
  const planned = stays.flatMap((s) => {
    const w = worked.find((x) => x.site.id === s.siteId)!;
    const h = w.plan.stop.overSinceH ?? w.plan.stop.earlyH;
    return h === null ? [] : [{ siteId: s.siteId, h, againH: w.plan.stop.againH }];
  });
  const offered = chosen.filter((w) => !w.site.closed);
  const coldest = Math.min(
    ...stays.map(
      (s) => worked.find((x) => x.site.id === s.siteId)!.curve.fitted.at(s.arriveH).bestC,
    ),
    Infinity,
  );
  return dayCautions({
    offBy: planned,
    tooWarm:
      offered.length > 0 &&
      stays.length === 0 &&
      offered.every((w) => w.plan.stop.earlyH !== null || w.plan.stop.overSinceH !== null),
    careFromC: limitC - NEAR_C,
    thunder: asked.thunder,
    windMps: asked.windMps,
    airLowC: asked.air.lowC,
    coldestC: coldest,
    rising: asked.rising,
    spate: asked.level === 'Spate',
    fireBan: asked.fireBan,
  });
}
