import { quickRead } from '../core/lies/index';
import type { KeptRead } from '../core/log/index';

const DAY_MS = 86_400_000;
const ZONE_MIN = 120;

/** Eight places along the stream, told on the way to the first beat. */
export function placesRead(streamName: string, untilMs: number): KeptRead[] {
  const takenMs = untilMs - 380 * DAY_MS;
  return ([0.35, 0.6, 0.45, 0.8, 0.3, 0.55, 0.9, 0.4] as const).map((depthM, i): KeptRead => {
    const answers: KeptRead['answers'] = {
      species: 'brown',
      forkLengthCm: 24,
      waterTempC: 11,
      depthM,
      surfacePaceMps: 0.3 + 0.08 * i,
      edge: 'quicker',
      cover: i % 2 ? 'rock' : 'none',
      coverDistanceM: 0.5,
      bottom: 'cobble',
      foam: i % 3 === 0,
      colour: 'clear',
      shaded: false,
    };
    const result = quickRead(answers);
    if (!result.ok) throw new Error(`Place ${i + 1} cannot be rated: ${result.problems.join(' ')}`);
    return {
      id: `demo-place-${i + 1}`,
      beatId: null,
      xM: null,
      yM: null,
      takenMs: takenMs + i * 20 * 60_000,
      zoneOffsetMin: ZONE_MIN,
      answers,
      result,
      note: '',
      place: {
        streamName,
        water: i % 2 ? 'pocket' : 'run',
        count: 2,
        at: i === 0 ? null : { by: 'paces', afterId: `demo-place-${i}`, metres: 45 + 10 * (i % 3) },
        photoId: null,
      },
    };
  });
}
