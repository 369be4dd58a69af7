/** Id of the demo's beat in the demo's book. */
export const DEMO_BEAT_ID = 'sallow-steps';
/** The moment that the demo's clock stands at, for checks and measurements. */
export const DEMO_NOW = '2026-06-13T07:40:00Z';
