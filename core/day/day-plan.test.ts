import { planDay } from './day-plan';
import { at, dayOver, siteAt } from './fixtures/asked';
import { heatLimitC } from './heat';

const THREE = [siteAt('low', 600), siteAt('middle', 760), siteAt('high', 950)];
const FOUR = [...THREE, siteAt('top', 1250)];
/** Readings that hold the lowest site's mean at so many degrees on the evening before and at dawn. */
const dawn = (tempC: number) => [{ id: 'dawn', siteId: 'low', atMs: at(6), tempC }];
const order = (plan: ReturnType<typeof planDay>) => plan.stays.map((s) => s.siteId);

describe('a day over beats', () => {
  it('warm: low first, and climbing with the heat', () => {
    const plan = planDay(dayOver(THREE, { readings: dawn(15.8) }));
    expect(order(plan)).toEqual(['low', 'middle', 'high']);
    expect(plan.none).toBeNull();
    for (const s of plan.stays) expect(s.inShut).toBe(false);
  });
  it('hot: the lowest is left out, and the highest kept for last', () => {
    const plan = planDay(dayOver(FOUR, { readings: dawn(18.6) }));
    expect(order(plan)).not.toContain('low');
    expect(order(plan).at(-1)).toBe('top');
    expect(plan.cautions[0]?.kind).toBe('heat');
  });
  it('each beat is left before the early end of its stop', () => {
    const plan = planDay(dayOver(FOUR, { readings: dawn(16.5) }));
    for (const s of plan.stays) {
      const { stop } = plan.sites.find((x) => x.siteId === s.siteId)!;
      if (stop.earlyH !== null && stop.againH === null)
        expect(s.leaveH).toBeLessThanOrEqual(stop.earlyH + 1e-9);
    }
  });
  it('too warm all day: nothing is planned, and it says why', () => {
    const plan = planDay(
      dayOver(THREE, { readings: dawn(22), air: { lowC: 20, highC: 36, sdC: 1 } }),
    );
    expect(plan.stays).toEqual([]);
    expect(plan.none).toBe('too warm');
    expect(plan.cautions[0]?.kind).toBe('too warm');
  });
  it('cold: late morning to early afternoon', () => {
    const plan = planDay(
      dayOver([siteAt('one', 600)], {
        season: 'winter',
        sun: { riseH: 8, setH: 16.5, neverSets: false },
        air: { lowC: -2, highC: 6, sdC: 1 },
        readings: [{ id: 'r', siteId: 'one', atMs: at(9), tempC: 3.6 }],
        minutePrice: 0.012,
      }),
    );
    expect(plan.stays).toHaveLength(1);
    expect(plan.stays[0]!.arriveH).toBeGreaterThanOrEqual(10);
    expect(plan.stays[0]!.leaveH).toBeLessThanOrEqual(16);
    expect(plan.cautions.map((c) => c.kind)).toEqual(['ice', 'cold water']);
  });
  it('closed beats, their hours, thunder and the hour that it is shut slots', () => {
    const all = [
      siteAt('closed', 600, { closed: true }),
      siteAt('afternoon', 700, { opensH: 13 }),
      siteAt('morning', 800, { shutsH: 11 }),
    ];
    const plan = planDay(dayOver(all, { thunder: { fromH: 16, toH: 18 } }));
    expect(order(plan)).not.toContain('closed');
    for (const s of plan.stays) {
      if (s.siteId === 'afternoon') expect(s.arriveH).toBeGreaterThanOrEqual(13);
      if (s.siteId === 'morning') expect(s.leaveH).toBeLessThanOrEqual(11);
      expect(s.leaveH <= 15.5 || s.arriveH >= 18.5).toBe(true);
    }
    expect(planDay(dayOver([all[0]!])).none).toBe('closed');
    expect(planDay(dayOver([])).none).toBe('no sites');
    expect(planDay(dayOver(THREE, { nowH: 23 })).none).toBe('over');
    const late = planDay(dayOver(THREE, { nowH: 15 }));
    for (const s of late.stays) expect(s.arriveH).toBeGreaterThanOrEqual(15 + 25 / 60);
  });
  it('the limit of the own water is stricter than the school, in both units', () => {
    expect(heatLimitC({ school: 'kinder', species: 'brown', legalC: 17 })).toBe(17);
    const day = { readings: dawn(15.8), heat: { school: 'kinder', species: 'brown' } as const };
    const early = (legalC: number | null) =>
      planDay(dayOver(THREE, { ...day, heat: { ...day.heat, legalC } })).sites[0]!.stop.earlyH!;
    expect(early(17)).toBeLessThan(early(null));
  });
});

