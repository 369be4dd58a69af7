import { EMPTY_SNAPSHOT, readSnapshot } from './index';

/** Snapshots from before they had a version. */

describe('a snapshot of before', () => {
  it('what was read is read; what is missing is null', () => {
    expect(readSnapshot({ waterTempC: 9 }).water).toEqual({
      tempC: 9,
      tempSource: 'read',
      turbidityNtu: null,
    });
    expect(readSnapshot({}).water).toEqual({ tempC: null, tempSource: null, turbidityNtu: null });
    expect(readSnapshot({})).toEqual(EMPTY_SNAPSHOT);
    const part = readSnapshot({
      target: { xM: 1, yM: 2 },
      stand: { xM: 0, yM: 0 },
      posture: 'kneel',
    });
    expect(part.target).toMatchObject({
      id: null,
      kind: null,
      rating: null,
      needs: null,
      depthM: null,
      meanSpeedMps: null,
    });
    expect(part.cast).toBeNull();
    expect(readSnapshot({ version: 1, level: 'Fair' })).toEqual({
      ...EMPTY_SNAPSHOT,
      level: 'Fair',
    });
  });
});
