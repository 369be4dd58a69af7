import { CONSTANTS_HASH, EMPTY_SNAPSHOT, readSnapshot, writeSnapshot } from './index';

const told = {
  ...EMPTY_SNAPSHOT,
  planHash: 'p',
  level: 'Fair' as const,
  target: {
    id: 'm1',
    kind: 'pocket' as const,
    xM: 1,
    yM: 2,
    rating: 60,
    needs: { shelter: 1, food: 0.5, ease: 0.5, air: 1 },
    depthM: 0.6,
    surfaceSpeedMps: 0.5,
    meanSpeedMps: 0.4,
    behaviour: 'rising' as const,
  },
};

it('what was written is read back the same, through JSON', () => {
  const written = writeSnapshot(told);
  expect(written).toMatchObject({ version: 1, constantsHash: CONSTANTS_HASH });
  expect(readSnapshot(JSON.parse(JSON.stringify(written)))).toEqual(written);
});

it('one from before snapshots had a version comes with what it lacks as null', () => {
  const old = {
    level: 'Thin',
    dischargeM3s: 0.4,
    hour: '2026-06-13T09:40',
    waterTempC: null,
    ratedAtTempC: 11,
    target: { id: 'm1', xM: 3, yM: 1, totalLengthCm: 27 },
    lie: { kind: 'pocket', rating: 61, needs: told.target.needs },
    water: { depthM: 0.5, paceMps: 0.3 },
    stand: { xM: 1, yM: -4 },
    posture: 'kneel',
    landing: null,
    lay: { kind: 'straight' },
    predictedCleanS: { low: 1, best: 2, high: 3 },
    exposure: 0.1,
  };
  expect(readSnapshot(old)).toEqual({
    ...EMPTY_SNAPSHOT,
    level: 'Thin',
    dischargeM3s: 0.4,
    hour: '2026-06-13T09:40',
    water: { tempC: 11, tempSource: 'assumed', turbidityNtu: null },
    rated: { ...EMPTY_SNAPSHOT.rated, totalLengthCm: 27 },
    target: {
      ...told.target,
      xM: 3,
      yM: 1,
      rating: 61,
      depthM: 0.5,
      surfaceSpeedMps: null,
      meanSpeedMps: 0.3,
      behaviour: null,
    },
    cast: {
      stand: { xM: 1, yM: -4 },
      posture: 'kneel',
      landing: null,
      lay: { kind: 'straight' },
      mend: null,
      leadM: null,
      castKind: null,
      rig: { id: null, fly: null, leaderM: null },
    },
    predicted: {
      ...EMPTY_SNAPSHOT.predicted,
      cleanS: { low: 1, best: 2, high: 3 },
      exposure: 0.1,
    },
  });
});

it.each([null, undefined, 7, 'x', []])('%p is no snapshot and says nothing', (json) => {
  expect(readSnapshot(json)).toEqual(EMPTY_SNAPSHOT);
});
