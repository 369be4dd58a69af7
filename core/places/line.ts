import type { PlaceAt } from '../log/index';
import { PLACE } from './guesses';

export interface PlaceOnLine {
  id: string;
  takenMs: number;
  at: PlaceAt | null;
}

/** Metres along the stream from its first place, and how surely. */
export interface Along {
  id: string;
  best: number;
  low: number;
  high: number;
  how: 'phone' | 'paces' | 'tape' | 'guessed';
}

const EARTH_M = 6_371_008.8;

/** Metres between two positions on a sphere (haversine). */
export function metresBetween(
  a: { lat: number; lon: number },
  b: { lat: number; lon: number },
): number {
  const rad = Math.PI / 180;
  const dLat = (b.lat - a.lat) * rad;
  const dLon = (b.lon - a.lon) * rad;
  const h =
    Math.sin(dLat / 2) ** 2 +
    Math.cos(a.lat * rad) * Math.cos(b.lat * rad) * Math.sin(dLon / 2) ** 2;
  return 2 * EARTH_M * Math.asin(Math.min(1, Math.sqrt(h)));
}

/** A position good enough to set a place by. */
export const placesBy = (at: PlaceAt | null): PlaceAt | null =>
  at?.by === 'phone' && at.accuracyM > PLACE.mostAccuracyM ? null : at;

/**
 * The places of one stream along it, in the order they were come to: by the phone's positions where those
 * are good, by paces or tape from the place before, else a usual way on. Errors add up from the last
 * place that the phone knew.
 */
export function alongStream(places: readonly PlaceOnLine[]): Along[] {
  const ordered = [...places].sort((a, b) => a.takenMs - b.takenMs || (a.id < b.id ? -1 : 1));
  const out: Along[] = [];
  let phone: { lat: number; lon: number; index: number; accuracyM: number } | null = null;
  for (const p of ordered) {
    const last = out.at(-1);
    const at = placesBy(p.at);
    if (!last) {
      out.push({ id: p.id, best: 0, low: 0, high: 0, how: at?.by ?? 'guessed' });
    } else if (at?.by === 'phone' && phone) {
      const from = out[phone.index]!;
      // The stream winds: never less than the straight line, and never back.
      const best = Math.max(last.best, from.best + metresBetween(phone, at));
      const spread = Math.hypot(at.accuracyM, phone.accuracyM);
      out.push({ id: p.id, best, low: best - spread, high: best + spread, how: 'phone' });
    } else if (at && at.by !== 'phone') {
      const from: Along = out.find((o) => o.id === at.afterId) ?? last;
      const spread = at.by === 'paces' ? PLACE.pacesSpread * Math.abs(at.metres) : 0;
      out.push({
        id: p.id,
        best: from.best + at.metres,
        low: from.low + at.metres - spread,
        high: from.high + at.metres + spread,
        how: at.by,
      });
    } else {
      const best = last.best + PLACE.apartM;
      out.push({
        id: p.id,
        best,
        low: last.low + 10,
        high: last.high + 2 * PLACE.apartM,
        how: 'guessed',
      });
    }
    if (at?.by === 'phone')
      phone = { lat: at.lat, lon: at.lon, index: out.length - 1, accuracyM: at.accuracyM };
  }
  return out;
}
