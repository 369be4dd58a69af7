import type { BeatPlan } from '../../core/formats/index';
import { conditionsAt, sunDayOf } from './light';

const plan = { bearingDeg: 90, anchor: { lat: 47, lon: 9 }, timeZone: 'Etc/GMT-2' } as BeatPlan;

it('the sun stands where the plan would show it', () => {
  // At local noon the sun is due south: with +x east, south is -y.
  const noon = conditionsAt(plan, Date.parse('2026-06-21T11:25:00Z'));
  expect(Math.sin(noon.sunPlanRad!)).toBeLessThan(-0.99);
  expect((noon.sunAltitudeRad * 180) / Math.PI).toBeCloseTo(66.4, 0);
  expect(conditionsAt(plan, Date.parse('2026-06-21T23:00:00Z')).sunPlanRad).toBeNull();
});

it('without a place on the map hours are local solar time: the sun is due south at noon', () => {
  const { anchor: _anchor, timeZone: _zone, ...rest } = plan;
  const noon = conditionsAt(rest as BeatPlan, Date.parse('2026-06-21T12:00:00Z'));
  expect(Math.sin(noon.sunPlanRad!)).toBeLessThan(-0.99);
  expect((noon.sunAltitudeRad * 180) / Math.PI).toBeCloseTo(68.4, 0);
  expect(sunDayOf(rest as BeatPlan, Date.parse('2026-06-21T12:00:00Z'))).toMatchObject({
    kind: 'rises',
  });
});

it('weather is as it was said; beyond the circle the sun does not set', () => {
  const grey = conditionsAt(plan, 0, { sky: 'overcast', windMps: 4, turbidityNtu: 8 });
  expect(grey).toMatchObject({ sky: 'overcast', windMps: 4, turbidityNtu: 8 });
  const north = { ...plan, anchor: { lat: 78, lon: 9 } } as BeatPlan;
  expect(sunDayOf(north, Date.parse('2026-06-21T10:00:00Z'))).toEqual({ kind: 'never sets' });
  expect(sunDayOf(north, Date.parse('2026-12-21T10:00:00Z'))).toEqual({ kind: 'never rises' });
  expect(sunDayOf(plan, Date.parse('2026-06-21T10:00:00Z'))).toMatchObject({ kind: 'rises' });
});
