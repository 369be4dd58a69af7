import type { Reason } from '../core/units/index';
import { angleWords, forWords, standWords, towardWords } from './cast-words';
import { layName } from './lay-names';

const reason = (what: string, value: number): Reason => ({ what, value, unit: '', source: '' });

it('what speaks for a shot says no more than its figure', () => {
  expect(forWords(reason('seen', 0.01), 'metric')).toBe('out of sight');
  expect(forWords(reason('seen', 0.15), 'metric')).toBe('hardly seen');
  expect(forWords(reason('calm', 0.99), 'metric')).toBe('the way there alarms nobody');
  expect(forWords(reason('calm', 0.85), 'metric')).toBe('calm 85 in 100 on the way there');
});
it('stands, angles and bearings as the water has them, in an eddy by its own current', () => {
  const fish = { xM: 10, yM: 0, headingRad: 0 };
  expect(standWords({ xM: 7, yM: -5 }, fish, 'left', 'metric')).toBe('true left, 3.0 m below');
  expect(standWords({ xM: 7, yM: -5 }, { ...fish, headingRad: Math.PI }, 'left', 'metric')).toBe(
    'true left, 3.0 m above',
  );
  expect(angleWords(0.1)).toMatch(/^straight below it/);
  expect(angleWords(Math.PI / 2)).toBe('across the current');
  expect(towardWords(Math.PI)).toBe('down the valley');
  expect(towardWords(-Math.PI / 2)).toBe('toward true left');
  expect(layName({ kind: 'reach', toward: 'up-current', amountM: 1 })).toBe('Reach up');
});
