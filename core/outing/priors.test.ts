import { DEFAULT_SETTINGS, NO_PRIORS, type Settings } from '../log/index';
import { rigFrom } from '../rig/index';
import type { BeatPlan } from '../formats/index';
import { conditionsAt } from './light';
import { shotAngler } from './targets';

const plan = { bearingDeg: 0, anchor: { lat: 46, lon: 8 } } as BeatPlan;
const NOON = Date.parse('2026-06-13T10:00:00Z');
const withPriors = (more: Partial<Settings['priors']>): Settings => ({
  ...DEFAULT_SETTINGS,
  priors: { ...NO_PRIORS, ...more },
});

it('an angler whose record says nothing is asked for as ever: no question changes', () => {
  expect(shotAngler(DEFAULT_SETTINGS, rigFrom('usual'))).not.toHaveProperty('learned');
  expect(conditionsAt(plan, NOON, DEFAULT_SETTINGS).guesses).toEqual(DEFAULT_SETTINGS.noticing);
});

it('scatter and hook go with the angler, the width that is seen with the light', () => {
  const scatter = { near: 1.2, far: 1.5, wind: 1 };
  expect(shotAngler(withPriors({ scatter }), rigFrom('usual')).learned).toEqual({
    scatter,
    hook: 0,
  });
  expect(shotAngler(withPriors({ hook: -0.4 }), rigFrom('usual')).learned).toMatchObject({
    hook: -0.4,
  });
  const { guesses } = conditionsAt(plan, NOON, withPriors({ noticing: 1.6 }));
  expect(guesses!.widthM).toBeCloseTo(1.6 * DEFAULT_SETTINGS.noticing.widthM, 9);
  expect(guesses!.contrastSky).toBe(DEFAULT_SETTINGS.noticing.contrastSky);
});
