import { planDay, siteCurve } from '../day/index';
import { readBeat, type BeatPlan } from '../formats/index';
import {
  DEFAULT_SETTINGS,
  HOME,
  NO_BEAT_FACTS,
  NO_DATE_FACTS,
  NO_FACTS,
  wayId,
} from '../log/index';
import { FIRST_BEAT_FILE } from '../../demo/first-beat';
import { channelShade } from './channel-shade';
import { beatSite } from './day-site';
import {
  dayAsked,
  MINUTE_PRICE,
  noonOf,
  sunOf,
  usualSites,
  wayMinutes,
  withTyped,
} from './day-book';
import { bookSite, dayBook } from './fixtures/day-book';
import { conditionsAt } from './light';

const settings = DEFAULT_SETTINGS;
const plan = (readBeat(FIRST_BEAT_FILE) as { plan: BeatPlan }).plan;
const NOON = Date.parse('2026-06-21T10:00:00Z');

describe('what a day is asked', () => {
  it('what was told stands over what is drawn and guessed', () => {
    const bare = dayAsked(dayBook(), settings, 'low');
    expect(bare.airKnown).toBe('season');
    expect(bare.chosen).toEqual(['low', 'high']);
    const told = dayAsked(
      dayBook({
        facts: {
          streams: { one: { regime: 'spring-fed' } },
          beats: { low: { ...NO_BEAT_FACTS, shade: 0.8, closed: true, opensMin: 360 } },
          ways: { [wayId(HOME, 'low')]: { minutes: 12 } },
          dates: {
            '2026-06-13': {
              ...NO_DATE_FACTS,
              airLowC: 8,
              airHighC: 22,
              level: 'Spate',
              sites: ['high'],
              stayOut: 'best hours',
              thunder: { fromMin: 900, toMin: 1020 },
            },
          },
        },
      }),
      settings,
      'low',
    );
    expect(told).toMatchObject({
      airKnown: 'told',
      air: { lowC: 8, highC: 22 },
      level: 'Spate',
      levelC: -1.5,
      chosen: ['high'],
      minutePrice: MINUTE_PRICE['best hours'],
      thunder: { fromH: 15, toH: 17 },
    });
    expect(told.sites[0]).toMatchObject({
      regime: 'spring-fed',
      closed: true,
      opensH: 6,
      depthM: 0.8,
    });
    expect(told.sites[0]!.shadeByHour[12]).toBe(0.8);
    expect(told.travelMin[2]![0]).toBe(12);
    expect(told.travelMin[0]![2]).toBe(12);
  });

  it('ways: told, by the map, else guessed and said so', () => {
    const book = dayBook({
      sites: [
        bookSite('low', 500),
        bookSite('high', 700, { place: { latDeg: 47.05, lonDeg: 9 } }),
        bookSite('same place', 700),
        bookSite('elsewhere', null, { place: null, streamId: 'two' }),
      ],
    });
    expect(wayMinutes(book, 'low', 'low').minutes).toBe(0);
    // 5.56 km as the crow flies, 1.4 as far on lanes at 8 m/s, and a quarter of an hour in.
    expect(wayMinutes(book, 'low', 'high')).toEqual({ minutes: 31, known: 'map' });
    expect(wayMinutes(book, 'low', 'same place').known).toBe('guessed');
    expect(wayMinutes(book, 'low', 'elsewhere').minutes).toBeGreaterThan(
      wayMinutes(book, 'low', 'same place').minutes,
    );
  });

  it('the temperature of the top line is a reading of its beat at its hour; one that was kept is not doubled', () => {
    const at = { beatId: 'low', ms: Date.parse('2026-06-13T08:00:00Z') };
    const typed = withTyped(dayBook(), { waterTempC: 12, waterTempAt: at }, 'high');
    expect(typed.readings).toEqual([{ id: 'typed', siteId: 'low', atMs: at.ms, tempC: 12 }]);
    const kept = dayBook({ readings: [{ id: 'r', siteId: 'low', atMs: at.ms, tempC: 12 }] });
    expect(withTyped(kept, { waterTempC: 12, waterTempAt: at }, 'high').readings).toHaveLength(1);
    // Typed anew over a reading of that hour it stands instead; a later reading stands over it.
    const anew = withTyped(kept, { waterTempC: 9, waterTempAt: at }, 'high');
    expect(anew.readings.map((r) => r.tempC)).toEqual([9]);
    const later = dayBook({
      readings: [{ id: 'r', siteId: 'low', atMs: at.ms + 60_000, tempC: 13 }],
    });
    expect(withTyped(later, { waterTempC: 9, waterTempAt: at }, 'high').readings[0]!.tempC).toBe(
      13,
    );
    expect(withTyped(dayBook(), { waterTempC: null, waterTempAt: null }, 'low').readings).toEqual(
      [],
    );
    const gone = { beatId: 'gone', ms: 1 };
    expect(withTyped(dayBook(), { waterTempC: 9, waterTempAt: gone }, 'low').readings).toEqual([]);
  });

  it('the day of another place: only its own stream, and of places only where they were chosen', () => {
    const book = dayBook({
      sites: [
        bookSite('low', 500),
        bookSite('places-one', null, { kind: 'places' }),
        bookSite('far', 400, { streamId: 'two' }),
      ],
    });
    expect(usualSites(book, 'low')).toEqual(['low']);
    expect(usualSites(book, 'far')).toEqual(['far']);
    expect(usualSites(book, null)).toEqual(['low']);
  });

  it('polar day and night, and no place given, give a plan or say why not', () => {
    const at = (latDeg: number, date: string) => {
      const place = { latDeg, lonDeg: 9 };
      const book = dayBook({
        date,
        noonMs: noonOf(date, 'Etc/GMT-2'),
        sites: [bookSite('low', 100, { place })],
      });
      return { sun: sunOf(book), plan: planDay(dayAsked(book, settings, 'low')) };
    };
    const summer = at(70, '2026-06-21');
    expect(summer.sun).toEqual({ riseH: null, setH: null, neverSets: true });
    expect(summer.plan.light).toEqual({ fromH: 0, toH: 24 });
    expect(summer.plan.stays.length).toBeGreaterThan(0);
    const winter = at(70, '2026-12-21');
    expect(winter.sun.neverSets).toBe(false);
    for (const s of winter.plan.stays) expect(s.arriveH).toBeGreaterThanOrEqual(11);
    const nowhere = dayBook({
      sites: [bookSite('low', null, { place: null, timeZone: null })],
      timeZone: null,
    });
    expect(sunOf(nowhere).riseH).toBeGreaterThan(3);
    expect(planDay(dayAsked(nowhere, settings, 'low')).sites[0]!.top.bestC).toBeGreaterThan(5);
  });

  it('a change of clocks in the night leaves the noon and the curve where they are', () => {
    const zone = 'Europe/Paris';
    for (const date of ['2026-03-29', '2026-10-25']) {
      const noonMs = noonOf(date, zone);
      const book = dayBook({
        date,
        timeZone: zone,
        noonMs,
        readings: [{ id: 'r', siteId: 'low', atMs: noonMs, tempC: 9 }],
      });
      const asked = dayAsked(book, settings, 'low');
      const curve = siteCurve(asked, asked.sites[0]!);
      expect(curve.used[0]!.h).toBe(12);
      expect(curve.fitted.at(12).bestC).toBeCloseTo(9, 0);
      expect(Math.abs(sunOf(book).riseH! - (date < '2026-06' ? 7.2 : 7.1))).toBeLessThan(0.9);
    }
  });
});

