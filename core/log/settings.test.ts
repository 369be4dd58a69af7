import { DEFAULT_SETTINGS, NO_PRIORS, noticingOf, alarmOf, wholeSettings } from './index';
import { unsoundSetting } from './whole-settings';

/** Settings as kept, and what the record changed of them. */

describe('settings and what the record changed', () => {
  it('what was never set is the default, part by part; what is unsound is as if it had not been', () => {
    const whole = wholeSettings({
      anglerHeightM: 1.9,
      rodM: 99,
      methods: { wind: 'into' } as never,
      noticing: { tauS: 9 } as never,
      tackle: {} as never,
    });
    expect(whole).toMatchObject({ anglerHeightM: 1.9, rodM: 2.4 });
    expect(whole.methods).toEqual({ ...DEFAULT_SETTINGS.methods, wind: 'into' });
    expect(whole.noticing).toEqual({ ...DEFAULT_SETTINGS.noticing, tauS: 9 });
    expect(whole.tackle).toEqual(DEFAULT_SETTINGS.tackle);
  });
  it.each([
    ['rodM', 1, null],
    ['rodM', 5, null],
    ['rodM', 0.9, 'rodM is 0.9; it must be 1 to 5 m'],
    ['rodM', 5.1, 'rodM is 5.1; it must be 1 to 5 m'],
    ['rodM', '2', 'rodM is a string; it must be a number'],
    ['rodM', null, 'rodM is a null; it must be a number'],
    ['waterTempC', null, null],
    ['waterTempC', 31, 'waterTempC is 31; it must be 0 to 30 °C'],
    ['waterTempAt', null, null],
    ['waterTempAt', { beatId: 'b', ms: 1 }, null],
    ['waterTempAt', 4, 'waterTempAt is a number; it must be a object'],
    ['methods', [], 'methods is a list; it must be a object'],
    ['methods', { wind: 3 }, 'methods.wind is a number; it must be a string'],
    ['methods', { unheard: 3 }, null],
    ['units', 'us', null],
    ['nobody knows', 3, null],
  ] as const)('%s as %p', (key, value, said) => {
    expect(unsoundSetting(key, value)).toBe(said);
  });
  it('noticing: width times, seconds times; nothing changed is the very same', () => {
    const s = { noticing: DEFAULT_SETTINGS.noticing, priors: NO_PRIORS };
    expect(noticingOf(s)).toBe(s.noticing);
    const own = { ...s, priors: { ...NO_PRIORS, noticing: 1.5, alarm: 0.5 } };
    expect(noticingOf(own)).toEqual({
      ...s.noticing,
      widthM: 1.5 * s.noticing.widthM,
      tauS: 0.5 * s.noticing.tauS,
    });
    for (const part of ['noticing', 'alarm'] as const)
      expect(noticingOf({ ...s, priors: { ...NO_PRIORS, [part]: 2 } })).not.toEqual(s.noticing);
    expect(alarmOf(own)).toEqual({ tauS: 0.5 * s.noticing.tauS, footfall: s.noticing.footfall });
  });
});