describe('by hand', () => {
  const asked = dayOver(THREE, { readings: dawn(15.8) });
  const best = planDay(asked);
  const stays = (
    change: (s: (typeof best.stays)[number]) => Partial<{ arriveH: number; leaveH: number }>,
  ) => best.stays.map((s) => ({ siteId: s.siteId, arriveH: null, leaveH: null, ...change(s) }));
  it('the same order costs nothing', () => {
    const same = planDay({ ...asked, byHand: stays(() => ({})) });
    expect(same.handCosts!.best).toBeCloseTo(0, 9);
    expect(order(same)).toEqual(order(best));
  });
  it('an hour later is re-timed and costs', () => {
    const moved = planDay({
      ...asked,
      byHand: stays((s) => (s.siteId === 'low' ? { arriveH: s.arriveH + 1.5 } : {})),
    });
    expect(moved.stays[0]!.arriveH).toBeCloseTo(best.stays[0]!.arriveH + 1.5, 9);
    expect(moved.handCosts!.best).toBeGreaterThan(0);
    expect(moved.stays[1]!.arriveH).toBeGreaterThan(moved.stays[0]!.leaveH);
  });
  it('a stay that is set over its stop is kept, and told', () => {
    const stop = best.sites[0]!.stop.earlyH!;
    const over = planDay({
      ...asked,
      byHand: stays((s) => (s.siteId === 'low' ? { leaveH: stop + 1 } : {})),
    });
    expect(over.stays[0]!.inShut).toBe(true);
  });
  it('what does not fit the day leaves the best order, and says so', () => {
    const none = planDay({
      ...asked,
      byHand: [
        { siteId: 'high', arriveH: 20, leaveH: null },
        { siteId: 'low', arriveH: 8, leaveH: null },
      ],
    });
    expect(none.handFails).toBe(true);
    expect(order(none)).toEqual(order(best));
  });
});

describe('what it says beside', () => {
  const plan = planDay(dayOver(THREE, { readings: dawn(15.8) }));
  it('another order costs, by the same draws', () => {
    expect(plan.others.map((o) => o.kind)).toEqual(['turned', 'one all day', 'without']);
    for (const { costs } of plan.others) {
      expect(costs.best).toBeGreaterThan(0);
      expect(costs.low).toBeLessThanOrEqual(costs.best);
      expect(costs.high).toBeGreaterThanOrEqual(costs.best);
    }
    expect(plan.looks.low).toBeLessThan(plan.looks.best);
  });
  it('the same question has the same answer', () => {
    expect(planDay(dayOver(THREE, { readings: dawn(15.8) }))).toEqual(plan);
  });
  it('a reading that ends the warming is told: cooler than the curve', () => {
    const cooled = planDay(
      dayOver(THREE, {
        readings: [
          ...dawn(15.8),
          { id: 'noon', siteId: 'low', atMs: at(12), tempC: 19 },
          { id: 'later', siteId: 'low', atMs: at(16.5), tempC: 17.5 },
        ],
      }),
    );
    expect(cooled.sites[0]!.surprise).toMatchObject({ id: 'later' });
    expect(cooled.sites[0]!.surprise!.byC).toBeLessThan(-1);
  });
  it('two that contradict each other are named', () => {
    const torn = planDay(
      dayOver(THREE, {
        readings: [...dawn(15.8), { id: 'b', siteId: 'low', atMs: at(6.2), tempC: 18 }],
      }),
    );
    expect(torn.contradictions).toMatchObject([
      { siteId: 'low', a: { id: 'dawn' }, b: { id: 'b' } },
    ]);
  });
  it('a reading on one beat moves every curve of its stream, and none of another', () => {
    const two = [...THREE, siteAt('elsewhere', 700, { streamId: 'two' })];
    const cold = planDay(dayOver(two, { readings: dawn(9) }));
    const bare = planDay(dayOver(two));
    for (const i of [0, 1, 2])
      expect(cold.sites[i]!.meanC.best).toBeLessThan(bare.sites[i]!.meanC.best - 1);
    expect(cold.sites[3]!.meanC.best).toBeCloseTo(bare.sites[3]!.meanC.best, 9);
  });
});
