/** A beat, or a string of places, as the order of a day sees it. Slots count from the day's first. */
export interface OrderSite {
  id: string;
  /** Worth of each slot to a fresh beat, takes or looks a slot; 0 where it must not be fished. */
  slots: Float64Array;
  /** Shut in a slot: closed, over the limit, thunder. A stay never lies over such a slot. */
  shut: readonly boolean[];
}

/** Minutes between sites; the last row and column are where one comes from and goes home to. */
export interface OrderAsk {
  sites: readonly OrderSite[];
  travelMin: readonly (readonly number[])[];
  slotMin: number;
  /** What a minute of the day is worth elsewhere: on the way, waiting and fishing alike. */
  minutePrice: number;
}

/** Slots from `arrive` to before `leave`. */
export interface Stay {
  site: number;
  arrive: number;
  leave: number;
}

export interface DayOrder {
  stays: Stay[];
  /** Gain less the price of all minutes away from home. */
  net: number;
  gain: number;
  fishingMin: number;
  wayMin: number;
  /** null: proven best; else how far above it an order could be at most. */
  gap: number | null;
}

/** What is left of a beat after so long on it (our guess), min. */
export const LEFT_AFTER_MIN = 90;
/** As many are put in order exactly. */
export const MOST_EXACT = 8;

/** Worth of a stay by arrival and leaving, [arrive * (slots + 1) + leave]; -Infinity where it may not be. */
export function stayWorths(site: OrderSite, slotMin: number, minutePrice: number): Float64Array {
  const n = site.slots.length;
  const out = new Float64Array((n + 1) * (n + 1)).fill(-Infinity);
  for (let arrive = 0; arrive <= n; arrive++) {
    let sum = 0;
    out[arrive * (n + 1) + arrive] = 0;
    for (let leave = arrive + 1; leave <= n; leave++) {
      if (site.shut[leave - 1]) break;
      const left = Math.exp(-((leave - 1 - arrive + 0.5) * slotMin) / LEFT_AFTER_MIN);
      sum += site.slots[leave - 1]! * left - minutePrice * slotMin;
      out[arrive * (n + 1) + leave] = sum;
    }
  }
  return out;
}

const slotsOf = (minutes: number, slotMin: number) => Math.ceil(minutes / slotMin - 1e-9);

/**
 * The order of beats and the hours at each that net the most: exact over (set visited, beat, slot) for up
 * to eight (Held & Karp 1962), else grown by insertion and mended by swaps, with its gap. Pure.
 */
export function bestOrder(ask: OrderAsk): DayOrder {
  return ask.sites.length <= MOST_EXACT ? exactOrder(ask) : grownOrder(ask);
}

