import {
  alarmOf,
  CONSTANTS_HASH,
  constantsHashOf,
  DEFAULT_SETTINGS,
  EMPTY_SNAPSHOT,
  homeAsked,
  NO_PRIORS,
  noticingOf,
  priorsOf,
  writeSnapshot,
  type Priors,
  type Try,
} from './index';

const changed: Priors = { ...NO_PRIORS, untilMs: 100, noticing: 1.5, alarm: 0.5 };
const attempt = (id: string, openedMs: number): Try => ({
  id,
  outingId: 'o',
  beatId: 'b',
  markId: null,
  fly: '',
  openedMs,
  zoneOffsetMin: 0,
  snapshot: {
    ...EMPTY_SNAPSHOT,
    rated: { ...EMPTY_SNAPSHOT.rated, homeOffset: 0, homeSlope: 0.8 },
    target: {
      id: 'l',
      kind: null,
      xM: 0,
      yM: 0,
      rating: 60,
      needs: null,
      depthM: null,
      surfaceSpeedMps: null,
      meanSpeedMps: null,
      behaviour: null,
    },
  },
  events: [
    { id: `${id}-1`, device: 'd', seq: 1, code: 'cast', clientMs: openedMs, zoneOffsetMin: 0 },
  ],
});

describe('what the record has changed goes with every plan', () => {
  it('nothing changed: the settings as they are, and the hash of the guesses', () => {
    expect(noticingOf(DEFAULT_SETTINGS)).toBe(DEFAULT_SETTINGS.noticing);
    expect(constantsHashOf(NO_PRIORS)).toBe(CONSTANTS_HASH);
    expect(constantsHashOf({ ...NO_PRIORS, untilMs: 5 })).toBe(CONSTANTS_HASH);
  });
  it('a wider body and a quicker alarm, times what was set', () => {
    const told = { ...DEFAULT_SETTINGS, priors: changed };
    expect(noticingOf(told).widthM).toBeCloseTo(1.5 * DEFAULT_SETTINGS.noticing.widthM, 9);
    expect(alarmOf(told).tauS).toBeCloseTo(0.5 * DEFAULT_SETTINGS.noticing.tauS, 9);
  });
  it('each snapshot carries the hash of what held then; another change, another hash', () => {
    const plain = writeSnapshot(EMPTY_SNAPSHOT).constantsHash;
    const one = writeSnapshot(EMPTY_SNAPSHOT, changed).constantsHash;
    const other = writeSnapshot(EMPTY_SNAPSHOT, { ...changed, alarm: 0.6 }).constantsHash;
    expect(new Set([plain, one, other]).size).toBe(3);
    expect(writeSnapshot(EMPTY_SNAPSHOT, changed).constantsHash).toBe(one);
  });
  it('and what of them is in the predictions, so that a later refit can take it out again', () => {
    expect(writeSnapshot(EMPTY_SNAPSHOT).applied).toBeUndefined();
    expect(writeSnapshot(EMPTY_SNAPSHOT, changed).applied).toEqual({
      noticing: 1.5,
      alarm: 0.5,
      answer: 1,
      hook: 0,
      scatter: { near: 1, far: 1, wind: 1 },
    });
  });
  it('settings kept before there were any have none', () => {
    expect(priorsOf({} as { priors: Priors })).toBe(NO_PRIORS);
  });
});

describe('what the constant of a water is fitted from', () => {
  const tries = [attempt('t1', 50), attempt('t2', 150)];
  it('without a record of its own every try, from nothing known', () => {
    const asked = homeAsked(tries, NO_PRIORS);
    expect(asked.trials).toHaveLength(2);
    expect(asked.prior).toEqual({ offset: 0, spread: 1 });
    expect(asked.trials[0]).toMatchObject({ chance: 0.6, slope: 0.8 });
  });
  it('with one only the tries since, from what it left: nothing is counted twice', () => {
    const own = { offset: -0.7, spread: 0.3 };
    const home = { ...NO_PRIORS.home, slope: 0.9, waters: { b: own } };
    const asked = homeAsked(tries, { ...changed, home });
    expect(asked).toMatchObject({ prior: own, slope: 0.9 });
    expect(asked.trials).toHaveLength(1);
  });
  it('a water that nobody has tried goes by all of them, not by the places without a beat', () => {
    const all = { offset: -0.3, spread: 0.6 };
    const waters = { '': { offset: 2, spread: 0.1 } };
    const asked = homeAsked([], { ...changed, home: { ...NO_PRIORS.home, all, waters } });
    expect(asked.prior).toEqual(all);
  });
  it('taken back: none', () => {
    const asked = homeAsked(tries, { ...NO_PRIORS, home: { ...NO_PRIORS.home, live: false } });
    expect(asked.trials).toEqual([]);
  });
});
