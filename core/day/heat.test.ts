import { parseTempC } from '../units/index';
import { heatAt, heatLimitC, KINDER_LIMIT_C, NO_FISHING_FROM_C, type HeatRule } from './index';

const kinder: HeatRule = { school: 'kinder', species: 'brown', legalC: null };
/** As typed in a unit and kept to a hundredth of a degree. */
const typed = (text: string, units: 'us' | 'metric') => {
  const read = parseTempC(text, units);
  if (!read.ok) throw new Error(read.message);
  return Math.round(100 * read.value) / 100;
};

describe('warm water (common practice: 65 and 68 °F)', () => {
  it('the limits are exact in both units', () => {
    expect(KINDER_LIMIT_C).toBeCloseTo(18.3333, 4);
    expect(NO_FISHING_FROM_C).toBe(20);
    expect(heatAt(typed('65', 'us'), kinder).kind).toBe('stop');
    expect(heatAt(typed('64.9', 'us'), kinder).kind).toBe('near');
    expect(heatAt(typed('68', 'us'), kinder).kind).toBe('none');
    expect(heatAt(typed('67.9', 'us'), kinder).kind).toBe('stop');
    expect(heatAt(typed('20', 'metric'), kinder).kind).toBe('none');
    expect(heatAt(typed('19.9', 'metric'), kinder).kind).toBe('stop');
    expect(heatAt(typed('18.4', 'metric'), kinder).kind).toBe('stop');
    expect(heatAt(typed('18.3', 'metric'), kinder).kind).toBe('near');
  });
  it('warns from two degrees Fahrenheit below, and says nothing before', () => {
    expect(heatAt(typed('63', 'us'), kinder).kind).toBe('near');
    expect(heatAt(typed('62.9', 'us'), kinder).kind).toBe('fine');
    expect(heatAt(null, kinder).kind).toBe('fine');
  });
  it('each school has its limit, none above what no advice is given from', () => {
    expect(heatLimitC({ ...kinder, school: 'species' })).toBeCloseTo(19.44, 2);
    expect(heatLimitC({ ...kinder, school: 'species', species: 'cutthroat' })).toBe(KINDER_LIMIT_C);
    expect(heatLimitC({ ...kinder, school: 'legal', legalC: 19 })).toBe(19);
    expect(heatLimitC({ ...kinder, school: 'legal', legalC: 24 })).toBe(20);
    expect(heatLimitC({ ...kinder, school: 'legal' })).toBe(KINDER_LIMIT_C);
  });
  it('going on beyond the kinder limit is said to cost', () => {
    const on = heatAt(19, { ...kinder, school: 'species' });
    expect(on).toMatchObject({ kind: 'near', beyondKinder: true });
    expect(heatAt(15, { ...kinder, school: 'species' }).beyondKinder).toBe(false);
  });
});
