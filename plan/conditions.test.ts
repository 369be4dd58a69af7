import type { BeatPlan } from '../core/formats/index';
import { conditionsAt, sunDayOf } from './conditions';

const plan = { bearingDeg: 90, anchor: { lat: 47, lon: 9 }, timeZone: 'Etc/GMT-2' } as BeatPlan;

it('the sun stands where the plan would show it', () => {
  // At local noon the sun is due south: with +x east, south is -y.
  const noon = conditionsAt(plan, Date.parse('2026-06-21T11:25:00Z'));
  expect(Math.sin(noon.sunPlanRad!)).toBeLessThan(-0.99);
  expect((noon.sunAltitudeRad * 180) / Math.PI).toBeCloseTo(66.4, 0);
  expect(conditionsAt(plan, Date.parse('2026-06-21T23:00:00Z')).sunPlanRad).toBeNull();
});

it('without a place on the map there is no sun to speak of', () => {
  const { anchor: _anchor, ...rest } = plan;
  expect(conditionsAt(rest as BeatPlan, 0)).toMatchObject({ sunPlanRad: null, sky: 'overcast' });
  expect(sunDayOf(rest as BeatPlan, 0)).toBeNull();
  expect(sunDayOf(plan, Date.parse('2026-06-21T10:00:00Z'))).toMatchObject({ kind: 'rises' });
});
