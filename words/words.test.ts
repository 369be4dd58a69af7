import { driftWhy, lieWhy, needText, paceText } from './words';
import { inHundred } from './names';
import { endText, legText, noWayText } from './stalk-words';
import type { DriftResult } from '../core/cast/index';
import type { Reason } from '../core/units/index';

const why: Reason[] = [
  { what: 'holds-back', value: 0.58, unit: '', source: 'power-mean', about: 'ease' },
  { what: 'nose-pace', value: 0.34, unit: 'm/s', source: 'log-law' },
  { what: 'best-pace-in-reach', value: 0.6, unit: 'm/s', source: 'hughes-dill-1990' },
  { what: 'bolt-hole', value: 1.9, unit: 'm', source: 'plan' },
];

it('says what holds a lie back, in either unit', () => {
  expect(lieWhy(why, 'metric')).toEqual({
    lead: 'Ease holds it back.',
    rest: ['0.34 m/s at the nose: it pays to hold there.', 'Cover to bolt to, 1.9 m off.'],
  });
  expect(lieWhy(why, 'us').rest[0]).toContain('1.1 ft/s');
  expect(
    lieWhy([...why, { what: 'boulder-too-small', value: 0.2, unit: 'm', source: 'flow' }], 'metric')
      .rest[2],
  ).toContain('too small to solve at 0.2 m');
});

it('pace words show their seconds', () => {
  expect(paceText(0.25, 'metric')).toBe('stroll, a leaf takes 12 s over 3.0 m');
  expect(paceText(1.5, 'metric')).toBe('rush, a leaf takes 2.0 s over 3.0 m');
  expect(paceText(0.01, 'metric')).toBe('still');
});

it('says why a drift ends, and that what is not known is not known', () => {
  const best = {
    status: 'ok',
    firstMicroS: 1.1,
    reason: { what: 'tongue-between', value: 0.8, unit: 'm/s', source: 'chain' },
  } as DriftResult;
  expect(driftWhy(best, 'metric')).toBe(
    'The water between you runs 0.80 m/s and draws the line tight at 1.1 s.',
  );
  expect(driftWhy({ ...best, status: 'unknown' }, 'metric')).toContain('Not known');
  expect(driftWhy({ ...best, reason: null }, 'metric')).toBe('No drag while it was followed.');
});

it('legs, shares and dead ends', () => {
  const place = { xM: 0, yM: 0 };
  const leg = {
    posture: 'kneel',
    wading: false,
    places: [place],
    lengthM: 6.04,
    seconds: 50,
    worst: { exposure: 0, fishId: null, place },
    along: { kind: 'bush' },
    toward: 'up',
    lowerFor: { fishId: 'm2', exposure: 0.42 },
  } as const;
  const told = { ...leg, places: [place] };
  expect(legText(told, 'metric')).toBe('Past the bush, up-current, on your knees, 6.0 m.');
  expect(endText(told, 'crawl', () => 'fish 2')).toBe(
    'Stop, and go flat: from there fish 2 would notice you 42 in 100.',
  );
  expect(inHundred(0.062)).toBe('6 in 100');
  expect(noWayText({ kind: 'no way', reason: 'cut-off' }, () => '')).toContain(
    'deep or quick water',
  );
  expect(
    noWayText({ kind: 'no way', reason: 'fish-on-land', about: 'm2' }, () => 'fish 2'),
  ).toContain('fish 2 is marked on dry land');
  expect(needText(0.84)).toBe('.84');
  expect(needText(1)).toBe('1.00');
});