function exactOrder(ask: OrderAsk): DayOrder {
  const { sites, travelMin, slotMin, minutePrice } = ask;
  const b = sites.length;
  const n = sites[0]?.slots.length ?? 0;
  const home = b;
  const worths = sites.map((s) => stayWorths(s, slotMin, minutePrice));
  const sets = 1 << b;
  const size = n + 1;
  /** Best from arriving at a site at a slot, the set (with it) visited; and when to leave. */
  const value = new Float64Array(sets * b * size).fill(-Infinity);
  const leaveAt = new Int16Array(sets * b * size);
  /** Best from leaving a site at a slot; where to: `b` is home. */
  const after = new Float64Array(sets * b * size);
  const next = new Int16Array(sets * b * size);
  const way = travelMin.map((row) =>
    row.map((minutes) => ({ slots: slotsOf(minutes, slotMin), cost: minutes * minutePrice })),
  );
  const waitCost = slotMin * minutePrice;
  // A larger set is looked up by a smaller: largest first.
  for (let set = sets - 1; set > 0; set--)
    for (let i = 0; i < b; i++) {
      if (!(set & (1 << i))) continue;
      const at = (set * b + i) * size;
      const homeCost = way[i]![home]!.cost;
      for (let t = n; t >= 0; t--) {
        let best = -homeCost;
        let to = home;
        for (let j = 0; j < b; j++) {
          if (set & (1 << j)) continue;
          const { slots, cost } = way[i]![j]!;
          if (t + slots > n) continue;
          const v = value[((set | (1 << j)) * b + j) * size + t + slots]! - cost;
          if (v > best) [best, to] = [v, j];
        }
        after[at + t] = best;
        next[at + t] = to;
      }
      const worth = worths[i]!;
      for (let t = n; t >= 0; t--) {
        // Waiting for the place to open, or the hour to come.
        let best = t < n ? value[at + t + 1]! - waitCost : -Infinity;
        let leave = -1;
        for (let u = t + 1; u <= n; u++) {
          const w = worth[t * size + u]!;
          if (w === -Infinity) break;
          const v = w + after[at + u]!;
          if (v > best) [best, leave] = [v, u];
        }
        value[at + t] = best;
        leaveAt[at + t] = leave;
      }
    }
  let best = 0;
  let start: { site: number; t: number } | null = null;
  for (let i = 0; i < b; i++)
    for (let t = 0; t <= n; t++) {
      const v = value[((1 << i) * b + i) * size + t]! - way[home]![i]!.cost;
      if (v > best + 1e-12) [best, start] = [v, { site: i, t }];
    }
  const stays: Stay[] = [];
  let set = 0;
  while (start) {
    set |= 1 << start.site;
    const at = (set * b + start.site) * size;
    let t = start.t;
    while (leaveAt[at + t] === -1) t++;
    const leave = leaveAt[at + t]!;
    stays.push({ site: start.site, arrive: t, leave });
    const to = next[at + leave]!;
    start = to === home ? null : { site: to, t: leave + way[start.site]![to]!.slots };
  }
  return told(ask, stays, null);
}

/** A stay that was moved by hand: it keeps the slots it was given. */
export type Pinned = Partial<Pick<Stay, 'arrive' | 'leave'>>;

/**
 * The hours that net the most where the order is given; all of it is visited. `pins`: stays whose slots
 * were set by hand, kept as they are even where the water is shut. null: the order does not fit the day.
 */
export function timeOrder(
  ask: OrderAsk,
  order: readonly number[],
  pins: ReadonlyMap<number, Pinned> = new Map(),
): DayOrder | null {
  const { sites, travelMin, slotMin, minutePrice } = ask;
  const n = sites[0]?.slots.length ?? 0;
  const home = sites.length;
  const size = n + 1;
  if (order.length === 0) return told(ask, [], null);
  let after = new Float64Array(size).fill(-travelMin[order.at(-1)!]![home]! * minutePrice);
  const chosen: { arrive: Int16Array; leave: Int16Array }[] = [];
  for (let k = order.length - 1; k >= 0; k--) {
    const site = order[k]!;
    const pin = pins.get(site) ?? {};
    const given = pin.arrive !== undefined || pin.leave !== undefined;
    const worth = stayWorths(
      given ? { ...sites[site]!, shut: sites[site]!.shut.map(() => false) } : sites[site]!,
      slotMin,
      minutePrice,
    );
    const value = new Float64Array(size).fill(-Infinity);
    const arrive = new Int16Array(size).fill(-1);
    const leave = new Int16Array(size).fill(-1);
    for (let t = n; t >= 0; t--) {
      if (t < n && value[t + 1]! > -Infinity) {
        value[t] = value[t + 1]! - slotMin * minutePrice;
        arrive[t] = arrive[t + 1]!;
        leave[t] = leave[t + 1]!;
      }
      if (pin.arrive !== undefined && t !== pin.arrive) continue;
      for (let u = t + 1; u <= n; u++) {
        const w = worth[t * size + u]!;
        if (w === -Infinity) break;
        if (pin.leave !== undefined && u !== pin.leave) continue;
        const v = w + after[u]!;
        if (v > value[t]!) {
          value[t] = v;
          arrive[t] = t;
          leave[t] = u;
        }
      }
    }
    chosen.unshift({ arrive, leave });
    const from = k > 0 ? order[k - 1]! : home;
    const minutes = travelMin[from]![site]!;
    const slots = k > 0 ? slotsOf(minutes, slotMin) : 0;
    after = Float64Array.from({ length: size }, (_, t) =>
      t + slots <= n ? value[t + slots]! - minutes * minutePrice : -Infinity,
    );
  }
  // When to begin is free.
  let t = after.reduce((best, v, i) => (v > after[best]! ? i : best), 0);
  if (after[t] === -Infinity) return null;
  const stays: Stay[] = [];
  for (let k = 0; k < order.length; k++) {
    if (k > 0) t += slotsOf(travelMin[order[k - 1]!]![order[k]!]!, slotMin);
    const arrive = chosen[k]!.arrive[t]!;
    const leave = chosen[k]!.leave[t]!;
    if (leave < 0) return null;
    stays.push({ site: order[k]!, arrive, leave });
    t = leave;
  }
  return told(ask, stays, null);
}

