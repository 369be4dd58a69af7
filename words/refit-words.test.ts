import type { Refit, RefitPart } from '../core/learn/index';
import { PRIOR_NAMES } from '../core/log/index';
import { movedWords, REFIT_MOVES, REFIT_NAMES, restsOnWords } from './refit-words';

const part = (more: Partial<RefitPart>): RefitPart => ({
  of: '',
  guessed: 0,
  best: 0,
  low: -0.1,
  high: 0.1,
  spread: 0.05,
  n: 100,
  moved: true,
  ...more,
});
const BEATS = { glide: 'Long Glide' };
const words = (
  name: (typeof PRIOR_NAMES)[number],
  more: Partial<RefitPart>,
  units: 'metric' | 'us' = 'metric',
) => movedWords(name, part(more), units, BEATS);

it('every constant has a name, and says what of the plan it moves', () => {
  for (const name of PRIOR_NAMES) {
    expect(REFIT_NAMES[name].length).toBeGreaterThan(5);
    expect(REFIT_MOVES[name]).toMatch(/^Moves .*\.$/);
  }
});

it('a water’s homes by what a place rated 60 comes to: by hand, logit .6 less 1 is .356', () => {
  expect(words('home', { of: 'glide', best: -1, low: -1.5, high: -0.5 })).toEqual({
    of: 'Long Glide',
    change: 'a place rated 60 holds one 36 in 100',
    within: '25 to 48 in 100',
  });
  expect(words('home', { of: 'all', best: 0 }).of).toBe('On any water');
  expect(words('home', { of: '', best: 0 }).of).toBe('At places without a beat');
  expect(words('home', { of: 'gone', best: 0 }).of).toBe('gone');
});

it('the slope of the homes: good and poor places differ less, or more', () => {
  const slope = (best: number) => words('home', { of: 'slope', guessed: 1, best }).change;
  expect(slope(0.7)).toBe(
    'differ less: the step from one rating to the next is 0.70 of what it was',
  );
  expect(slope(1.3)).toContain('differ more');
});

it('what is fitted as a logarithm is told in times, a shift of the hook in hundreds', () => {
  const ln = Math.log(1.5);
  expect(words('noticing', { best: ln, low: 0, high: 2 * ln })).toEqual({
    of: '',
    change: '1.50 times what was guessed',
    within: '1.00 to 2.25',
  });
  expect(words('scatter', { of: 'far', best: ln }).of).toBe('From 12 m on');
  expect(words('scatter', { of: 'wind', best: ln }).of).toBe('In a wind of 5 m/s, more by');
  expect(words('hook', { best: -1 }).change).toBe(
    'where 50 in 100 were to be hooked, 27 in 100 are',
  );
});

it('a bed lies deeper or shallower than drawn, and a season’s fish at a depth, in the angler’s units', () => {
  const bed = { of: 'glide Fair 12.0 -0.5', best: 0.12, spread: 0.05 };
  expect(words('beds', bed)).toEqual({
    of: 'Long Glide, Fair, at 12.0, -0.5',
    change: '0.12 m deeper than drawn',
    within: 'give or take 0.10 m',
  });
  expect(words('beds', { ...bed, best: -0.12 }).change).toBe('0.12 m shallower than drawn');
  expect(words('beds', bed, 'us').change).toMatch(/^\d.* deeper than drawn$/);
  expect(words('beds', bed, 'us').change).not.toContain(' m ');
  expect(words('depth', { of: 'summer', best: Math.log(0.7), guessed: Math.log(0.5) }).change).toBe(
    'fish lay at 0.70 m, the places that stayed blank at 0.50 m',
  );
});

it('what it rests on, and since when', () => {
  const refit: Refit = {
    name: 'hook',
    parts: [],
    tries: 32,
    sinceMs: Date.parse('2025-05-03T08:00:00Z'),
    verdict: 'moved',
  };
  expect(restsOnWords(refit)).toBe('32 takes since 3 May 2025');
  expect(restsOnWords({ ...refit, tries: 0, sinceMs: null })).toBe('no takes');
});
