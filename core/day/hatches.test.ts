import { HATCHES, hatchTimes, type HatchDay, type HatchKind } from './hatches';
import { NO_FISHING_FROM_C } from './heat';

/** A day of which the water and air stand still. */
const day = (waterC: number, more: Partial<HatchDay> & { air?: number } = {}): HatchDay => ({
  season: 'summer',
  setH: 21,
  cloud: 0.1,
  windMps: 1,
  airC: () => more.air ?? 18,
  waterC: () => waterC,
  ...more,
});
const kinds = (d: HatchDay) => hatchTimes(d, [], NO_FISHING_FROM_C).map((h) => h.kind);

describe('hatches in general (common practice; the table of nine)', () => {
  it.each<[HatchKind, HatchDay, HatchDay]>([
    ['midge', day(6, { season: 'winter' }), day(13, { season: 'winter' })],
    ['midge', day(6, { season: 'winter' }), day(6, { season: 'winter', windMps: 6 })],
    ['blue-winged olive', day(9, { season: 'spring', cloud: 0.9 }), day(9, { season: 'spring' })],
    [
      'blue-winged olive',
      day(9, { season: 'autumn', cloud: 0.9 }),
      day(14, { season: 'autumn', cloud: 0.9 }),
    ],
    ['early caddis', day(12, { season: 'spring' }), day(15, { season: 'spring' })],
    ['summer caddis', day(15), day(15, { season: 'autumn' })],
    ['pale mayfly', day(15), day(18)],
    ['spinner fall', day(15), day(15, { air: 8 })],
    ['ant and beetle', day(15), day(11)],
    ['hopper', day(15, { air: 24, windMps: 3 }), day(15, { air: 24, windMps: 0 })],
    ['hopper', day(15, { air: 24, windMps: 3 }), day(15, { air: 18, windMps: 3 })],
    ['cranefly', day(12, { season: 'autumn', windMps: 5 }), day(12, { season: 'autumn' })],
  ])('%s comes on its day, not on the other', (kind, on, off) => {
    expect(kinds(on)).toContain(kind);
    expect(kinds(off)).not.toContain(kind);
  });
  it('has its hours: midges at midday, caddis at dusk, mayflies late in the morning and in the evening', () => {
    const at = (d: HatchDay, kind: HatchKind) =>
      hatchTimes(d, [], NO_FISHING_FROM_C)
        .filter((h) => h.kind === kind)
        .map((h) => [h.fromH, h.toH]);
    expect(at(day(6, { season: 'winter' }), 'midge')).toEqual([[11, 15]]);
    expect(at(day(15), 'summer caddis')).toEqual([[19.75, 21.5]]);
    expect(at(day(15), 'pale mayfly')).toEqual([
      [9.5, 12.5],
      [19, 21],
    ]);
    expect(at(day(12, { season: 'spring' }), 'early caddis')).toEqual([[15, 21.25]]);
  });
  it('from 20 °C none is told, whatever was seen', () => {
    const hot = day(20, { air: 28, windMps: 3 });
    expect(hatchTimes(hot, [{ kind: 'hopper', h: 14 }], NO_FISHING_FROM_C)).toEqual([]);
  });
  it('what was seen outranks the table, and is told where the table has none', () => {
    const seen = hatchTimes(day(15), [{ kind: 'pale mayfly', h: 16 }], NO_FISHING_FROM_C);
    expect(seen.filter((h) => h.kind === 'pale mayfly')).toEqual([
      { kind: 'pale mayfly', fromH: 15, toH: 17, known: 'seen' },
    ]);
    expect(hatchTimes(day(4), [{ kind: 'cranefly', h: 12 }], NO_FISHING_FROM_C)).toHaveLength(1);
  });
  it('follows the water through the day', () => {
    const warming = { ...day(0), waterC: (h: number) => 8 + h / 2 };
    const ants = hatchTimes(warming, [], NO_FISHING_FROM_C).find(
      (h) => h.kind === 'ant and beetle',
    )!;
    expect([ants.fromH, ants.toH]).toEqual([11, 17]);
    const hot = { ...day(0), waterC: (h: number) => 12 + h / 2 };
    const early = hatchTimes(hot, [], NO_FISHING_FROM_C).find((h) => h.kind === 'ant and beetle')!;
    expect(early.toH).toBeLessThanOrEqual(14);
    expect(HATCHES).toHaveLength(9);
  });
});
