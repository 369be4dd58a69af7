import { createRandom } from '../grid/index';
import type { DayAsked } from './asked';
import { timeOrder, LEFT_AFTER_MIN, type DayOrder, type OrderAsk, type OrderSite } from './order';
import { feedingAt } from './hour-worth';
import { besideTemp, hourWorth, shutAt, SLOT_H, SLOT_MIN, type Worked } from './site-plan';

/** Draws of temperatures and of what a beat holds, for bands. */
const DRAWS = 48;
/** How far the looks of a beat may be off, as a logarithm (our guess). */
const LOOKS_SD = 0.4;

/** Another order, and what it would cost against the best, looks under the same draws. */
export interface OtherOrder {
  kind: 'turned' | 'one all day' | 'without';
  siteId: string;
  costs: { low: number; best: number; high: number };
  savesMin: number;
}

/** The sites of a day as the order takes them: worth by slot, and which slots are shut. */
export function orderSite(
  asked: DayAsked,
  { site, curve, plan }: Worked,
  limitC: number,
  n: number,
  hourOfSlot: (t: number) => number,
): OrderSite {
  const slots = new Float64Array(n);
  const shut: boolean[] = [];
  for (let t = 0; t < n; t++) {
    const h = hourOfSlot(t);
    const midC = curve.fitted.at(h + SLOT_H / 2).bestC;
    slots[t] =
      site.looks *
      (SLOT_MIN / LEFT_AFTER_MIN) *
      hourWorth(asked, h + SLOT_H / 2, midC, plan.hatches);
    shut.push(shutAt(asked, site, curve, limitC, h, plan.stop.overSinceH) !== null);
  }
  return { id: site.id, slots, shut };
}

/** The order turned round, the best beat alone, and each time without one. */
export function otherOrders(
  ask: OrderAsk,
  chosen: readonly Worked[],
  best: DayOrder,
): { kind: OtherOrder['kind']; siteId: string; order: DayOrder }[] {
  if (best.stays.length === 0) return [];
  const order = best.stays.map((s) => s.site);
  const idOf = (site: number) => chosen[site]!.site.id;
  const out: { kind: OtherOrder['kind']; siteId: string; order: DayOrder }[] = [];
  const add = (kind: OtherOrder['kind'], siteId: string, tried: DayOrder | null) => {
    if (tried && tried.stays.length > 0) out.push({ kind, siteId, order: tried });
  };
  if (order.length > 1) {
    const turned = [...order].reverse();
    add('turned', idOf(turned[0]!), timeOrder(ask, turned));
    const alone = order
      .map((site) => ({ site, timed: timeOrder(ask, [site]) }))
      .reduce((a, b) => ((b.timed?.net ?? -Infinity) > (a.timed?.net ?? -Infinity) ? b : a));
    add('one all day', idOf(alone.site), alone.timed);
    const without = order
      .map((site) => ({
        site,
        timed: timeOrder(
          ask,
          order.filter((x) => x !== site),
        ),
      }))
      .reduce((a, b) => ((b.timed?.net ?? -Infinity) > (a.timed?.net ?? -Infinity) ? b : a));
    add('without', idOf(without.site), without.timed);
  }
  return out;
}

/** The same sites under other temperatures and other luck: each draw's worths, and slots that turn out too warm. */
export function drawnSites(
  asked: DayAsked,
  chosen: readonly Worked[],
  ask: OrderAsk,
  limitC: number,
  hourOfSlot: (t: number) => number,
): OrderSite[][] {
  const random = createRandom(20_260);
  const normal = () => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
  // What no draw changes: the curve and the light of every slot.
  const slotsOf = chosen.map(({ site, curve, plan }, i) => ({
    site,
    slots: Array.from({ length: ask.sites[i]!.slots.length }, (_, t) => {
      const h = hourOfSlot(t) + SLOT_H / 2;
      const { bestC, sdC } = curve.fitted.at(h);
      return { bestC, sdC, besideTemp: besideTemp(asked, h, plan.hatches) };
    }),
  }));
  return Array.from({ length: DRAWS }, () => {
    const streams = new Map<string, number>();
    return slotsOf.map(({ site, slots }): OrderSite => {
      // Beats of one stream are off together.
      const z = streams.get(site.streamId) ?? normal();
      streams.set(site.streamId, z);
      const luck = Math.exp(LOOKS_SD * normal() - LOOKS_SD ** 2 / 2);
      const each = site.looks * luck * (SLOT_MIN / LEFT_AFTER_MIN);
      const temps = slots.map((s) => s.bestC + z * s.sdC);
      return {
        id: site.id,
        // On the day one reads the water, and leaves.
        shut: temps.map((c) => c >= limitC),
        slots: Float64Array.from(
          slots,
          (s, t) => each * s.besideTemp * feedingAt(temps[t]!, asked.heat.species),
        ),
      };
    });
  });
}
