import {
  convert,
  depthWord,
  floatSecondsOver3m,
  formatDepth,
  formatDischarge,
  formatFishLength,
  formatLength,
  formatMinutes,
  formatSpeed,
  formatTemp,
  paceWord,
  parseFishLengthCm,
  parseLengthM,
  parseTempC,
} from './index';

it('converts by exact factors (NIST SP 811)', () => {
  expect(convert.mToFt(0.3048)).toBeCloseTo(1, 12);
  expect(convert.m3sToCfs(1)).toBeCloseTo(35.3146667, 6);
  expect(convert.cToF(20)).toBe(68);
  expect(convert.fToC(65)).toBeCloseTo(18.333, 3);
  expect(convert.kgToLb(1)).toBeCloseTo(2.2046226, 6);
});

it('writes figures with a space before the unit, in both systems', () => {
  expect(formatLength(6.94, 'metric')).toBe('6.9 m');
  expect(formatLength(6.94, 'us')).toBe('22.8 ft');
  expect(formatDepth(0.52, 'metric')).toBe('0.52 m');
  expect(formatDepth(0.71, 'us')).toBe('2 ft 4');
  expect(formatDepth(0.1, 'us')).toBe('4 in');
  expect(formatSpeed(0.34, 'metric')).toBe('0.34 m/s');
  expect(formatDischarge(1.6, 'us')).toBe('57 cfs');
  expect(formatTemp(14.2, 'metric')).toBe('14.2 °C');
  expect(formatTemp(14.2, 'us')).toBe('58 °F');
  expect(formatFishLength(31, 'us')).toBe('12 in');
  expect(formatMinutes(0.4)).toBe('25 s');
  expect(formatMinutes(6.2)).toBe('6 min');
  expect(formatLength(-0.01, 'metric')).toBe('0.0 m');
});

it.each([
  ['2 ft 4', 'metric', 0.7112],
  ['0,7', 'metric', 0.7],
  ['28 in', 'metric', 0.7112],
  ['70 cm', 'us', 0.7],
  ['2', 'us', 0.6096],
] as const)('understands the length "%s" (%s)', (text, units, metres) => {
  const parsed = parseLengthM(text, units, { what: 'Depth', min: 0, max: 4 });
  expect(parsed.ok && parsed.value).toBeCloseTo(metres, 6);
});

it('refuses with the field, the value and what is possible', () => {
  const depth = { what: 'Depth', min: 0.02, max: 4 };
  expect(parseLengthM('9', 'metric', depth)).toEqual({
    ok: false,
    message: 'Depth "9" is out of range: 0.02 to 4 m.',
  });
  expect(parseLengthM('deep', 'metric', depth)).toMatchObject({ ok: false });
  expect(parseFishLengthCm('200', 'metric')).toEqual({
    ok: false,
    message: 'Length "200" is outside what a trout can be: 5 to 100 cm.',
  });
  expect(parseTempC('35', 'metric')).toMatchObject({ ok: false });
  expect(parseTempC('52 F', 'metric')).toMatchObject({ ok: true, value: convert.fToC(52) });
});

it('pace and depth words have the bounds of the contract', () => {
  expect([0.05, 0.2, 0.5, 0.8, 1.2].map(paceWord)).toEqual([
    'still',
    'stroll',
    'walk',
    'brisk',
    'rush',
  ]);
  expect(floatSecondsOver3m(0.65)).toBeCloseTo(4.6, 1);
  expect([0.1, 0.25, 0.5, 0.8, 1, 1.3].map((d) => depthWord(d, 1.75))).toEqual([
    'ankle',
    'shin',
    'knee',
    'thigh',
    'waist',
    'over the waist',
  ]);
});

it('a temperature in the other unit is asked back, not taken', () => {
  expect(parseTempC('68', 'metric')).toEqual({
    ok: false,
    message:
      'Water temperature "68" is not possible here: 0 to 30 °C. Was 68 °F meant, which is 20.0 °C?',
  });
  expect(parseTempC('200', 'metric')).toMatchObject({ ok: false });
  expect(parseTempC('68 F', 'metric')).toMatchObject({ ok: true });
});
