const RAD = Math.PI / 180;
const DAY_MS = 86400000;
/** Julian date of 1970-01-01 00:00 UTC. */
const UNIX_JD = 2440587.5;

/**
 * Geometric altitude of the sun and its azimuth clockwise from true north, without refraction.
 * Low-precision solar coordinates (Meeus 1998, ch. 25; good to .01 degree for 1950-2050).
 */
export function sunAt(input: { latDeg: number; lonDeg: number; utcMs: number }): {
  altitudeRad: number;
  azimuthRad: number;
} {
  const t = (input.utcMs / DAY_MS + UNIX_JD - 2451545) / 36525;
  const meanLon = 280.46646 + 36000.76983 * t + 0.0003032 * t * t;
  const anomaly = (357.52911 + 35999.05029 * t - 0.0001537 * t * t) * RAD;
  const centre =
    (1.914602 - 0.004817 * t) * Math.sin(anomaly) +
    0.019993 * Math.sin(2 * anomaly) +
    0.000289 * Math.sin(3 * anomaly);
  const node = (125.04 - 1934.136 * t) * RAD;
  const lambda = (meanLon + centre - 0.00569 - 0.00478 * Math.sin(node)) * RAD;
  const obliquity = (23.4392911 - 0.0130042 * t + 0.00256 * Math.cos(node)) * RAD;
  const declination = Math.asin(Math.sin(obliquity) * Math.sin(lambda));
  const rightAscension = Math.atan2(Math.cos(obliquity) * Math.sin(lambda), Math.cos(lambda));
  const days = input.utcMs / DAY_MS + UNIX_JD - 2451545;
  const sidereal = (280.46061837 + 360.98564736629 * days) * RAD;
  const hourAngle = sidereal + input.lonDeg * RAD - rightAscension;
  const lat = input.latDeg * RAD;
  const altitudeRad = Math.asin(
    Math.sin(lat) * Math.sin(declination) +
      Math.cos(lat) * Math.cos(declination) * Math.cos(hourAngle),
  );
  const azimuth = Math.atan2(
    -Math.sin(hourAngle),
    Math.tan(declination) * Math.cos(lat) - Math.sin(lat) * Math.cos(hourAngle),
  );
  return { altitudeRad, azimuthRad: (azimuth + 2 * Math.PI) % (2 * Math.PI) };
}

/** The sun's upper rim on the horizon, with the usual refraction of 34 minutes. */
const RISE_ALTITUDE_RAD = -0.8333 * RAD;

export type SunDay =
  | { kind: 'rises'; riseMs: number; setMs: number }
  | { kind: 'never rises' }
  | { kind: 'never sets' };

/** Sunrise and sunset within the day that starts at `dayStartMs` (UTC). To a second. */
export function sunDay(input: { latDeg: number; lonDeg: number; dayStartMs: number }): SunDay {
  const above = (utcMs: number) => sunAt({ ...input, utcMs }).altitudeRad - RISE_ALTITUDE_RAD;
  let riseMs: number | null = null;
  let setMs: number | null = null;
  const step = DAY_MS / 96;
  for (let ms = input.dayStartMs; ms < input.dayStartMs + DAY_MS; ms += step) {
    const a = above(ms);
    const b = above(ms + step);
    if (a < 0 && b >= 0) riseMs = bisect(above, ms, ms + step);
    if (a >= 0 && b < 0) setMs = bisect(above, ms, ms + step);
  }
  if (riseMs !== null && setMs !== null) return { kind: 'rises', riseMs, setMs };
  return above(input.dayStartMs + DAY_MS / 2) > 0
    ? { kind: 'never sets' }
    : { kind: 'never rises' };
}

function bisect(f: (x: number) => number, a: number, b: number): number {
  let [lo, hi] = [a, b];
  const rising = f(lo) < 0;
  while (hi - lo > 500) {
    const mid = (lo + hi) / 2;
    if (f(mid) < 0 === rising) lo = mid;
    else hi = mid;
  }
  return (lo + hi) / 2;
}

/** Plan angle (counter-clockwise from +x) of an azimuth (clockwise from north). */
export const planAngleRad = (azimuthRad: number, bearingDeg: number) =>
  bearingDeg * RAD - azimuthRad;
