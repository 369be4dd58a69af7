/** Id of the demo's beat in the demo's book. */
export const DEMO_BEAT_ID = 'sallow-steps';
