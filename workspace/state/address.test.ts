import { formatAddress, parseAddress, type Address } from './address';
import { atHour, civilHour, clockText, dayText, fromCivil, toCivil } from '../../core/units/index';

const ZONE = 'Etc/GMT-2';
const base: Address = {
  step: 'read',
  level: 'Fair',
  atMs: Date.parse('2026-06-13T07:40:00Z'),
  lieId: null,
  markId: null,
  stand: null,
  landing: null,
  lay: { kind: 'straight' },
  mend: null,
  fly: 'dry',
  rigId: null,
  posture: 'kneel',
  from: null,
  via: [],
  out: [],
};
const parse = (link: string) => {
  const url = new URL(link, 'http://localhost');
  return parseAddress(url.pathname.split('/')[3]!, url.searchParams, base, ZONE);
};

it('a link gives the plan back', () => {
  const address: Address = {
    ...base,
    step: 'cast',
    level: 'Spate',
    markId: 'm-1',
    lieId: 'abc',
    stand: { xM: 12.35, yM: -3.1 },
    landing: { xM: 13, yM: 1.25 },
    lay: { kind: 'reach', toward: 'up-current', amountM: 1.6 },
    posture: 'crouch',
  };
  const link = formatAddress('sallow', address, ZONE);
  expect(link).toContain('/b/sallow/cast?level=spate&at=2026-06-13T09:40');
  expect(link).toContain('stand=12.35,-3.10');
  expect(link).toContain('lay=reach.up.1.6');
  expect(parse(link)).toEqual({ address, dropped: [] });
});

it('drops a bad part with a sentence and keeps the rest', () => {
  const { address, dropped } = parse(
    '/b/x/cast?level=flood&stand=12&lay=reach.up.9&posture=kneel&at=nine',
  );
  expect(address).toMatchObject({
    step: 'cast',
    level: 'Fair',
    stand: null,
    lay: { kind: 'straight' },
  });
  expect(dropped).toHaveLength(4);
  expect(dropped[0]).toBe(
    'The link\'s level "flood" was left out: it must be thin, fair, full or spate.',
  );
});

it('civil time keeps to the zone, in summer and winter', () => {
  const ms = Date.parse('2026-06-13T07:40:00Z');
  expect(toCivil(ms, ZONE)).toBe('2026-06-13T09:40');
  expect(fromCivil('2026-06-13T09:40', ZONE)).toBe(ms);
  expect(fromCivil('2026-01-13T09:40', 'CET')).toBe(Date.parse('2026-01-13T08:40:00Z'));
  expect(fromCivil('2026-07-13T09:40', 'CET')).toBe(Date.parse('2026-07-13T07:40:00Z'));
  expect(fromCivil('9:40', ZONE)).toBeNull();
  expect(clockText(ms, ZONE)).toBe('9:40');
  expect(dayText(ms, ZONE)).toBe('Sat 13 June');
  expect(civilHour(atHour(ms, 17.25, ZONE), ZONE)).toBeCloseTo(17.25, 9);
});
