import { madeUp, SLOT_MIN } from './fixtures/order-ask';
import {
  bestOrder,
  gainOf,
  LEFT_AFTER_MIN,
  timeOrder,
  type DayOrder,
  type OrderAsk,
} from './order';
import { kept } from '../../testing/kept';

const keptOrder = (ask: OrderAsk) => kept('day', ['order', ask], () => bestOrder(ask));

/** Every order of every part of the sites, and in each every pair of slots: the slow way. */
function bruteForce(ask: OrderAsk): number {
  const { sites, travelMin, slotMin, minutePrice } = ask;
  const n = sites[0]!.slots.length;
  const home = sites.length;
  let best = 0;
  const go = (left: number[], at: number, t: number, net: number) => {
    if (at !== home) best = Math.max(best, net - travelMin[at]![home]! * minutePrice);
    for (const next of left) {
      const way = travelMin[at]![next]!;
      const first = at === home ? 0 : t + Math.ceil(way / slotMin);
      for (let arrive = first; arrive < n; arrive++) {
        let worth = 0;
        for (let leave = arrive + 1; leave <= n; leave++) {
          if (sites[next]!.shut[leave - 1]) break;
          worth +=
            sites[next]!.slots[leave - 1]! *
              Math.exp(-((leave - 1 - arrive + 0.5) * slotMin) / LEFT_AFTER_MIN) -
            minutePrice * slotMin;
          const waited = at === home ? 0 : (arrive - first) * slotMin * minutePrice;
          go(
            left.filter((x) => x !== next),
            next,
            leave,
            net + worth - way * minutePrice - waited,
          );
        }
      }
    }
  };
  go(
    sites.map((_, i) => i),
    home,
    0,
    0,
  );
  return best;
}

/** What an order comes to, reckoned from its stays alone. */
function netOf(ask: OrderAsk, { stays }: DayOrder): number {
  const home = ask.sites.length;
  if (stays.length === 0) return 0;
  const first = stays[0]!;
  const last = stays.at(-1)!;
  let ways = ask.travelMin[home]![first.site]! + ask.travelMin[last.site]![home]!;
  let waited = 0;
  stays.slice(1).forEach((s, k) => {
    const way = ask.travelMin[stays[k]!.site]![s.site]!;
    ways += way;
    waited += (s.arrive - stays[k]!.leave - Math.ceil(way / SLOT_MIN)) * SLOT_MIN;
  });
  const fished = stays.reduce((sum, s) => sum + (s.leave - s.arrive) * SLOT_MIN, 0);
  return gainOf(ask, stays) - ask.minutePrice * (ways + waited + fished);
}

describe('the order of a day', () => {
  it('is what trying every order and every hour finds (Held & Karp 1962)', () => {
    for (let seed = 1; seed <= 40; seed++) {
      const sites = 2 + (seed % 3);
      const ask = madeUp(seed, sites, sites === 4 ? 7 : sites === 3 ? 11 : 24);
      const found = bestOrder(ask);
      expect(found.net).toBeCloseTo(bruteForce(ask), 9);
      expect(netOf(ask, found)).toBeCloseTo(found.net, 9);
      expect(found.gap).toBeNull();
    }
  });
  it('no stay lies over a shut slot, and ways are kept', () => {
    for (let seed = 100; seed < 120; seed++) {
      const ask = madeUp(seed, 6, 60);
      const { stays } = bestOrder(ask);
      for (const s of stays)
        expect(ask.sites[s.site]!.shut.slice(s.arrive, s.leave)).not.toContain(true);
      stays.slice(1).forEach((s, k) => {
        const way = ask.travelMin[stays[k]!.site]![s.site]!;
        expect((s.arrive - stays[k]!.leave) * SLOT_MIN).toBeGreaterThanOrEqual(way);
      });
    }
  });
  it('the hours of a given order are the best of that order', () => {
    for (let seed = 1; seed <= 20; seed++) {
      const ask = madeUp(seed, 4, 40);
      const best = bestOrder(ask);
      const again = timeOrder(
        ask,
        best.stays.map((s) => s.site),
      );
      expect(again!.net).toBeCloseTo(best.net, 9);
      const other = timeOrder(ask, [...best.stays.map((s) => s.site)].reverse());
      if (other) expect(other.net).toBeLessThanOrEqual(best.net + 1e-9);
    }
  });
  it('a stay set by hand keeps its slots, the others move, and it costs', () => {
    const ask = { ...madeUp(7, 3, 60), minutePrice: 0.001 };
    const open = { ...ask, sites: ask.sites.map((s) => ({ ...s, shut: s.shut.map(() => false) })) };
    const best = bestOrder(open);
    const [first] = best.stays;
    const pinned = timeOrder(
      open,
      best.stays.map((s) => s.site),
      new Map([[first!.site, { arrive: first!.arrive + 4 }]]),
    )!;
    expect(pinned.stays[0]!.arrive).toBe(first!.arrive + 4);
    expect(pinned.net).toBeLessThan(best.net);
    expect(netOf(open, pinned)).toBeCloseTo(pinned.net, 9);
  });
  it('an order that does not fit the day is refused', () => {
    const ask = madeUp(3, 2, 4);
    const far = { ...ask, travelMin: ask.travelMin.map((row) => row.map(() => 300)) };
    expect(timeOrder(far, [0, 1])).toBeNull();
  });
  it('more than eight: grown, within its gap, and as good as exact where both can', () => {
    for (let seed = 1; seed <= 6; seed++) {
      const many = madeUp(seed, 10, 48);
      const found = keptOrder(many);
      expect(found.gap).toBeGreaterThanOrEqual(0);
      expect(netOf(many, found)).toBeCloseTo(found.net, 9);
      // The eight it goes to most, put in order exactly, are no better than what the gap admits.
      const eight = {
        ...many,
        sites: many.sites.slice(0, 8),
        travelMin: many.travelMin.map((r) => [...r.slice(0, 8), r[10]!]),
      };
      const travelMin = [...eight.travelMin.slice(0, 8), eight.travelMin[10]!];
      const exact = keptOrder({ ...eight, travelMin });
      expect(exact.net).toBeLessThanOrEqual(found.net + found.gap! + 1e-9);
    }
  });
  it('where a minute is worth more than any water it stays at home', () => {
    expect(bestOrder({ ...madeUp(2, 3, 40), minutePrice: 1 }).stays).toEqual([]);
  });
});