/** What stays come to under these worths; those in shut slots bring nothing. */
export function gainOf(ask: Pick<OrderAsk, 'sites' | 'slotMin'>, stays: readonly Stay[]): number {
  let gain = 0;
  for (const { site, arrive, leave } of stays) {
    const { slots, shut } = ask.sites[site]!;
    for (let t = arrive; t < leave; t++)
      if (!shut[t])
        gain += slots[t]! * Math.exp(-((t - arrive + 0.5) * ask.slotMin) / LEFT_AFTER_MIN);
  }
  return gain;
}

function told(ask: OrderAsk, stays: Stay[], gap: number | null): DayOrder {
  const { travelMin, slotMin, minutePrice } = ask;
  const home = ask.sites.length;
  const gain = gainOf(ask, stays);
  let wayMin = 0;
  let waitMin = 0;
  stays.forEach((s, k) => {
    const before = stays[k - 1];
    const way = travelMin[before?.site ?? home]![s.site]!;
    wayMin += way;
    if (before) waitMin += (s.arrive - before.leave - slotsOf(way, slotMin)) * slotMin;
  });
  if (stays.length > 0) wayMin += travelMin[stays.at(-1)!.site]![home]!;
  const fishingMin = stays.reduce((sum, s) => sum + (s.leave - s.arrive) * slotMin, 0);
  const net = gain - minutePrice * (wayMin + waitMin + fishingMin);
  return { stays, net, gain, fishingMin, wayMin, gap };
}

/** Insertion at the best place until nothing adds, then swaps and leaving out while that helps. */
function grownOrder(ask: OrderAsk): DayOrder {
  const all = ask.sites.map((_, i) => i);
  let order: number[] = [];
  let best = timeOrder(ask, order)!;
  for (let improved = true; improved;) {
    improved = false;
    for (const tried of neighbours(order, all)) {
      const timed = timeOrder(ask, tried);
      if (timed && timed.net > best.net + 1e-9) [best, order, improved] = [timed, tried, true];
    }
  }
  return { ...best, gap: Math.max(0, mostPossible(ask) - best.net) };
}

function* neighbours(order: readonly number[], all: readonly number[]): Generator<number[]> {
  for (const i of all)
    if (!order.includes(i))
      for (let k = 0; k <= order.length; k++) yield [...order.slice(0, k), i, ...order.slice(k)];
  for (let a = 0; a < order.length; a++) {
    yield order.filter((_, k) => k !== a);
    for (let b = a + 1; b < order.length; b++) {
      const swapped = [...order];
      [swapped[a], swapped[b]] = [order[b]!, order[a]!];
      yield swapped;
    }
  }
}

/** No order nets more than every site at its best stay, and no more than each slot at the best site, fresh. */
function mostPossible({ sites, slotMin, minutePrice }: OrderAsk): number {
  const each = sites.reduce(
    (sum, s) => sum + stayWorths(s, slotMin, minutePrice).reduce((most, v) => Math.max(most, v), 0),
    0,
  );
  const n = sites[0]!.slots.length;
  let bySlot = 0;
  for (let t = 0; t < n; t++)
    bySlot += Math.max(
      0,
      ...sites.map((s) => (s.shut[t] ? 0 : s.slots[t]!) - minutePrice * slotMin),
    );
  return Math.min(each, bySlot);
}
