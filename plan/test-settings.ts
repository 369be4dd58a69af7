import type { Settings } from './state';

/** Settings for tests of the workspace: nothing guessed, nothing running by itself. */
export const TEST_SETTINGS: Settings = {
  units: 'metric',
  waterTempC: 11.5,
  anglerHeightM: 1.75,
  anglerMassKg: 78,
  maxWadeM: 0.7,
  rodM: 2.4,
  methods: { holding: 'energy-budget' },
  species: 'brown',
  fishLengthCm: 25,
  turbidityNtu: 1,
  prey: 'mixed',
  sky: 'clear',
  windMps: 1,
  polarised: true,
  sharpen: 'when-asked',
  solveOn: 'device',
};
