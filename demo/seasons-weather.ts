const DAY_MS = 86_400_000;

/** Weather of one invented day. */
export interface DayWeather {
  meanC: number;
  swingC: number;
  windMps: number;
  sky: 'clear' | 'broken' | 'overcast';
}

/** Warmest in July and August; sky and wind by chance. */
export function weatherOf(dayMs: number, random: () => number): DayWeather {
  const month = new Date(dayMs + DAY_MS / 2).getUTCMonth() + 1;
  // Warmest in July and August.
  const warm = 1 - Math.abs(month - 7.5) / 3.5;
  const sky = (['clear', 'broken', 'overcast'] as const)[Math.floor(3 * random())]!;
  return {
    meanC: 7 + 11 * warm + 2.5 * (random() - 0.5),
    swingC: sky === 'overcast' ? 1 : 2.4,
    windMps: 5.5 * random() ** 2,
    sky,
  };
}

/** Water at an hour of it, °C. */
export const tempAt = (w: DayWeather, h: number) =>
  w.meanC + w.swingC * Math.cos(((h - 16.2) / 24) * 2 * Math.PI);
