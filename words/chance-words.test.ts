import type { ShotChance } from '../core/chance/index';
import type { NoShots } from '../core/cast/index';
import {
  coversWorth,
  heldBackText,
  hookText,
  lookText,
  noLookText,
  partsText,
  stayText,
} from './chance-words';
import { heatText } from './heat-words';
import { largestText, stretchText, willingText } from './lie-words';

const chance: ShotChance = {
  value: 0.66,
  found: 0.61,
  low: 0.39,
  high: 0.72,
  first: 0.4,
  parts: { home: 0.92, calm: 0.95, seen: 0.9, lands: 0.8, clean: 0.75, lined: 0.97 },
  heldBack: 'clean',
  hooked: 0.67,
  tightS: 0.37,
  undisturbed: 0.8,
  look: 0.5,
  sigmaM: 0.2,
  crossMps: 0,
  drag: 0.1,
  splash: 0.02,
};

it('the number, its parts, what holds it back, the hook', () => {
  expect(lookText(chance)).toBe('61 in 100 that it gets an honest look in three casts (39 to 72).');
  expect(partsText(chance)).toBe(
    'home 92 · calm on the way 95 · unseen casting 90 · lands on it 80 · clean long enough 75 · not lined 97 · what is left out 85',
  );
  expect(heldBackText(chance, { hasS: 1.1, needsS: 1.4 })).toBe(
    'Held back: the fly drags. Clean within its reach for 1.1 s; it needs 1.4 s.',
  );
  expect(heldBackText({ heldBack: 'seen' }, null)).toBe('Held back: it sees you casting.');
  expect(heldBackText({ heldBack: 'home' }, null)).toMatch(/may not be there/);
  expect(hookText(chance)).toMatch(/^If it takes, 67 in 100 that it is hooked: .* 0.4 s after/);
  expect(hookText({ ...chance, tightS: Infinity, hooked: 0 })).toMatch(
    /does not take up the slack/,
  );
});

it('how long to stay, by each school; a sure look is soon over, none is over at once', () => {
  expect(coversWorth(chance)).toBeGreaterThanOrEqual(1);
  expect(coversWorth({ ...chance, look: 0.1, undisturbed: 1 })).toBeGreaterThan(
    coversWorth({ ...chance, look: 0.8, undisturbed: 0.5 }),
  );
  expect(coversWorth({ ...chance, look: 0 })).toBe(1);
  expect(stayText('three-casts', chance)).toMatch(/^Three good casts/);
  expect(stayText('its-rhythm', chance)).toMatch(/due to rise/);
  expect(stayText('computed', null)).toMatch(/^Three clean ones/);
  expect(stayText('computed', chance)).toMatch(/under a third of the first/);
});

it('no look: what the best has, what would bring more, what was not tried', () => {
  const no: NoShots = {
    kind: 'no shots',
    reason: 'no-look',
    looked: { stands: 1, candidates: 1, simulated: 1, unknown: 0 },
    best: { value: 0.04, heldBack: 'lined' },
    wouldHelp: [],
  };
  expect(noLookText(no, 'metric')[1]).toMatch(/^Neither a longer rod/);
  expect(
    noLookText({ ...no, wouldHelp: [{ change: 'soft-light', value: 0.4 }] }, 'metric')[1],
  ).toBe('What would change it: an hour of soft light (40 in 100).');
});

it('what a lie keeps and what comes to it; an even edge; how ready it is', () => {
  const l = { keepsCm: 22, feedsCm: 40, duskCm: 46, shelterM: 4, class: 'feeding' as const };
  expect(largestText(l, 'metric')).toBe(
    'Keeps 22 cm; 40 cm feeds here now; at dusk 46 cm comes here, from shelter 4.0 m off.',
  );
  expect(largestText({ ...l, keepsCm: null, feedsCm: null, duskCm: null }, 'metric')).toBe(
    'Keeps none.',
  );
  const row = { kind: 'undercut' as const, lieIds: ['a', 'b', 'c'], lengthM: 9, low: 1, high: 3 };
  expect(stretchText(row, 'metric')).toBe('Undercut bank, 9 m: 1 to 3 fish, anywhere along it.');
  expect([0.9, 0.5, 0.1].map((w) => willingText(w).split(' ')[0])).toEqual([
    'readily',
    'a',
    'hardly:',
  ]);
});

it('warm water says nothing until it has been read', () => {
  expect(heatText({ kind: 'stop', limitC: 18.3, beyondKinder: false }, null, 'metric')).toEqual([]);
});