it('a warm day after two cold ones stands out; one that nobody told does not', () => {
  const air = (airLowC: number, airHighC: number) => ({ ...NO_DATE_FACTS, airLowC, airHighC });
  const asked = (dates: Record<string, typeof NO_DATE_FACTS>) =>
    dayAsked(dayBook({ facts: { ...NO_FACTS, dates } }), settings, 'low').warmAfterCold;
  const warm = { '2026-06-13': air(4, 14) };
  expect(asked({ ...warm, '2026-06-12': air(-2, 6), '2026-06-11': air(-3, 5) })).toBe(true);
  expect(asked({ ...warm, '2026-06-12': air(5, 13), '2026-06-11': air(-3, 5) })).toBe(false);
  expect(asked(warm)).toBe(false);
});

describe('a drawn beat as a site', () => {
  const site = beatSite({ id: 'b', streamId: 's', streamName: 'Kest', plan }, NOON, null, 'brown');
  it('has its depth by level, its shade by hour, and looks by its length until a route is known', () => {
    expect(site.looksKnown).toBe('length');
    expect(site.looks).toBeCloseTo(0.15 * plan.lengthM, 6);
    const depths = plan.levels.map((l) => site.depthM[l.name]!);
    expect([...depths].sort((a, b) => a - b)).toEqual(depths);
    expect(site.depthM[plan.surveyedLevel]).toBeGreaterThan(0.1);
    expect(site.shadeByHour[1]).toBe(1);
    expect(site.shadeByHour[12]).toBeLessThan(0.7);
  });
  it('a wall of trees on the sunny side shades it, on the other side not', () => {
    const light = conditionsAt(plan, NOON);
    const sunny = Math.sin(light.sunPlanRad!) > 0 ? 1 : -1;
    const wall = (side: number): BeatPlan => ({
      ...plan,
      features: [
        ...plan.features.filter((f) => f.kind !== 'tree' && f.kind !== 'bush'),
        ...Array.from({ length: 24 }, (_, i) => ({
          kind: 'tree' as const,
          heightM: 20,
          crownM: 6,
          shape: {
            type: 'Point' as const,
            place: { xM: (i * plan.lengthM) / 23, yM: side * 6 },
          },
        })),
      ],
    });
    expect(channelShade(wall(sunny), light)).toBeGreaterThan(0.6);
    expect(channelShade(wall(-sunny), light)).toBeLessThan(0.35);
    expect(channelShade(plan, { sunAltitudeRad: -0.1, sunPlanRad: null })).toBe(1);
  });
});

it('facts of nobody are the usual ones', () => {
  expect(dayAsked(dayBook({ facts: NO_FACTS }), settings, null).sites[0]).toMatchObject({
    regime: 'freestone',
    closed: false,
  });
});
